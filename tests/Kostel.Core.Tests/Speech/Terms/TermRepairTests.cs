using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Terms;

namespace Kostel.Core.Tests.Speech.Terms;

public class TermRepairTests
{
    private const double Doubtful = 0.5;

    [Fact]
    public void A_term_that_the_model_finds_nearly_as_likely_takes_the_place_of_what_sounds_like_it() =>
        Assert.Equal("the wilting point is near.", Repaired("the wielding point is near.", "wilting point", wilting: 0.2));

    [Fact]
    public void A_term_that_the_model_does_not_believe_is_left_out() =>
        Assert.Equal("the wielding point is near.", Repaired("the wielding point is near.", "wilting point", wilting: 1e-9));

    [Fact]
    public void What_the_model_is_sure_of_is_not_doubted() =>
        Assert.Equal("the wielding point is near.", Repaired("the wielding point is near.", "wilting point", wilting: 0.9, written: 0.99));

    [Fact]
    public void The_capital_and_the_full_stop_of_what_is_replaced_are_kept() =>
        Assert.Equal("Wilting point.", Repaired("Wielding point.", "wilting point", wilting: 0.4));

    [Fact]
    public void Without_terms_the_text_is_the_same_object()
    {
        var words = new Words();
        var text = words.Text("the wielding point", Doubtful);
        Assert.Same(text, new TermRepair(new TermFinder([]), words.Encode, words.Decode).Repair(text, words));
    }

    [Fact]
    public void A_repaired_word_counts_as_fairly_sure()
    {
        var words = new Words { ["wilting"] = 0.2 };
        var text = words.Text("the wielding point is near.", Doubtful);
        var repaired = new TermRepair(new TermFinder([new("wilting point")]), words.Encode, words.Decode).Repair(text, words);
        Assert.Equal(repaired.Tokens.Count, repaired.Probabilities.Count);
        Assert.Equal(repaired.Tokens.Count, repaired.Beginnings.Count);
        Assert.True(repaired.Probabilities[1] >= 0.5);
    }

    [Fact]
    public void Several_terms_of_one_sentence_are_put_right_at_once()
    {
        var words = new Words { ["wilting"] = 0.4, ["loam."] = 0.4 };
        var text = words.Text("the wielding point of loom.", Doubtful);
        var repaired = new TermRepair(new TermFinder([new("wilting point"), new("loam")]), words.Encode, words.Decode).Repair(text, words);
        Assert.Equal("the wilting point of loam.", string.Join(' ', words.Decode(repaired.Tokens).Select(w => w.Text)));
        Assert.Equal(repaired.Tokens.Count, repaired.Beginnings.Count);
    }

    [Fact]
    public void Of_two_terms_that_sound_alike_the_model_chooses()
    {
        var words = new Words { ["varve"] = 0.01, ["verve"] = 0.4 };
        var text = words.Text("a valve here", Doubtful);
        var repaired = new TermRepair(new TermFinder([new("varve"), new("verve")]), words.Encode, words.Decode).Repair(text, words);
        Assert.Equal("a verve here", string.Join(' ', words.Decode(repaired.Tokens).Select(w => w.Text)));
    }

    [Fact]
    public void A_term_that_the_model_takes_for_a_name_is_heard_but_written_as_in_the_list()
    {
        var words = new Words { ["moulin"] = 1e-9, ["Moulin"] = 0.4 };
        var text = words.Text("the mulan closes", Doubtful);
        var repaired = new TermRepair(new TermFinder([new("moulin")]), words.Encode, words.Decode).Repair(text, words);
        Assert.Equal("the moulin closes", string.Join(' ', words.Decode(repaired.Tokens).Select(w => w.Text)));
    }

