using System.Diagnostics;

namespace Kostel.Server.Tests;

/// <summary>Small recordings made by the real FFmpeg.</summary>
internal static class Clips
{
    private static readonly string Fog = Path.Combine(ServerProcess.Root, "demo", "media", "09-fog.opus");
    private static readonly string Slides = Path.Combine(ServerProcess.Root, "demo", "media", "02-tide-table.mp4");

    /// <summary>The first seconds of the demonstration's talk on fog.</summary>
    public static byte[] Speech(double seconds, string format = "mp3") => Make($"-i {Fog} -t {seconds} -ac 1 -f {format}");

    public static byte[] Video(double seconds, bool withSound) =>
        Make($"-i {Slides} -t {seconds} {(withSound ? "" : "-an")} -c copy -movflags frag_keyframe+empty_moov -f mp4");

    public static byte[] WholeMp4 => File.ReadAllBytes(Slides);

    public static byte[] Silence(double seconds) => Make($"-f lavfi -i anullsrc=r=16000:cl=mono -t {seconds} -f wav");

    public static byte[] Noise(double seconds) => Make($"-f lavfi -i anoisesrc=r=16000:color=pink:amplitude=0.4:seed=3 -t {seconds} -f wav");

    private static byte[] Make(string arguments)
    {
        using var process = Process.Start(new ProcessStartInfo("ffmpeg", $"-v error -nostdin {arguments} pipe:1") { RedirectStandardOutput = true })!;
        using var bytes = new MemoryStream();
        process.StandardOutput.BaseStream.CopyTo(bytes);
        process.WaitForExit();
        Assert.Equal(0, process.ExitCode);
        return bytes.ToArray();
    }
}
