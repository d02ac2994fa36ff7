using System.Text;
using System.Text.RegularExpressions;
using Kostel.Core.Speech;

namespace Kostel.Speech;

/// <summary>The recogniser's pieces of text by number.</summary>
internal sealed partial class TokenTable
{
    private readonly string[] pieces;

    private TokenTable(string[] pieces) => this.pieces = pieces;

    /// <summary>Reads the table out of the script that ships it: a base64 string of one piece a line.</summary>
    /// <exception cref="InvalidDataException">The file holds no such string.</exception>
    public static TokenTable Read(string path)
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

    private string Text(int token) => token < pieces.Length ? pieces[token] : "";

    private byte? ByteOf(int token) =>
        ByteToken().Match(Text(token)) is { Success: true } m ? Convert.ToByte(m.Groups[1].Value, 16) : null;

    [GeneratedRegex("llama_vocab_base64\\s*=\\s*\"([A-Za-z0-9+/=]+)\"")]
    private static partial Regex Vocabulary();

    [GeneratedRegex("^<0x([0-9A-Fa-f]{2})>$")]
    private static partial Regex ByteToken();
}
