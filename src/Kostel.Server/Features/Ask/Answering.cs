using Kostel.Core.Answers;
using Kostel.Core.Answers.Forms;
using Kostel.Core.Answers.Scopes;
using Kostel.Core.Answers.Written;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Kostel.Server.Features.Search;
using Kostel.Server.Shared;
using Kostel.Speech;

namespace Kostel.Server.Features.Ask;

/// <summary>What is asked.</summary>
/// <param name="Before">The answer before it in its thread, on which it may lean.</param>
/// <param name="Off">What it says of where to look, and is not to be understood so.</param>
/// <param name="Stretch">Only this stretch of the lecture; null for all of it.</param>
/// <param name="Compares">Each lecture by itself.</param>
internal sealed record Asking(string Text, QuestionRow? Before, IReadOnlyCollection<ScopeKind> Off, ScopePart? Stretch, bool Compares)
{
    /// <summary>Only lectures held on these days, besides what the question says.</summary>
    public ScopePart? Days { get; init; }
}

/// <summary>Answers questions out of one lecture or of many.</summary>
internal sealed class Answering(KostelContext context, SearchReading search, WordKnowledgeFiles words, TimeProvider time)
{
    /// <summary>So many lectures are asked whole; of more, the places that a search for the question's words finds.</summary>
    private const int AskedWhole = 12;

    private const long LongestWholeMs = 3 * 3_600_000;

    /// <summary>Of more lectures, so many places that speak of it are asked.</summary>
    private const int PlacesAsked = 16;

    /// <summary>The answer, and how many lectures were asked.</summary>
    public async Task<(Answer Answer, int Asked)> Ask(Asking asking, AskedPlace place, int ownerId, CancellationToken cancel)
    {
        var ready = await Ready(asking, place, ownerId, cancel);
        var answer = asking.Compares ? Compared(ready) : new AnswerFinder(ready.Sources, ready.Known).Ask(ready.Text);
        answer = ready.IsWhole ? answer : await WithoutSaid(answer, ready.Left, place.ForSearch(ownerId), cancel);
        return (answer with { Scope = ready.Scope, Understood = ready.Full, Off = asking.Off.ToList() }, ready.Sources.Select(s => s.LectureId).Distinct().Count());
    }

    /// <summary>A question as it was understood, with what is asked.</summary>
    /// <param name="Full">What was asked in full, where it leaned on the one before.</param>
    /// <param name="Lectures">Those of the place.</param>
    /// <param name="Left">Those that its words leave.</param>
    /// <param name="IsWhole">Whether these are asked whole.</param>
    private sealed record ReadyQuestion(
        string Text, string? Full, IReadOnlyList<ScopePart> Scope, List<AskedSource> Sources, List<LectureRow> Lectures, IReadOnlyList<string> Left, bool IsWhole, WordKnowledge Known);

    /// <summary>Where only places were asked, a word that is said elsewhere was not never said.</summary>
    private async Task<Answer> WithoutSaid(Answer answer, IReadOnlyList<string> left, SearchScope scope, CancellationToken cancel)
    {
        var unheard = new List<string>();
        var inside = left.ToHashSet();
        foreach (var word in answer.UnheardWords)
        {
            if (!await search.IsSaid(word, scope, inside.Contains, cancel))
            {
                unheard.Add(word);
            }
        }

        return answer with { UnheardWords = unheard };
    }

    /// <summary>Whether lectures are few and short enough to be asked whole while somebody waits.</summary>
    private static bool IsWhole(List<LectureRow> lectures) => lectures.Count <= AskedWhole && lectures.Sum(l => (long)l.DurationMs) <= LongestWholeMs;

    /// <summary>The places nearest to a question that was asked, for somebody who is to write of them, and the lectures; without what speaks to a model and not to listeners.</summary>
    public async Task<(IReadOnlyList<Evidence> Found, List<LectureRow> Lectures)> Nearest(QuestionRow row, AskedPlace place, int ownerId, int most, CancellationToken cancel)
    {
        var asking = new Asking(row.Answer.Understood ?? row.Text, null, [], row.Answer.Scope.FirstOrDefault(p => p.Kind == ScopeKind.Stretch), Compares: false);
        var ready = await Ready(asking, place, ownerId, cancel);
        var said = ready.Sources.SelectMany(s => PassageGuard.Runs(s.Sentences).Select(run => s with { Sentences = run })).ToList();
        return (new AnswerFinder(said, ready.Known).Nearest(ready.Text, most), ready.Lectures.FindAll(l => ready.Sources.Exists(s => s.LectureId == l.Id)));
    }

    private async Task<ReadyQuestion> Ready(Asking asking, AskedPlace place, int ownerId, CancellationToken cancel)
    {
        var all = await place.Lectures(context, cancel);
        var within = asking.Days is null ? null : Left(all, [asking.Days]);
        var lectures = within is null ? all : all.FindAll(l => within.Contains(l.Id));
        var known = lectures.Exists(l => l.Language == SpokenLanguages.English) ? words.Value : WordKnowledge.None;
        var (question, left) = await Understood(asking, place, lectures, cancel);
        var full = FollowUp.Understood(question.Text, asking.Before?.Answer.Understood ?? asking.Before?.Text, known);
        var inherits = full is not null && question.Parts.Count == 0;
        IReadOnlyList<ScopePart> scope = inherits ? Inherited(asking) : question.Parts;
        left = inherits ? Left(lectures, scope) : left;
        scope = asking.Stretch is null ? scope : [.. scope, asking.Stretch];
        var text = full ?? question.Text;
        var isWhole = IsWhole(lectures.FindAll(l => left.Contains(l.Id))) || left.Count == 1;
        var isSpeaker = scope.Any(p => p.Kind == ScopeKind.Speaker);
        var sources = isWhole || asking.Compares || isSpeaker
            ? await Within(isWhole ? left : await Likeliest(text, left, place.ForSearch(ownerId), cancel), scope, lectures, cancel)
            : await Places(text, left, place.ForSearch(ownerId), lectures, cancel);

        // Where nobody can be told to be the one who was named, the words stay in the question.
        return isSpeaker && sources.TrueForAll(s => s.Sentences.Count == 0)
            ? await Ready(asking with { Off = [.. asking.Off, ScopeKind.Speaker] }, place, ownerId, cancel)
            : new ReadyQuestion(text, full, scope, sources, lectures, left, isWhole, known);
    }

