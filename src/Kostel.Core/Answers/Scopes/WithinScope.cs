using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Scopes;

/// <summary>A lecture as far as a scope leaves it.</summary>
public static class WithinScope
{
    /// <summary>The sentences that are asked: those of the speaker and of the stretch. None where that speaker says nothing here.</summary>
    public static AskedSource Of(string? lectureId, Transcript transcript, IReadOnlyList<ScopePart> scope, string title = "")
    {
        var who = scope.FirstOrDefault(p => p.Kind == ScopeKind.Speaker);
        var speakers = who is null ? null : Speakers(transcript, who);
        var sentences = Sentences.Of(transcript.Passages.Where(p => speakers is null || speakers.Contains(p.SpeakerId)));
        var stretches = scope.Where(p => p.Kind == ScopeKind.Stretch).ToList();
        return new AskedSource(lectureId, stretches.Count == 0 ? sentences : sentences.Where(s => stretches.Exists(p => s.EndMs > p.StartMs && s.StartMs < p.EndMs)).ToList(), title);
    }

    private static HashSet<string> Speakers(Transcript transcript, ScopePart who)
    {
        if (who.Speaker is { } name)
        {
            return transcript.Speakers.Where(s => s.Name == name).Select(s => s.Id).ToHashSet();
        }

        var askers = Interview.AskersOf(transcript);
        return askers.Count == 0 ? [] : transcript.Speakers.Where(s => askers.Contains(s.Id) == who.Asks).Select(s => s.Id).ToHashSet();
    }

    /// <summary>The lectures that a scope leaves of several.</summary>
    /// <param name="lectures">In the order in which they were held, with the day.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<(string Id, DateOnly? HeldOn)> lectures, IReadOnlyList<ScopePart> scope)
    {
        var left = lectures.Where(l => scope.Where(p => p.Kind == ScopeKind.Days).All(p => l.HeldOn is { } day && (p.From is null || day >= p.From) && (p.To is null || day <= p.To))).ToList();
        var count = scope.FirstOrDefault(p => p.Kind == ScopeKind.Lectures)?.Latest ?? 0;
        return (count > 0 ? left.TakeLast(count) : count < 0 ? left.Take(-count) : left).Select(l => l.Id).ToList();
    }
}
