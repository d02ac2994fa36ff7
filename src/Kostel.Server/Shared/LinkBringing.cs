using Kostel.Core.Chapters;
using Kostel.Core.Entries;
using Kostel.Core.Links;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;

namespace Kostel.Server.Shared;

/// <summary>Something on the web that is to become a lecture.</summary>
/// <param name="Source">Where a person finds it again: the page, where there is one.</param>
internal sealed record WantedLink(Uri Source, Uri Media, string Title, DateOnly? HeldOn, CaptionLink? Captions, CaptionUse Use, IReadOnlyList<ChapterMark> Chapters)
{
    /// <summary>Whether nobody said the title but the address.</summary>
    public bool TitleIsGuessed { get; init; }

    /// <summary>Whether the person's own downloader fetches it.</summary>
    public bool ByDownloader { get; init; }

    /// <summary>A file with its chapters, to be read when it is fetched.</summary>
    public Uri? ChapterFile { get; init; }
}

/// <summary>Makes lectures of what is on the web: they are there at once, and their recordings come by jobs.</summary>
internal static class LinkBringing
{
    /// <summary>Adds a lecture with the job that fetches it, to be saved by the caller, who then wakes the queue.</summary>
    public static LectureRow Bring(this KostelContext context, WantedLink wanted, CourseRow? course, TranscriptionChoice? choice, DateTime now)
    {
        var name = Uri.UnescapeDataString(wanted.Media.Segments[^1].Trim('/'));
        var title = wanted.Title.Length > EntryRules.Title.Most ? wanted.Title[..EntryRules.Title.Most] : wanted.Title;
        var lecture = new LectureRow
        {
            Id = LibraryFolder.NewId(),
            Title = title.Trim().Length > 0 ? title.Trim() : wanted.Source.Host,
            HeldOn = wanted.HeldOn,
            Course = course,
            SourceName = name.Length is > 0 and <= 200 ? name : wanted.Media.Host,
            SourceAddress = wanted.Source.AbsoluteUri,
            Language = choice?.Language ?? SpokenLanguages.English,
            AddedAt = now,
        };
        context.Lectures.Add(lecture);
        context.Enqueue(
            FetchWork.Fetching,
            lecture.Id,
            new FetchTask(
                wanted.Media.AbsoluteUri, wanted.Captions, wanted.Captions is null ? CaptionUse.None : wanted.Use, wanted.Chapters, wanted.TitleIsGuessed, wanted.HeldOn is null,
                choice ?? course?.Routine?.Choice ?? new TranscriptionChoice(Accuracy.Accurate))
            {
                ChapterFile = wanted.ChapterFile?.AbsoluteUri,
                ByDownloader = wanted.ByDownloader,
            },
            now);
        return lecture;
    }
}
