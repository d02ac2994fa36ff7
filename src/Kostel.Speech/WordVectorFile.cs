using Kostel.Core.Text;

namespace Kostel.Speech;

/// <summary>The table of word vectors among the models. It comes after everything else, so that it may not be there yet.</summary>
public sealed class WordVectorFile(ModelFolder models)
{
    private const string Name = "word-vectors.bin";
    private const int BufferBytes = 1 << 17;
    private readonly Lock reading = new();
    private WordVectors? read;

    /// <summary>The vectors, read when they are first asked for; none as long as they are not there, or where they are damaged.</summary>
    public WordVectors Value
    {
        get
        {
            lock (reading)
            {
                return (read ??= models.IsThere(Name) ? Read() : null) ?? WordVectors.None;
            }
        }
    }

    private WordVectors? Read()
    {
        try
        {
            using var stream = new BufferedStream(File.OpenRead(models.PathOf(Name)), BufferBytes);
            return WordVectors.Read(stream);
        }
        catch (Exception e) when (e is ModelProblemException or InvalidDataException or IOException)
        {
            return null;
        }
    }
}
