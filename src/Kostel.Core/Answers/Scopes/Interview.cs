using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Scopes;

/// <summary>Who asks in a recording of several voices.</summary>
internal static class Interview
{
    /// <summary>Somebody asks if so many of their sentences are questions, and that in so much larger a share than with any other.</summary>
    private const int FewestQuestions = 2;

    private const double More = 2;

    /// <summary>Those who ask: as the person said, else the one most of whose sentences are questions; nobody where that is not plain.</summary>
    public static IReadOnlySet<string> AskersOf(Transcript transcript)
    {
        if (transcript.Speakers.Any(s => s.Asks))
        {
            return transcript.Speakers.Where(s => s.Asks).Select(s => s.Id).ToHashSet();
        }

        var shares = transcript.Passages.GroupBy(p => p.SpeakerId).Select(g => (Id: g.Key, Sentences: Sentences.Of(g))).Where(g => g.Sentences.Count > 0)
            .Select(g => (g.Id, Questions: g.Sentences.Count(s => s.Text.EndsWith('?')), Share: g.Sentences.Count(s => s.Text.EndsWith('?')) / (double)g.Sentences.Count))
            .OrderByDescending(g => g.Share).ToList();
        return shares.Count > 1 && shares[0].Questions >= FewestQuestions && shares[0].Share >= More * shares[1].Share ? new HashSet<string> { shares[0].Id } : new HashSet<string>();
    }
}
