using Kostel.Core.Answers;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Search;
using Kostel.Server.Features.Search;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A line of an answer, with the lecture that says it.</summary>
/// <param name="Part">What answers within it.</param>
public sealed record LibraryLine(string LectureTitle, string? Course, DateOnly? HeldOn, bool HasSound, EvidenceView Evidence, QuotePart Part);

/// <summary>What the lectures of a library say to a question.</summary>
/// <param name="Asked">How many lectures were asked: all, or where there are many those that speak of it most.</param>
public sealed record LibraryAnswerView(AnswerState State, IReadOnlyList<LibraryLine> Lines, IReadOnlyList<string> UnheardWords, int Asked);

/// <summary>Answers from several lectures at once.</summary>
internal sealed class LibraryAnswers(KostelContext context, SearchReading search, WordKnowledgeFiles words)
{
    /// <summary>So many lectures are asked whole; of more, those that a search for the question's words finds first.</summary>
    private const int AskedWhole = 12;

    public async Task<LibraryAnswerView> Ask(string text, SearchScope scope, CancellationToken cancel)
    {
        var inside = await context.LecturesIn(scope, cancel);
        var ids = inside.Count <= AskedWhole ? inside.ToList() : await Likeliest(text, scope, cancel);
        var rows = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(l => ids.Contains(l.Id)).ToDictionaryAsync(l => l.Id, cancel);
        var transcripts = new Dictionary<string, Transcript>();
        foreach (var id in ids.Where(rows.ContainsKey))
        {
            transcripts[id] = await context.Transcript(rows[id], cancel);
        }

        var answer = new AnswerFinder(transcripts.Select(t => new AskedSource(t.Key, Sentences.Of(t.Value.Passages))).ToList(), words.Value).Ask(text);
        var lines = answer.Lines.Zip(answer.Parts, (line, part) =>
        {
            var row = rows[line.LectureId!];
            return new LibraryLine(row.Title, row.Course?.Title, row.HeldOn, row.HasSound, new EvidenceViews(row.Id, transcripts[row.Id]).Of(line), part);
        });
        return new LibraryAnswerView(answer.State, lines.ToList(), answer.UnheardWords, transcripts.Count);
    }

    private async Task<List<string>> Likeliest(string text, SearchScope scope, CancellationToken cancel)
    {
        var about = string.Join(' ', Question.Read(text).Words.Select(w => w.Word));
        var found = await search.Find(about, scope with { Kinds = [IndexedKind.Passage] }, isTyping: false, byMeaning: true, cancel);
        return found.Lectures.Take(AskedWhole).Select(l => l.Id).ToList();
    }
}
