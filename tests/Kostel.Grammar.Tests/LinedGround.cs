using Kostel.Core.Captions;
using Kostel.Core.Grammar;
using Kostel.Core.Study;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>The ground of a lecture of a few sentences.</summary>
internal static class LinedGround
{
    /// <summary>Sentences, one on each line, followed by some that ask for nothing.</summary>
    public static StudyGround Of(string text, IGrammar grammar)
    {
        var sentences = LinedText.Read(text + "\nThank you all for coming.\nPlease read the chapter.\nSee you next week then.\nGood night to everybody.")!.Sentences;
        return new(new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], [.. sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words))], []), grammar);
    }
}
