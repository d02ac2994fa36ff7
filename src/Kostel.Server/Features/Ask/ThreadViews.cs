using System.Text.Json;
using Kostel.Core.Answers;
using Kostel.Core.Answers.Forms;
using Kostel.Core.Answers.Scopes;
using Kostel.Core.Answers.Written;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A thread of questions.</summary>
/// <param name="Lecture">The lecture that is asked; null for several.</param>
/// <param name="Course">The course that is asked; null for a lecture or everything.</param>
public sealed record ThreadView(int Id, string Title, bool IsNamed, string? Lecture, string? Course, int QuestionCount, DateTime ChangedAt);

/// <summary>A thread with its questions, in the order in which they were asked.</summary>
public sealed record WholeThread(ThreadView Thread, IReadOnlyList<QuestionView> Questions);

/// <summary>What is said of one of several things or lectures.</summary>
public sealed record SideView(string Name, IReadOnlyList<EvidenceView> Lines, AnswerState? State);

/// <summary>Where it was looked for, as the question said.</summary>
public sealed record ScopeView(ScopeKind Kind, string Words);

/// <summary>What is said to a question.</summary>
/// <param name="Parts">What answers within each line, as letters of its words; empty where that is not known.</param>
/// <param name="Items">The things or steps that the first line tells.</param>
/// <param name="SaysYes">Whether the first line says yes or no outright.</param>
/// <param name="Differs">Whether two lectures say different numbers.</param>
/// <param name="IsChosen">Whether the person chose the place.</param>
/// <param name="Material">What was wished for that is made of the lecture, and no answer.</param>
/// <param name="Meant">Words of the question that were taken for others, which are said.</param>
/// <param name="Taken">Words that were taken from the question before.</param>
/// <param name="Off">What of where to look was taken off.</param>
/// <param name="Lectures">The lectures that are quoted.</param>
public sealed record AnswerView(
    AnswerState State, AnswerForm Form, IReadOnlyList<EvidenceView> Lines, IReadOnlyList<QuotePart> Parts, IReadOnlyList<QuotePart> Items, IReadOnlyList<SideView> Sides, bool? SaysYes, bool Differs,
    bool IsChosen, IReadOnlyList<string> UnheardWords, StudyMaterial? Material, IReadOnlyList<MeantWord> Meant, IReadOnlyList<string> Taken, IReadOnlyList<ScopeView> Scope, IReadOnlyList<string> Off, IReadOnlyList<QuotedLecture> Lectures);

/// <summary>A sentence that a model wrote.</summary>
/// <param name="Passages">Places in the list of passages, from 0.</param>
/// <param name="IsOutside">Knowledge from elsewhere, compared with nothing.</param>
public sealed record WrittenSentenceView(string Text, IReadOnlyList<int> Passages, IReadOnlyList<SentenceDoubt> Doubts, bool IsOutside);

/// <summary>An answer that a model wrote.</summary>
public sealed record WrittenView(string Host, string Model, DateTime WrittenAt, string? Instructions, IReadOnlyList<WrittenSentenceView> Sentences, IReadOnlyList<EvidenceView> Passages);

/// <summary>A question with its answer.</summary>
/// <param name="Written">What a model of the person's own wrote; null for nothing.</param>
public sealed record QuestionView(int Id, string Text, DateTime AskedAt, AnswerView Answer, WrittenView? Written);

/// <summary>Shows threads and answers, beside what the lectures say today.</summary>
internal sealed class ThreadViews(KostelContext context)
{
    private readonly QuotedLectures lectures = new(context);

    /// <summary>Whether what is shown was found a moment ago: then it needs no comparison with what is said today.</summary>
    public bool IsFresh
    {
        get => lectures.IsFresh;
        set => lectures.IsFresh = value;
    }

    public async Task<ThreadView> Of(ThreadRow thread, CancellationToken cancel) => new(
        thread.Id, thread.Title, thread.IsNamed, thread.LectureId,
        thread.CourseId is { } course ? await context.Courses.Where(c => c.Id == course).Select(c => c.Title).FirstOrDefaultAsync(cancel) : null,
        await context.Questions.CountAsync(q => q.ThreadId == thread.Id, cancel), thread.ChangedAt);

    public async Task<QuestionView> Of(QuestionRow row, CancellationToken cancel) =>
        new(row.Id, row.Text, row.AskedAt, await Of(row.Answer, row.LectureId, row.Text, cancel), row.Written is { } written ? await Of(written, row.LectureId, cancel) : null);

    /// <param name="answer">What was answered.</param>
    /// <param name="lectureId">The lecture that was asked; null for several.</param>
    /// <param name="text">The question.</param>
    public async Task<AnswerView> Of(Answer answer, string? lectureId, string text, CancellationToken cancel)
    {
        var all = answer.Lines.Concat(answer.Sides.SelectMany(s => s.Lines)).ToList();
        await lectures.Open(all, lectureId, cancel);
        return new AnswerView(
            answer.State, answer.Form, answer.Lines.Select(l => lectures.View(l, lectureId)).ToList(), answer.Parts, answer.Items, answer.Sides.Select(s => new SideView(s.Name, s.Lines.Select(l => lectures.View(l, lectureId)).ToList(), s.State)).ToList(),
            answer.SaysYes, answer.Differs, answer.IsChosen, answer.UnheardWords, answer.Material, answer.Meant, answer.Understood is { } understood ? FollowUp.Taken(text, understood) : [],
            answer.Scope.Select(s => new ScopeView(s.Kind, s.Words)).ToList(), answer.Off.Select(k => JsonNamingPolicy.CamelCase.ConvertName(k.ToString())).ToList(), lectures.Of(all, lectureId));
    }

    private async Task<WrittenView> Of(WrittenAnswer written, string? lectureId, CancellationToken cancel)
    {
        await lectures.Open(written.Passages, lectureId, cancel);
        return new WrittenView(
            written.Host, written.Model, written.WrittenAt, written.Instructions,
            written.Sentences.Select(s => new WrittenSentenceView(s.Text, s.Passages, s.Doubts, s.IsOutside)).ToList(), written.Passages.Select(p => lectures.View(p, lectureId)).ToList());
    }
}
