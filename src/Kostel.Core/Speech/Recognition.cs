using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>What a recogniser makes of one utterance: words with times relative to the utterance's first sample.</summary>
public sealed record Recognition(IReadOnlyList<Word> Words)
{
    /// <summary>No words.</summary>
    public static readonly Recognition Nothing = new([]);
}

/// <summary>Turns the sound of one utterance into words. Safe to call from several threads.</summary>
public interface IRecogniser
{
    /// <summary>Recognises up to about half a minute of 16 kHz mono sound.</summary>
    Recognition Recognise(ReadOnlyMemory<float> samples, CancellationToken cancel);
}

/// <summary>An utterance that was recognised, at its place in the recording.</summary>
/// <param name="Index">Its number, from 0, without gaps.</param>
/// <param name="StartSample">Where its sound starts.</param>
/// <param name="EndSample">Where its sound ends (exclusive); recognition can go on from here.</param>
/// <param name="Words">Times are milliseconds from the start of the recording.</param>
public sealed record Utterance(int Index, long StartSample, long EndSample, IReadOnlyList<Word> Words);

/// <summary>A piece written by the recogniser, before its pieces are joined to words.</summary>
/// <param name="Text">As in the token table; a leading '▁' starts a new word.</param>
/// <param name="Probability">Of this piece given those before (0 to 1).</param>
public sealed record TokenPiece(string Text, double Probability);
