using Kostel.Core.Chapters.Titles;
using Kostel.Core.Text;

namespace Kostel.Core.Chapters;

/// <summary>What is counted of each place at which a chapter may begin: how the sentences around it speak, and which words end, begin and go on there.</summary>
/// <remarks>
/// Discourse markers as evidence of a boundary: R. Passonneau and D. Litman, "Discourse segmentation by human and automated means", 1997; words that end, begin and go on: M. Hearst,
/// "TextTiling", 1997; a model learned of both: D. Beeferman, A. Berger and J. Lafferty, "Statistical models for text segmentation", 1999 (from memory). The lists are common practice, no source.
/// </remarks>
internal sealed class BoundaryFeatures
{
    private const int VeryShort = 3, Short = 7, Near = 3, AtStart = 12, AtEnd = 12, FirstOnes = 5, LastOnes = 4, EarlyComma = 8, TellsOfMuch = 8;

    /// <summary>With what a sentence opens.</summary>
    private static readonly string[] Openings =
    [
        "so", "now", "okay ok right alright well good fine", "and", "but", "because since", "it this that they these those he she his her their its it's that's they're he's she's", "what", "how",
        "i i'm i've i'll", "you you've you'll", "let let's", "then", "first second third fourth next last finally another other", "take suppose imagine look think put try stand",
    ];

    private static readonly Dictionary<string, int> OpeningOf = Openings.SelectMany((o, i) => o.Split(' ').Select(w => (w, i))).ToDictionary(p => p.w, p => p.i);

    private static readonly HashSet<string>[] Persons = [["i", "my", "me", "i'm", "i've", "i'll"], ["you", "your", "you've", "you'll", "yours"], ["we", "us", "our", "we've", "we're"]];

    private static readonly string[] Form =
    [
        .. Openings.Select(o => "opens with " + o.Split(' ')[0]), "announces", "turns", "goes on", "the next goes on", "closes before", "asks", "asked before", "asks next", "early comma", "very short", "short", "length", "very short before", "short before", "length before",
        .. new[] { "I", "you", "we" }.SelectMany(p => new[] { p, p + " before", p + " two before" }), "number", "number before", "a welcome ends", "a farewell begins", "a farewell here",
    ];

    private static readonly string[] Words =
    [
        "near the start", "near the end", "said before", "two said before", "said in eight before", "two said in eight before", "new and again", "ended in four", "ended in eight", "spans two", "spans eight",
    ];

    private static readonly string[] Meaning = ["alike four", "alike eight", "one like what was before", "one like what comes", "two like what comes", "the last like what was before", "the last like what comes"];

    private static readonly string[] Own = [.. Form, .. Words, .. Meaning];

    /// <summary>What each number of <see cref="Of"/> is: of the place itself, and of the ones before and after it, which might be chosen instead.</summary>
    public static readonly IReadOnlyList<string> Names = [.. Own, .. Own.Select(n => n + ", one earlier"), .. Own.Select(n => n + ", one later")];

    private static readonly double[] Unknown = Array.ConvertAll(Own, _ => double.NaN);

    private readonly IReadOnlyList<string> units;
    private readonly List<IReadOnlyList<string>> tokens;
    private readonly bool[] plans, leaves;
    private readonly SaidWords said;
    private readonly SaidMeaning? meaning;
    private readonly double[]?[] counted;

    /// <param name="units">Sentences, or pieces of where there are none.</param>
    /// <param name="vectors">None where they have not come yet.</param>
    public BoundaryFeatures(IReadOnlyList<string> units, WordVectors vectors)
    {
        this.units = units;
        tokens = units.Select(Tokens.Of).ToList();
        plans = units.Select(EdgeTitles.SpeaksOfWhatComes).ToArray();
        leaves = units.Select(EdgeTitles.TakesLeave).ToArray();
        said = new SaidWords(tokens, vectors);
        meaning = vectors.Size > 0 ? new SaidMeaning(tokens, vectors) : null;
        counted = new double[]?[units.Count];
    }

