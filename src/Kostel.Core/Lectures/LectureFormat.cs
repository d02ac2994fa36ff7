using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Kostel.Core.Study;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Lectures;

/// <summary>Kostel's transcript file, extended by everything else that belongs to a lecture: version 2. Who reads only the transcript passes over the rest. Described in docs/formats.md.</summary>
public static class LectureFormat
{
    private const int Version = 2;
    private const int LongestText = 100_000;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
        WriteIndented = true,
        IndentSize = 1,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        Converters = { new StrictNames() },
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { InSeconds } },
    };

    /// <summary>Writes a lecture.</summary>
    public static string Write(KeptLecture lecture)
    {
        var file = JsonNode.Parse(TranscriptFormat.Write(lecture.Transcript))!.AsObject();
        file["version"] = Version;
        foreach (var (name, value) in JsonSerializer.SerializeToNode(lecture.Things, Options)!.AsObject().ToList())
        {
            file[name] = value?.DeepClone();
        }

        return file.ToJsonString(Options) + "\n";
    }

    /// <summary>Reads what stands in a transcript file besides the transcript, or null if it is one of a transcript alone.</summary>
    /// <exception cref="FormatException">Something in it makes no sense; the message names where.</exception>
    public static KeptThings? ReadThings(string json)
    {
        try
        {
            using var file = JsonDocument.Parse(json);
            return file.RootElement.ValueKind == JsonValueKind.Object && file.RootElement.TryGetProperty("lecture", out var lecture) && lecture.ValueKind == JsonValueKind.Object
                ? Sound(file.RootElement.Deserialize<KeptThings>(Options)!)
                : null;
        }
        catch (JsonException e)
        {
            throw new FormatException($"Expected what docs/formats.md describes at {e.Path ?? "$"}.", e);
        }
    }

    private static KeptThings Sound(KeptThings things)
    {
        Require(things.Lecture.Title, "the title");
        foreach (var mark in All(things.Marks, "marks"))
        {
            Require(mark.Quote, "a mark's quote", canBeEmpty: true);
            Require(mark.Text, "a mark's text", canBeEmpty: true);
            InOrder(mark.StartMs, mark.EndMs);
        }

        foreach (var line in All(things.Summaries, "summaries").SelectMany(s => All(s.Parts, "parts")).SelectMany(p => All(p.Lines, "lines")))
        {
            Check(line);
        }

        foreach (var sheet in All(things.Sheets, "sheets"))
        {
            Require(sheet.Name, "a sheet's name");
            Sound(sheet.Content);
        }

        foreach (var card in All(things.Cards, "cards"))
        {
            Require(card.Front, "a card's front");
            Require(card.Back, "a card's back");
            Check(card.Source);
            All(card.Reviews, "reviews");
            if (card is { Stability: <= 0 or > 1e6 } or { Difficulty: < 1 or > 10 })
            {
                throw new FormatException("Expected a card's memory to be one that a review can leave.");
            }
        }

        foreach (var question in All(things.Questions, "questions"))
        {
            Require(question.Text, "a question");
            foreach (var line in All(question.Answer.Lines, "lines"))
            {
                Check(line);
            }

            All(question.Answer.UnheardWords, "unheardWords");
            All(question.Answer.Meant, "meant");
            All(question.Answer.Parts, "parts");
            All(question.Answer.Items, "items");
            if (question.Written is { } written)
            {
                Require(written.Model, "a model");
                Require(written.Host, "a host");
                var places = All(written.Passages, "passages").Count;
                foreach (var passage in written.Passages)
                {
                    Check(passage);
                }

                foreach (var sentence in All(written.Sentences, "sentences"))
                {
                    Require(sentence.Text, "a sentence");
                    All(sentence.Doubts, "doubts");
                    if (All(sentence.Passages, "passages").Any(p => p < 0 || p >= places))
                    {
                        throw new FormatException("Expected a written sentence to name passages that are there.");
                    }
                }
            }

            All(question.Answer.Scope, "scope");
            foreach (var side in All(question.Answer.Sides, "sides"))
            {
                Require(side.Name, "a side");
                foreach (var line in All(side.Lines, "lines"))
                {
                    Check(line);
                }
            }
        }

        foreach (var quiz in All(things.Quizzes, "quizzes"))
        {
            var questions = All(quiz.Questions, "questions");
            foreach (var q in questions)
            {
                Check(q.Source);
                All(q.Choices, "choices");
                if (!IsSound(q.Content))
                {
                    throw new FormatException("Expected the key of a quiz's question to be one of its choices.");
                }
            }

            if (All(quiz.Attempts, "attempts").Any(a => !QuizMarking.Fit(All(a.Choices, "choices"), [.. questions.Select(q => q.Content)])))
            {
                throw new FormatException("Expected a run through a quiz to have a choice for each of its questions.");
            }
        }

        return things;
    }

    private static void Sound(Sheet sheet)
    {
        const int MostColumns = 6;
        if (All(sheet.Columns, "columns").Count is < 1 or > MostColumns)
        {
            throw new FormatException($"Expected a sheet to have from 1 to {MostColumns} columns.");
        }

        foreach (var line in All(sheet.Parts, "parts").SelectMany(p => All(p.Lines, "lines")).Concat(All(sheet.LeftOut, "leftOut")))
        {
            if (All(line.Cells, "cells").Count != sheet.Columns.Count)
            {
                throw new FormatException("Expected a line of a sheet to have a cell for each column.");
            }
        }

        if (sheet.Writing is { } writing && (writing.Host is null || writing.Model is null || All(writing.LeftOut, "leftOut").Any(l => l.Text is null || All(l.Doubts, "doubts").Any(d => d.Words is null))))
        {
            throw new FormatException("Expected a sheet that a model wrote to say which, and what was left out.");
        }

        foreach (var source in sheet.Sources().Concat((sheet.LeftOut ?? []).Select(l => l.Source).OfType<Evidence>()))
        {
            Check(source);
        }
    }

    /// <summary>What a stranger's file leaves out is found here, and not when the question is shown.</summary>
    private static bool IsSound(QuestionContent content)
    {
        try
        {
            return content.IsSound && content.Places.All(p => p is not null);
        }
        catch (Exception e) when (e is ArgumentNullException or NullReferenceException or ArgumentOutOfRangeException)
        {
            return false;
        }
    }

    private static IReadOnlyList<T> All<T>(IReadOnlyList<T>? list, string name) => list is null ? []
        : list.Contains(default) && default(T) is null ? throw new FormatException($"Expected no empty place in \"{name}\".")
        : list;

    private static void Check(Evidence source)
    {
        Require(source.Quote, "a quote", canBeEmpty: true);
        InOrder(source.StartMs, source.EndMs);
    }

    private static void InOrder(int startMs, int endMs)
    {
        if (endMs < startMs)
        {
            throw new FormatException("Expected an end that is not before its start.");
        }
    }

    private static void Require(string text, string what, bool canBeEmpty = false)
    {
        if (text.Length > LongestText || (!canBeEmpty && string.IsNullOrWhiteSpace(text)))
        {
            throw new FormatException($"Expected {what} with 1 to {LongestText} characters.");
        }
    }

    /// <summary>Milliseconds are written as the rest of the file writes times: seconds with three decimals, under a name without the unit.</summary>
    private static void InSeconds(JsonTypeInfo type)
    {
        const string Unit = "Ms";
        foreach (var property in type.Properties.Where(p => p.PropertyType == typeof(int) && p.Name.EndsWith(Unit, StringComparison.Ordinal)))
        {
            property.Name = property.Name[..^Unit.Length];
            property.CustomConverter = new SecondsConverter();
        }
    }

    private sealed class SecondsConverter : JsonConverter<int>
    {
        public override int Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            reader.TokenType == JsonTokenType.Number && reader.TryGetDecimal(out var seconds) && seconds is >= 0 and <= TranscriptFormat.MostSeconds
                ? (int)Math.Round(seconds * 1000)
                : throw new JsonException();

        public override void Write(Utf8JsonWriter writer, int value, JsonSerializerOptions options) =>
            writer.WriteRawValue((value / 1000m).ToString("0.000", CultureInfo.InvariantCulture));
    }
}