    private async Task<List<AskedSource>> Within(IEnumerable<string> ids, IReadOnlyList<ScopePart> scope, List<LectureRow> lectures, CancellationToken cancel)
    {
        var sources = new List<AskedSource>();
        foreach (var id in ids)
        {
            var lecture = lectures.Find(l => l.Id == id)!;
            sources.Add(WithinScope.Of(id, await context.Transcript(lecture, cancel), scope, lecture.Title));
        }

        return sources;
    }

    /// <summary>What a question says of where to look; days that no lecture was held on are what is asked about.</summary>
    private async Task<(ScopedQuestion Question, IReadOnlyList<string> Left)> Understood(Asking asking, AskedPlace place, List<LectureRow> lectures, CancellationToken cancel)
    {
        var ground = await place.Ground(context, lectures, DateOnly.FromDateTime(time.GetLocalNow().Date), cancel);
        var question = ScopeReading.Read(asking.Text, ground, asking.Off);
        var left = Left(lectures, question.Parts);
        if (left.Count > 0 || question.Parts.Count == 0)
        {
            return (question, left);
        }

        question = ScopeReading.Read(asking.Text, ground, [.. asking.Off, ScopeKind.Days, ScopeKind.Lectures]);
        return (question, Left(lectures, question.Parts));
    }

    private static List<ScopePart> Inherited(Asking asking) => (asking.Before?.Answer.Scope ?? []).Where(p => !asking.Off.Contains(p.Kind)).ToList();

    private static IReadOnlyList<string> Left(List<LectureRow> lectures, IReadOnlyList<ScopePart> scope) => WithinScope.Of(lectures.ConvertAll(l => (l.Id, l.HeldOn)), scope);

    /// <summary>Of many lectures the places that speak of it, each with what is said before and after.</summary>
    private async Task<List<AskedSource>> Places(string text, IReadOnlyList<string> left, SearchScope scope, List<LectureRow> lectures, CancellationToken cancel)
    {
        var inside = left.ToHashSet();
        var found = await search.Passages(About(text), scope, inside.Contains, PlacesAsked, cancel);
        var rows = await context.PassagesAround(found, cancel);
        var runs = new List<List<PassageRow>>();
        foreach (var row in rows)
        {
            if (runs.Count == 0 || runs[^1][^1].LectureId != row.LectureId || runs[^1][^1].Number + 1 != row.Number)
            {
                runs.Add([]);
            }

            runs[^1].Add(row);
        }

        return runs.ConvertAll(run => new AskedSource(run[0].LectureId, Sentences.Of(run.Select(r => new Passage(r.Key, r.SpeakerKey, r.StartMs, r.EndMs, r.Words))), lectures.Find(l => l.Id == run[0].LectureId)?.Title ?? ""));
    }

    private static string About(string text) => string.Join(' ', Question.Read(text).Words.Select(w => w.Word));

    private async Task<IReadOnlyList<string>> Likeliest(string text, IReadOnlyList<string> left, SearchScope scope, CancellationToken cancel)
    {
        var found = await search.Find(About(text), scope with { Kinds = [IndexedKind.Passage] }, isTyping: false, byMeaning: true, cancel);
        return found.Lectures.Select(l => l.Id).Where(left.Contains).Take(AskedWhole).ToList();
    }

    /// <summary>What each lecture says by itself, in the order in which they were held; those that say nothing of it are left out.</summary>
    private static Answer Compared(ReadyQuestion ready)
    {
        var each = ready.Sources.ConvertAll(s => (Source: s, Answer: new AnswerFinder([s], ready.Known).Ask(ready.Text)));
        var speak = each.Where(e => e.Answer.State != AnswerState.NotSaid).ToList();
        var said = speak.Where(e => e.Answer.State == AnswerState.Said).ToList();
        var shown = said.Count > 1 ? said : speak;
        if (shown.Count == 0)
        {
            return new AnswerFinder(ready.Sources, ready.Known).Ask(ready.Text);
        }

        var sides = shown.Select(e => new ComparedSide(ready.Lectures.Find(l => l.Id == e.Source.LectureId)!.Title, e.Answer.Lines.Take(2).ToList())).ToList();
        return new Answer(said.Count > 0 ? AnswerState.Said : AnswerState.Perhaps, shown.ConvertAll(e => e.Answer.Lines[0]), [])
        {
            Form = AnswerForm.Comparison,
            Parts = shown.ConvertAll(e => e.Answer.Parts[0]),
            Sides = sides,
            Meant = shown.SelectMany(e => e.Answer.Meant).Distinct().ToList(),
            Differs = Differences.Differ(shown.Select(e => (e.Source.LectureId, e.Answer.WordsThatAnswer(0)))),
        };
    }
}
