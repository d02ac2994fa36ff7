using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers.Written;

/// <summary>A passage that a model is given.</summary>
/// <param name="Number">By which it is named, from 1.</param>
/// <param name="Lecture">The lecture's title, where several are asked.</param>
public sealed record GivenPassage(int Number, Evidence Source, string? Lecture);

/// <summary>What a model is asked to write.</summary>
/// <param name="Instructions">The person's own words on how to write; null for none.</param>
/// <param name="AllowsOutside">Whether it may add what it knows from elsewhere, set apart.</param>
/// <param name="Language">The language in which it is to write, as its English name.</param>
public sealed record WritingRequest(string Question, IReadOnlyList<GivenPassage> Passages, string? Instructions, bool AllowsOutside, string Language);