    /// <summary>The numbers by <see cref="Names"/> for the place before a unit.</summary>
    /// <param name="i">The unit, from 1.</param>
    /// <param name="hasForm">Whether the unit is a sentence of English, so that how it speaks says something.</param>
    /// <returns>NaN for what is not known.</returns>
    public double[] Of(int i, bool hasForm) => [.. OfPlace(i, hasForm), .. OfPlace(i - 1, hasForm), .. OfPlace(i + 1, hasForm)];

    private double[] OfPlace(int i, bool hasForm)
    {
        if (i < 1 || i >= units.Count)
        {
            return Unknown;
        }

        var all = counted[i] ??= [.. OfForm(i), .. OfWords(i), .. meaning is null ? Meaning.Select(_ => double.NaN) : OfMeaning(i, meaning)];
        return hasForm ? all : [.. Form.Select(_ => double.NaN), .. all[Form.Length..]];
    }

    private IEnumerable<double> OfForm(int i)
    {
        var (before, after) = (tokens[i - 1], tokens[i]);
        var opening = after.Count > 0 ? OpeningOf.GetValueOrDefault(after[0], -1) : -1;
        var turning = TurningPhrases.Opening(units[i]);
        var isAtEnd = units.Count - i <= AtEnd;
        return
        [
            .. Openings.Select((_, o) => Is(opening == o)),
            Is(turning == Turning.Announces),
            Is(turning == Turning.Turns),
            Is(turning == Turning.GoesOn),
            Is(i + 1 < units.Count && TurningPhrases.Opening(units[i + 1]) == Turning.GoesOn),
            Is(TurningPhrases.Closes(units[i - 1])),
            Is(Asks(i)), Is(Asks(i - 1)), Is(Asks(i + 1)),
            Is(units[i].IndexOf(',', StringComparison.Ordinal) is > 0 and < EarlyComma),
            Is(after.Count <= VeryShort), Is(after.Count <= Short), Math.Log(1 + after.Count),
            Is(before.Count <= VeryShort), Is(before.Count <= Short), Math.Log(1 + before.Count),
            .. Persons.SelectMany(p => new[] { Is(after.Any(p.Contains)), Is(before.Any(p.Contains)), Is(i > 1 && tokens[i - 2].Any(p.Contains)) }),
            Is(after.Any(NumberWords.IsNumber)), Is(before.Any(NumberWords.IsNumber)),
            i <= AtStart ? Few(i - Near, plans) - Few(i, plans) : 0,
            isAtEnd ? Few(i, leaves) - Few(i - Near, leaves) : 0,
            Is(isAtEnd && leaves[i]),
        ];
    }

    private double[] OfWords(int i) =>
    [
        Is(i <= FirstOnes), Is(units.Count - i <= LastOnes),
        said.Share(i, i + 1, i - 1), said.Share(i, i + 2, i - 1), said.Share(i, i + 1, i - TellsOfMuch), said.Share(i, i + 2, i - TellsOfMuch),
        said.NewAndAgain(i, TellsOfMuch), said.Ended(i, 4), said.Ended(i, TellsOfMuch), said.Spanning(i, 2), said.Spanning(i, TellsOfMuch),
    ];

    private static double[] OfMeaning(int i, SaidMeaning said) =>
    [
        said.Alike(i - 4, i, i, i + 4), said.Alike(i - TellsOfMuch, i, i, i + TellsOfMuch), said.Alike(i - 4, i, i, i + 1), said.Alike(i, i + 1, i + 1, i + 5), said.Alike(i, i + 2, i + 2, i + 6),
        said.Alike(i - 1, i, i - 5, i - 1), said.Alike(i - 1, i, i, i + 4),
    ];

    private bool Asks(int i) => i < units.Count && units[i].EndsWith('?');

    private static double Few(int from, bool[] holds) => Enumerable.Range(from, Near).Count(i => i >= 0 && i < holds.Length && holds[i]) / (double)Near;

    private static double Is(bool holds) => holds ? 1 : 0;
}
