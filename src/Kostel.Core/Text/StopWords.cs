namespace Kostel.Core.Text;

/// <summary>Words that say nothing about a subject: articles, pronouns, auxiliaries, prepositions and what lecturers say in passing.</summary>
public static class StopWords
{
    private static readonly HashSet<string> Words = [.. """
        a about above after again against all almost already also although always am among an and another any anybody anyone anything
        are around as at away back be became because become becomes been before began begin beginning being below beside best better
        between both but by came can cannot come comes could did do does doing done down during each either else end enough even
        ever every everybody everyone everything far few find finally first for forget from gave get gets give given gives go goes
        going gone good got had half has have having he hello her here hers herself him himself his how however i if in indeed instead
        into is it its itself just keep kept know known last least less let like likely little long look made make makes making many may
        maybe me mean means might mine more most much must my myself near nearly need needs neither never new next no nobody none nor not
        nothing now of off often oh ok okay old on once one ones only onto or other others our ours ourselves out over own part people
        perhaps please put quite rather really remember said same saw say says second see seen she should show so some somebody someone
        something soon speak still stay such sure take taken takes talk tell than thank that the their theirs them themselves then there
        therefore these they thing things think third this those though three through thus to today together tomorrow tonight too took
        toward towards tried try turn two under until up upon us use used uses using usually very want was way we welcome well went
        were what whatever when where whether which while who whoever whole whom whose why will with within without word words would year
        years yes yet you your yours yourself yourselves don't doesn't isn't it's i'm i'll you'll we'll that's let's can't won't didn't
        let's there's what's you're we're they're i've we've you've couldn't wouldn't shouldn't um uh er
        """.Split([' ', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)];

    /// <summary>Whether a lower-case word is one of them.</summary>
    public static bool Contains(string word) => Words.Contains(word);
}
