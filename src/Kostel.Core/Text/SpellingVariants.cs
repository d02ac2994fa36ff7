namespace Kostel.Core.Text;

/// <summary>How English is spelled where Britain and America differ.</summary>
public enum Spelling
{
    /// <summary>As the recogniser writes it.</summary>
    AsHeard,

    /// <summary>Colour, centre, analyse, organise, travelled.</summary>
    British,

    /// <summary>Color, center, analyze, organize, traveled.</summary>
    American,
}

/// <summary>Writes words in British or American spelling (common practice, from memory). Words whose spelling depends on what they mean
/// (practice, programme, metre as an instrument, storey, draught, cheque, tyre) are left alone.</summary>
public static class SpellingVariants
{
    private static readonly string[] Our =
    [
        "arbo", "armo", "behavio", "cando", "clamo", "colo", "demeano", "endeavo", "enamo", "favo", "fervo", "flavo", "harbo", "hono", "humo",
        "labo", "neighbo", "odo", "parlo", "ranco", "rigo", "rumo", "savio", "savo", "splendo", "tumo", "valo", "vapo", "vigo",
    ];

    private static readonly string[] Ise =
    [
        "acid", "agon", "apolog", "author", "capital", "categor", "central", "character", "civil", "colon", "computer", "critic", "crystall",
        "digit", "emphas", "energ", "equal", "fertil", "final", "general", "global", "harmon", "hypothes", "ideal", "immun", "industrial",
        "initial", "ion", "legal", "local", "magnet", "maxim", "mechan", "memor", "mineral", "minim", "mobil", "modern", "moistur", "national", "neutral",
        "normal", "optim", "organ", "oxid", "penal", "polar", "popular", "prior", "public", "random", "real", "recogn", "reorgan", "social", "special",
        "stabil", "standard", "steril", "subsid", "summar", "symbol", "sympath", "synchron", "synthes", "theor", "util", "vapor", "visual", "vocal",
    ];

    private static readonly string[] Doubled =
    [
        "cancel", "channel", "counsel", "equal", "fuel", "label", "level", "marshal", "model", "panel", "pedal", "rival", "shovel", "signal", "spiral", "total", "travel", "tunnel",
    ];

    private static readonly (string British, string American)[] Pairs =
    [
        ("centre", "center"), ("centres", "centers"), ("centred", "centered"), ("centring", "centering"), ("fibre", "fiber"), ("fibres", "fibers"),
        ("litre", "liter"), ("litres", "liters"), ("millilitre", "milliliter"), ("millilitres", "milliliters"), ("metre", "meter"), ("metres", "meters"),
        ("centimetre", "centimeter"), ("centimetres", "centimeters"), ("millimetre", "millimeter"), ("millimetres", "millimeters"),
        ("kilometre", "kilometer"), ("kilometres", "kilometers"), ("theatre", "theater"), ("theatres", "theaters"), ("calibre", "caliber"),
        ("lustre", "luster"), ("meagre", "meager"), ("sombre", "somber"), ("spectre", "specter"), ("ochre", "ocher"), ("sabre", "saber"),
        ("analyse", "analyze"), ("analysed", "analyzed"), ("analysing", "analyzing"), ("catalyse", "catalyze"), ("catalysed", "catalyzed"),
        ("hydrolyse", "hydrolyze"), ("paralyse", "paralyze"), ("paralysed", "paralyzed"), ("catalogue", "catalog"), ("catalogues", "catalogs"),
        ("analogue", "analog"), ("defence", "defense"), ("defences", "defenses"), ("offence", "offense"), ("offences", "offenses"), ("pretence", "pretense"),
        ("grey", "gray"), ("greyer", "grayer"), ("greyish", "grayish"), ("plough", "plow"), ("ploughs", "plows"), ("ploughed", "plowed"), ("ploughing", "plowing"),
        ("mould", "mold"), ("moulds", "molds"), ("mouldy", "moldy"), ("moulded", "molded"), ("smoulder", "smolder"), ("sceptic", "skeptic"), ("sceptical", "skeptical"),
        ("aluminium", "aluminum"), ("sulphur", "sulfur"), ("sulphate", "sulfate"), ("sulphates", "sulfates"), ("sulphuric", "sulfuric"), ("sulphide", "sulfide"),
        ("anaesthetic", "anesthetic"), ("haemoglobin", "hemoglobin"), ("oestrogen", "estrogen"), ("foetus", "fetus"), ("paediatric", "pediatric"),
        ("oesophagus", "esophagus"), ("diarrhoea", "diarrhea"), ("encyclopaedia", "encyclopedia"), ("palaeolithic", "paleolithic"), ("manoeuvre", "maneuver"),
        ("manoeuvres", "maneuvers"), ("manoeuvred", "maneuvered"), ("manoeuvring", "maneuvering"), ("jewellery", "jewelry"), ("marvellous", "marvelous"),
        ("fulfil", "fulfill"), ("fulfils", "fulfills"), ("skilful", "skillful"), ("enrol", "enroll"), ("enrols", "enrolls"), ("instalment", "installment"),
        ("ageing", "aging"), ("judgement", "judgment"), ("acknowledgement", "acknowledgment"), ("kerb", "curb"), ("pyjamas", "pajamas"),
    ];

    private static readonly Dictionary<string, string> ToAmerican = Build();
    private static readonly Dictionary<string, string> ToBritish = ToAmerican.GroupBy(p => p.Value).ToDictionary(g => g.Key, g => g.First().Key);

    /// <summary>A written word in a spelling; its capitals and the punctuation around it stay.</summary>
    public static string Write(string word, Spelling spelling)
    {
        if (spelling == Spelling.AsHeard)
        {
            return word;
        }

        var table = spelling == Spelling.British ? ToBritish : ToAmerican;
        var start = 0;
        while (start < word.Length && !char.IsLetter(word[start]))
        {
            start++;
        }

        var end = start;
        while (end < word.Length && char.IsLetter(word[end]))
        {
            end++;
        }

        var bare = word[start..end];
        return bare.Length > 0 && table.TryGetValue(bare.ToLowerInvariant(), out var other) ? word[..start] + Cased(other, bare) + word[end..] : word;
    }

    private static string Cased(string word, string like) =>
        like.All(char.IsUpper) && like.Length > 1 ? word.ToUpperInvariant()
        : char.IsUpper(like[0]) ? char.ToUpperInvariant(word[0]) + word[1..]
        : word;

    private static Dictionary<string, string> Build()
    {
        var table = Pairs.ToDictionary(p => p.British, p => p.American);
        string[] afterOur = ["", "s", "ed", "ing", "able", "ful", "less", "hood", "ite", "ites", "al", "er", "ers", "y"];
        foreach (var (stem, ending) in Our.SelectMany(s => afterOur.Select(e => (s, e))))
        {
            table[$"{stem}ur{ending}"] = $"{stem}r{ending}";
        }

        string[] afterIse = ["e", "es", "ed", "ing", "er", "ers", "ation", "ations", "able"];
        foreach (var (stem, ending) in Ise.SelectMany(s => afterIse.Select(e => (s, e))))
        {
            table[$"{stem}is{ending}"] = $"{stem}iz{ending}";
        }

        string[] afterDoubled = ["ed", "ing", "er", "ers"];
        foreach (var (stem, ending) in Doubled.SelectMany(s => afterDoubled.Select(e => (s, e))))
        {
            table[$"{stem}l{ending}"] = $"{stem}{ending}";
        }

        return table;
    }
}
