using System.IO.Compression;

namespace Kostel.Server.Tests;

/// <summary>A library as an earlier Kostel left it, with one of everything: an edit, an unclear mark, cards of which one was reviewed and one reworded, a summary, a quiz that was taken, a question, terms, and a lecture in the bin.</summary>
internal static class EarlierLibrary
{
    /// <summary>The lecture that everything belongs to.</summary>
    public const string Lecture = "87dc4595aef8";

    public static void Unpack(string folder) =>
        ZipFile.ExtractToDirectory(Path.Combine(ServerProcess.Root, "tests", "Kostel.Server.Tests", "Earlier", "library-2026-11-26.zip"), folder, overwriteFiles: true);
}
