namespace Kostel.Media;

/// <summary>What browsers play by themselves (tried in Chromium; its free codecs are those of every browser).</summary>
public static class BrowserPlayback
{
    private static readonly HashSet<string> Containers = ["wav", "mp3", "mov", "mp4", "m4a", "ogg", "flac", "matroska", "webm", "aac"];
    private static readonly HashSet<string> Sounds = ["mp3", "aac", "opus", "vorbis", "flac", "pcm_s16le", "pcm_u8", "pcm_s24le", "pcm_s32le", "pcm_f32le"];
    private static readonly HashSet<string> Pictures = ["h264", "vp8", "vp9", "av1"];

    /// <summary>Whether a recording plays as it is.</summary>
    public static bool Plays(RecordingFacts facts) =>
        facts.Container.Split(',').Any(Containers.Contains) && Sounds.Contains(facts.AudioCodec) && (!facts.HasPicture || PlaysPicture(facts));

    /// <summary>Whether its picture does, whatever it is packed in.</summary>
    public static bool PlaysPicture(RecordingFacts facts) =>
        facts.VideoCodec is { } codec && Pictures.Contains(codec) && facts.PixelFormat is null or "yuv420p" or "yuvj420p";
}
