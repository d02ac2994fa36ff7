namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Takes sound piece by piece and gives it back block by block, without the echo of a room where there is one.</summary>
/// <param name="from">Sound before this sample is of no interest and stays as it is.</param>
internal sealed class EchoRemover(long from)
{
    private const int Hop = ShortTimeSpectra.Hop;

    /// <summary>Forty seconds at a time: long enough to know the room, short enough to follow a speaker who moves.</summary>
    private const int BlockFrames = 40 * Pcm.SampleRate / Hop;

    /// <summary>Eight seconds: in less than that a filter finds echo in anything.</summary>
    private const int FewestFrames = 8 * Pcm.SampleRate / Hop;

    /// <summary>Frames that reach into the hop of the next, and the samples by which the sound of frames is complete later.</summary>
    private const int Reach = (ShortTimeSpectra.Frame / Hop) - 1, Lag = Reach * Hop;

    private readonly SampleWindow heard = Silence();
    private long next;
    private Spectra? last;
    private float[] given = [];

    /// <summary>Whether there is a block, and enough after it that the last one will not be too short.</summary>
    public bool HasBlock => heard.End >= (next + BlockFrames + (BlockFrames / 2)) * Hop;

    /// <summary>Takes the next samples.</summary>
    public void Append(ReadOnlySpan<float> samples) => heard.Append(samples);

    /// <summary>The next samples, without echo; good until the next call.</summary>
    public ReadOnlyMemory<float> TakeBlock() => Take(BlockFrames);

    /// <summary>What is left.</summary>
    public ReadOnlyMemory<float> TakeRest()
    {
        var missing = Hop - 1 - ((heard.End + Lag - 1) % Hop);
        heard.Append(new float[Lag + missing]);
        return Take((int)((heard.End / Hop) - next))[..^(int)missing];
    }

    /// <summary>Silence before the first sample, as much as the first frame needs.</summary>
    private static SampleWindow Silence()
    {
        var silence = new SampleWindow(-Lag - (LateReverberation.History * Hop));
        silence.Append(new float[-silence.Start]);
        return silence;
    }

    private Memory<float> Take(int frames)
    {
        var (start, end) = (next * Hop, (next + frames) * Hop);
        if (given.Length < frames * Hop)
        {
            given = new float[frames * Hop];
        }

        var sound = given.AsMemory(0, frames * Hop);
        if (!Said(end, frames, sound.Span))
        {
            heard.Slice(start - Lag, end - Lag).CopyTo(sound.Span);
        }

        next += frames;
        heard.DropBefore(end - Lag - (LateReverberation.History * Hop));
        return start == 0 ? sound[Lag..] : sound;
    }

    /// <summary>Writes the sound of the next frames; false when nothing is to be changed about it.</summary>
    private bool Said(long end, int frames, Span<float> to)
    {
        var sound = heard.Slice(heard.Start, end);
        var isRoom = end > from && frames >= FewestFrames && EchoMeter.Reverberation(sound) >= EchoMeter.Room;
        if (!isRoom && last is null)
        {
            return false;
        }

        var spectra = ShortTimeSpectra.Of(sound);
        var before = last ?? spectra.Over((LateReverberation.History - Reach)..LateReverberation.History);
        var now = spectra.Select(b => isRoom ? LateReverberation.Remove(b) : b.Over(LateReverberation.History..));
        last = isRoom ? now.Over(^Reach..) : null;
        var said = new float[((Reach + frames) * Hop) + Lag];
        ShortTimeSpectra.AddTo(said, before);
        ShortTimeSpectra.AddTo(said.AsSpan(Reach * Hop), now);
        said.AsSpan(Lag, frames * Hop).CopyTo(to);
        return true;
    }
}
