using System.Runtime.InteropServices;
using Link = Kostel.Grammar.LinkGrammarLibrary;

namespace Kostel.Grammar;

/// <summary>One dictionary and its options; for one thread.</summary>
internal sealed class LinkGrammarParser : IDisposable
{
    private const int MostLinkages = 100, SecondsEach = 1, MostSkipped = 10, TreeOnOneLine = 3;

    private readonly nint dictionary, options;

    private LinkGrammarParser(nint dictionary)
    {
        this.dictionary = dictionary;
        options = Link.CreateOptions();
        Link.SetVerbosity(options, 0);
        Link.SetLinkageLimit(options, MostLinkages);
        Link.SetParseTime(options, SecondsEach);
        Link.SetMostSkipped(options, MostSkipped);
        Link.SetIslands(options, 1);
    }

    /// <summary>Null where the library or its English dictionary is not installed.</summary>
    public static LinkGrammarParser? Open()
    {
        try
        {
            var dictionary = Link.OpenDictionary("en");
            return dictionary == 0 ? null : new LinkGrammarParser(dictionary);
        }
        catch (DllNotFoundException)
        {
            return null;
        }
    }

    /// <summary>With every word in its place, else with as few left out as need be; null where neither is found in its time.</summary>
    public ParsedLine? Parse(string text)
    {
        Link.ResetResources(options);
        var sentence = Link.CreateSentence(text, dictionary);
        if (sentence == 0)
        {
            return null;
        }

        try
        {
            return Link.Parse(sentence, options) > 0 ? FirstLinkage(sentence) : null;
        }
        finally
        {
            Link.DeleteSentence(sentence);
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        _ = Link.DeleteOptions(options);
        Link.CloseDictionary(dictionary);
    }

    private ParsedLine? FirstLinkage(nint sentence)
    {
        var linkage = Link.CreateLinkage(0, sentence, options);
        if (linkage == 0)
        {
            return null;
        }

        try
        {
            var tree = Link.PrintTree(linkage, TreeOnOneLine);
            if (tree == 0)
            {
                return null;
            }

            var read = new ParsedLine(Link.SkippedWords(sentence), Link.Cost(linkage), Marshal.PtrToStringUTF8(tree) ?? "");
            Link.FreeTree(tree);
            return read;
        }
        finally
        {
            Link.DeleteLinkage(linkage);
        }
    }
}
