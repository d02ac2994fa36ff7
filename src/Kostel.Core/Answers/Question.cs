using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>What kind of thing a question wants to hear.</summary>
public enum Wanted
{
    /// <summary>Anything that speaks of it.</summary>
    Statement,

    /// <summary>What something is.</summary>
    Definition,

    /// <summary>A number: how many, how long, how far.</summary>
    Quantity,

    /// <summary>A cause or a purpose.</summary>
    Reason,

    /// <summary>A person.</summary>
    Person,

    /// <summary>When.</summary>
    Time,

    /// <summary>Where.</summary>
    Place,

    /// <summary>How something is done or comes about.</summary>
    Steps,

    /// <summary>Whether it is so.</summary>
    YesNo,

    /// <summary>One of several: which.</summary>
    Choice,
}

/// <summary>What a quantity is counted in.</summary>
public enum Measured
{
    /// <summary>Anything.</summary>
    Any,

    /// <summary>Seconds, hours, years.</summary>
    Duration,

    /// <summary>Metres, miles.</summary>
    Length,

    /// <summary>Of time or of space: a day is long, and so is a rod.</summary>
    Extent,

    /// <summary>Grams, tons.</summary>
    Mass,

    /// <summary>Metres a second, knots.</summary>
    Speed,

    /// <summary>Degrees.</summary>
    Temperature,

    /// <summary>Once, every week, three times a day.</summary>
    Frequency,

    /// <summary>Pounds, cents.</summary>
    Money,

    /// <summary>Per cent, half, one in ten.</summary>
    Share,
}

/// <summary>A question as far as its form tells: what it wants and which words it is about.</summary>
/// <param name="Words">Content words and numbers as digits, each once.</param>
public sealed record Question(Wanted Wants, Measured Unit, IReadOnlyList<AskedWord> Words)
{
    private static readonly Dictionary<string, Measured> Measures = new()
    {
        ["much"] = Measured.Any,
        ["many"] = Measured.Any,
        ["long"] = Measured.Duration,
        ["far"] = Measured.Length,
        ["high"] = Measured.Length,
        ["tall"] = Measured.Length,
        ["deep"] = Measured.Length,
        ["wide"] = Measured.Length,
        ["thick"] = Measured.Length,
        ["thin"] = Measured.Length,
        ["fast"] = Measured.Speed,
        ["quickly"] = Measured.Speed,
        ["slowly"] = Measured.Speed,
        ["often"] = Measured.Frequency,
        ["heavy"] = Measured.Mass,
        ["hot"] = Measured.Temperature,
        ["warm"] = Measured.Temperature,
        ["cold"] = Measured.Temperature,
        ["large"] = Measured.Any,
        ["big"] = Measured.Any,
        ["old"] = Measured.Duration,
        ["strong"] = Measured.Any,
        ["loud"] = Measured.Any,
        ["steep"] = Measured.Any,
        ["bright"] = Measured.Any,
        ["accurate"] = Measured.Any,
        ["exact"] = Measured.Any,
        ["expensive"] = Measured.Money,
    };

    /// <summary>Adjectives that also say what is asked about, and stay among the words.</summary>
    private static readonly HashSet<string> TellingMeasures = ["thick", "thin", "deep", "wide", "heavy", "hot", "warm", "cold", "loud", "steep", "bright", "accurate", "tall", "expensive"];

    private static readonly HashSet<string> AskingWords =
    [
        "lecture", "lecturer", "speaker", "explain", "explained", "explains", "mentioned", "mention", "mean", "means", "meaning", "definition", "define", "defined", "called", "happens", "happen",
        "happened", "wait", "last", "lasts", "difference", "reason", "example", "examples", "kind", "kinds", "sort", "sorts", "type", "types", "describe", "described",
    ];

    private static readonly HashSet<string> NamedNumbers = ["height", "length", "depth", "speed", "percentage", "rate", "temperature", "pressure", "weight", "price", "distance", "value", "limit", "number", "frequency", "angle", "share", "amount"];

    /// <summary>Of what has these, so much is money.</summary>
    private static readonly HashSet<string> Paying =
        ["cost", "costs", "pay", "pays", "paid", "price", "fee", "fees", "earn", "earns", "earned", "salary", "wage", "wages", "budget", "worth"];

    private static readonly HashSet<string> Shares = ["share", "percentage", "percent", "proportion", "fraction"];

