using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Chapters;

/// <summary>What a sentence does at its beginning.</summary>
internal enum Turning
{
    /// <summary>Nothing of this.</summary>
    None,

    /// <summary>It says that something else comes.</summary>
    Announces,

    /// <summary>It may turn to something else.</summary>
    Turns,

    /// <summary>It goes on with the same.</summary>
    GoesOn,
}

/// <summary>What lecturers say when they turn to something else, and what shows that they go on with the same.</summary>
/// <remarks>Discourse markers as evidence of a boundary: R. Passonneau and D. Litman, "Discourse segmentation by human and automated means", 1997; the lists are common practice, no source.</remarks>
internal static partial class TurningPhrases
{
    /// <summary>What the beginning of a sentence shows.</summary>
    public static Turning Opening(string text)
    {
        var first = text.TrimStart('"', '“', '‘', '(', ' ');
        return Announcement().IsMatch(first) ? Turning.Announces : Turn().IsMatch(first) ? Turning.Turns : Continuation().IsMatch(first) ? Turning.GoesOn : Turning.None;
    }

    /// <summary>Whether a sentence closes what was spoken of.</summary>
    public static bool Closes(string text) => Closing().IsMatch(text);

    private const string Marker = @"(?:and|so|now|okay|ok|right|well|alright|good|but|then|anyway|yeah)";
    private const string Markers = "^(?:" + Marker + @"[\s,.:]+){0,3}";
    private const string Verbs = "turn|move|go on|come|talk|speak|look at|start|begin|go back|get to|say something|take up|see how|think about";
    private const string LetUs = "let(?:'s| us| me) (?:now |then |just )?(?:" + Verbs + ")";
    private const string WillTurn = "(?:i|we)(?:'ll| will| want to| have to| need to)? (?:now |next )?(?:turn|come|move on|go on) to";
    private const string Order = "(?:next|second|third|fourth|fifth|last|final|other)";
    private const string Part = "(?:thing|point|question|topic|subject|part|step|reason|kind|sort|type|example|idea|problem|piece|matter|section|chapter|half|group)";
    private const string NextPart = "(?:the|my|our|a|one) " + Order + " " + Part;
    private const string Otherwise = "(?:another|a different) (?:thing|question|topic|subject|matter|point|problem)";
    private const string InOrder = "next|finally|lastly|secondly|thirdly|fourthly";
    private const string Summing = "to sum up|to summari[sz]e|in summary|in conclusion|to conclude|to finish|to close|to end";
    private const string Moving = "(?:moving|turning|coming|going) (?:on|to|now|back)|(?:this|that|which) (?:brings|takes|leads) (?:me|us)";
    private const string Stopping = @"before (?:we|i|you) (?:stop|finish|end|close|leave|break|go)|for (?:next (?:time|week)|homework)";
    private const string To = "(?:now|on|over|back) to (?:the|our|my|a)|a word (?:about|on)|(?:what|how) about|so much for";
    private const string Announcing = $@"{Markers}(?:{LetUs}|{WillTurn}|{NextPart}|{Otherwise}|{InOrder}|{Summing}|{Moving}|{Stopping}|{To})\b";

    /// <summary>"Yeah, so, honey."</summary>
    private const string Naming = "^(?:" + Marker + @"[,.]? )+(?:\p{L}+[ ,.!?]*){1,3}$";

    private const string Times = "spring|summer|autumn|winter|the (?:end|evening|morning)|\\d{4}|" + CalendarWords.MonthNames;
    private const string InTime = "(?:and |so |then )*(?:by|from|until|in) (?:early |late )?(?:" + Times + ")";
    private const string Asking = "so,? (?:what|how|why|when|where|who)|what|how|why|suppose|imagine";
    private const string TurningForm = $@"^(?:now|okay|ok|right|alright|anyway|well then|{Asking}|first|in the (?:first|second|last) (?:place|part)|{InTime})\b";

    private const string Pointing = "this|that|these|those|it|its|they|their|them|he|she|his|her|which|such|both|either|that's|it's|there";
    private const string Joining = "and|but|because|then|for (?:example|instance)|also|in (?:other words|fact|that case)|yes|no|or";
    private const string Concluding = "so (?:it|they|he|she|that|this|the)|therefore|hence|however|otherwise|similarly|likewise";
    private const string GoingOn = $@"^(?:{Pointing}|{Joining}|{Concluding})\b";

    private const string ThatWasAll = @"that(?:'s| is| was) (?:all|it|enough|everything)(?: (?:about|for|on|of)\b|[.!]*$)";
    private const string Done = $@"(?:any (?:more )?questions|so much for|{ThatWasAll}|clear so far|is that clear|all right\?|with me so far)";

    [GeneratedRegex($"(?:{Announcing}|{Naming})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Announcement();

    [GeneratedRegex(TurningForm, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Turn();

    [GeneratedRegex(GoingOn, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Continuation();

    [GeneratedRegex(Done, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Closing();
}
