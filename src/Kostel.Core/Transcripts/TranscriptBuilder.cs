using Kostel.Core.Chapters;
using Kostel.Core.Speech;

namespace Kostel.Core.Transcripts;

/// <summary>Makes a whole transcript of recognised utterances: chapters first, then passages that end where a chapter does.</summary>
public static class TranscriptBuilder
{
    /// <summary>The transcript of a recording.</summary>
    /// <param name="voices">For each word of the utterances the number of its voice, from 0; one voice without.</param>
    /// <param name="chapters">Finds its chapters; by the words alone without.</param>
    /// <param name="slidesMs">When other slides come in its picture.</param>
    public static Transcript Build(
        IEnumerable<Utterance> utterances, int durationMs, string language = "en", IReadOnlyList<int>? voices = null, ChapterFinder? chapters = null, IReadOnlyList<int>? slidesMs = null)
    {
        var words = Words(utterances);
        var ids = words.Select((_, i) => Speaker.Unnamed((voices?[i] ?? 0) + 1).Id).ToList();
        var sentences = Sentences.Of(PassageBuilder.Build(words, ids, new HashSet<int>()));
        var found = (chapters ?? ChapterFinder.ByWords).Find(sentences, durationMs, null, language, slidesMs);
        var passages = PassageBuilder.Build(words, ids, found.Skip(1).Select(c => c.StartMs).ToHashSet());
        var speakers = Enumerable.Range(1, words.Count == 0 ? 0 : (voices?.Max() ?? 0) + 1).Select(Speaker.Unnamed).ToList();
        return new Transcript(language, durationMs, speakers, passages, found);
    }

    /// <summary>The words of utterances, in order of time.</summary>
    public static IReadOnlyList<Word> Words(IEnumerable<Utterance> utterances) => utterances.OrderBy(u => u.Index).SelectMany(u => u.Words).ToList();
}
