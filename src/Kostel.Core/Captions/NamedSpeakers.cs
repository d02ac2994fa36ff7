using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>Speakers as a file knows them: by their names alone.</summary>
internal static class NamedSpeakers
{
    /// <summary>A speaker for each different name, in the order in which they come; the empty name is a voice without one.</summary>
    public static Dictionary<string, Speaker> Of(IEnumerable<string?> names) => names.Select(n => n ?? "").Distinct()
        .Select((name, i) => (Name: name, Voice: Speaker.Unnamed(i + 1)))
        .ToDictionary(p => p.Name, p => p.Name.Length == 0 ? p.Voice : p.Voice with { Name = p.Name });
}
