using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Search;
using Kostel.Speech;

namespace Kostel.Server.Shared;

/// <summary>What a search needs in memory: the library's words, and what its passages mean. Each is brought up to date when it is asked for, and only where the library has changed.</summary>
internal sealed class SearchMemory(WordKnowledgeFiles words, LibraryFolder library) : IDisposable
{
    private readonly SemaphoreSlim turn = new(1);
    private readonly SemaphoreSlim meaningTurn = new(1);
    private (int State, SearchVocabulary Words) vocabulary = (0, SearchVocabulary.None);
    private Dictionary<string, LectureMeaning> known = [];
    private (MeaningIndex Index, int Count)? meaning;
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

    /// <summary>The passages of the library by what they mean; null as long as there are no word vectors.</summary>
    public async Task<MeaningIndex?> Meaning(KostelContext context, CancellationToken cancel)
    {
        var vectors = Vectors;
        if (vectors.Size == 0)
        {
            return null;
        }

        await meaningTurn.WaitAsync(cancel);
        try
        {
            if (tableSize != vectors.Count)
            {
                (known, tableSize, meaning) = ([], vectors.Count, null);
            }

            var now = await context.Meanings(known, vectors, library.OnlyForReading is null, cancel);
            if (meaning is null || meaning.Value.Count != now.Count || now.Any(m => known.GetValueOrDefault(m.LectureId) != m))
            {
                known = now.ToDictionary(m => m.LectureId);
                meaning = (new MeaningIndex(now, vectors.Size), now.Count);
            }

            return meaning.Value.Index;
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
}
