using Kostel.Core.Text;

namespace Kostel.Speech;

/// <summary>What is known of English words, among the models. It comes after everything else, so that it may not be there yet.</summary>
public sealed class WordKnowledgeFiles(ModelFolder models)
{
    private const string Vectors = "word-vectors.bin", Kinds = "lexicon.txt", Relations = "relations.txt";
    private const int BufferBytes = 1 << 17;
    private readonly Lock reading = new();
    private WordVectors? vectors;
    private Lexicon? lexicon;
    private WordRelations? relations;

    /// <summary>What is there, read when it is first asked for; what is not there yet, or damaged, is none.</summary>
    public WordKnowledge Value
    {
        get
        {
            lock (reading)
            {
                vectors ??= Read(Vectors, WordVectors.Read);
                lexicon ??= Read(Kinds, s => Lexicon.Read(new StreamReader(s)));
                relations ??= Read(Relations, s => WordRelations.Read(new StreamReader(s)));
                return new WordKnowledge(vectors ?? WordVectors.None, lexicon ?? Lexicon.None, relations ?? WordRelations.None);
            }
        }
    }

    private T? Read<T>(string name, Func<Stream, T> read)
        where T : class
    {
        try
        {
            if (!models.IsThere(name))
            {
                return null;
            }

            using var stream = new BufferedStream(File.OpenRead(models.PathOf(name)), BufferBytes);
            return read(stream);
        }
        catch (Exception e) when (e is ModelProblemException or InvalidDataException or IOException)
        {
            return null;
        }
    }
}
