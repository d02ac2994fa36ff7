using Kostel.Core.Speech.Decoding;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech.Own;

/// <summary>The files of a recogniser in a folder, found by what is in them and not by what they are called.</summary>
/// <param name="Tokens">The file of a token table; null where none lies there.</param>
/// <param name="Licence">A licence's text; null where none lies there.</param>
internal sealed record WeightsFolder(string EncoderPath, string DecoderPath, DecoderWeights Decoder, string? Tokens, string? Licence)
{
    private const long LargestFile = 1_500_000_000;
    private const int LongestLicence = 200_000;
    private const string Kind = "an encoder that takes 'input_values' and gives 'last_hidden_state', and a merged decoder with 8-bit weights, as ONNX files";

    /// <summary>Reads the tensors of every file in it.</summary>
    /// <exception cref="ModelProblemException">Something is missing or of another kind; the message says what was expected.</exception>
    public static WeightsFolder Read(string folder)
    {
        if (!Directory.Exists(folder))
        {
            throw new ModelProblemException($"There is no folder {folder}.");
        }

        var found = Directory.EnumerateFiles(folder, "*.onnx", SearchOption.AllDirectories).Order(StringComparer.Ordinal).ToList();
        if (found.Count == 0)
        {
            throw new ModelProblemException($"No ONNX file is in {folder}. Expected are {Kind}.");
        }

        string? decoderPath = null, encoderPath = null;
        DecoderWeights? decoder = null;
        var others = new List<string>();
        foreach (var path in found)
        {
            if (new FileInfo(path).Length > LargestFile)
            {
                others.Add($"{Path.GetFileName(path)}: larger than {LargestFile / 1_000_000} MB");
                continue;
            }

            if (ReadDecoder(path) is { } weights)
            {
                decoder = decoder is null ? weights : throw new ModelProblemException($"{Path.GetFileName(decoderPath)} and {Path.GetFileName(path)} are both decoders. Leave one in the folder.");
                decoderPath = path;
            }
            else if (WhatElse(path) is { } other)
            {
                others.Add($"{Path.GetFileName(path)}: {other}");
            }
            else
            {
                encoderPath = encoderPath is null ? path : throw new ModelProblemException($"{Path.GetFileName(encoderPath)} and {Path.GetFileName(path)} are both encoders. Leave one in the folder.");
            }
        }

        return decoder is null || decoderPath is null || encoderPath is null
            ? throw new ModelProblemException($"The folder has no {(decoder is null ? "decoder" : "encoder")} of the kind that Kostel reads: expected are {Kind}. Found: {(others.Count > 0 ? string.Join("; ", others) : "only the other one")}.")
            : new WeightsFolder(encoderPath, decoderPath, decoder, TokensIn(folder), LicenceIn(folder));
    }

    /// <summary>Bytes of what will be kept.</summary>
    public long Bytes => new[] { EncoderPath, DecoderPath, Tokens }.OfType<string>().Sum(p => new FileInfo(p).Length);

    private static DecoderWeights? ReadDecoder(string path)
    {
        try
        {
            var tensors = OnnxInitializers.Read(File.ReadAllBytes(path));
            return DecoderModelFile.IsOne(tensors) ? DecoderModelFile.Read(tensors) : null;
        }
        catch (InvalidDataException e)
        {
            throw new ModelProblemException($"{Path.GetFileName(path)} cannot be used. {e.Message}");
        }
    }

    /// <summary>What a file is when it is no encoder; null for one.</summary>
    private static string? WhatElse(string path)
    {
        try
        {
            using var options = OnnxSessions.Options();
            using var session = new InferenceSession(path, options);
            return session.InputNames is ["input_values"] && session.OutputNames.Contains("last_hidden_state")
                ? null
                : $"another network, from {string.Join(", ", session.InputNames)} to {string.Join(", ", session.OutputNames)}";
        }
        catch (OnnxRuntimeException)
        {
            return "cannot be opened as a network";
        }
    }

    private static string? TokensIn(string folder)
    {
        var all = Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories).Order(StringComparer.Ordinal).ToList();
        return all.Find(p => Path.GetFileName(p) is "tokenizer.json" or "tokens.txt" or "vocab.txt") ?? all.Find(p => Path.GetExtension(p) == ".js" && TokenTable.IsOne(p));
    }

    private static string? LicenceIn(string folder)
    {
        var path = Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories).Order(StringComparer.Ordinal)
            .FirstOrDefault(p => Path.GetFileName(p).ToUpperInvariant() is var name
                && (name.StartsWith("LICEN", StringComparison.Ordinal) || name.StartsWith("COPYING", StringComparison.Ordinal)) && !name.EndsWith(".ONNX", StringComparison.Ordinal));
        return path is not null && new FileInfo(path).Length <= LongestLicence ? File.ReadAllText(path).Replace("\0", "") : null;
    }
}
