namespace Kostel.Core.Chapters;

/// <summary>
/// Texts that stand one behind the other (pieces of news, recordings that were joined). Their parts have hardly a word in common, and then the words alone tell where one ends; in a lecture,
/// which comes back to its own, they tell little.
/// </summary>
internal static class JoinedTexts
{
    /// <summary>What it costs when a part is e times as long or as short as expected, and each part, in nats; beside what words say in full.</summary>
    private const double PerLength = 12, PerLengthAsked = 8, PerPart = 6, AtAnEdge = 0.4;

    /// <summary>What is heard says less beside the words than in a lecture's weights, in their measure.</summary>
    public const double Heard = 7;

    /// <summary>So much likelier must short parts be than one, for each unit, in nats: 8.5 to 14 in 40 texts joined of 3 to 11 sentences, 0.8 to 3.9 in 76 lectures.</summary>
    private const double Apart = 6;

    private const int LongestTried = 15, FewestUnits = 10;
    private const double UsualTried = 7, PerTried = 3;

    /// <summary>Whether a text is joined of several.</summary>
    public static bool Are(TopicSegmentation topics)
    {
        if (topics.Count < FewestUnits)
        {
            return false;
        }

        var starts = topics.Divide(new SegmentationEvidence(_ => 0, (from, to) => PerTried * (1 + Math.Abs(Math.Log((to - from) / UsualTried))), (from, to) => to - from > LongestTried));
        var apart = starts.Zip(starts.Skip(1).Append(topics.Count), topics.Gain).Sum() - topics.Gain(0, topics.Count);
        return apart > Apart * topics.Count;
    }

    /// <summary>What a part costs for its length.</summary>
    public static double Length(double length, double expected, bool isEdge, bool isAsked)
    {
        var off = Math.Log(Math.Max(1, length) / expected);
        return (isAsked ? 0 : PerPart) + ((isAsked ? PerLengthAsked : PerLength) * (isEdge && off < 0 ? AtAnEdge : 1) * Math.Abs(off));
    }
}
