using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kostel.Core.Study.Quizzes;

/// <summary>What was answered to a question of a quiz.</summary>
/// <param name="Chosen">The shown things that were chosen; all of them in their order; for each of them the side that it was matched with (-1 for none). Empty where the answer is written, or left open.</param>
/// <param name="Text">What was written; null where something was chosen.</param>
[JsonConverter(typeof(QuizAnswerJson))]
public sealed record QuizAnswer(IReadOnlyList<int> Chosen, string? Text = null)
{
    /// <summary>A question that was left open.</summary>
    public static readonly QuizAnswer Open = new([]);

    /// <summary>Whether nothing was answered.</summary>
    public bool IsOpen => string.IsNullOrWhiteSpace(Text) && Chosen.All(c => c < 0);

    /// <summary>One thing that was chosen.</summary>
    public static QuizAnswer Of(int choice) => choice < 0 ? Open : new([choice]);
}

/// <summary>A single choice is written as its number, as it was when there was nothing else; -1 stands for an open question.</summary>
internal sealed class QuizAnswerJson : JsonConverter<QuizAnswer>
{
    private sealed record Whole(IReadOnlyList<int>? Chosen = null, string? Text = null);

    public override QuizAnswer Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
    {
        if (reader.TokenType == JsonTokenType.Number)
        {
            return QuizAnswer.Of(reader.GetInt32());
        }

        var whole = JsonSerializer.Deserialize<Whole>(ref reader, options);
        return new QuizAnswer(whole?.Chosen ?? [], whole?.Text);
    }

    public override void Write(Utf8JsonWriter writer, QuizAnswer value, JsonSerializerOptions options)
    {
        if (value.Text is null && value.Chosen.Count <= 1)
        {
            writer.WriteNumberValue(value.Chosen.Count == 0 ? -1 : value.Chosen[0]);
        }
        else
        {
            JsonSerializer.Serialize(writer, new Whole(value.Chosen, value.Text), options);
        }
    }
}
