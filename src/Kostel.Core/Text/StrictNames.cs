using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kostel.Core.Text;

/// <summary>Choices are written as one of their names in camel case, and nothing else is read: no number, no list of names, no other case.</summary>
/// <remarks>The framework's own converter reads "key,exam" as the choice whose number the two make together.</remarks>
public sealed class StrictNames : JsonConverterFactory
{
    /// <inheritdoc/>
    public override bool CanConvert(Type typeToConvert) => typeToConvert.IsEnum;

    /// <inheritdoc/>
    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(OfOne<>).MakeGenericType(typeToConvert))!;

    /// <summary>How a choice's name is written.</summary>
    public static string Name(string name) => JsonNamingPolicy.CamelCase.ConvertName(name);

    private sealed class OfOne<T> : JsonConverter<T>
        where T : struct, Enum
    {
        private static readonly Dictionary<string, T> Values = Enum.GetValues<T>().ToDictionary(v => Name(v.ToString()));
        private static readonly Dictionary<T, string> Names = Values.ToDictionary(v => v.Value, v => v.Key);

        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.String && Values.TryGetValue(reader.GetString()!, out var value) ? value : throw new JsonException();

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => writer.WriteStringValue(Names[value]);
    }
}
