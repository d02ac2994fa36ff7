using Kostel.Core.Retrieval;

namespace Kostel.Data.Search;

/// <summary>Plans of a search in the language of FTS5. Every word stands in quotation marks, so that none is taken for an operator.</summary>
internal static class MatchExpression
{
    /// <summary>Each term must be there.</summary>
    public static string Every(IEnumerable<PlannedTerm> terms) => string.Join(" AND ", terms.Select(One).Where(t => t.Length > 0));

    /// <summary>One of them must.</summary>
    public static string Any(IEnumerable<PlannedTerm> terms) => string.Join(" OR ", terms.Select(One).Where(t => t.Length > 0));

    private static string One(PlannedTerm term) => term.Alternatives.Count == 0 ? "" : $"({string.Join(" OR ", term.Alternatives.Select(a => $"\"{string.Join(' ', a)}\""))})";
}
