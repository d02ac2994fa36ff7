namespace Kostel.Core.Chapters.Titles;

/// <summary>A phrase that names something, as it stands in a chapter.</summary>
/// <param name="Text">As it was said.</param>
/// <param name="Content">The stems of its words that say something, in order.</param>
/// <param name="Sentence">Where it stands, counted in the chapter from 0.</param>
/// <param name="Form">What kind of phrase it is.</param>
/// <param name="IsAnnounced">A sentence says that this comes now.</param>
/// <param name="IsDefined">A sentence says what it is.</param>
internal sealed record NamingPhrase(string Text, IReadOnlyList<string> Content, int Sentence, PhraseForm Form = PhraseForm.Thing, bool IsAnnounced = false, bool IsDefined = false);

/// <summary>What kind of phrase a title is.</summary>
internal enum PhraseForm
{
    /// <summary>"Innocent passage".</summary>
    Thing,

    /// <summary>"The edge of the wall".</summary>
    ThingOf,

    /// <summary>"Lime and sand", as they were said together.</summary>
    Pair,

    /// <summary>"Cutting the curd".</summary>
    Doing,

    /// <summary>"The queen starts laying".</summary>
    Statement,

    /// <summary>"Why the stars twinkle".</summary>
    Asked,

    /// <summary>What a question asks: "How they find their way about".</summary>
    Question,

    /// <summary>A short clause as it was said: "They eat in the air".</summary>
    Said,

    /// <summary>"Where most of the flavour comes from", of "that's where …".</summary>
    Explained,

    /// <summary>"Full of gas", of "it's full of gas".</summary>
    Predicate,

    /// <summary>"Turning point", of "that's called the turning point".</summary>
    Named,

    /// <summary>Two things with "and" between them.</summary>
    Joined,
}
