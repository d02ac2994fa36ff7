using System.Globalization;
using System.Text;

namespace Kostel.Core.Retrieval;

/// <summary>A word of a text as the library's index knows it: small letters without their accents.</summary>
/// <param name="Start">Its first character in the text.</param>
/// <param name="Length">Characters in the text.</param>
public readonly record struct FoldedWord(string Text, int Start, int Length)
{
    /// <summary>The words of a text: runs of letters and digits, as SQLite's tokenizer "unicode61" divides it.</summary>
    public static IReadOnlyList<FoldedWord> Of(string text)
    {
        var words = new List<FoldedWord>();
        var start = -1;
        for (var i = 0; i <= text.Length; i++)
        {
            if (i < text.Length && IsPart(text, i))
            {
                start = start < 0 ? i : start;
            }
            else if (start >= 0)
            {
                words.Add(new FoldedWord(Fold(text[start..i]), start, i - start));
                start = -1;
            }
        }

        return words;
    }

    /// <summary>Small letters without accents.</summary>
    public static string Fold(string word)
    {
        var small = word.ToLowerInvariant();
        return Ascii.IsValid(small) ? small : string.Concat(small.Where(c => CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark).Select(c => Plain.GetValueOrDefault(c, c)));
    }

    /// <summary>Latin letters, each followed by itself with accents. Kostel runs without the tables of languages that could take them apart.</summary>
    private const string Letters = """
        aàáâãäåāăąǎǟǡǻȁȃȧḁạảấầẩẫậắằẳẵặ
        bḃḅḇ
        cçćĉċčḉ
        dďḋḍḏḑḓ
        eèéêëēĕėęěȅȇȩḕḗḙḛḝẹẻẽếềểễệ
        fḟ
        gĝğġģǧǵḡ
        hĥȟḣḥḧḩḫẖ
        iìíîïĩīĭįǐȉȋḭḯỉị
        jĵǰ
        kķǩḱḳḵ
        lĺļľḷḹḻḽ
        mḿṁṃ
        nñńņňǹṅṇṉṋ
        oòóôõöōŏőơǒǫǭȍȏȫȭȯȱṍṏṑṓọỏốồổỗộớờởỡợ
        pṕṗ
        rŕŗřȑȓṙṛṝṟ
        sśŝşšșṡṣṥṧṩ
        tţťțṫṭṯṱẗ
        uùúûüũūŭůűųưǔǖǘǚǜȕȗṳṵṷṹṻụủứừửữự
        vṽṿ
        wŵẁẃẅẇẉẘ
        xẋẍ
        yýÿŷȳẏẙỳỵỷỹ
        zźżžẑẓẕ
        """;

    private static readonly Dictionary<char, char> Plain = Letters.Split('\n').SelectMany(line => line.Skip(1).Select(c => (Accented: c, Letter: line[0]))).ToDictionary(p => p.Accented, p => p.Letter);

    private static bool IsPart(string text, int i) =>
        char.IsLetterOrDigit(text[i]) || CharUnicodeInfo.GetUnicodeCategory(text[i]) is UnicodeCategory.NonSpacingMark or UnicodeCategory.OtherNumber or UnicodeCategory.LetterNumber;
}
