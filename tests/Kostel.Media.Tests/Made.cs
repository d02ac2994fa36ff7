using System.Diagnostics;

namespace Kostel.Media.Tests;

/// <summary>Files that FFmpeg makes for a test, in a folder of its own.</summary>
internal sealed class Made : IDisposable
{
    public string Folder { get; } = Directory.CreateTempSubdirectory("kostel-media-").FullName;

    /// <summary>Makes a file with FFmpeg's own sources.</summary>
    public string File(string name, string arguments)
    {
        var path = Path.Combine(Folder, name);
        using var process = Process.Start(new ProcessStartInfo("ffmpeg", $"-v error -y {arguments} {path}"))!;
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return path;
    }

    public string Text(string name, string text)
    {
        var path = Path.Combine(Folder, name);
        System.IO.File.WriteAllText(path, text);
        return path;
    }

    public void Dispose() => Directory.Delete(Folder, recursive: true);
}
