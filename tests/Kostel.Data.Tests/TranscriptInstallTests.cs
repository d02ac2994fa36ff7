using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Tests;

public sealed class TranscriptInstallTests : IDisposable
{
    private readonly Library library = new Library().Present();

    [Fact]
    public async Task A_lecture_gets_its_text_with_all_that_follows_from_it()
    {
        await Install("The tied rises twice a day.", "Hardly heard.");
        var (lecture, text) = await Read();
        Assert.Equal("The tied rises twice a day.", text);
        Assert.Equal((2_900, "Hardly heard.", 1), (lecture.DurationMs, lecture.Notice, lecture.TextVersion));
        Assert.NotNull(lecture.MadeAt);
    }

    [Fact]
    public async Task The_text_before_is_kept_with_what_there_was_to_know_of_it_and_every_text_has_a_version_of_its_own()
    {
        await Install("The tied rises.", "Hardly heard.");
        await Install("The tide rises.");
        var (lecture, text) = await Read();
        Assert.Equal(("The tide rises.", 2, (string?)null), (text, lecture.TextVersion, lecture.Notice));
        await using var context = library.Open();
        var earlier = await context.EarlierTranscripts.SingleAsync(TestContext.Current.CancellationToken);
        Assert.Equal(("The tied rises.", "Hardly heard.", 3), (earlier.Transcript.Passages[0].Text, earlier.Notice, earlier.WordCount));
    }

    [Fact]
    public async Task What_was_recognised_on_the_way_and_edits_of_the_words_that_go_are_gone()
    {
        await Install("The tied rises.");
        await using (var context = library.Open())
        {
            await context.AddUtterance("seas", new Core.Speech.Utterance(0, 0, 16_000, []), TestContext.Current.CancellationToken);
            var lecture = await context.Lectures.SingleAsync(TestContext.Current.CancellationToken);
            await context.Commit(lecture, Library.Text("The tied rises."), Library.Text("The tide rises."), [], "a correction", DateTime.UtcNow, TestContext.Current.CancellationToken);
        }

        await Install("Another text.");
        await using var after = library.Open();
        Assert.Equal((0, 0, 0), (after.Utterances.Count(), after.Edits.Count(), after.Originals.Count()));
    }

    [Fact]
    public async Task A_transaction_that_is_given_up_leaves_the_text_that_was_there()
    {
        await Install("The tied rises.");
        await using (var context = library.Open())
        await using (await context.Database.BeginTransactionAsync(TestContext.Current.CancellationToken))
        {
            await context.InstallTranscript(await context.Lectures.SingleAsync(TestContext.Current.CancellationToken), Library.Installed("Never stored."), TestContext.Current.CancellationToken);
        }

        var (lecture, text) = await Read();
        Assert.Equal(("The tied rises.", 1), (text, lecture.TextVersion));
    }

    public void Dispose() => library.Dispose();

    private async Task Install(string words, string? notice = null)
    {
        await using var context = library.Open();
        await using var all = await context.Database.BeginTransactionAsync(TestContext.Current.CancellationToken);
        var lecture = await context.Lectures.FirstOrDefaultAsync(TestContext.Current.CancellationToken) ?? context.Lectures.Add(Library.Lecture()).Entity;
        await context.SaveChangesAsync(TestContext.Current.CancellationToken);
        await context.InstallTranscript(lecture, Library.Installed(words, notice), TestContext.Current.CancellationToken);
        await all.CommitAsync(TestContext.Current.CancellationToken);
    }

    private async Task<(LectureRow Lecture, string Text)> Read()
    {
        await using var context = library.Open();
        var lecture = await context.Lectures.SingleAsync(TestContext.Current.CancellationToken);
        return (lecture, (await context.Transcript(lecture, TestContext.Current.CancellationToken)).Passages[0].Text);
    }
}
