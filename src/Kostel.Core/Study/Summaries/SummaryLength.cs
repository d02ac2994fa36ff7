namespace Kostel.Core.Study.Summaries;

/// <summary>How long a summary is to be.</summary>
public enum SummaryLength
{
    /// <summary>One sentence.</summary>
    Line,

    /// <summary>A paragraph.</summary>
    Short,

    /// <summary>Half a page.</summary>
    Half,

    /// <summary>A page.</summary>
    Page,
}

/// <summary>The words of each length; common practice for a typed page, no source.</summary>
public static class SummaryLengths
{
    /// <summary>Words that are read in a minute by somebody who means to remember them (judgement; plain reading is faster).</summary>
    private const int WordsAMinute = 180;

    private const int PageWords = 400, HalfWords = 200, ShortWords = 80, LineWords = 30;

    /// <summary>So many words at most.</summary>
    public static int Words(SummaryLength length) => length switch
    {
        SummaryLength.Line => LineWords,
        SummaryLength.Short => ShortWords,
        SummaryLength.Half => HalfWords,
        _ => PageWords,
    };

    /// <summary>So many words are read in these minutes.</summary>
    public static int WordsToRead(int minutes) => minutes * WordsAMinute;
}
