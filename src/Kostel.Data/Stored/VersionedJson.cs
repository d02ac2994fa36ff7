using System.Globalization;
using System.Text.Json;

namespace Kostel.Data.Stored;

/// <summary>
/// Immutable values in a column, as JSON that says of which form it is: <c>{"v":1,"is":…}</c>. What says nothing is of form 0, from
/// before there were any. Reading is tolerant: members that are not known are passed over, those that are missing take their default.
/// </summary>
public static class VersionedJson
{
    /// <summary>The present form of every value.</summary>
    public const int Present = 1;

    private const string Opening = "{\"v\":", Content = ",\"is\":";

    /// <summary>Writes a value in the present form.</summary>
    public static string Write<T>(T value) => $"{Opening}{Present}{Content}{JsonSerializer.Serialize(value, JsonSerializerOptions.Web)}}}";

    /// <summary>Reads a value of any form up to the present one.</summary>
    /// <exception cref="InvalidDataException">It is of a form that a newer Kostel writes.</exception>
    /// <exception cref="JsonException">It is no such value.</exception>
    public static T Read<T>(string json)
    {
        var (form, content) = Split(json);
        return form > Present
            ? throw new InvalidDataException($"A stored {typeof(T).Name} is of form {form}, which a newer Kostel wrote. This one reads up to {Present}.")
            : JsonSerializer.Deserialize<T>(content.Span, JsonSerializerOptions.Web)!;
    }

    private static (int Form, ReadOnlyMemory<char> Content) Split(string json)
    {
        var at = json.IndexOf(Content, StringComparison.Ordinal);
        return json.StartsWith(Opening, StringComparison.Ordinal) && at > 0
            && int.TryParse(json.AsSpan(Opening.Length, at - Opening.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var form)
            ? (form, json.AsMemory(at + Content.Length, json.Length - at - Content.Length - 1))
            : (0, json.AsMemory());
    }
}
