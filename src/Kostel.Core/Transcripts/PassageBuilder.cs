namespace Kostel.Core.Transcripts;

/// <summary>Gathers words into passages of about 40 to 120 words that end where a sentence does, best at a pause.</summary>
public static class PassageBuilder
{
    private const int FewWords = 40, ManyWords = 90, MostWords = 120;
    private const int PauseMs = 700, LongPauseMs = 1_400;

    /// <summary>The passages of what one speaker says.</summary>
    public static IReadOnlyList<Passage> Build(IReadOnlyList<Word> words, string speakerId, IReadOnlySet<int> breaksMs) =>
        Build(words, Enumerable.Repeat(speakerId, words.Count).ToList(), breaksMs);

    /// <summary>All passages of the words, in order; each word stands in exactly one. Identifiers are <c>p1</c>, <c>p2</c>, …</summary>
    /// <param name="words">In order of time.</param>
    /// <param name="speakerIds">Who says each; another speaker begins another passage.</param>
    /// <param name="breaksMs">Start times of words that begin a new passage in any case.</param>
    /// <param name="mayBegin">Whether a word may begin a passage of its own; all may without.</param>
    public static IReadOnlyList<Passage> Build(
        IReadOnlyList<Word> words, IReadOnlyList<string> speakerIds, IReadOnlySet<int> breaksMs, Func<Word, bool>? mayBegin = null)
    {
        var passages = new List<Passage>();
        var first = 0;
        for (var i = 0; i < words.Count; i++)
        {
            if (i == words.Count - 1 || speakerIds[i + 1] != speakerIds[i] || breaksMs.Contains(words[i + 1].StartMs)
                || (EndsPassage(words, first, i) && mayBegin?.Invoke(words[i + 1]) != false))
            {
                var own = words.Skip(first).Take(i - first + 1).ToList();
                passages.Add(new Passage($"p{passages.Count + 1}", speakerIds[i], own[0].StartMs, own[^1].EndMs, own));
                first = i + 1;
            }
        }

        return passages;
    }

    private static bool EndsPassage(IReadOnlyList<Word> words, int first, int i)
    {
        var length = i - first + 1;
        if (length >= MostWords)
        {
            return true;
        }

        if (!Sentences.ClosesSentence(words[i].Text))
        {
            return false;
        }

        var pause = words[i + 1].StartMs - words[i].EndMs;
        return length >= ManyWords
            || (length >= FewWords && pause >= PauseMs)
            || (length >= FewWords / 2 && pause >= LongPauseMs);
    }
}
