namespace Kostel.Core.Transcripts.Edits;

/// <summary>Passages that stood at a place of the transcript and those that stand there now.</summary>
/// <param name="At">Index of the first of them, the same before and after as long as splices are applied from the last to the first.</param>
public sealed record PassageSplice(int At, IReadOnlyList<Passage> Before, IReadOnlyList<Passage> After);

/// <summary>What an edit changed: enough to do it again and to take it back exactly. Lists that did not change are null.</summary>
public sealed record TranscriptPatch(
    IReadOnlyList<PassageSplice> Passages,
    IReadOnlyList<Speaker>? SpeakersBefore,
    IReadOnlyList<Speaker>? SpeakersAfter,
    IReadOnlyList<Chapter>? ChaptersBefore,
    IReadOnlyList<Chapter>? ChaptersAfter)
{
    /// <summary>The patch that changes nothing.</summary>
    public static TranscriptPatch None { get; } = new([], null, null, null, null);

    /// <summary>Whether nothing was changed.</summary>
    public bool IsEmpty => Passages.Count == 0 && SpeakersAfter is null && ChaptersAfter is null;

    /// <summary>The patch that leads from one transcript to another that was made from it. Passages that were not touched are the same objects in both.</summary>
    public static TranscriptPatch Between(Transcript before, Transcript after) => new(
        Splices(before.Passages, after.Passages),
        before.Speakers.SequenceEqual(after.Speakers) ? null : before.Speakers,
        before.Speakers.SequenceEqual(after.Speakers) ? null : after.Speakers,
        before.Chapters.SequenceEqual(after.Chapters) ? null : before.Chapters,
        before.Chapters.SequenceEqual(after.Chapters) ? null : after.Chapters);

    /// <summary>The patch that takes this one back.</summary>
    public TranscriptPatch Reverse()
    {
        var splices = new List<PassageSplice>(Passages.Count);
        var shift = 0;
        foreach (var s in Passages)
        {
            splices.Add(new PassageSplice(s.At + shift, s.After, s.Before));
            shift += s.After.Count - s.Before.Count;
        }

        return new TranscriptPatch(splices, SpeakersAfter, SpeakersBefore, ChaptersAfter, ChaptersBefore);
    }

    /// <summary>The transcript with the patch applied.</summary>
    /// <exception cref="InvalidOperationException">The transcript is not the one that the patch was made on.</exception>
    public Transcript Apply(Transcript transcript)
    {
        var passages = transcript.Passages.ToList();
        foreach (var s in Passages.Reverse())
        {
            if (s.At + s.Before.Count > passages.Count || !s.Before.Select(p => p.Id).SequenceEqual(passages.Skip(s.At).Take(s.Before.Count).Select(p => p.Id)))
            {
                throw new InvalidOperationException("The transcript is not the one that this change was made on.");
            }

            passages.RemoveRange(s.At, s.Before.Count);
            passages.InsertRange(s.At, s.After);
        }

        return transcript with { Passages = passages, Speakers = SpeakersAfter ?? transcript.Speakers, Chapters = ChaptersAfter ?? transcript.Chapters };
    }

    private static List<PassageSplice> Splices(IReadOnlyList<Passage> before, IReadOnlyList<Passage> after)
    {
        if (before.Count == after.Count)
        {
            return Enumerable.Range(0, before.Count).Where(i => !ReferenceEquals(before[i], after[i]))
                .Select(i => new PassageSplice(i, [before[i]], [after[i]])).ToList();
        }

        var shorter = Math.Min(before.Count, after.Count);
        var head = 0;
        while (head < shorter && ReferenceEquals(before[head], after[head]))
        {
            head++;
        }

        var tail = 0;
        while (tail < shorter - head && ReferenceEquals(before[^(tail + 1)], after[^(tail + 1)]))
        {
            tail++;
        }

        return [new PassageSplice(head, before.Skip(head).SkipLast(tail).ToList(), after.Skip(head).SkipLast(tail).ToList())];
    }
}
