namespace Kostel.Core.Text;

/// <summary>Past forms of English verbs that follow no rule. Some of them are other kinds of word too ("left", "saw"): here they are taken for verbs.</summary>
public static class IrregularVerbs
{
    private static readonly HashSet<string> Past = [.. """
        arose awoke ate bade beat became began bent bit blew bred broke brought built burnt bought caught chose came crept dealt dug drew dreamt drank drove dwelt fell fed
        felt fought fled flew forbade forgot forgave froze gave went grew hung heard hid held kept knelt knew laid led leant leapt learnt left lent lay lit lost made meant met
        mown paid proved put quit read rid rode rang rose ran said saw sought sold sent sewed shook shone shot showed shrank shut sang sank sat slept slid spoke sped spent
        spun spat split spoilt sprang stood stole stuck stung stank strode struck strove swore swept swam swung took taught tore told thought threw understood upset woke wore
        wove wept won wound wrote been begun bitten blown broken chosen done drawn drunk driven eaten fallen flown forgiven forgotten frozen given gone grown hidden known lain
        ridden rung risen seen shaken shrunk sung sunk spoken stolen struck sworn swum taken torn thrown woken worn woven written
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];

    /// <summary>Whether a word in small letters is one.</summary>
    public static bool IsPast(string word) => Past.Contains(word);
}
