using Kostel.Core.Audio;
using Kostel.Core.Listening;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Listening;

/// <summary>Puts listening plans together and says what they take, by the texts as they are now.</summary>
internal sealed class PlanReading(KostelContext context, LibraryFolder library)
{
    private readonly Dictionary<string, (LectureRow Row, Transcript Text, IReadOnlyList<Silence> Silences)?> read = [];

    /// <summary>Parts as they can be heard: no sentence cut, small gaps bridged, each lecture's in its order; lectures in the order in which they come. What is not there is left out.</summary>
    public async Task<IReadOnlyList<PlanPart>> Parts(IReadOnlyList<WantedPart> wanted, CancellationToken cancel)
    {
        var parts = new List<PlanPart>();
        foreach (var group in wanted.GroupBy(w => w.LectureId))
        {
            if (await Read(group.Key, cancel) is not var (row, text, _))
            {
                continue;
            }

            foreach (var stretch in WholeSentences.Around(group.Select(w => new Stretch(w.StartMs, w.EndMs)), text))
            {
                var titles = group.Where(w => w.StartMs < stretch.EndMs && w.EndMs > stretch.StartMs).OrderBy(w => w.StartMs).Select(w => w.Title.Trim()).Where(t => t.Length > 0).Distinct().ToList();
                parts.Add(new PlanPart(row.Id, stretch.StartMs, stretch.EndMs, titles.Count == 0 ? row.Title : string.Join(", ", titles)));
            }
        }

        return parts;
    }

    /// <summary>The chapters of lectures that carry most in the time one has.</summary>
    public async Task<IReadOnlyList<PlanPart>> Proposed(WantedTime wanted, int ownerId, CancellationToken cancel)
    {
        var (parts, candidates) = (new List<PlanPart>(), new List<Candidate>());
        foreach (var id in wanted.LectureIds.Distinct())
        {
            if (await Read(id, cancel) is not var (row, text, silences))
            {
                continue;
            }

            var sentences = Sentences.Of(text.Passages);
            var marks = await context.Marks(id, ownerId, cancel);
            foreach (var chapter in text.Chapters)
            {
                var stretch = new Stretch(chapter.StartMs, chapter.EndMs);
                parts.Add(new PlanPart(row.Id, chapter.StartMs, chapter.EndMs, chapter.Title));
                candidates.Add(new Candidate(
                    ChapterWeight.Of(sentences.Where(s => s.StartMs >= chapter.StartMs && s.StartMs < chapter.EndMs), marks.Where(m => m.StartMs >= chapter.StartMs && m.StartMs < chapter.EndMs)),
                    ListeningTime.Of([stretch], wanted.WithoutSilences ? silences : [], wanted.Speed)));
            }
        }

        return PlanProposal.Choose(candidates, wanted.BudgetMs).Select(i => parts[i]).ToList();
    }

    /// <summary>A plan for showing; parts of lectures that are gone are left out.</summary>
    public async Task<PlanView> View(PlanRow plan, CancellationToken cancel)
    {
        var parts = new List<PlanPartView>();
        var whole = new Dictionary<string, int>();
        foreach (var part in plan.Parts)
        {
            if (await Read(part.LectureId, cancel) is var (row, _, silences))
            {
                var quiet = Stretch.SharedMs([new Stretch(part.StartMs, part.EndMs)], silences.Select(s => new Stretch(s.StartMs, s.EndMs)).ToList());
                parts.Add(new PlanPartView(row.Id, row.Title, row.HasSound, part.StartMs, part.EndMs, quiet, part.Title));
                whole[row.Id] = row.DurationMs;
            }
        }

        return new PlanView(plan.Id, plan.Title, parts, whole.Values.Sum(), Math.Min(plan.Part, Math.Max(0, parts.Count - 1)), plan.AtMs);
    }

    private async Task<(LectureRow Row, Transcript Text, IReadOnlyList<Silence> Silences)?> Read(string id, CancellationToken cancel)
    {
        if (read.TryGetValue(id, out var known))
        {
            return known;
        }

        var row = await context.Lectures.AsNoTracking().FirstOrDefaultAsync(l => l.Id == id && l.DeletedAt == null, cancel);
        if (row is null)
        {
            return read[id] = null;
        }

        var text = await context.Transcript(row, cancel);
        return read[id] = (row, text, await LectureSilences.Of(library, id, text, cancel));
    }
}
