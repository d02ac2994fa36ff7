using System.Text.RegularExpressions;

namespace Kostel.Core.Chapters;

/// <summary>What lecturers say when they turn to something else, and what shows that they go on with the same.</summary>
/// <remarks>Discourse markers as evidence of a boundary: R. Passonneau and D. Litman, "Discourse segmentation by human and automated means", 1997; the lists are common practice, no source.</remarks>
public static partial class TurningPhrases
{
    private const double Announces = 18, Turns = 9, GoesOn = -9, Closes = 12;

    /// <summary>How much speaks for a new chapter between two sentences, in nats; negative against it.</summary>
    public static double Between(string before, string after)
    {
        var first = after.TrimStart('"', '“', '‘', '(', ' ');
        var opening = Announcement().IsMatch(first) ? Announces : Turn().IsMatch(first) ? Turns : Continuation().IsMatch(first) ? GoesOn : 0;
        return opening + (Closing().IsMatch(before) ? Closes : 0);
    }

    /// <summary>Whether a sentence says what comes now.</summary>
    public static bool IsAnnouncement(string sentence) => Announcement().IsMatch(sentence.TrimStart('"', '“', '‘', '(', ' '));

    [GeneratedRegex(
        """
        ^(?:(?:and|so|now|okay|ok|right|well|alright|good|but|then|anyway)[\s,.:]+){0,3}
        (?:
          let(?:'s|\ us|\ me)\ (?:now\ |then\ |just\ )?(?:turn|move|go\ on|come|talk|speak|look\ at|start|begin|go\ back|get\ to|say\ something|take\ up|see\ how|think\ about)
        | (?:i|we)(?:'ll|\ will|\ want\ to|'d\ like\ to|\ would\ like\ to|\ have\ to|\ need\ to)?\ (?:now\ |next\ )?(?:turn|come|move\ on|go\ on)\ to\b
        | (?:next|finally|lastly|secondly|thirdly|fourthly)\b
        | (?:to\ sum\ up|to\ summari[sz]e|in\ summary|in\ conclusion|to\ conclude|to\ finish|to\ close|to\ end)\b
        | (?:moving|turning|coming|going)\ (?:on|to|now|back)\b
        | (?:the|my|our|a|one)\ (?:next|second|third|fourth|fifth|last|final|other)\ (?:thing|point|question|topic|subject|part|step|reason|kind|sort|type|example|idea|problem|piece|matter|section|chapter|half|group)\b
        | (?:this|that|which)\ (?:brings|takes|leads)\ (?:me|us)\ (?:on\ )?(?:to|back)\b
        | (?:another|a\ different)\ (?:thing|question|topic|subject|matter|point|problem)\b
        | (?:what|how)\ about\b
        | before\ (?:we|i|you)\ (?:stop|finish|end|close|leave|break|go)\b
        | for\ (?:next\ (?:time|week)|homework)\b
        | (?:now|on|over|back)\ to\ (?:the|our|my|a)\b
        | a\ word\ (?:about|on)\b
        | so\ much\ for\b
        )
        | ^(?:(?:yeah|so|now|okay|ok|right|well|alright|and|then)[,.]?\ )+(?:\p{L}+[ ,.!?]*){1,3}$
        """,
        RegexOptions.IgnoreCase | RegexOptions.IgnorePatternWhitespace | RegexOptions.CultureInvariant,
        1000)]
    private static partial Regex Announcement();

    [GeneratedRegex(@"^(?:now|okay|ok|right|alright|anyway|well then|so,? (?:what|how|why|when|where|who)|what|how|why|suppose|imagine|first|in the (?:first|second|last) (?:place|part)|(?:and |so |then )*(?:by|from|until|in) (?:early |late )?(?:spring|summer|autumn|winter|january|february|march|april|may|june|july|august|september|october|november|december|the (?:end|evening|morning)|\d{4}))\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Turn();

    [GeneratedRegex(@"^(?:this|that|these|those|it|its|they|their|them|he|she|his|her|and|but|because|which|then|for (?:example|instance)|also|in (?:other words|fact|that case)|such|both|either|yes|no|or|so (?:it|they|he|she|that|this|the)|therefore|hence|however|otherwise|similarly|likewise|that's|it's|there)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Continuation();

    [GeneratedRegex(@"(?:any (?:more )?questions|so much for|that(?:'s| is| was) (?:all|it|enough|everything)(?: (?:about|for|on|of)\b|[.!]*$)|clear so far|is that clear|all right\?|with me so far)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Closing();
}
