using System.Text.Json;
using System.Text.Json.Serialization;
using Kostel.Core.Grammar;
using Kostel.Core.Marks;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Terms;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Reading;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Demo;

/// <summary>Fills an empty library with the demonstration: recordings, and the transcripts that Kostel made of all but one.</summary>
internal sealed class DemoLibrary(LibraryFolder library, ServerSettings settings, JobQueue queue, IGrammar grammar, TimeProvider time)
{
    /// <summary>The lectures that come with cards and a summary, so that Today has something to show.</summary>
    private const int LecturesWithCards = 2;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    /// <summary>Does nothing when there is anything in the library, in the bin too.</summary>
    public async Task SeedOnce(string demoFolder, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        if (await context.Lectures.AnyAsync(cancel))
        {
            return;
        }

        await using var file = File.OpenRead(Path.Combine(demoFolder, "library.json"));
        var items = await JsonSerializer.DeserializeAsync<List<Item>>(file, Options, cancel) ?? [];
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        foreach (var item in items)
        {
            await Add(context, item, demoFolder, withCards: items.IndexOf(item) < LecturesWithCards, cancel);
        }

        foreach (var list in items.Where(i => i.Terms is not null).DistinctBy(i => i.Course))
        {
            var course = await context.Courses.SingleAsync(c => c.Title == list.Course, cancel);
            var terms = CourseTerms.Parse(await File.ReadAllLinesAsync(Path.Combine(demoFolder, "terms", list.Terms!), cancel));
            await context.ReplaceTerms(course, terms.Terms, cancel);
        }

        await AddFeed(context, demoFolder, cancel);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
    }

    /// <summary>A feed of the stand-in site that is followed: it was read once, and a new episode waits to be found.</summary>
    private async Task AddFeed(KostelContext context, string demoFolder, CancellationToken cancel)
    {
        if (settings.LinkExceptions is not [var site, ..])
        {
            return;
        }

        var known = new Uri($"http://{site}/media/moorings.opus");
        var course = await context.Course("Evenings on the slip", cancel);
        var feed = new FeedRow { Address = $"http://{site}/feed.xml", Title = "Evenings on the slip", CourseId = course!.Id, IsFollowed = true, CheckedAt = time.GetUtcNow().UtcDateTime.AddDays(-7) };
        context.Feeds.Add(feed);
        await context.SaveChangesAsync(cancel);
        context.Episodes.Add(new EpisodeRow { FeedId = feed.Id, Key = "slip-moorings", Title = "Lying safely at a mooring", Media = known.AbsoluteUri, Bytes = new FileInfo(Path.Combine(demoFolder, "site", "media", "moorings.opus")).Length, Captions = [] });
    }

    private async Task Add(KostelContext context, Item item, string demoFolder, bool withCards, CancellationToken cancel)
    {
        var media = Path.Combine(demoFolder, "media", item.Media);
        library.MakeLectureFolder(item.Id);
        File.Copy(media, library.Original(item.Id), overwrite: true);
        var now = time.GetUtcNow().UtcDateTime;
        var lecture = new LectureRow
        {
            Id = item.Id,
            Title = item.Title,
            HeldOn = item.Held,
            Course = await context.Course(item.Course, cancel),
            SourceName = item.Media,
            SourceBytes = new FileInfo(media).Length,
            HasPicture = Path.GetExtension(item.Media) == ".mp4",
            AddedAt = now,
        };
        LectureArrival.Note(lecture, await LectureArrival.Examine(library.Original(item.Id), cancel), titleIsGuessed: false, dayIsGuessed: false);
        context.Lectures.Add(lecture);
        if (item.Transcript is null)
        {
            queue.Enqueue(context, TranscriptionWork.Transcription, item.Id, new TranscriptionTask(new TranscriptionChoice(Accuracy.Accurate, SpokenLanguages.English)));
            await context.SaveChangesAsync(cancel);
            return;
        }

        var transcript = TranscriptFormat.Read(await File.ReadAllTextAsync(Path.Combine(demoFolder, "transcripts", item.Transcript), cancel));
        await context.SaveChangesAsync(cancel);
        await context.InstallTranscript(lecture, new InstalledTranscript(transcript, null, new Provenance(Accuracy.Accurate, null, now)), cancel);
        foreach (var mark in item.Marks ?? [])
        {
            var place = PhraseSearch.Find(transcript, mark.Phrase, "").FirstOrDefault()
                ?? throw new InvalidDataException($"The demonstration marks words that {item.Id} does not say: {mark.Phrase}");
            context.Marks.Add(new MarkRow
            {
                LectureId = item.Id,
                Kind = mark.Kind,
                StartMs = place.StartMs,
                EndMs = place.EndMs,
                Quote = place.Place.Expected,
                Text = mark.Text,
                MadeAt = now,
            });
        }

        if (withCards)
        {
            context.Cards.AddRange(CardMaker.Make(transcript, grammar: grammar).Select(d => CardRow.Of(item.Id, d, now)));
            context.Summaries.Add(new SummaryRow { LectureId = item.Id, Parts = Summarizer.Summarize(transcript, grammar).Select(p => p.In(item.Id)).ToList(), MadeAt = now });
        }

        await context.SaveChangesAsync(cancel);
    }

    private sealed record Item(string Id, string Title, string Course, DateOnly Held, string Media, string? Transcript, string? Terms, IReadOnlyList<MarkItem>? Marks);

    private sealed record MarkItem(MarkKind Kind, string Phrase, string Text);
}
