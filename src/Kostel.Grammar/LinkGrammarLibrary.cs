using System.Runtime.InteropServices;

namespace Kostel.Grammar;

/// <summary>The C functions of the link grammar parser that are used (D. Sleator and D. Temperley, "Parsing English with a link grammar", 1993; Debian's liblink-grammar5).</summary>
internal static partial class LinkGrammarLibrary
{
    private const string Name = "liblink-grammar.so.5";

    [LibraryImport(Name, EntryPoint = "dictionary_create_lang", StringMarshalling = StringMarshalling.Utf8)]
    public static partial nint OpenDictionary(string language);

    [LibraryImport(Name, EntryPoint = "dictionary_delete")]
    public static partial void CloseDictionary(nint dictionary);

    [LibraryImport(Name, EntryPoint = "parse_options_create")]
    public static partial nint CreateOptions();

    [LibraryImport(Name, EntryPoint = "parse_options_delete")]
    public static partial int DeleteOptions(nint options);

    [LibraryImport(Name, EntryPoint = "parse_options_set_verbosity")]
    public static partial void SetVerbosity(nint options, int level);

    [LibraryImport(Name, EntryPoint = "parse_options_set_linkage_limit")]
    public static partial void SetLinkageLimit(nint options, int count);

    [LibraryImport(Name, EntryPoint = "parse_options_set_max_parse_time")]
    public static partial void SetParseTime(nint options, int seconds);

    [LibraryImport(Name, EntryPoint = "parse_options_set_max_null_count")]
    public static partial void SetMostSkipped(nint options, int count);

    [LibraryImport(Name, EntryPoint = "parse_options_set_islands_ok")]
    public static partial void SetIslands(nint options, int allowed);

    [LibraryImport(Name, EntryPoint = "parse_options_reset_resources")]
    public static partial void ResetResources(nint options);

    [LibraryImport(Name, EntryPoint = "sentence_create", StringMarshalling = StringMarshalling.Utf8)]
    public static partial nint CreateSentence(string text, nint dictionary);

    [LibraryImport(Name, EntryPoint = "sentence_parse")]
    public static partial int Parse(nint sentence, nint options);

    [LibraryImport(Name, EntryPoint = "sentence_null_count")]
    public static partial int SkippedWords(nint sentence);

    [LibraryImport(Name, EntryPoint = "sentence_delete")]
    public static partial void DeleteSentence(nint sentence);

    [LibraryImport(Name, EntryPoint = "linkage_create")]
    public static partial nint CreateLinkage(nuint index, nint sentence, nint options);

    [LibraryImport(Name, EntryPoint = "linkage_disjunct_cost")]
    public static partial float Cost(nint linkage);

    [LibraryImport(Name, EntryPoint = "linkage_print_constituent_tree")]
    public static partial nint PrintTree(nint linkage, int style);

    [LibraryImport(Name, EntryPoint = "linkage_free_constituent_tree_str")]
    public static partial void FreeTree(nint text);

    [LibraryImport(Name, EntryPoint = "linkage_delete")]
    public static partial void DeleteLinkage(nint linkage);
}
