using Kostel.Core.Answers;
using Kostel.Core.Audio;
using Kostel.Core.Marks;
using Kostel.Core.Recordings;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data.Rows;

namespace Kostel.Server.Features.Record;

/// <summary>A recording that is to begin.</summary>
/// <param name="Agreed">Those who are recorded agree; it is confirmed each time.</param>
/// <param name="KeepsSound">Whether the sound is kept, or only the text.</param>
/// <param name="HeldOn">The person's own day.</param>
public sealed record NewRecording(string Title, string? Course, bool KeepsSound, bool Agreed, DateOnly HeldOn, string? Language = null);

/// <summary>A recording that is not a lecture yet.</summary>
/// <param name="Turn">With it pieces are sent; who takes the recording up gets another one.</param>
/// <param name="NextPiece">The number of the piece that is waited for.</param>
/// <param name="AtMs">How long it is.</param>
public sealed record RecordingView(string Id, string Title, string? Course, bool KeepsSound, DateTime StartedAt, DateTime TouchedAt, int NextPiece, int AtMs, string Turn, IReadOnlyList<RecordedMarkView> Marks, IReadOnlyList<HeardCorrection> Corrections)
{
    internal static RecordingView Of(RecordingRow row) =>
        new(row.Id, row.Title, row.Course, row.KeepsSound, row.StartedAt, row.TouchedAt, row.NextPiece, Pcm.ToMs(row.Samples), row.Turn, [.. row.Marks.Select(m => new RecordedMarkView(m.Kind, m.AtMs, m.Text, m.Picture is not null))], row.Corrections);
}

/// <summary>What was marked while it ran.</summary>
/// <param name="HasPicture">It is found by the mark's place in the list.</param>
public sealed record RecordedMarkView(MarkKind Kind, int AtMs, string Text, bool HasPicture);

/// <summary>A mark at a moment of the sound.</summary>
public sealed record NewRecordedMark(MarkKind Kind, int AtMs, string Text = "");

/// <summary>How a recording stands after a piece.</summary>
/// <param name="NextPiece">The number of the piece that is waited for: all before it are kept.</param>
/// <param name="Words">Words that stand, from the number that was asked for.</param>
/// <param name="Tentative">What was said last, as far as it is understood.</param>
/// <param name="Problem">Why no words come; null while they do.</param>
/// <param name="Echoes">Whether the room echoes.</param>
public sealed record RecordingText(int NextPiece, int AtMs, IReadOnlyList<Word> Words, IReadOnlyList<Word> Tentative, string? Problem, bool Echoes);

/// <summary>A question in class.</summary>
public sealed record HeardQuestion(string Text);

/// <summary>A sentence that answers it.</summary>
/// <param name="LectureId">The earlier lecture that says it; null for this class.</param>
/// <param name="Title">Its title; null for this class.</param>
/// <param name="From">What answers: from this letter on…</param>
/// <param name="To">…to before this one.</param>
public sealed record HeardAnswerLine(string? LectureId, string? Title, int StartMs, string Quote, int From, int To);

/// <summary>What this class so far, or an earlier lecture of its course, says to a question.</summary>
/// <param name="Meant">Words of the question that were taken for others.</param>
public sealed record HeardAnswerView(AnswerState State, IReadOnlyList<HeardAnswerLine> Lines, IReadOnlyList<string> UnheardWords, IReadOnlyList<MeantWord> Meant)
{
    /// <summary>An answer.</summary>
    /// <param name="id">The recording.</param>
    /// <param name="titles">Of the lectures that were asked besides.</param>
    internal static HeardAnswerView Of(Answer answer, string id, IReadOnlyDictionary<string, string> titles) => new(
        answer.State,
        answer.Lines.Select((l, i) =>
        {
            var part = answer.Parts.ElementAtOrDefault(i) ?? new QuotePart(0, 0);
            return new HeardAnswerLine(l.LectureId == id ? null : l.LectureId, l.LectureId is { } of ? titles.GetValueOrDefault(of) : null, l.StartMs, l.Quote, part.From, part.To);
        }).ToList(),
        answer.UnheardWords, answer.Meant);
}

/// <summary>What was said in the last minutes.</summary>
/// <param name="About">The matter at hand.</param>
/// <param name="Lines">At most three, as they were said.</param>
public sealed record LostThreadView(IReadOnlyList<string> About, IReadOnlyList<Evidence> Lines)
{
    internal static LostThreadView Of(LostThread found) => new(found.About, found.Lines);
}

/// <summary>Where the lecture is that a recording became.</summary>
public sealed record RecordedLecture(string LectureId);
