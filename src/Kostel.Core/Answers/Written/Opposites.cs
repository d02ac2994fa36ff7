using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>Words that mean the contrary of each other. A list of common practice, no source.</summary>
internal static class Opposites
{
    private const string Pairs = """
        open closed shut|high low|higher lower|more less fewer|most least|many few|rise fall sink drop descend|up down|before after|increase decrease reduce|grow shrink|big small|large small|
        long short|longer shorter|warm cold cool|hot cold|warmer colder cooler|hotter colder|wet dry|hard soft|heavy light|heavier lighter|strong weak|stronger weaker|fast slow|faster slower|quick slow|quickly slowly|
        early late|earlier later|first last|above below under|inside outside|inner outer|left right|north south|east west|summer winter|spring autumn|day night|morning evening|begin end stop finish|
        start end stop finish|win lose|gain lose|keep lose|push pull|attract repel|add remove subtract|give take|take leave|buy sell|borrow lend|male female|old new young|older younger newer|rich poor|cheap expensive|
        cheaper dearer|thick thin|thicker thinner|wide narrow|wider narrower|deep shallow|deeper shallower|near far|nearer farther|bright dark|loud quiet|safe dangerous|harmless dangerous|good bad|better worse|
        best worst|right wrong|true false|easy difficult hard|easier harder|full empty|maximum minimum|minimum maximum|upper lower|top bottom|front back|forward backward|inward outward|expand contract|melt freeze|
        evaporate condense|acid alkaline|acidic alkaline|positive negative|odd even|alive dead|live die|asleep awake|wake sleep|same different|equal unequal|always never|everywhere nowhere|everybody nobody|
        ascend descend|arrive leave|enter leave|ebb flood|inhale exhale|allow forbid prevent|permitted forbidden|allowed forbidden|accept refuse reject|succeed fail|include exclude|tighten loosen|clockwise anticlockwise|
        sharp blunt|smooth rough|clean dirty|sweet bitter sour|public private|import export|rare common|rarely often|seldom often|rich lean|tall short|taller shorter|lengthen shorten|speed slow|raise lower|
        strongest weakest|largest smallest|biggest smallest|fastest slowest|highest lowest|longest shortest|oldest newest youngest|hottest coldest|warmest coldest|heaviest lightest|deepest shallowest|earliest latest|
        thickest thinnest|richest poorest|easiest hardest|expand shrink|swell shrink|larger smaller|bigger smaller|cover uncover|appear disappear|protect endanger harm|help hinder|improve worsen|strengthen weaken|dense sparse|regular irregular|possible impossible|visible invisible|stable unstable|direct indirect
        """;

    private static readonly Dictionary<string, HashSet<string>> ByStem = Read();

    /// <summary>Whether one is the contrary of the other.</summary>
    public static bool Are(string stem, string other) => ByStem.TryGetValue(stem, out var contrary) && contrary.Contains(other);

    private static Dictionary<string, HashSet<string>> Read()
    {
        var all = new Dictionary<string, HashSet<string>>();
        foreach (var pair in Pairs.ReplaceLineEndings("").Split('|', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var words = pair.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Stem).ToList();
            foreach (var other in words.Skip(1).Where(o => o != words[0]))
            {
                Add(words[0], other);
                Add(other, words[0]);
            }
        }

        return all;

        void Add(string one, string other)
        {
            if (!all.TryGetValue(one, out var set))
            {
                all[one] = set = [];
            }

            set.Add(other);
        }
    }

    /// <summary>By which words are known here.</summary>
    public static string Stem(string word) => Tokens.Stem(IrregularForms.BaseOf(word));
}
