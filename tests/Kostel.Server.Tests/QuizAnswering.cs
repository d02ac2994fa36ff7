using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Answers to the questions of a quiz, of whatever kind.</summary>
internal static class QuizAnswering
{
    /// <summary>An answer that the question takes: the first choice, everything as it stands, a word.</summary>
    public static object Some(JsonNode? question) => (string)question!["kind"]! switch
    {
        "choice" or "several" => new { chosen = new[] { 0 }, text = (string?)null },
        "order" or "match" => new { chosen = Enumerable.Range(0, question["shown"]!.AsArray().Count).ToArray(), text = (string?)null },
        _ => new { chosen = Array.Empty<int>(), text = (string?)"water" },
    };
}
