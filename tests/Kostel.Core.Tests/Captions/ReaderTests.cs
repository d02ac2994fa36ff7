using System.Text;
using System.Text.Json;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Captions;

public class ReaderTests
{
    private static readonly Transcript Start = Lecture.Of(Lecture.DemoParagraphs("09-fog"));

    /// <summary>Against the npm package node-webvtt 2.0, strict; it reads our captions after they went through SubRip as well.</summary>
    [Fact]
    public void SubRip_read_back_has_the_cues_that_another_reader_finds_in_the_same_captions()
    {
        var written = SubRip.Write(Start);
        var asVtt = "WEBVTT\n\n" + System.Text.RegularExpressions.Regex.Replace(written, @"(\d\d:\d\d:\d\d),(\d{3})", "$1.$2");
        var cues = JsonSerializer.Deserialize<Cue[]>(Reference.Run("webvtt.mjs", asVtt), JsonSerializerOptions.Web)!;
        var read = CaptionCutter.Cut(SubRip.Read(written).Transcript);
        Assert.Equal(
            cues.Select(c => ((int)Math.Round(c.Start * 1000), (int)Math.Round(c.End * 1000), c.Text)),
            read.Select(c => (c.StartMs, c.EndMs, string.Join('\n', c.Lines))));
    }

    [Fact]
    public void SubRip_is_read_without_numbers_hours_or_empty_lines_and_without_its_styles()
    {
        var read = SubRip.Read("\uFEFF1\r\n00:01,5 --> 00:03\r\n<i>The tide</i>\r\nrises.\r\n2\r\n0:00:04.000 -> 0:00:05.250\r\n{\\an8}It falls.");
        Assert.Empty(read.Problems);
        Assert.Equal(["The", "tide", "rises.", "It", "falls."], read.Transcript.Passages.SelectMany(p => p.Words).Select(w => w.Text));
        Assert.Equal((1_500, 5_250), (read.Transcript.Passages[0].StartMs, read.Transcript.DurationMs));
    }

    [Fact]
    public void WebVTT_gives_voices_word_times_and_entities_and_passes_over_what_is_no_caption()
    {
        var read = WebVtt.Read("""
            WEBVTT - a title

            STYLE
            ::cue { color: red }

            NOTE a remark
            over two lines

            intro
            00:01.000 --> 00:04.000 align:start
            <v.loud Ines>Salt <00:02.500><b>&amp;</b> water

            00:05.000 --> 00:06.000
            <v Tom>Yes.</v>
            """);
        Assert.Empty(read.Problems);
        Assert.Equal(["Ines", "Tom"], read.Transcript.Speakers.Select(s => s.Name));
        var words = read.Transcript.Passages[0].Words;
        Assert.Equal(["Salt", "&", "water"], words.Select(w => w.Text));
        Assert.Equal([1_000, 2_500], words.Take(2).Select(w => w.StartMs));
    }

    [Fact]
    public void Tab_separated_values_take_seconds_and_clock_times_and_name_a_line_that_has_none()
    {
        var read = TabSeparated.Read("text\tstart\tend\nOne.\t0\t900\nTwo.\t1.5\t2.25\nThree.\t0:03\t0:04\nFour.\tsoon\tlater\n");
        Assert.Equal([0, 1_500, 3_000], read.Transcript.Passages.SelectMany(p => p.Words).Select(w => w.StartMs));
        Assert.StartsWith("Line 5: expected a start and an end", Assert.Single(read.Problems), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("x.srt", "", "Line 1: expected a line such as")]
    [InlineData("x.srt", "1\nsoon --> later\nText", "Line 2: expected two times")]
    [InlineData("x.vtt", "WEBVTT\n\n", "Line 1: expected a line such as")]
    [InlineData("x.tsv", "a\tb", "Line 1: expected the names of the columns")]
    [InlineData("x.tsv", "start\tend\ttext\n", "Line 2: expected a line")]
    [InlineData("x.txt", " \n ", "Line 1: expected text")]
    [InlineData("x.json", "{}", "Line 1, column 1: expected a file whose")]
    [InlineData("x.json", """{"format":"kostel-transcript","version":1,"speakers":[],"passages":[{"id":"p1","speaker":"v1","start":0,"end":1,"words":[{"text":"a","start":0,"end":1}]}]}""", "Passage p1: expected a speaker")]
    [InlineData("x.json", """{"format":"kostel-transcript","version":1,"passages":[{"id":"p1"}]}""", "Line 1, column")]
    [InlineData("x.json", """{"format":"kostel-transcript","version":1,"speakers":[{"id":"v1","name":"A"}],"passages":[{"id":"p1","speaker":"v1","start":0,"end":1,"words":[{"text":"a","start":99999999999,"end":1}]}]}""", "Expected times from 0")]
    public void What_cannot_be_read_is_refused_with_the_place_and_what_was_expected(string name, string text, string says) =>
        Assert.StartsWith(says, Assert.Throws<FormatException>(() => TranscriptFiles.Read(name, text)).Message, StringComparison.Ordinal);

    /// <summary>Caption files damaged at random: cut off, bytes changed, lines dropped, doubled and swapped.</summary>
    [Fact]
    public void Two_hundred_damaged_files_each_give_their_words_or_a_message_with_a_line()
    {
        var random = new Random(11);
        string[] names = ["x.srt", "x.vtt", "x.tsv", "x.json", "x.md"];
        var (read, refused) = (0, 0);
        for (var i = 0; i < 200; i++)
        {
            var name = names[i % names.Length];
            var whole = TranscriptFiles.Write(Start, Enum.Parse<TextFormat>(name[2..], ignoreCase: true), new TextOptions(Times: true));
            try
            {
                var brought = TranscriptFiles.Read(name, Damage(whole, random));
                Assert.NotEmpty(brought.Transcript.Passages);
                Assert.All(brought.Problems, p => Assert.Matches(@"^Line \d+: ", p));
                RequireOrder(brought.Transcript);
                read++;
            }
            catch (FormatException e)
            {
                Assert.Matches(@"Line \d+|Passage |Expected ", e.Message);
                refused++;
            }
        }

        Assert.True(read > 60, $"{read} read, {refused} refused");
    }

    private static string Damage(string text, Random random)
    {
        var lines = text.Split('\n').ToList();
        for (var n = 1 + random.Next(4); n > 0; n--)
        {
            var at = random.Next(lines.Count);
            switch (random.Next(7))
            {
                case 0: lines = lines.Take(at + 1).ToList(); break;
                case 1: lines.RemoveAt(at); break;
                case 2: lines.Insert(at, lines[random.Next(lines.Count)]); break;
                case 3: (lines[at], lines[0]) = (lines[0], lines[at]); break;
                case 4: lines[at] = lines[at].Replace(':', ';'); break;
                default:
                    var letters = new StringBuilder(lines[at]);
                    if (letters.Length > 0)
                    {
                        letters[random.Next(letters.Length)] = "\0<>&-:9\t\uFFFD\uD800"[random.Next(10)];
                    }

                    lines[at] = letters.ToString();
                    break;
            }

            if (lines.Count == 0)
            {
                break;
            }
        }

        return string.Join('\n', lines);
    }

    private static void RequireOrder(Transcript t)
    {
        var words = t.Passages.SelectMany(p => p.Words).ToList();
        Assert.All(words.Zip(words.Skip(1)), p => Assert.True(p.First.StartMs <= p.Second.StartMs));
        Assert.All(words, w => Assert.InRange(w.EndMs, w.StartMs, t.DurationMs));
    }

    private sealed record Cue(double Start, double End, string Text);
}
