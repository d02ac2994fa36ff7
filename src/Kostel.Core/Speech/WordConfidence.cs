using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>How likely a written word is right, from what the recogniser thought of its tokens and of the word after it.</summary>
/// <remarks>
/// Logistic calibration: Platt (1999). Fitted on the demonstration's nine lectures in both settings; <c>./kostel bench speech
/// unsure</c> prints how it holds on other texts.
/// </remarks>
public static class WordConfidence
{
    /// <summary>Words below this are shown as doubtful: about one in seven, with most of the errors among them.</summary>
    public const double UnsureBelow = 0.8;

    /// <summary>Words below this are as likely wrong as right.</summary>
    public const double GuessedBelow = 0.5;

    /// <summary>A recording whose words are right less often than this on average is hardly English speech.</summary>
    public const double NonsenseBelow = 0.7;

    private const double Base = -0.18, OwnWeight = 0.76, NextWeight = 0.22;
    private const double Least = 0.003, Most = 0.997;

    /// <summary>Replaces the least token probability of each word by the chance that the word is right.</summary>
    public static IReadOnlyList<Word> Calibrate(IReadOnlyList<Word> words) =>
        words.Select((w, i) => w with { Confidence = Chance(w.Confidence, i + 1 < words.Count ? words[i + 1].Confidence : Most) }).ToList();

    /// <summary>The mean over words; 1 for none.</summary>
    public static double Mean(IEnumerable<Word> words) => words.Select(w => w.Confidence).DefaultIfEmpty(1).Average();

    private static double Chance(double own, double next) =>
        Math.Round(1 / (1 + Math.Exp(-(Base + (OwnWeight * LogOdds(own)) + (NextWeight * LogOdds(next))))), 3);

    private static double LogOdds(double probability)
    {
        var p = Math.Clamp(probability, Least, Most);
        return Math.Log(p / (1 - p));
    }
}
