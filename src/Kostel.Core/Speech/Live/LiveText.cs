using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Live;

/// <summary>What is known of running speech at a moment.</summary>
/// <param name="Final">Words that have become certain since the last time; they come once and do not change any more.</param>
/// <param name="Tentative">What was said after them, as far as it is understood; takes the place of what was tentative before.</param>
/// <param name="HeardMs">How far the sound was listened to.</param>
public sealed record LiveText(IReadOnlyList<Word> Final, IReadOnlyList<Word> Tentative, int HeardMs);

/// <summary>When words are written, and when they stand.</summary>
/// <param name="StepMs">So much new sound is worth another look.</param>
/// <param name="HoldMs">A word stands when two looks agree on it and so much was heard after it.</param>
/// <param name="PauseMs">At a pause this long everything before it stands.</param>
/// <param name="RestMs">After a silence this long what comes next is looked at by itself.</param>
/// <param name="LongMs">Without a pause for so long, the beginning is let go of where words lie furthest apart.</param>
/// <param name="LongestMs">What is still not certain after this stands as it is.</param>
/// <param name="StallMs">When no sound arrives for so long (by the clock on the wall) it is taken for a pause.</param>
/// <param name="PadMs">Sound kept before speech.</param>
/// <param name="Waiting">Pieces of sound that may wait while something is recognised; after that the stream has to.</param>
public sealed record LiveOptions(
    int StepMs = 500,
    int HoldMs = 900,
    int PauseMs = 480,
    int RestMs = 800,
    int LongMs = 12_000,
    int LongestMs = 24_000,
    int StallMs = 1_500,
    int PadMs = 300,
    int Waiting = 600);
