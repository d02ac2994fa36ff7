using System.Diagnostics;

namespace Kostel.Server.Tests;

/// <summary>Small recordings made by the real FFmpeg.</summary>
internal static class Clips
{
    private static readonly string Fog = Path.Combine(ServerProcess.Root, "demo", "media", "09-fog.opus");
    private static readonly string Slides = Path.Combine(ServerProcess.Root, "demo", "media", "02-tide-table.mp4");

    /// <summary>The first seconds of the demonstration's talk on fog.</summary>
    public static byte[] Speech(double seconds, string format = "mp3") => Make($"-i {Fog} -t {seconds} -ac 1 -f {format}");

    /// <summary>The first seconds of a recording of the demonstration.</summary>
    public static byte[] Beginning(string name, double seconds) =>
        Make($"-i {Path.Combine(ServerProcess.Root, "demo", "media", name)} -t {seconds} -c copy -f ogg");

    public static byte[] Video(double seconds, bool withSound) =>
        Make($"-i {Slides} -t {seconds} {(withSound ? "" : "-an")} -c copy -movflags frag_keyframe+empty_moov -f mp4");

    public static byte[] WholeMp4 => File.ReadAllBytes(Slides);

    /// <summary>A picture of one dot.</summary>
    public static readonly byte[] Png = Convert.FromBase64String("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    public static byte[] Silence(double seconds) => Make($"-f lavfi -i anullsrc=r=16000:cl=mono -t {seconds} -f wav");

    public static byte[] Noise(double seconds) => Make($"-f lavfi -i anoisesrc=r=16000:color=pink:amplitude=0.4:seed=3 -t {seconds} -f wav");

    /// <summary>A recording whose file says its title, day, language and chapters, with captions inside.</summary>
    public static byte[] Tagged(string title, string day)
    {
        var folder = Directory.CreateTempSubdirectory("kostel-tagged-").FullName;
        try
        {
            File.WriteAllText(Path.Combine(folder, "tags.txt"), $";FFMETADATA1\ntitle={title}\ndate={day}\n[CHAPTER]\nTIMEBASE=1/1000\nSTART=0\nEND=4000\ntitle=Before the fog\n[CHAPTER]\nTIMEBASE=1/1000\nSTART=4000\nEND=9000\ntitle=In the fog\n");
            File.WriteAllText(Path.Combine(folder, "said.srt"), "1\n00:00:00,500 --> 00:00:03,000\nSomebody wrote this down.\n\n2\n00:00:04,500 --> 00:00:08,000\nIt stands inside of the file.\n");
            return Make($"-i {Fog} -i {folder}/tags.txt -i {folder}/said.srt -map 0:a -map 2:s -map_metadata 1 -map_chapters 1 -t 9 -metadata:s:a:0 language=eng -metadata:s:s:0 language=eng -c:a copy -c:s srt -f matroska");
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    /// <summary>A video of a kind that no browser plays.</summary>
    public static byte[] OldVideo(double seconds) => Make($"-i {Slides} -t {seconds} -c:v mpeg4 -q:v 12 -c:a mp3 -f avi");

    /// <summary>A WAVE file of one sample a second: tiny, and hours long by its own account.</summary>
    public static byte[] Slow(int seconds)
    {
        using var bytes = new MemoryStream();
        using var writer = new BinaryWriter(bytes);
        writer.Write("RIFF"u8);
        writer.Write(36 + seconds);
        writer.Write("WAVEfmt "u8);
        writer.Write(16);
        writer.Write((short)1);
        writer.Write((short)1);
        writer.Write(1);
        writer.Write(1);
        writer.Write((short)1);
        writer.Write((short)8);
        writer.Write("data"u8);
        writer.Write(seconds);
        writer.Write(new byte[seconds]);
        return bytes.ToArray();
    }

    /// <summary>What is seen of a picture: four bytes a pixel.</summary>
    public static byte[] Pixels(byte[] picture)
    {
        var file = Path.GetTempFileName();
        try
        {
            File.WriteAllBytes(file, picture);
            return Make($"-i {file} -pix_fmt rgba -f rawvideo");
        }
        finally
        {
            File.Delete(file);
        }
    }

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
