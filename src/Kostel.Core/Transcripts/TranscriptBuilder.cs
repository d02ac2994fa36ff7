using Kostel.Core.Chapters;
using Kostel.Core.Speech;

namespace Kostel.Core.Transcripts;

/// <summary>Makes a whole transcript of recognised utterances: chapters first, then passages that end where a chapter does.</summary>
public static class TranscriptBuilder
{
    /// <summary>The transcript of a recording by one voice.</summary>
    public static Transcript Build(IEnumerable<Utterance> utterances, int durationMs, string language = "en")
    {
        var speaker = Speaker.Unnamed(1);
        var words = utterances.OrderBy(u => u.Index).SelectMany(u => u.Words).ToList();
        var sentences = Sentences.Of(PassageBuilder.Build(words, speaker.Id, new HashSet<int>()));
        var chapters = ChapterFinder.Find(sentences, durationMs);
        var passages = PassageBuilder.Build(words, speaker.Id, chapters.Skip(1).Select(c => c.StartMs).ToHashSet());
        return new Transcript(language, durationMs, passages.Count == 0 ? [] : [speaker], passages, chapters);
    }
}
