namespace Kostel.Core.Chapters;

/// <summary>Where a chapter begins, as a file or a page says.</summary>
/// <param name="Title">Empty where they do not say what it is called.</param>
public sealed record ChapterMark(string Title, int StartMs);
