using Kostel.Core.Marks;
using Kostel.Core.Retrieval;
using Kostel.Core.Study.Cards;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Tests;

/// <summary>The index follows whatever is done to the tables, in the same transaction.</summary>
public sealed class SearchTests : IDisposable
{
    private static readonly CancellationToken Now = TestContext.Current.CancellationToken;
    private readonly Library library = new Library().Present();

    public void Dispose() => library.Dispose();

    [Fact]
    public async Task What_is_said_is_found_and_no_longer_when_it_goes()
    {
        await Install("the tide rises in the narrow bay");
        Assert.Equal([IndexedKind.Passage], await Kinds("tide"));
        await Install("the moon pulls the water");
        Assert.Empty(await Kinds("tide"));
        Assert.Equal([IndexedKind.Passage], await Kinds("moon"));
    }

    [Fact]
    public async Task A_change_that_is_taken_back_was_never_found()
    {
        await Install("the tide rises");
        await using (var context = library.Open())
        {
            await using var all = await context.Database.BeginTransactionAsync(Now);
            await context.Passages.ExecuteUpdateAsync(s => s.SetProperty(p => p.Words, [new Word("estuary", 0, 100, 1)]), Now);
            Assert.Single(await context.FindAll(await Plan(context, "estuary"), new SearchScope(PersonRow.TheOne), Now));
        }

        Assert.Empty(await Kinds("estuary"));
        Assert.Single(await Kinds("tide"));
    }

    [Fact]
    public async Task Everything_that_is_made_is_found_and_says_what_it_is()
    {
        await Install("sea");
        await using (var context = library.Open())
        {
            var evidence = new Evidence("p1", 0, 400, "sea");
            context.Marks.Add(new MarkRow { LectureId = "seas", Kind = MarkKind.Note, Quote = "sea", Text = "ask about kelp", EndMs = 400, MadeAt = DateTime.UtcNow });
            context.Cards.Add(CardRow.Of("seas", new CardDraft(new QuestionCard("What grows?", "Kelp grows."), evidence), DateTime.UtcNow));
            context.Courses.Add(new CourseRow { Id = 7, Title = "Kelp forests" });
            context.Terms.Add(new TermRow { CourseId = 7, Number = 0, Written = "giant kelp" });
            context.Threads.Add(new ThreadRow { LectureId = "seas", Title = "Weeds", Questions = [new QuestionRow { LectureId = "seas", Text = "Where is kelp?", Answer = new Kostel.Core.Answers.Answer(Kostel.Core.Answers.AnswerState.NotSaid, [], []), AskedAt = DateTime.UtcNow }] });
            await context.SaveChangesAsync(Now);
        }

        Assert.Equal([IndexedKind.Card, IndexedKind.Course, IndexedKind.Mark, IndexedKind.Question, IndexedKind.Term], await Kinds("kelp"));
        await using (var context = library.Open())
        {
            await context.Marks.ExecuteUpdateAsync(s => s.SetProperty(m => m.DeletedAt, DateTime.UtcNow), Now);
            await context.Cards.ExecuteUpdateAsync(s => s.SetProperty(c => c.Content, new GapCard("____ grows.", "Moss")), Now);
            await context.Courses.ExecuteDeleteAsync(Now);
        }

        Assert.Equal([IndexedKind.Question], await Kinds("kelp"));
        Assert.Equal([IndexedKind.Card], await Kinds("moss"));
    }

    [Fact]
    public async Task A_lecture_that_goes_takes_its_words_out_of_the_file()
    {
        await Install("unrepeatable");
        await using (var context = library.Open())
        {
            await context.Lectures.ExecuteDeleteAsync(Now);
        }

        Assert.Empty(await Kinds("unrepeatable"));
        await using var after = library.Open();
        Assert.Null((await after.VocabularySince(-1, Now))!.Value.Words.FormsOf("unrepeatable").FirstOrDefault(w => w != "unrepeatable"));
        Assert.Equal(0, (await after.VocabularySince(-1, Now))!.Value.Words.CountOf("unrepeatable"));
        Assert.Equal(0, await after.Database.SqlQuery<int>($"SELECT count(*) AS Value FROM SearchEntries").FirstAsync(Now));
    }

    [Fact]
    public async Task Another_persons_marks_are_not_found()
    {
        await Install("sea");
        await using var context = library.Open();
        context.People.Add(new PersonRow { Id = 2 });
        context.Marks.Add(new MarkRow { LectureId = "seas", OwnerId = 2, Kind = MarkKind.Note, Quote = "sea", Text = "private", MadeAt = DateTime.UtcNow });
        await context.SaveChangesAsync(Now);
        Assert.Empty(await Kinds("private"));
    }

    [Fact]
    public async Task An_index_that_lost_a_trigger_is_made_anew()
    {
        await Install("tide");
        await using var context = library.Open();
        await context.Database.ExecuteSqlRawAsync("DROP TRIGGER SearchPassageChanged", Now);
        await context.Passages.ExecuteUpdateAsync(s => s.SetProperty(p => p.Words, [new Word("estuary", 0, 100, 1)]), Now);
        Assert.Empty(await Kinds("estuary"));
        SearchSchema.Ensure(context);
        Assert.Single(await Kinds("estuary"));
        Assert.Empty(await Kinds("tide"));
    }

    [Theory]
    [InlineData("\"narrow bay\"", 1)]
    [InlineData("\"bay narrow\"", 0)]
    [InlineData("bay tides", 1)]
    [InlineData("NOT NEAR AND bay*", 1)]
    [InlineData("b'ay\") OR (x", 0)]
    public async Task Words_phrases_and_signs_mean_what_they_look_like(string text, int found)
    {
        await Install("the tide rises near the narrow bay");
        Assert.Equal(found, (await Kinds(text)).Count);
    }

    private async Task Install(string words)
    {
        await using var context = library.Open();
        var lecture = await context.Lectures.FirstOrDefaultAsync(Now) ?? context.Lectures.Add(Library.Lecture()).Entity;
        await context.SaveChangesAsync(Now);
        await context.InstallTranscript(lecture, Library.Installed(words), Now);
        await context.SaveChangesAsync(Now);
    }

    private static async Task<SearchPlan> Plan(KostelContext context, string text) =>
        SearchPlan.Of(SearchQuery.Read(text), (await context.VocabularySince(-1, Now))!.Value.Words);

    private async Task<List<IndexedKind>> Kinds(string text)
    {
        await using var context = library.Open();
        return (await context.FindAll(await Plan(context, text), new SearchScope(PersonRow.TheOne), Now)).Select(f => f.Kind).Distinct().OrderBy(k => k.ToString(), StringComparer.Ordinal).ToList();
    }
}
