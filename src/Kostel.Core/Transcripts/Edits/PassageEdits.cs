using System.Globalization;
using Kostel.Core.Text;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>Edits of passages and their words. Each keeps the words in order and inside the lecture.</summary>
internal static class PassageEdits
{
    private const int LongestText = 100_000, LongestWord = 200;

    public static Transcript Rewrite(Transcript transcript, string passageId, string expected, string text)
    {
        var at = Find(transcript, passageId, expected);
        return WithWords(transcript, at, Fit(transcript, at, WordsOf(text)));
    }

    public static Transcript Replace(Transcript transcript, IReadOnlyList<WordReplacement> places)
    {
        foreach (var group in places.GroupBy(p => p.PassageId))
        {
            var at = IndexOf(transcript, group.Key);
            var words = transcript.Passages[at].Words;
            foreach (var place in group.OrderByDescending(p => p.FirstWord))
            {
                RequireWords(transcript.Passages[at], place.FirstWord, place.WordCount, place.Expected);
                var texts = WordsOf(place.Text);
                var own = words.Skip(place.FirstWord).Take(place.WordCount).ToList();
                var fitted = WordFit.Rewrite(own, texts, own[0].StartMs, own[^1].EndMs);
                words = [.. words.Take(place.FirstWord), .. fitted, .. words.Skip(place.FirstWord + place.WordCount)];
            }

            transcript = WithWords(transcript, at, words);
        }

        return transcript;
    }

    public static Transcript Accept(Transcript transcript, AcceptWords edit)
    {
        var at = IndexOf(transcript, edit.PassageId);
        var passage = transcript.Passages[at];
        RequireWords(passage, edit.FirstWord, edit.WordCount, edit.Expected);
        var words = passage.Words.Select((w, i) => i >= edit.FirstWord && i < edit.FirstWord + edit.WordCount ? w with { Confidence = 1 } : w).ToList();
        return WithWords(transcript, at, words);
    }

    public static Transcript Split(Transcript transcript, string passageId, string expected, int atWord)
    {
        var at = Find(transcript, passageId, expected);
        var words = transcript.Passages[at].Words;
        if (atWord <= 0 || atWord >= words.Count)
        {
            throw new EditRefusedException("A passage is split between two of its words.");
        }

        var first = Of(transcript.Passages[at], words.Take(atWord).ToList());
        var second = Of(transcript.Passages[at] with { Id = FreeId(transcript) }, words.Skip(atWord).ToList());
        return With(transcript, at, 1, first, second);
    }

    public static Transcript Join(Transcript transcript, string passageId, string expected)
    {
        var at = Second(transcript, passageId, expected, "There is no passage before the first one to join it to.");
        return With(transcript, at - 1, 2, Of(transcript.Passages[at - 1], [.. transcript.Passages[at - 1].Words, .. transcript.Passages[at].Words]));
    }

    public static Transcript Move(Transcript transcript, string passageId, string expected, int count)
    {
        var at = Second(transcript, passageId, expected, "The first passage has no border before it.");
        var (above, below) = (transcript.Passages[at - 1], transcript.Passages[at]);
        List<Word> words = [.. above.Words, .. below.Words];
        var border = above.Words.Count + count;
        if (count == 0 || border <= 0 || border >= words.Count)
        {
            throw new EditRefusedException("Both passages must keep at least one word. Join them instead.");
        }

        return With(transcript, at - 1, 2, Of(above, words.Take(border).ToList()), Of(below, words.Skip(border).ToList()));
    }

    public static Transcript Respell(Transcript transcript, Spelling spelling)
    {
        var passages = transcript.Passages.Select(p =>
        {
            var words = p.Words.Select(w => SpellingVariants.Write(w.Text, spelling) is var text && text == w.Text ? w : w with { Text = text }).ToList();
            return words.SequenceEqual(p.Words) ? p : p with { Words = words };
        }).ToList();
        return transcript with { Passages = passages };
    }

    /// <summary>Index of a passage that still reads as it did for the person who edits it.</summary>
    public static int Find(Transcript transcript, string passageId, string expected)
    {
        var at = IndexOf(transcript, passageId);
        return transcript.Passages[at].Text == expected ? at : throw new EditConflictException(passageId);
    }

    /// <summary>The passages with others in place of some of them. Somebody to whom nothing is left goes.</summary>
    public static Transcript With(Transcript transcript, int at, int count, params Passage[] passages)
    {
        List<Passage> all = [.. transcript.Passages.Take(at), .. passages, .. transcript.Passages.Skip(at + count)];
        var silent = transcript.Passages.Skip(at).Take(count).Select(p => p.SpeakerId).Where(id => all.TrueForAll(p => p.SpeakerId != id)).ToHashSet();
        return transcript with
        {
            Passages = all,
            Speakers = silent.Count == 0 ? transcript.Speakers : transcript.Speakers.Where(s => !silent.Contains(s.Id)).ToList(),
        };
    }

    public static int IndexOf(Transcript transcript, string passageId)
    {
        for (var i = 0; i < transcript.Passages.Count; i++)
        {
            if (transcript.Passages[i].Id == passageId)
            {
                return i;
            }
        }

        throw new EditConflictException(passageId);
    }

    private static int Second(Transcript transcript, string passageId, string expected, string otherwise) =>
        Find(transcript, passageId, expected) is var at && at > 0 ? at : throw new EditRefusedException(otherwise);

    private static Transcript WithWords(Transcript transcript, int at, IReadOnlyList<Word> words)
    {
        var passage = transcript.Passages[at];
        return words.Count == 0 ? With(transcript, at, 1)
            : words.SequenceEqual(passage.Words) ? transcript
            : With(transcript, at, 1, Of(passage, words));
    }

    private static Passage Of(Passage passage, IReadOnlyList<Word> words) =>
        passage with { Words = words, StartMs = words[0].StartMs, EndMs = Math.Max(words[^1].EndMs, words[^1].StartMs) };

    private static IReadOnlyList<Word> Fit(Transcript transcript, int at, IReadOnlyList<string> texts)
    {
        var own = transcript.Passages[at];
        var earliest = at > 0 ? Math.Min(transcript.Passages[at - 1].EndMs, own.StartMs) : 0;
        var latest = at + 1 < transcript.Passages.Count ? transcript.Passages[at + 1].StartMs : Math.Max(transcript.DurationMs, own.EndMs);
        return WordFit.Rewrite(own.Words, texts, earliest, Math.Max(latest, own.EndMs));
    }

    private static void RequireWords(Passage passage, int first, int count, string expected)
    {
        if (first < 0 || count <= 0 || first + count > passage.Words.Count
            || string.Join(' ', passage.Words.Skip(first).Take(count).Select(w => w.Text)) != expected)
        {
            throw new EditConflictException(passage.Id);
        }
    }

    private static string[] WordsOf(string text)
    {
        if (text.Length > LongestText)
        {
            throw new EditRefusedException($"A passage has at most {LongestText.ToString("N0", CultureInfo.InvariantCulture)} characters. Bring a long text in as a file.");
        }

        var words = WordFit.WordsOf(text);
        return words.All(w => w.Length <= LongestWord) ? words : throw new EditRefusedException($"A word has at most {LongestWord} characters.");
    }

    private static string FreeId(Transcript transcript)
    {
        var highest = transcript.Passages.Select(p => p.Id.Length > 1 && int.TryParse(p.Id.AsSpan(1), CultureInfo.InvariantCulture, out var n) ? n : 0).Max();
        return $"p{highest + 1}";
    }
}
