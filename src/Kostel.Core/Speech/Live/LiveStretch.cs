using Kostel.Core.Audio;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Live;

/// <summary>What is to be done about the sound that has arrived.</summary>
internal enum LiveNeed
{
    /// <summary>Nothing new was said.</summary>
    None,

    /// <summary>Another look at what is being said.</summary>
    Look,

    /// <summary>A look after which everything stands.</summary>
    Settle,
}

/// <summary>
/// The stretch of running speech that is still being understood: its sound, the words of it that stand, and those of the last look.
/// Pure bookkeeping; somebody else listens and recognises.
/// </summary>
internal sealed class LiveStretch(IVoiceActivityDetector voice, LiveOptions options)
{
    private const float On = 0.5f, Off = 0.35f;

    private readonly SampleWindow heard = new(0);
    private readonly List<Word> standing = [];
    private IReadOnlyList<Word> lastLook = [];
    private long rated;
    private long firstVoice = -1;
    private long lastVoice = -1;
    private long lookedAt;
    private long settledAt;
    private bool speaking;

    private long End => heard.End;

    /// <summary>Takes the next samples.</summary>
    public void Append(ReadOnlySpan<float> samples)
    {
        heard.Append(samples);
        for (; rated + voice.WindowSize <= heard.End; rated += voice.WindowSize)
        {
            var probability = voice.Next(heard.Slice(rated, rated + voice.WindowSize));
            speaking = probability >= (speaking ? Off : On);
            if (speaking)
            {
                firstVoice = firstVoice < 0 ? rated : firstVoice;
                lastVoice = rated + voice.WindowSize;
            }
        }

        LetGoOfSilence();
    }

    /// <summary>What there is to be done.</summary>
    /// <param name="isStill">Nothing more arrives at present.</param>
    public LiveNeed Need(bool isStill)
    {
        if (lastVoice <= settledAt)
        {
            return LiveNeed.None;
        }

        if (isStill || End - lastVoice >= Pcm.ToSample(options.PauseMs))
        {
            return LiveNeed.Settle;
        }

        return End - Math.Max(lookedAt, firstVoice) >= Pcm.ToSample(options.StepMs) ? LiveNeed.Look : LiveNeed.None;
    }

    /// <summary>A pause was reached, or as much was heard as is looked at together: more only after a look.</summary>
    public bool IsDue => lastVoice > settledAt && (Need(isStill: false) == LiveNeed.Settle || End - Math.Max(heard.Start, lookedAt) >= Pcm.ToSample(options.LongMs));

    /// <summary>The sound of the stretch as it is now.</summary>
    public SpokenUtterance Sound()
    {
        lookedAt = End;
        return new SpokenUtterance(heard.Slice(heard.Start, End).ToArray());
    }

    /// <summary>Takes up what was recognised of <see cref="Sound"/>.</summary>
    public LiveText Take(Recognition recognition, LiveNeed need)
    {
        var offset = Pcm.ToMs(heard.Start);
        var look = WordAgreement.Beyond(standing, recognition.Words.Select(w => w with { StartMs = w.StartMs + offset, EndMs = w.EndMs + offset }).ToList());
        var isTooLong = lookedAt - heard.Start >= Pcm.ToSample(options.LongestMs);
        var certain = need == LiveNeed.Settle || isTooLong ? look.Count : Agreed(look);
        if (need == LiveNeed.Settle || isTooLong)
        {
            settledAt = lookedAt;
        }

        var final = look.Take(certain).ToList();
        standing.AddRange(final);
        lastLook = look.Skip(certain).ToList();
        LetGoOfTheBeginning();
        return new LiveText(final, lastLook, Pcm.ToMs(lookedAt));
    }

    private int Agreed(IReadOnlyList<Word> look)
    {
        var until = Pcm.ToMs(lookedAt) - options.HoldMs;
        var shared = WordAgreement.Shared(lastLook, look);
        return look.Take(shared).TakeWhile(w => w.EndMs <= until).Count();
    }

    /// <summary>Silence before the first word is not needed, nor is anything that came before a rest.</summary>
    private void LetGoOfSilence()
    {
        var rested = lastVoice >= 0 && lastVoice <= settledAt && End - lastVoice >= Pcm.ToSample(options.RestMs);
        if (firstVoice < 0 || rested)
        {
            heard.DropBefore(Math.Min(rated, End - Pcm.ToSample(options.PadMs)));
            (firstVoice, lastLook) = (-1, []);
            standing.Clear();
        }
    }

    /// <summary>A long stretch is cut between words that stand, where they lie furthest apart.</summary>
    private void LetGoOfTheBeginning()
    {
        if (lookedAt - heard.Start < Pcm.ToSample(options.LongMs))
        {
            return;
        }

        var half = Pcm.ToMs(heard.Start) + (options.LongMs / 4);
        var following = standing.Concat(lastLook.Take(1)).ToList();
        var cut = following.Zip(following.Skip(1)).Where(p => p.First.EndMs >= half)
            .OrderByDescending(p => p.Second.StartMs - p.First.EndMs).Select(p => (int?)((p.First.EndMs + p.Second.StartMs) / 2)).FirstOrDefault();
        if (cut is null && settledAt == lookedAt)
        {
            // Nothing but noise, or one endless word: what is heard anew begins here.
            cut = Pcm.ToMs(lookedAt);
        }

        if (cut is { } at)
        {
            heard.DropBefore(Pcm.ToSample(at));
            firstVoice = Math.Max(firstVoice, heard.Start);
        }
    }
}
