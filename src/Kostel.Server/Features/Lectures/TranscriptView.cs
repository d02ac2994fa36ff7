using System.Runtime.CompilerServices;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Reading;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Lectures;

/// <summary>A word that the recogniser was not sure of.</summary>
/// <param name="Word">Its index in the passage.</param>
/// <param name="Chance">The chance that it is right, 0 to 1.</param>
public sealed record DoubtView(int Word, double Chance);

/// <summary>A passage for reading: its words are divided by single spaces in the text, and each has its place in the lists.</summary>
/// <param name="SentenceStartsMs">Where its sentences begin.</param>
/// <param name="Fillers">Indices of words that can be hidden.</param>
public sealed record PassageView(
    string Id,
    string SpeakerId,
    int StartMs,
    int EndMs,
    string Text,
    IReadOnlyList<int> StartsMs,
    IReadOnlyList<int> EndsMs,
    IReadOnlyList<DoubtView> Doubts,
    IReadOnlyList<int> SentenceStartsMs,
    IReadOnlyList<int> Fillers,
    double Confidence)
{
    /// <summary>An edit leaves nearly all passages as they were, and so the same objects.</summary>
    private static readonly ConditionalWeakTable<Passage, PassageView> Known = [];

    /// <summary>The view of a passage.</summary>
    public static PassageView Of(Passage passage) => Known.GetValue(passage, Make);

    private static PassageView Make(Passage p) => new(
        p.Id, p.SpeakerId, p.StartMs, p.EndMs, p.Text,
        p.Words.Select(w => w.StartMs).ToArray(),
        p.Words.Select(w => w.EndMs).ToArray(),
        p.Words.Select((w, i) => new DoubtView(i, Math.Round(w.Confidence, 2))).Where((_, i) => p.Words[i].Confidence < WordConfidence.UnsureBelow).ToArray(),
        Sentences.Of(p).Select(s => s.StartMs).ToArray(),
        Disfluencies.Of(p.Words),
        Math.Round(p.Confidence, 3));
}

/// <summary>Which text it is, and what can be taken back and done again, in plain words; null for nothing.</summary>
/// <param name="IsEdited">Whether a person changed it, so that it can be compared with what was written first.</param>
public sealed record TextState(int Version, string? Undo, string? Redo, bool IsEdited)
{
    /// <summary>The state of a lecture's text.</summary>
    public static async Task<TextState> Of(KostelContext context, LectureRow lecture, CancellationToken cancel)
    {
        var (undo, redo) = await context.NextReplays(lecture.Id, cancel);
        return new TextState(lecture.TextVersion, undo, redo, await context.Originals.AnyAsync(o => o.LectureId == lecture.Id, cancel));
    }
}

/// <summary>A transcript for reading.</summary>
/// <param name="UnsureBelow">Words whose chance of being right is smaller are shown as doubtful.</param>
/// <param name="GuessedBelow">…and below this as guessed.</param>
/// <param name="IsWhole">False while words are still being recognised.</param>
public sealed record TranscriptView(
    IReadOnlyList<Speaker> Speakers,
    IReadOnlyList<PassageView> Passages,
    IReadOnlyList<Chapter> Chapters,
    double UnsureBelow,
    double GuessedBelow,
    bool IsWhole,
    TextState State);
