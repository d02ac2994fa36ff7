namespace Kostel.Core.Chapters;

/// <summary>Where a chapter begins, as a file or a page says.</summary>
public sealed record ChapterMark(string Title, int StartMs);
