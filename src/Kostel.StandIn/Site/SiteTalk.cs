using System.Collections.Concurrent;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.StandIn.Site;

/// <summary>A talk that the site offers, with captions and chapters.</summary>
/// <param name="Name">Stands in its addresses.</param>
/// <param name="Bytes">Of its recording.</param>
internal sealed record SiteTalk(string Name, string Title, DateOnly Held, string Path, string Type, Transcript Transcript)
{
    public long Bytes => new FileInfo(Path).Length;

    public string Captions => WebVtt.Write(Transcript);

    /// <summary>Two chapters, with titles that stand nowhere in the talk: who has them took them from here.</summary>
    public IReadOnlyList<(string Title, int StartMs)> Chapters => [("What it is", 0), ("What follows from it", Transcript.Passages[Transcript.Passages.Count / 2].StartMs)];
}

/// <summary>The talks of the site, out of a folder with their recordings and transcripts; and how many of them its feed has published.</summary>
internal sealed class SiteTalks
{
    private readonly ConcurrentDictionary<string, int> published = new();

    /// <summary>Reads the folder.</summary>
    public SiteTalks(string folder)
    {
        folder = System.IO.Path.GetFullPath(folder);
        All = [.. Known.Select(k => new SiteTalk(
            k.Name, k.Title, k.Held, System.IO.Path.Combine(folder, "media", k.Name + ".opus"), "audio/ogg",
            TextAlignment.Align(Said(folder, k.Name), TranscriptFormat.Read(File.ReadAllText(System.IO.Path.Combine(folder, "transcripts", k.Name + ".json"))))))];
    }

    /// <summary>What is said, as it was written: the site's captions are somebody's careful work.</summary>
    private static Transcript Said(string folder, string name)
    {
        var lines = File.ReadAllLines(System.IO.Path.Combine(folder, "texts", name + ".txt"));
        return TranscriptFiles.Read("said.txt", string.Join('\n', lines.SkipWhile(l => l.Length > 0))).Transcript;
    }

    private static readonly (string Name, string Title, DateOnly Held)[] Known =
    [
        ("moorings", "Lying safely at a mooring", new(2026, 10, 20)),
        ("barometer", "What the barometer tells", new(2026, 10, 27)),
        ("lights", "Lights of the harbour at night", new(2026, 11, 3)),
    ];

    public IReadOnlyList<SiteTalk> All { get; }

    /// <summary>The newest first, as many as a feed has published: each named feed counts for itself.</summary>
    public IEnumerable<SiteTalk> PublishedBy(string feed) => All.Take(published.GetValueOrDefault(feed, 2)).Reverse();

    /// <summary>Publishes one more.</summary>
    public int PublishOneMore(string feed) => published.AddOrUpdate(feed, 3, (_, now) => Math.Min(All.Count, now + 1));
}
