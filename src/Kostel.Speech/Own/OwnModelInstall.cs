using Kostel.Core.Audio;
using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Speech.Languages;

namespace Kostel.Speech.Own;

/// <summary>Takes in weights of a person's own: reads them, tries them, copies them.</summary>
public static class OwnModelInstall
{
    private const int LongestClipSeconds = 30;

    /// <summary>Takes in the weights of a folder, which itself is only read.</summary>
    /// <param name="models">The models' folder and what is pinned for it.</param>
    /// <param name="clip">16 kHz mono speech of the language; what is longer than half a minute is left out.</param>
    /// <exception cref="ModelProblemException">They cannot be used; nothing was kept, and the message says what was expected.</exception>
    /// <exception cref="NotValidException">The name or the language makes no sense.</exception>
    public static OwnModel Add(ModelFolder models, string folder, string language, string name, float[] clip, DateOnly today, CancellationToken cancel)
    {
        name = EntryRules.ModelName.Read(name);
        if (!SpokenLanguages.IsCode(language))
        {
            throw new NotValidException("A language has a code of two or three letters.");
        }

        if (name.Equals("accurate", StringComparison.OrdinalIgnoreCase) || name.Equals("fast", StringComparison.OrdinalIgnoreCase) || models.Own.All().Any(m => OwnModels.IsCalled(m, name)))
        {
            throw new NotValidException($"“{name}” is taken. Choose another name, or remove the other one first: ./kostel models remove \"{name}\"");
        }

        var weights = WeightsFolder.Read(folder);
        var tokens = ReadTokens(models, weights);
        var tried = ModelTrial.Run(heads => new SpeechNetwork(weights.EncoderPath, weights.Decoder, tokens, heads), weights.Decoder, clip[..Math.Min(clip.Length, LongestClipSeconds * Pcm.SampleRate)], cancel);
        var model = new OwnModel(
            name,
            language,
            weights.Decoder.Layers.Count,
            weights.Decoder.Width,
            weights.Bytes,
            weights.Tokens is not null,
            tried.Heads.Layers.Select(l => new LayerHeads(l.Layer, l.Heads)).ToList(),
            weights.Licence,
            tried.Wrote,
            Math.Round(tried.SpeedFactor, 1),
            today);
        var fresh = models.Own.Prepare(name);
        try
        {
            File.Copy(weights.EncoderPath, Path.Combine(fresh, OwnModels.Encoder));
            File.Copy(weights.DecoderPath, Path.Combine(fresh, OwnModels.Decoder));
            if (weights.Tokens is not null)
            {
                File.WriteAllLines(Path.Combine(fresh, OwnModels.Tokens), tokens.Pieced);
            }

            models.Own.Keep(model);
        }
        catch (IOException e)
        {
            throw new ModelProblemException($"It could not be copied: {e.Message} Nothing was kept.");
        }
        finally
        {
            if (Directory.Exists(fresh))
            {
                Directory.Delete(fresh, recursive: true);
            }
        }

        return model;
    }

    private static TokenTable ReadTokens(ModelFolder models, WeightsFolder weights)
    {
        try
        {
            var tokens = TokenTable.Read(weights.Tokens ?? models.PathOf("token-table.js"));
            return tokens.Pieced.Count <= weights.Decoder.Tokens.Outputs
                ? tokens
                : throw new ModelProblemException($"The token table has {tokens.Pieced.Count} pieces, and the decoder knows only {weights.Decoder.Tokens.Outputs}: expected is the table that belongs to these weights.");
        }
        catch (InvalidDataException e)
        {
            throw new ModelProblemException(e.Message);
        }
    }
}
