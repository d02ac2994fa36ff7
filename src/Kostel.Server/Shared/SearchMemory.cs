using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Search;
using Kostel.Speech;

namespace Kostel.Server.Shared;

/// <summary>What a search needs in memory: the library's words, and what its passages mean. Each is brought up to date when it is asked for, and only where the library has changed.</summary>
internal sealed class SearchMemory(WordKnowledgeFiles words, LibraryFolder library) : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromMilliseconds(150);

    private readonly SemaphoreSlim turn = new(1);
    private readonly SemaphoreSlim meaningTurn = new(1);
    private (int State, SearchVocabulary Words) vocabulary = (0, SearchVocabulary.None);
    private Dictionary<string, LectureMeaning> known = [];
    private Found? meaning;
    private int tableSize;

    /// <summary>What is known of words, as far as it has come.</summary>
    public WordVectors Vectors => words.Value.Vectors;

    /// <summary>The words of the library.</summary>
    public async Task<SearchVocabulary> Vocabulary(KostelContext context, CancellationToken cancel)
    {
        await turn.WaitAsync(cancel);
        try
        {
            vocabulary = await context.VocabularySince(vocabulary.State, cancel) ?? vocabulary;
            return vocabulary.Words;
        }
        finally
        {
            turn.Release();
        }
    }

    /// <summary>The passages of the library by what they mean; null as long as there are no word vectors. While many are being worked out, what there was before:
    /// nobody waits for a library's worth of texts.</summary>
    public async Task<MeaningIndex?> Meaning(KostelContext context, CancellationToken cancel)
    {
        var vectors = Vectors;
        if (vectors.Size == 0)
        {
            return null;
        }

        if (!await meaningTurn.WaitAsync(Patience, cancel))
        {
            return meaning?.Index;
        }

        try
        {
            if (tableSize != vectors.Count)
            {
                (known, tableSize, meaning) = ([], vectors.Count, null);
            }

            var now = await context.Meanings(known, vectors, library.OnlyForReading is null, cancel);
            if (meaning is null || meaning.Count != now.Count || now.Any(m => known.GetValueOrDefault(m.LectureId) != m))
            {
                known = now.ToDictionary(m => m.LectureId);
                meaning = new Found(new MeaningIndex(now, vectors.Size), now.Count);
            }

            return meaning.Index;
        }
        finally
        {
            meaningTurn.Release();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        turn.Dispose();
        meaningTurn.Dispose();
    }

    private sealed record Found(MeaningIndex Index, int Count);
}
