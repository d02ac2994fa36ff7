using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Sheets;

/// <summary>A sheet to be taken away.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Facts">Of what lecture or course it is.</param>
/// <param name="Sheet">What stands on it.</param>
/// <param name="Link">The address below which the lectures are; null for none.</param>
public sealed record SheetPaper(string Title, string Facts, Sheet Sheet, string? Link = null)
{
    /// <summary>The picture of a line, as JPEG or PNG; null for none.</summary>
    public Func<SheetLine, byte[]?> PictureOf { get; init; } = _ => null;

    /// <summary>When something is said; empty for what the person wrote of their own.</summary>
    public static string Time(Evidence? source) => source is null ? "" : CaptionClock.Short(source.StartMs);

    /// <summary>The address that opens the second; null for none.</summary>
    public string? LinkTo(Evidence? source) => Link is null || source?.LectureId is null ? null : FormattableString.Invariant($"{Link}/{source.LectureId}?t={source.StartMs / 1000}");
}
