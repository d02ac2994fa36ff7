using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>How many, or how often, as words say it.</summary>
internal enum Strength
{
    All,
    Most,
    Some,
    Few,
    None,
}

/// <summary>Words of how many or how often; another strength than is said is another statement.</summary>
internal static class Strengths
{
    private static readonly Dictionary<string, Strength> ByWord = Read();

    /// <summary>Whether it is such a word.</summary>
    public static bool Names(string word) => ByWord.ContainsKey(word);

    /// <summary>Those that stand in a text.</summary>
    public static HashSet<Strength> Of(string text)
    {
        var words = Tokens.Of(text);
        var found = new HashSet<Strength>();
        for (var i = 0; i < words.Count; i++)
        {
            if (!ByWord.TryGetValue(words[i], out var strength))
            {
                continue;
            }

            var (before, next) = (i > 0 ? words[i - 1] : "", i + 1 < words.Count ? words[i + 1] : "");
            var isRate = words[i] is "every" or "each" && Units.IsCounted(next);
            var isDegree = words[i] is "most" && (before is "the" or "at" || next.EndsWith("ly", StringComparison.Ordinal));
            if (isRate || isDegree || (words[i] == "all" && before is "at" or "not"))
            {
                continue;
            }

            found.Add(strength == Strength.None && before is "almost" or "nearly" or "hardly" ? Strength.Few : strength);
        }

        return found;
    }

    /// <summary>Whether one text says of how many or how often what the other does not.</summary>
    public static bool Differ(string sentence, IEnumerable<string> there)
    {
        var own = Of(sentence);
        var nearest = there.SelectMany(t => Tokens.Of(t).Contains("any") ? Of(t).Append(Strength.All) : Of(t)).ToHashSet();
        var isStrong = own.Overlaps([Strength.All, Strength.None]);
        if (isStrong && !nearest.Overlaps([Strength.All, Strength.None]))
        {
            return true;
        }

        own.ExceptWith([Strength.All, Strength.None]);
        return own.Count > 0 && nearest.Count > 0 && !own.Overlaps(nearest) && !(own.Contains(Strength.Most) && nearest.Contains(Strength.Some));
    }

    private static Dictionary<string, Strength> Read()
    {
        var all = new Dictionary<string, Strength>();
        Add(Strength.All, "all every each always everybody everyone everything everywhere entirely completely exclusively forever ever");
        Add(Strength.Most, "most mostly usually majority normally generally mainly largely typically");
        Add(Strength.Some, "some sometimes several often frequently many occasionally");
        Add(Strength.Few, "few rarely seldom hardly minority scarcely");
        Add(Strength.None, "never none nobody nowhere nothing");
        return all;

        void Add(Strength strength, string words)
        {
            foreach (var word in words.Split(' '))
            {
                all[word] = strength;
            }
        }
    }
}
