using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Speech.Dictation;
using Kostel.Core.Speech.Languages;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Dictate;

/// <summary>A dictation that is to begin.</summary>
/// <param name="Language">What is spoken.</param>
/// <param name="LectureId">Of whose course the terms are listened for.</param>
public sealed record NewDictation(string? Language = null, string? LectureId = null);

/// <summary>A dictation that runs.</summary>
public sealed record BegunDictation(string Id, IReadOnlyList<DictationCommand> Commands);

/// <summary>A spoken command.</summary>
/// <param name="Spoken">Ways of saying it.</param>
/// <param name="What">What it writes or does.</param>
public sealed record DictationCommand(IReadOnlyList<string> Spoken, string What);

/// <summary>How a dictation stands.</summary>
/// <param name="Text">What it comes to, from the word that was asked for.</param>
/// <param name="Open">The same with what was said last, which may still change.</param>
/// <param name="Words">How many words stand.</param>
/// <param name="Problem">Why nothing is written; null while all is well.</param>
public sealed record DictationText(string Text, string Open, int Words, string? Problem);

/// <summary>Speaking instead of typing: sound comes in pieces, text with its signs and lines goes back.</summary>
internal static class DictationEndpoints
{
    public static void MapDictations(this IEndpointRouteBuilder app)
    {
        var dictations = app.MapGroup("/api/dictations");
        dictations.MapPost("", Begin).WithName("beginDictation");
        dictations.MapPost("{id}/pieces/{number:int}", TakePiece).WithName("sendDictated").ExcludeFromDescription().TakesUpTo(RecordedPiece.MostBytes + 1);
        dictations.MapPost("{id}/end", End).WithName("endDictation");
    }

    private static async Task<Ok<BegunDictation>> Begin(NewDictation wanted, RunningDictations dictations, Asker asker, CancellationToken cancel)
    {
        var language = wanted.Language ?? SpokenLanguages.English;
        var commands = SpokenCommand.Of(language);
        if (commands.Count == 0)
        {
            throw new NotValidException("Kostel takes dictation in English and in Spanish.");
        }

        var id = await dictations.Begin(asker.PersonId, language, wanted.LectureId, cancel);
        return TypedResults.Ok(new BegunDictation(id, [.. commands.Select(c => new DictationCommand(c.Spoken, c.What))]));
    }

    private static async Task<Ok<DictationText>> TakePiece(string id, int number, bool punctuates, int from, HttpRequest request, RunningDictations dictations, Asker asker, CancellationToken cancel)
    {
        using var piece = new MemoryStream();
        await request.Body.CopyToAsync(piece, cancel);
        return TypedResults.Ok(View(dictations.Take(id, asker.PersonId, number, piece.ToArray()), punctuates, from));
    }

    private static async Task<Ok<DictationText>> End(string id, bool punctuates, int from, RunningDictations dictations, Asker asker) =>
        TypedResults.Ok(View(await dictations.End(id, asker.PersonId), punctuates, from));

    private static DictationText View(RunningDictations.Dictation dictation, bool punctuates, int from)
    {
        var (words, tentative) = dictation.Hearing.Since(Math.Max(0, from));
        return new DictationText(
            DictatedText.Of(words, dictation.Language, punctuates), DictatedText.Of([.. words, .. tentative], dictation.Language, punctuates), Math.Max(0, from) + words.Count, dictation.Hearing.Problem);
    }
}
