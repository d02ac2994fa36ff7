using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Terms;

namespace Kostel.Speech;

/// <summary>The recogniser's pieces of text by number.</summary>
internal sealed partial class TokenTable
{
    private readonly string[] pieces;
    private readonly Dictionary<string, int> numbers = [];

    private TokenTable(string[] pieces)
    {
        this.pieces = pieces;
        for (var i = 0; i < pieces.Length; i++)
        {
            numbers.TryAdd(pieces[i], i);
        }
    }

    /// <summary>The pieces in their order.</summary>
    public IReadOnlyList<string> Pieced => pieces;

    /// <summary>Reads a table: the script that ships ours (a base64 string of one piece a line), a text of one piece a line, or a tokenizer.json.</summary>
    /// <exception cref="InvalidDataException">The file holds no table.</exception>
    public static TokenTable Read(string path) => Path.GetExtension(path) switch
    {
        ".txt" => new TokenTable(File.ReadAllLines(path)),
        ".json" => FromJson(path),
        _ => FromScript(path),
    };

    /// <summary>Whether a script holds a table.</summary>
    public static bool IsOne(string path) => Vocabulary().IsMatch(File.ReadAllText(path));

    /// <summary>Pieces by number from "model.vocab", as tokenisers of many makes are kept.</summary>
    private static TokenTable FromJson(string path)
    {
        try
        {
            using var stream = File.OpenRead(path);
            using var json = JsonDocument.Parse(stream);
            var found = json.RootElement.GetProperty("model").GetProperty("vocab").EnumerateObject().ToDictionary(p => p.Value.GetInt32(), p => p.Name);
            return new TokenTable(Enumerable.Range(0, found.Keys.Max() + 1).Select(i => found.GetValueOrDefault(i, "")).ToArray());
        }
        catch (Exception e) when (e is JsonException or KeyNotFoundException or InvalidOperationException or ArgumentException or FormatException)
        {
            throw new InvalidDataException($"{Path.GetFileName(path)} holds no token table: expected is \"model\" with a \"vocab\" of pieces and their numbers.");
        }
    }

    private static TokenTable FromScript(string path)
    {
        var match = Vocabulary().Match(File.ReadAllText(path));
        if (!match.Success)
        {
            throw new InvalidDataException($"{Path.GetFileName(path)} holds no token table.");
        }

        return new TokenTable(Encoding.UTF8.GetString(Convert.FromBase64String(match.Groups[1].Value)).Split('\n'));
    }

    /// <summary>The pieces that these tokens stand for. Tokens for single bytes are joined to the characters they spell.</summary>
    public IReadOnlyList<(TokenPiece Piece, int FirstToken)> Pieces(IReadOnlyList<int> tokens, IReadOnlyList<double> probabilities)
    {
        var result = new List<(TokenPiece, int)>();
        for (var i = 0; i < tokens.Count; i++)
        {
            if (ByteOf(tokens[i]) is null)
            {
                result.Add((new TokenPiece(Text(tokens[i]), probabilities[i]), i));
                continue;
            }

            var first = i;
            var bytes = new List<byte>();
            for (; i < tokens.Count && ByteOf(tokens[i]) is { } b; i++)
            {
                bytes.Add(b);
            }

            i--;
            result.Add((new TokenPiece(Encoding.UTF8.GetString([.. bytes]), probabilities.Skip(first).Take(bytes.Count).Min()), first));
        }

        return result;
    }

    /// <summary>
    /// The tokens of a text that starts with a new word: neighbouring pieces are joined, those that stand first in the table
    /// before others, until no two can be joined.
    /// </summary>
    /// <remarks>Byte-pair encoding as SentencePiece does it (Kudo and Richardson, 2018).</remarks>
    public IReadOnlyList<int> Encode(string text)
    {
        var parts = ("▁" + text.Replace(' ', '▁')).EnumerateRunes().Select(r => r.ToString()).ToList();
        while (true)
        {
            var (best, at) = (int.MaxValue, -1);
            for (var i = 0; i + 1 < parts.Count; i++)
            {
                if (numbers.TryGetValue(parts[i] + parts[i + 1], out var number) && number < best)
                {
                    (best, at) = (number, i);
                }
            }

            if (at < 0)
            {
                break;
            }

            parts[at] += parts[at + 1];
            parts.RemoveAt(at + 1);
        }

        return parts.SelectMany(Numbers).ToList();
    }

    /// <summary>The words that tokens spell, and which tokens spell each.</summary>
    public IReadOnlyList<TokenWord> Words(IReadOnlyList<int> tokens)
    {
        var words = new List<TokenWord>();
        foreach (var (piece, first) in Pieces(tokens, tokens.Select(_ => 1.0).ToList()))
        {
            if (words.Count > 0 && !piece.Text.StartsWith('▁'))
            {
                words[^1] = words[^1] with { Text = words[^1].Text + piece.Text };
            }
            else
            {
                words.Add(new TokenWord(piece.Text.TrimStart('▁'), first, first));
            }
        }

        for (var i = 0; i < words.Count; i++)
        {
            words[i] = words[i] with { EndToken = i + 1 < words.Count ? words[i + 1].FirstToken : tokens.Count };
        }

        return words.FindAll(w => w.Text.Length > 0);
    }

    /// <summary>A piece's number; a character that has none is spelled by its bytes.</summary>
    private IEnumerable<int> Numbers(string piece) =>
        numbers.TryGetValue(piece, out var number)
            ? [number]
            : Encoding.UTF8.GetBytes(piece).Select(b => numbers[$"<0x{b:X2}>"]);

    private string Text(int token) => token < pieces.Length ? pieces[token] : "";

    private byte? ByteOf(int token) =>
        ByteToken().Match(Text(token)) is { Success: true } m ? Convert.ToByte(m.Groups[1].Value, 16) : null;

    [GeneratedRegex("llama_vocab_base64\\s*=\\s*\"([A-Za-z0-9+/=]+)\"")]
    private static partial Regex Vocabulary();

    [GeneratedRegex("^<0x([0-9A-Fa-f]{2})>$")]
    private static partial Regex ByteToken();
}