    [Theory]
    [InlineData(0.2, "the wilting point is near.")]
    [InlineData(1e-9, "the wielding point is near.")]
    public void What_was_noted_while_searching_leads_to_the_same_text_in_fewer_steps(double wilting, string expected)
    {
        (string Text, int Steps) Repaired(bool noted)
        {
            var words = new Words { ["wilting"] = wilting, ["Wilting"] = wilting };
            var repair = new TermRepair(new TermFinder([new("wilting point")]), words.Encode, words.Decode);
            var text = words.Text("the wielding point is near.", Doubtful);
            var before = words.Next;
            var repaired = repair.Repair(noted ? text with { Watched = words.Note(repair.Watched) } : text, words);
            Assert.True(repaired.Watched is null || repaired.Watched.Count == repaired.Tokens.Count);
            return (string.Join(' ', words.Decode(repaired.Tokens).Select(w => w.Text)), words.Next - before);
        }

        var (plain, noted) = (Repaired(false), Repaired(true));
        Assert.Equal(expected, plain.Text);
        Assert.Equal(expected, noted.Text);
        Assert.True(noted.Steps < plain.Steps);
    }

    private static string Repaired(string text, string term, double wilting, double written = Doubtful)
    {
        var words = new Words { ["wilting"] = wilting, ["Wilting"] = wilting };
        var found = new TermRepair(new TermFinder([new(term)]), words.Encode, words.Decode).Repair(words.Text(text, written), words);
        return string.Join(' ', words.Decode(found.Tokens).Select(w => w.Text));
    }

    /// <summary>
    /// An invented model whose tokens are words. At each place the word of the text is half likely, others as they were given,
    /// or hardly at all; and all that divided by their number.
    /// </summary>
    private sealed class Words : ITokenModel
    {
        private const double Hardly = 1e-9, AtTheEnd = 32;
        private readonly Dictionary<string, double> likelihoods = [];
        private readonly List<string> table = ["", "<start>", "<end>"];
        private readonly List<int> places = [];
        private List<int> said = [];
        private int first;

        public double this[string word]
        {
            set => likelihoods[word] = value;
        }

        private const int Vocabulary = 64;

        public int Next => places.Count;

        public List<int> Encode(string text) => text.Split(' ').Select(Number).ToList();

        public List<TokenWord> Decode(IReadOnlyList<int> tokens) => tokens.Select((t, i) => new TokenWord(table[t], i, i + 1)).ToList();

        public FoundText Text(string text, double probability)
        {
            var tokens = said = Encode(text);
            var begun = Extend(tokens.Select((_, i) => new Extension(Next + i - 1, i == 0 ? SearchOptions.StartToken : tokens[i - 1])).ToArray());
            return new FoundText(tokens, tokens.Select(_ => probability > Doubtful ? probability : probability / Vocabulary).ToList(), tokens.Select((_, i) => begun + i).ToList(), 0);
        }

        /// <summary>The log-probabilities of tokens at each place of the text.</summary>
        public List<float[]> Note(IReadOnlyList<int> watched) =>
            said.Select((_, place) => watched.Select(t => (float)Math.Log(Likely(t, place) / Vocabulary)).ToArray()).ToList();

        public int Extend(ReadOnlySpan<Extension> extensions)
        {
            first = Next;
            foreach (var extension in extensions)
            {
                places.Add(extension.Beginning < 0 ? 0 : places[extension.Beginning] + 1);
            }

            return first;
        }

        public ReadOnlySpan<float> Scores(int row)
        {
            // The rest of the probability lies on a token that no text uses.
            var scores = new float[Vocabulary];
            for (var t = 0; t < table.Count; t++)
            {
                scores[t] = (float)Math.Log(Likely(t, places[first + row]) / Vocabulary);
            }

            scores[^1] = (float)Math.Log(1 - scores.Take(table.Count).Sum(s => Math.Exp(s)));
            scores.AsSpan(table.Count, Vocabulary - table.Count - 1).Fill(-30);
            return scores;
        }

        private double Likely(int token, int place) =>
            place >= said.Count ? (token == SearchOptions.EndToken ? AtTheEnd : Hardly)
            : likelihoods.TryGetValue(table[token], out var given) ? given
            : token == said[place] ? Doubtful
            : Hardly;

        public ReadOnlySpan<float> Attention(int beginning) => [1];

        private int Number(string word)
        {
            if (!table.Contains(word))
            {
                table.Add(word);
            }

            return table.IndexOf(word);
        }
    }
}
