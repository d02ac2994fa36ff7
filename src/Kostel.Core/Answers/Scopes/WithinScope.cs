using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Scopes;

/// <summary>A lecture as far as a scope leaves it.</summary>
public static class WithinScope
{
    /// <summary>The sentences that are asked: those of the speaker and of the stretch. None where that speaker says nothing here.</summary>
    public static AskedSource Of(string? lectureId, Transcript transcript, IReadOnlyList<ScopePart> scope)
    {
        var who = scope.FirstOrDefault(p => p.Kind == ScopeKind.Speaker);
        var speakers = transcript.Speakers.Where(s => who is null || (who.Speaker is { } name ? s.Name == name : transcript.Speakers.Any(o => o.Asks) && s.Asks == who.Asks)).Select(s => s.Id).ToHashSet();
        var sentences = Sentences.Of(transcript.Passages.Where(p => who is null || speakers.Contains(p.SpeakerId)));
        var stretches = scope.Where(p => p.Kind == ScopeKind.Stretch).ToList();
        return new AskedSource(lectureId, stretches.Count == 0 ? sentences : sentences.Where(s => stretches.Exists(p => s.EndMs > p.StartMs && s.StartMs < p.EndMs)).ToList());
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
