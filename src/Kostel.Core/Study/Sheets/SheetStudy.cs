using System.Security.Cryptography;
using System.Text;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Sheets;

/// <summary>What the lines of a sheet ask by themselves.</summary>
public enum SheetAsks
{
    /// <summary>Nothing: they state something.</summary>
    Nothing,

    /// <summary>A question, and its answer.</summary>
    Questions,

    /// <summary>What a term means.</summary>
    Terms,

    /// <summary>What a cue stands for.</summary>
    Cues,
}

/// <summary>Cards and questions of what stands on a sheet, whoever wrote it: the lecturer, a model or the person. Lines that are said nowhere are left aside.</summary>
public static class SheetStudy
{
    private const int KeyLength = 20;

    /// <summary>What its lines ask.</summary>
    public static SheetAsks Asks(this Sheet sheet) => sheet.Columns switch
    {
        ["Question", _, ..] => SheetAsks.Questions,
        ["Term", _, ..] => SheetAsks.Terms,
        ["Cue", _, ..] => SheetAsks.Cues,
        _ => SheetAsks.Nothing,
    };

    /// <summary>Cards of its lines, in their order.</summary>
    /// <param name="language">In which the lecture is held.</param>
    /// <param name="there">Cards that are there already: what they ask is not asked again.</param>
    public static IReadOnlyList<CardDraft> Cards(Sheet sheet, string language, IEnumerable<CardContent> there, IGrammar? grammar, WordKnowledge words)
    {
        var (asked, made) = (new AskedFacts(there), sheet.Asks() == SheetAsks.Nothing ? Made(sheet, language, grammar, words) : Asked(sheet, language));
        return made.Where(c => !asked.Hold(c.Content)).Select(c => c with { Name = NameOf(c) }).DistinctBy(c => c.Key).ToList();
    }

    /// <summary>A card of a sheet is named by its first wording: several lines may rest on one place.</summary>
    private static string NameOf(CardDraft card) => $"sheet-{Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{card.Content.Front}\n{card.Content.Back}")))[..KeyLength]}";

    /// <summary>Questions of what its lines state.</summary>
    /// <param name="seed">Decides what is asked and in which order.</param>
    public static IReadOnlyList<QuestionDraft> Questions(Sheet sheet, string language, int count, int seed, IGrammar? grammar, WordKnowledge words)
    {
        var text = new SheetText(sheet, language);
        return QuizMaker.Make(new StudyGround(text.Transcript, grammar, words: words), count, seed)
            .Select(q => q with { Content = q.Content is MatchQuestion match ? match with { Said = [.. match.Said.Select(text.SourceOf)] } : q.Content, Source = text.SourceOf(q.Source) })
            .ToList();
    }

    private static IEnumerable<CardDraft> Asked(Sheet sheet, string language) => sheet.Lines()
        .Where(l => l.Source is not null && l.Cells.Count > 1 && l.Cells.Take(2).All(c => !string.IsNullOrWhiteSpace(c)))
        .Select(l => new CardDraft(CardContent.Of(sheet.Asks() == SheetAsks.Terms ? Meaning(l.Cells[0].Trim(), language) : l.Cells[0].Trim(), l.Cells[1].Trim()), l.Source!));

    private static string Meaning(string term, string language) => StudyLanguages.IsSpanish(language) ? $"¿Qué significa «{WordForms.Small(term)}»?" : $"What is meant by “{WordForms.Small(term)}”?";

    private static IEnumerable<CardDraft> Made(Sheet sheet, string language, IGrammar? grammar, WordKnowledge words)
    {
        var text = new SheetText(sheet, language);
        return CardMaker.Make(new StudyGround(text.Transcript, grammar, words: words), sheet.Lines().Count()).Select(c => new CardDraft(c.Content, text.SourceOf(c.Source)));
    }
}
