using Kostel.Core.Speech.Numbers;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Languages;

/// <summary>How what was said is put on paper: numbers and measures in figures, where the language's rules are known.</summary>
public static class WrittenForms
{
    /// <summary>What is done to the words of an utterance, or null for nothing.</summary>
    public static Func<IReadOnlyList<Word>, IReadOnlyList<Word>>? Of(string language) => language == SpokenLanguages.English ? WrittenNumbers.Of : null;
}
