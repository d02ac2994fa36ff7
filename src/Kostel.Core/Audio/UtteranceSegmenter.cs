namespace Kostel.Core.Audio;

/// <summary>
/// Turns a stream of speech probabilities into utterances for the recogniser: cut at silences, in a word only where
/// somebody speaks for longer than the recogniser can take without any pause.
/// </summary>
/// <remarks>Hysteresis, minimum speech and padding are common practice in voice activity detection, no source.</remarks>
public sealed class UtteranceSegmenter(int windowSize, SegmenterOptions options, long startSample = 0)
{
    private readonly List<float> probabilities = [];
    private long utteranceStart = -1;
    private long voicedWindows;
    private long lastVoiced;
    private long window = startSample / windowSize;
    private bool speaking;
    private long previousEnd = startSample;
    private bool isCutOff;

    private static long Samples(int ms) => Pcm.ToSample(ms);

    /// <summary>Takes the next window's probability; returns an utterance when one has just become complete.</summary>
    public SpeechSpan? Push(float probability)
    {
        var at = window++;
        speaking = speaking ? probability >= options.Off : probability >= options.On;
        if (utteranceStart < 0)
        {
            if (!speaking)
            {
                return null;
            }

            utteranceStart = at * windowSize;
            voicedWindows = 0;
            probabilities.Clear();
        }

        probabilities.Add(probability);
        if (speaking)
        {
            voicedWindows++;
            lastVoiced = (at + 1) * windowSize;
        }

        var now = (at + 1) * windowSize;
        var length = now - utteranceStart;
        var silence = now - lastVoiced;
        if (silence >= NeededSilence(length))
        {
            return Close(lastVoiced);
        }

        return length >= Samples(options.MaxMs) ? CutAtWeakest(now) : null;
    }

    /// <summary>Ends the stream; returns the utterance that was still open, if any.</summary>
    public SpeechSpan? Finish(long totalSamples)
    {
        if (utteranceStart < 0)
        {
            return null;
        }

        var span = Close(lastVoiced);
        return span is { } s ? s with { End = Math.Min(s.End, totalSamples) } : null;
    }

    private long NeededSilence(long length)
    {
        if (length < Samples(options.EnoughMs))
        {
            return Samples(options.LongPauseMs);
        }

        return Samples(length < Samples(options.MaxMs * 2 / 3) ? options.PauseMs : options.ShortPauseMs);
    }

    private SpeechSpan? Close(long end)
    {
        var isSpeech = voicedWindows * windowSize >= Samples(options.MinSpeechMs);
        var start = Math.Max(previousEnd, utteranceStart - Samples(options.PadMs));
        utteranceStart = -1;
        speaking = false;
        if (!isSpeech)
        {
            isCutOff = false;
            return null;
        }

        previousEnd = end + Samples(options.PadMs);
        return new SpeechSpan(start, previousEnd, TakeOverlap());
    }

    /// <summary>Cuts in the last third, where the probability of speech (over three windows) is lowest.</summary>
    private SpeechSpan CutAtWeakest(long now)
    {
        var last = probabilities.Count - 1 - (int)(Samples(options.OverlapMs) / windowSize);
        var best = last - 1;
        var weakest = float.MaxValue;
        for (var i = probabilities.Count * 2 / 3; i < last; i++)
        {
            var around = probabilities[i - 1] + probabilities[i] + probabilities[i + 1];
            if (around < weakest)
            {
                (weakest, best) = (around, i);
            }
        }

        var cut = utteranceStart + (best * (long)windowSize) + (windowSize / 2);
        var start = Math.Max(previousEnd, utteranceStart - Samples(options.PadMs));
        previousEnd = cut;
        var rest = probabilities.GetRange(best + 1, probabilities.Count - best - 1);
        utteranceStart = cut;
        probabilities.Clear();
        probabilities.AddRange(rest);
        voicedWindows = rest.Count(p => p >= options.Off);
        lastVoiced = Math.Min(now, Math.Max(lastVoiced, cut));
        var before = TakeOverlap();
        isCutOff = true;
        return new SpeechSpan(start, cut, before, (int)Samples(options.OverlapMs));
    }

    /// <summary>What an utterance hears of the one before it, when that was cut off within speech.</summary>
    private int TakeOverlap()
    {
        var overlap = isCutOff ? (int)Samples(options.OverlapMs) : 0;
        isCutOff = false;
        return overlap;
    }
}
