using Kostel.Core.Speech.Numbers;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Speech.Numbers;

public class WrittenNumbersTests
{
    [Theory]
    [InlineData("It is four point seven meters.", "It is 4.7 m.")]
    [InlineData("at high water four-point six metres deep", "at high water 4.6 m deep")]
    [InlineData("it is zero, point, three metres or thirty centimeters.", "it is 0.3 m or 30 cm.")]
    [InlineData("of nine hundred and eighty hectopascals, which", "of 980 hPa, which")]
    [InlineData("it rises half a metre.", "it rises 0.5 m.")]
    [InlineData("about two and a half metres at neaps", "about 2.5 m at neaps")]
    [InlineData("The height is one metre and eighty.", "The height is 1.80 m.")]
    [InlineData("risen by two metres and seventy in all", "risen by 2.70 m in all")]
    [InlineData("about five per cent is clay", "about 5% is clay")]
    [InlineData("roughly forty-five percent.", "roughly 45%.")]
    [InlineData("a tank of ten square meters.", "a tank of 10 m².")]
    [InlineData("runs at twelve metres per second here", "runs at 12 m/s here")]
    [InlineData("at sixty kilometres an hour", "at 60 km/h")]
    [InlineData("from two to three metres", "from 2 to 3 m")]
    [InlineData("The depth is 1.4 meters.", "The depth is 1.4 m.")]
    [InlineData("at twenty degrees Celsius.", "at 20 °C.")]
    [InlineData("40 hectopascals, you may", "40 hPa, you may")]
    public void A_measure_is_written_in_figures_with_the_symbol_of_its_unit(string said, string written) => Assert.Equal(written, Written(said));

    [Theory]
    [InlineData("a half-metre tide")]
    [InlineData("a half metre tide comes in")]
    [InlineData("about a metre away")]
    [InlineData("a hundred square centimeters")]
    [InlineData("keep the metre in mind")]
    public void Without_a_number_there_is_no_measure(string said) => Assert.Equal(said, Written(said));

    [Theory]
    [InlineData("there are two bulges and one moon")]
    [InlineData("Add them, one, two, three, three, two, one.")]
    [InlineData("in the two middle hours, three and three are six twelfths")]
    [InlineData("it waits seven hours outside")]
    [InlineData("no one knows")]
    public void Small_numbers_without_a_measure_stay_in_words(string said) => Assert.Equal(said, Written(said));

    [Theory]
    [InlineData("that is three hundred and seventy-two minutes, and", "that is 372 minutes, and")]
    [InlineData("is twelve hours and twenty-five minutes.", "is 12 hours and 25 minutes.")]
    [InlineData("in twenty nine and a half days.", "in 29.5 days.")]
    [InlineData("about four hundred times as far", "about 400 times as far")]
    [InlineData("up to two thousand eggs", "up to 2,000 eggs")]
    [InlineData("between four point five and five point five,", "between 4.5 and 5.5,")]
    [InlineData("from zero to fourteen.", "from 0 to 14.")]
    [InlineData("with thirty thousand bees", "with 30,000 bees")]
    public void Large_and_broken_numbers_are_figures(string said, string written) => Assert.Equal(written, Written(said));

    [Theory]
    [InlineData("high water is at ten twenty five, and", "high water is at 10:25, and")]
    [InlineData("at fourteen thirty we leave", "at 14:30 we leave")]
    [InlineData("born in nineteen eighty-four.", "born in 1984.")]
    [InlineData("since two thousand and six the", "since 2006 the")]
    [InlineData("on the fifth of March we", "on 5 March we")]
    [InlineData("until the twenty-first of July.", "until 21 July.")]
    public void Times_years_and_dates_are_written_as_people_write_them(string said, string written) => Assert.Equal(written, Written(said));

    [Theory]
    [InlineData("the number ten twenty five stands there")]
    [InlineData("we counted ten twenty five metre poles")]
    [InlineData("the third of them")]
    [InlineData("call two three seven one")]
    public void What_could_be_meant_in_two_ways_stays_in_words(string said) => Assert.Equal(said, Written(said));

    [Theory]
    [InlineData("Thirty centimeters are enough.")]
    [InlineData("It ends. Twenty years went by.")]
    public void A_sentence_does_not_begin_with_a_figure(string said) => Assert.Equal(said, Written(said));

    [Fact]
    public void Words_that_become_one_take_its_time_and_the_least_of_their_confidence()
    {
        var written = WrittenNumbers.Of([new("is", 0, 100, 1), new("four", 100, 300, 0.9), new("point", 300, 500, 0.6), new("seven", 500, 800, 0.8), new("metres.", 800, 1200, 0.7)]);
        Assert.Equal([new Word("is", 0, 100, 1), new Word("4.7", 100, 800, 0.6), new Word("m.", 800, 1200, 0.7)], written);
    }

    [Fact]
    public void Nothing_stays_nothing() => Assert.Empty(WrittenNumbers.Of([]));

    [Fact]
    public void Any_order_of_number_words_keeps_the_time_in_order()
    {
        string[] vocabulary = ["one", "twenty", "hundred", "and", "a", "half", "point", "metres", "per", "cent", "the", "third", "of", "March", "to", "at", "twenty-five,", "4.5", "-", "."];
        var random = new Random(5);
        for (var round = 0; round < 3000; round++)
        {
            var words = Enumerable.Range(0, random.Next(12)).Select(i => new Word(vocabulary[random.Next(vocabulary.Length)], i * 10, (i * 10) + 10, 1)).ToList();
            var written = WrittenNumbers.Of(words);
            Assert.Equal(words.Sum(w => w.EndMs - w.StartMs), written.Sum(w => w.EndMs - w.StartMs));
            Assert.All(written.Zip(written.Skip(1)), p => Assert.Equal(p.First.EndMs, p.Second.StartMs));
        }
    }

    private static string Written(string said) =>
        string.Join(' ', WrittenNumbers.Of(said.Split(' ').Select((w, i) => new Word(w, i * 10, (i * 10) + 10, 1)).ToList()).Select(w => w.Text));
}
