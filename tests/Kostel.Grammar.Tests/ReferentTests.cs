using Kostel.Core.Captions;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

/// <summary>What "it" and "they" stand for, with the real parser.</summary>
public sealed class ReferentTests : IDisposable
{
    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData("A counter offer is an answer that changes the terms.", "It kills the first offer.", "A counter offer kills the first offer.")]
    [InlineData("The heat pump is quiet.", "It takes its heat from the ground.", "The heat pump takes its heat from the ground.")]
    [InlineData("Adrenaline speeds the heart and opens the pupils.", "It also tells the liver to release sugar.", "Adrenaline also tells the liver to release sugar.")]
    [InlineData("The spread of the means is called the standard error.", "It falls with the size of the sample.", "The standard error falls with the size of the sample.")]
    [InlineData("Most volcanoes stand on the edges of plates.", "They throw out ash and gas.", "They throw out ash and gas.")]
    [InlineData("Glaciers are rivers of ice.", "They carry stones to the valley.", "Glaciers carry stones to the valley.")]
    [InlineData("The hormone opens a channel.", "It lets the water through.", "It lets the water through.")]
    [InlineData("The engine drives two pumps.", "They fill the tank within minutes.", "They fill the tank within minutes.")]
    [InlineData("Cholera came to the town.", "It is wise to boil the water first.", "It is wise to boil the water first.")]
    [InlineData("The wall was finished late.", "It takes years to build such a wall.", "It takes years to build such a wall.")]
    [InlineData("They've got a funny sort of year.", "They mate in autumn.", "They mate in autumn.")]
    [InlineData("She kept the light for years.", "It burned oil from whales.", "It burned oil from whales.")]
    public void What_is_meant_is_put_in_where_it_is_certain_and_only_there(string before, string said, string asked)
    {
        var ground = Ground("We begin with the first part today.", before, said, "The rest of the chapter is for next week.");
        Assert.Equal(asked, ground.Asked[ground.Statements.All.ToList().FindIndex(s => s.Part.Text == said)].Part.Text);
    }

    [Fact]
    public void What_is_meant_is_handed_on_and_the_card_still_plays_all_of_it()
    {
        var ground = Ground("The reservoir is a lake that people made.", "It is full in the winter.", "It feeds the river through a narrow tunnel.", "Nobody swims there in the autumn.");
        var statement = ground.Asked[2];
        Assert.Equal("The reservoir feeds the river through a narrow tunnel.", statement.Part.Text);
        Assert.Empty(statement.Before);
        Assert.Equal(ground.Sentences[0].StartMs, statement.Source.StartMs);
        Assert.Equal(ground.Sentences[2].EndMs, statement.Source.EndMs);
        Assert.All(CardMaker.Make(ground, 10), c => Assert.Contains(ground.Sentences, s => s.EndMs == c.Source.EndMs));
        Assert.StartsWith("It feeds", ground.Statements.All[2].Part.Text, StringComparison.Ordinal);
    }

    private StudyGround Ground(params string[] text)
    {
        var sentences = LinedText.Read(string.Join('\n', text))!.Sentences;
        return new(new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], [.. sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words))], []), grammar);
    }
}
