using FsCheck.Xunit;
using Kostel.Core.Retrieval;

namespace Kostel.Core.Tests.Retrieval;

public sealed class ExcerptTests
{
    private static string Shown(Excerpt e)
    {
        var text = e.Text;
        foreach (var span in e.Spans.Reverse())
        {
            text = text[..span[0]] + "[" + text[span[0]..span[1]] + "]" + text[span[1]..];
        }

        return text;
    }

    [Fact]
    public void Words_and_phrases_are_set_off_whatever_their_accents() =>
        Assert.Equal("Das [Café] am [Rule of Twelfths], rule of thumb.", Shown(Excerpt.Of("Das Café am Rule of Twelfths, rule of thumb.", [["cafe"], ["rule", "of", "twelfths"]], 200)));

    [Fact]
    public void A_long_text_is_cut_to_where_most_is_found()
    {
        var text = string.Join(' ', Enumerable.Repeat("filler", 100)) + " the spring tide is large and the neap tide small " + string.Join(' ', Enumerable.Repeat("filler", 100));
        var excerpt = Excerpt.Of("tide " + text, [["tide"], ["spring"]], 120);
        Assert.Contains("[spring] [tide]", Shown(excerpt), StringComparison.Ordinal);
        Assert.InRange(excerpt.Text.Length, 60, 125);
        Assert.StartsWith("…", excerpt.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void A_text_without_a_hit_is_its_beginning() => Assert.Equal("Nothing of it here.", Shown(Excerpt.Of("Nothing of it here.", [["tide"]], 100)));

    [Property]
    public bool Any_text_is_cut_without_a_fault(string? text, FsCheck.PositiveInt most)
    {
        var e = Excerpt.Of(text ?? "", [["a"], ["b", "c"]], most.Get);
        return e.Spans.All(s => s[0] >= 0 && s[0] < s[1] && s[1] <= e.Text.Length);
    }
}
