namespace Kostel.Core.Review;

/// <summary>How well a card was recalled, on one scale from nothing to at once.</summary>
public enum RecallGrade
{
    /// <summary>Not recalled.</summary>
    Forgot = 1,

    /// <summary>Recalled with much effort.</summary>
    HardWon = 2,

    /// <summary>Recalled.</summary>
    Recalled = 3,

    /// <summary>Recalled at once.</summary>
    AtOnce = 4,
}

/// <summary>What is known of the memory of a card.</summary>
/// <param name="Stability">Days after which recall has fallen to 90 %.</param>
/// <param name="Difficulty">From 1 (easy) to 10.</param>
public readonly record struct Memory(double Stability, double Difficulty);

/// <summary>The published review schedule FSRS, version 6, with its default weights.</summary>
/// <remarks>Free Spaced Repetition Scheduler, version 6: open algorithm; checked against the npm package ts-fsrs 5.4.</remarks>
public static class Fsrs
{
    /// <summary>The recall that a review is planned for.</summary>
    public const double WantedRecall = 0.9;

    private const int LongestDays = 36_500;
    private const double LeastStability = 0.001;

    private static readonly double[] W =
    [
        0.212, 1.2931, 2.3065, 8.2956, 6.4133, 0.8334, 3.0194, 0.001, 1.8722, 0.1666, 0.796,
        1.4835, 0.0614, 0.2629, 1.6483, 0.6014, 1.8729, 0.5425, 0.0912, 0.0658, 0.1542,
    ];

    private static readonly double Decay = -W[20];
    private static readonly double Factor = Round(Math.Exp(Math.Log(0.9) / Decay) - 1);

    /// <summary>The probability that a card is recalled (0 to 1) after some days without a review.</summary>
    public static double Recall(double days, double stability) => Round(Math.Pow(1 + (Factor * days / stability), Decay));

    /// <summary>Whole days until recall has fallen to <see cref="WantedRecall"/>.</summary>
    public static int IntervalDays(double stability)
    {
        var modifier = Round((Math.Pow(WantedRecall, 1 / Decay) - 1) / Factor);
        return (int)Math.Clamp(Math.Round(stability * modifier, MidpointRounding.AwayFromZero), 1, LongestDays);
    }

    /// <summary>The memory after the first review.</summary>
    public static Memory First(RecallGrade grade) =>
        new(Round(Math.Max(W[(int)grade - 1], 0.1)), Round(Math.Clamp(InitialDifficulty(grade), 1, 10)));

    /// <summary>The memory after a further review.</summary>
    /// <param name="before">The memory that the last review left.</param>
    /// <param name="days">Days since the last review; less than one is a review on the same day.</param>
    public static Memory Next(Memory before, int days, RecallGrade grade)
    {
        var difficulty = NextDifficulty(before.Difficulty, grade);
        if (days == 0)
        {
            return new Memory(SameDay(before.Stability, grade), difficulty);
        }

        var recall = Recall(days, before.Stability);
        var stability = grade == RecallGrade.Forgot
            ? AfterForgetting(before, recall)
            : AfterRecall(before, recall, grade);
        return new Memory(stability, difficulty);
    }

    private static double InitialDifficulty(RecallGrade grade) => W[4] - Math.Exp(((int)grade - 1) * W[5]) + 1;

    private static double NextDifficulty(double difficulty, RecallGrade grade)
    {
        var change = -W[6] * ((int)grade - 3);
        var damped = difficulty + Round(change * (10 - difficulty) / 9);
        return Round(Math.Clamp(Round((W[7] * InitialDifficulty(RecallGrade.AtOnce)) + ((1 - W[7]) * damped)), 1, 10));
    }

    private static double AfterRecall(Memory m, double recall, RecallGrade grade)
    {
        var hard = grade == RecallGrade.HardWon ? W[15] : 1;
        var easy = grade == RecallGrade.AtOnce ? W[16] : 1;
        return Round(Math.Clamp(
            m.Stability * (1 + (Math.Exp(W[8]) * (11 - m.Difficulty) * Math.Pow(m.Stability, -W[9])
                * (Math.Exp((1 - recall) * W[10]) - 1) * hard * easy)),
            LeastStability,
            LongestDays));
    }

    private static double AfterForgetting(Memory m, double recall)
    {
        var forgotten = Round(Math.Clamp(
            W[11] * Math.Pow(m.Difficulty, -W[12]) * (Math.Pow(m.Stability + 1, W[13]) - 1) * Math.Exp((1 - recall) * W[14]),
            LeastStability,
            LongestDays));
        var most = m.Stability / Math.Exp(W[17] * W[18]);
        return Round(Math.Clamp(Round(most), LeastStability, forgotten));
    }

    private static double SameDay(double stability, RecallGrade grade)
    {
        var growth = Math.Pow(stability, -W[19]) * Math.Exp(W[17] * ((int)grade - 3 + W[18]));
        var kept = grade >= RecallGrade.HardWon ? Math.Max(1, growth) : growth;
        return Round(Math.Clamp(stability * kept, LeastStability, LongestDays));
    }

    /// <summary>Eight decimals, as the reference keeps.</summary>
    private static double Round(double value) => Math.Round(value, 8, MidpointRounding.AwayFromZero);
}
