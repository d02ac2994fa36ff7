namespace Kostel.Core.Text;

/// <summary>Forms of English verbs and nouns that follow no rule. Some of them are other kinds of word too ("left", "saw"): here they are taken for verbs.</summary>
public static class IrregularForms
{
    private static readonly string[][] Verbs = [.. """
        arise arose arisen, awake awoke awoken, bid bade bidden, beat beaten, become became, begin began begun, bend bent, bite bit bitten, bleed bled, blow blew blown,
        breed bred, break broke broken, bring brought, build built, burn burnt, buy bought, catch caught, choose chose chosen, come came, creep crept, deal dealt,
        dig dug, draw drew drawn, dream dreamt, drink drank drunk, drive drove driven, dwell dwelt, eat ate eaten, fall fell fallen, feed fed, feel felt, fight fought,
        flee fled, fly flew flown, forbid forbade forbidden, find found, forget forgot forgotten, forgive forgave forgiven, freeze froze frozen, get got gotten,
        give gave given, go went gone, grow grew grown, hang hung, hear heard, hide hid hidden, hold held, keep kept, kneel knelt, know knew known, lay laid, lead led,
        lean leant, leap leapt, learn learnt, leave left, lend lent, lie lay lain, light lit, lose lost, make made, mean meant, meet met, mow mown, pay paid,
        prove proved proven, put, quit, read, rid, ride rode ridden, ring rang rung, rise rose risen, run ran, say said, see saw seen, seek sought, sell sold, send sent,
        sew sewed sewn, shake shook shaken, shine shone, shoot shot, show showed shown, shrink shrank shrunk, shut, sing sang sung, sink sank sunk, sit sat, sleep slept,
        slide slid, speak spoke spoken, speed sped, spend spent, spin spun, spit spat, split, spoil spoilt, spring sprang sprung, stand stood, steal stole stolen,
        stick stuck, sting stung, stink stank, stride strode, strike struck, strive strove, swear swore sworn, sweep swept, swim swam swum, swing swung, take took taken,
        teach taught, tear tore torn, tell told, think thought, throw threw thrown, understand understood, upset, wake woke woken, wear wore worn, weave wove woven,
        weep wept, win won, wind wound, write wrote written, do did done, bear bore borne
        """.Split([',', '\n'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(v => v.Split(' '))];

    private const string Nouns = "foot feet, tooth teeth, mouse mice, goose geese, man men, woman women, child children, life lives, leaf leaves, half halves, shelf shelves, wolf wolves, knife knives, wife wives, ox oxen, die dice";

    private static readonly Dictionary<string, string> Bases = Verbs.Concat(Nouns.Split(", ").Select(n => n.Split(' ')))
        .SelectMany(v => v.Skip(1).Select(form => (form, v[0]))).DistinctBy(p => p.form).ToDictionary();

    private static readonly HashSet<string> Past = [.. Verbs.SelectMany(v => v.Length == 1 ? v : v.Skip(1))];

    private static readonly Dictionary<string, string> Pasts = Verbs.DistinctBy(v => v[0]).ToDictionary(v => v[0], v => v.ElementAtOrDefault(1) ?? v[0]);

    /// <summary>The past is as the present, and the word may as well be another kind: "cost", "set".</summary>
    private static readonly HashSet<string> Unchanged = ["cost", "cut", "hit", "hurt", "let", "set", "spread", "burst", "cast", "bet"];

    /// <summary>The past of a verb in the form in which a dictionary has it; null for one that is regular.</summary>
    public static string? PastOf(string verb) => Unchanged.Contains(verb) ? verb : Pasts.GetValueOrDefault(verb);

    /// <summary>Whether a word in small letters is the past form of a verb.</summary>
    public static bool IsPast(string word) => Past.Contains(word);

    /// <summary>The form in which a dictionary has it: "lose" for "lost", "foot" for "feet"; any other word as it is.</summary>
    public static string BaseOf(string word) => Bases.GetValueOrDefault(word, word);
}
