using Kostel.Core.Chapters;

namespace Kostel.Core.Tests.Chapters;

public sealed class SlideChangesTests
{
    private const int Points = 100;

    [Fact]
    public void Another_slide_begins_where_much_of_a_resting_picture_changes()
    {
        var pictures = Enumerable.Range(0, 60).Select(s => Picture(s, _ => (byte)(s < 20 ? 250 : s < 45 ? 90 : 200)));
        Assert.Equal([20_000, 45_000], SlideChanges.In(pictures.ToList()));
    }

    [Fact]
    public void A_few_words_on_an_empty_ground_make_a_slide()
    {
        var pictures = Enumerable.Range(0, 60).Select(s => Picture(s, p => (byte)(p / 4 == (s < 30 ? 3 : 12) ? 20 : 250)));
        Assert.Equal([30_000], SlideChanges.In(pictures.ToList()));
    }

    [Fact]
    public void A_line_that_is_added_is_no_new_slide()
    {
        var pictures = Enumerable.Range(0, 60).Select(s => Picture(s, p => (byte)(p is >= 40 and < 55 || (s >= 30 && p < 5) ? 20 : 250)));
        Assert.Empty(SlideChanges.In(pictures.ToList()));
    }

    [Fact]
    public void A_person_who_moves_in_the_corner_does_not_count()
    {
        var pictures = Enumerable.Range(0, 60).Select(s => Picture(s, p => (byte)(p < 20 ? s % 2 * 200 : s < 33 ? 250 : 90)));
        Assert.Equal([33_000], SlideChanges.In(pictures.ToList()));
    }

    [Fact]
    public void A_film_has_no_slides()
    {
        var random = new Random(7);
        Assert.Empty(SlideChanges.In(Enumerable.Range(0, 60).Select(s => Picture(s, _ => (byte)random.Next(256))).ToList()));
    }

    [Fact]
    public void A_fade_is_one_change()
    {
        var pictures = Enumerable.Range(0, 60).Select(s => Picture(s, _ => (byte)Math.Clamp(250 - ((s - 30) * 60), 60, 250)));
        Assert.Single(SlideChanges.In(pictures.ToList()));
    }

    [Fact]
    public void Without_two_pictures_nothing_changes()
    {
        Assert.Empty(SlideChanges.In([]));
        Assert.Empty(SlideChanges.In([Picture(0, _ => 9)]));
    }

    private static GreyPicture Picture(int second, Func<int, byte> grey) => new(second * 1000, Enumerable.Range(0, Points).Select(grey).ToArray());
}
