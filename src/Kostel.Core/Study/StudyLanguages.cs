using Kostel.Core.Speech.Languages;

namespace Kostel.Core.Study;

/// <summary>The languages whose sentences are understood well enough to make cards and quizzes of them.</summary>
public static class StudyLanguages
{
    /// <summary>Whether cards and quizzes are made of a language.</summary>
    public static bool MakesCards(string language) => language is SpokenLanguages.English or SpokenLanguages.Spanish;

    /// <summary>Whether it is Spanish, of which only some forms are asked about.</summary>
    public static bool IsSpanish(string language) => language == SpokenLanguages.Spanish;
}