    /// <summary>"What's" and "whats" are "what is".</summary>
    private static readonly Dictionary<string, string[]> Shortened = new[] { "what", "who", "how", "where", "when", "why" }
        .SelectMany(w => new[] { (w + "'s", new[] { w, "is" }), (w + "s", [w, "is"]), (w + "'re", [w, "are"]), (w + "d", [w, "did"]), (w + "'d", [w, "did"]) })
        .ToDictionary(p => p.Item1, p => p.Item2);

    /// <summary>Who names a thing with one of these, and asks nothing of it, wants to know what it is.</summary>
    private static readonly HashSet<string> Defining = ["define", "definition", "explain", "describe", "meaning"];

    /// <summary>A thing is named in so many words; more say what is to be explained of it.</summary>
    private const int MostNaming = 3;

    private static readonly HashSet<string> Auxiliaries =
        ["is", "are", "was", "were", "do", "does", "did", "can", "could", "should", "may", "must", "will", "would", "has", "have", "had", "isn't", "aren't", "don't", "doesn't", "didn't", "can't"];

    /// <summary>What the listeners are to do until the next time.</summary>
    public bool AsksForTask { get; init; }

    /// <summary>Reads a question, without what only stands around it.</summary>
    public static Question Read(string text)
    {
        var words = Tokens.Of(BareQuestion.Of(text)).SelectMany(Spelled).ToList();
        var (wants, unit) = WantedBy(words);
        var told = words.Where(w => !AskingWords.Contains(w) && (!Measures.ContainsKey(w) || TellingMeasures.Contains(w))).ToList();
        var about = AskedWords.Of(told);
        about = about.Count > 0 ? about : AskedWords.Of(words);
        return new Question(wants, unit, about.Count > 0 ? about : words.Distinct().Select(w => new AskedWord(w, Tokens.Stem(w), IsPlain: true)).ToList())
        {
            AsksForTask = words.Any(w => w is "homework" or "exercise" or "assignment" or "task" or "prepare") || (words.Contains("next") && words.Any(w => w is "week" or "time" or "lecture")),
        };
    }

    /// <summary>Whether a word is a shorter form of two: "whats".</summary>
    internal static bool IsShortened(string word) => Shortened.ContainsKey(word);

    private static IEnumerable<string> Spelled(string word) => Shortened.TryGetValue(word, out var whole) ? whole : [word];

    private static (Wanted Wants, Measured Unit) WantedBy(List<string> words)
    {
        for (var i = 0; i < words.Count; i++)
        {
            var next = i + 1 < words.Count ? words[i + 1] : "";
            switch (words[i])
            {
                case "who" or "whom" or "whose":
                    return (Wanted.Person, Measured.Any);
                case "why":
                    return (Wanted.Reason, Measured.Any);
                case "when":
                    return (Wanted.Time, Measured.Any);
                case "where":
                    return (Wanted.Place, Measured.Any);
                case "how" when next is "long" && i + 2 < words.Count && words[i + 2] is "is" or "are" or "was" or "were":
                    return (Wanted.Quantity, Measured.Extent);
                case "how" when Measures.TryGetValue(next, out var unit):
                    return (Wanted.Quantity, unit is Measured.Any && next is "much" && words.Any(Paying.Contains) ? Measured.Money : unit);
                case "how":
                    return (Wanted.Steps, Measured.Any);
                case "what" or "which" when Shares.Contains(next):
                    return (Wanted.Quantity, Measured.Share);
                case "which":
                    return (next is "year" or "month" or "day" ? Wanted.Time : Wanted.Choice, Measured.Any);
                case "what" when next is "is" or "are" or "was" or "were" && words.Skip(i + 2).Take(3).Any(NamedNumbers.Contains):
                    return (Wanted.Quantity, words.Skip(i + 2).Take(3).Any(Shares.Contains) ? Measured.Share : words.Contains("price") ? Measured.Money : Measured.Any);
                case "what" when words[^1] == "for":
                    return (Wanted.Reason, Measured.Any);
                case "what" when next is "is" or "are" && words.Count - i <= 6:
                    return (Wanted.Definition, Measured.Any);
                case "what" when next is "causes" or "caused" or "makes":
                    return (Wanted.Reason, Measured.Any);
                case "what":
                    return (Wanted.Statement, Measured.Any);
            }
        }

        return words.Count > 0 && Auxiliaries.Contains(words[0]) ? (Wanted.YesNo, Measured.Any)
            : words.Any(Defining.Contains) && AskedWords.Of(words.Where(w => !AskingWords.Contains(w)).ToList()).Count is > 0 and <= MostNaming ? (Wanted.Definition, Measured.Any)
            : (Wanted.Statement, Measured.Any);
    }
}
