namespace Kostel.Core.Captions;

/// <summary>What stands beside the words of a text that is taken away.</summary>
/// <param name="Speakers">Who speaks, where there is more than one.</param>
/// <param name="Times">When each passage begins.</param>
/// <param name="Title">The lecture's title, for formats that have a place for it.</param>
/// <param name="Link">The address of the lecture, for times that lead there; the second is added to it.</param>
/// <param name="Facts">Course, day and length in one line, for documents.</param>
public sealed record TextOptions(bool Speakers = true, bool Times = false, string? Title = null, string? Link = null, string? Facts = null);
