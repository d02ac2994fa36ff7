using Kostel.Core.Answers.Written;
using Kostel.Data;
using Kostel.Data.Rows;

namespace Kostel.Server.Features.Ask;

/// <summary>Gathers what a model is given to a question: the passages that were found, and no others.</summary>
internal sealed class WritingPassages(KostelContext context, Answering answering)
{
    private const int Most = 8;

    public async Task<WritingRequest> Request(QuestionRow row, string? instructions, bool allowsOutside, int ownerId, CancellationToken cancel)
    {
        var thread = await context.Threads.FindAsync([row.ThreadId], cancel);
        var place = await AskedPlace.Of(context, thread!, cancel);
        var (found, lectures) = await answering.Nearest(row, place, ownerId, Most, cancel);
        var titles = lectures.ToDictionary(l => l.Id, l => l.Title);
        var language = lectures.Count > 0 && lectures.TrueForAll(l => l.Language == lectures[0].Language) ? lectures[0].Language : Core.Speech.Languages.SpokenLanguages.English;
        return new WritingRequest(
            row.Answer.Understood ?? row.Text, found.Select((e, i) => new GivenPassage(i + 1, e, place.Lecture is null ? titles.GetValueOrDefault(e.LectureId ?? "") : null)).ToList(), instructions, allowsOutside,
            Core.Speech.Languages.SpokenLanguages.NameOf(language));
    }
}
