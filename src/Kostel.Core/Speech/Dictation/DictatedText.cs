using System.Text;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Dictation;

/// <summary>Makes a text of what a person dictates: words are written, spoken commands are done.</summary>
public static class DictatedText
{
    /// <summary>A rest this long ends what "take that back" takes back (a judgement).</summary>
    private const int RestMs = 700;

    private const string Stops = ".,;:?!", Ends = ".?!\n";

    /// <summary>Behind these a command's word is the thing itself: "a comma".</summary>
    private static readonly HashSet<string> Before = ["a", "an", "the", "this", "that", "each", "every", "no", "of", "un", "una", "el", "la", "este", "esta", "cada"];

    /// <summary>The text of what was dictated so far.</summary>
    /// <param name="words">As they were recognised, in order.</param>
    /// <param name="language">In which commands are spoken.</param>
    /// <param name="punctuates">Whether stops that the recogniser put by itself stay; else only those that were spoken.</param>
    public static string Of(IReadOnlyList<Word> words, string language, bool punctuates) => Of(words, SpokenCommand.Of(language), punctuates);

    private static string Of(IReadOnlyList<Word> heard, IReadOnlyList<SpokenCommand> known, bool punctuates)
    {
        var commands = known.SelectMany(c => c.Spoken.Select(s => new Way(s.Split(' '), c))).OrderByDescending(c => c.Words.Length).ToList();
        var words = heard.SelectMany(w => Parts(w, commands)).ToList();
        var bare = words.Select(w => Tokens.Of(w.Text)).ToList();
        var pieces = new List<Piece>();
        var (group, isCapital, isLiteral) = (0, false, 0);
        for (var i = 0; i < words.Count; i++)
        {
            group += i > 0 && words[i].StartMs - words[i - 1].EndMs >= RestMs ? 1 : 0;
            var found = isLiteral > 0 ? null : commands.Find(c => Matches(c.Words, i));
            isLiteral = Math.Max(0, isLiteral - 1);

            // These need words behind them: a command that is meant, one to be written with a capital.
            var lacks = found?.Command.Deed switch
            {
                SpokenDeed.Literal => !commands.Exists(c => Matches(c.Words, i + found.Words.Length, isMeant: true)),
                SpokenDeed.Capital => i + found.Words.Length == words.Count,
                _ => false,
            };
            found = lacks ? null : found;

            if (found is not { Command: var command } || (command.Deed is SpokenDeed.Sign or SpokenDeed.Opening or SpokenDeed.Joining && IsThing(i)))
            {
                Write(words[i], i, isCapital);
                isCapital = false;
                continue;
            }

            switch (command.Deed)
            {
                case SpokenDeed.Capital:
                    isCapital = true;
                    break;
                case SpokenDeed.LastWord:
                    TakeBack(pieces.FindLastIndex(p => p.Kind == PieceKind.Word));
                    break;
                case SpokenDeed.LastSaid:
                    var last = pieces.Count == 0 ? 0 : pieces[^1].Group;
                    TakeBack(pieces.FindIndex(p => p.Group == last));
                    break;
                case SpokenDeed.Everything:
                    pieces.Clear();
                    break;
                case SpokenDeed.Literal:
                    isLiteral = commands.First(c => Matches(c.Words, i + found.Words.Length, isMeant: true)).Words.Length;
                    break;
                default:
                    // A stop that the recogniser put where the command was spoken is none.
                    WithoutStop();
                    pieces.Add(new Piece(command.Written, KindOf(command.Deed), group));
                    break;
            }

            i += found.Words.Length - 1;
        }

        return Joined(pieces);

        bool Matches(string[] said, int at, bool isMeant = false)
        {
            if (at + said.Length > words.Count)
            {
                return false;
            }

            for (var n = 0; n < said.Length; n++)
            {
                if (bare[at + n] is not [var word] || word != said[n] || (!isMeant && n > 0 && words[at + n].StartMs - words[at + n - 1].EndMs >= RestMs))
                {
                    return false;
                }
            }

            return true;
        }

        bool IsThing(int i) => i > 0 && bare[i - 1] is [var word] && Before.Contains(word) && !char.IsPunctuation(words[i - 1].Text[^1]);

        void TakeBack(int from)
        {
            if (from >= 0)
            {
                pieces.RemoveRange(from, pieces.Count - from);
            }
        }

        void WithoutStop()
        {
            if (pieces is [.., { Kind: PieceKind.Word } last])
            {
                pieces[^1] = last with { Text = last.Text.TrimEnd([.. Stops]) };
            }
        }

        void Write(Word word, int i, bool capital)
        {
            var text = punctuates ? word.Text : word.Text.TrimEnd([.. Stops]);
            var before = pieces.FindLast(p => p.Kind != PieceKind.Opening)?.Text ?? "\n";
            var begins = before.Length > 0 && Ends.Contains(before[^1], StringComparison.Ordinal);
            var isFirstHeard = i == 0 || words[i].StartMs - words[i - 1].EndMs >= RestMs || Ends.Contains(words[i - 1].Text[^1], StringComparison.Ordinal) || pieces is [.., { Kind: not PieceKind.Word }];
            if (capital || begins || before.EndsWith("- ", StringComparison.Ordinal))
            {
                text = WordForms.Capital(text);
            }
            else if (isFirstHeard && text.Length > 1 && char.IsUpper(text[0]) && char.IsLower(text[1]) && text is not ("I'm" or "I've" or "I'll" or "I'd"))
            {
                // The recogniser took it for the beginning of a sentence.
                text = char.ToLowerInvariant(text[0]) + text[1..];
            }

            pieces.Add(new Piece(text, PieceKind.Word, group));
        }
    }

    /// <summary>A command that was written as one word ("full-stop") is several.</summary>
    private static IEnumerable<Word> Parts(Word word, List<Way> commands)
    {
        var parts = word.Text.Split('-', StringSplitOptions.RemoveEmptyEntries);
        var said = parts.SelectMany(Tokens.Of).ToList();
        return parts.Length > 1 && commands.Exists(c => Enumerable.Range(0, Math.Max(0, said.Count - c.Words.Length + 1)).Any(i => said.Skip(i).Take(c.Words.Length).SequenceEqual(c.Words)))
            ? parts.Select(p => word with { Text = p })
            : [word];
    }

    private static string Joined(List<Piece> pieces)
    {
        var text = new StringBuilder();
        for (var i = 0; i < pieces.Count; i++)
        {
            var (before, now) = (i > 0 ? pieces[i - 1].Kind : PieceKind.Break, pieces[i].Kind);
            var isApart = i > 0 && now is PieceKind.Word or PieceKind.Opening && before is PieceKind.Word or PieceKind.Sign;
            text.Append(isApart ? " " : "").Append(pieces[i].Text);
        }

        return text.ToString();
    }

    private static PieceKind KindOf(SpokenDeed deed) => deed switch
    {
        SpokenDeed.Opening => PieceKind.Opening,
        SpokenDeed.Joining => PieceKind.Joining,
        SpokenDeed.Break => PieceKind.Break,
        _ => PieceKind.Sign,
    };

    /// <summary>A way of saying a command.</summary>
    private sealed record Way(string[] Words, SpokenCommand Command);

    private enum PieceKind
    {
        Word,
        Sign,
        Opening,
        Joining,
        Break,
    }

    /// <param name="Group">Which run between two rests it was said in.</param>
    private sealed record Piece(string Text, PieceKind Kind, int Group);
}
