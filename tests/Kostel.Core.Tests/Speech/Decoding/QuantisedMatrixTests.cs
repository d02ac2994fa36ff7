using System.Runtime.Intrinsics;
using Kostel.Core.Speech.Decoding;

namespace Kostel.Core.Tests.Speech.Decoding;

public class QuantisedMatrixTests
{
    [Theory]
    [InlineData(1, 3, 5)]
    [InlineData(1, 8, 288)]
    [InlineData(4, 7, 36)]
    [InlineData(5, 33, 1152)]
    [InlineData(9, 6, 17)]
    public void Multiplies_several_vectors_as_real_numbers_would(int rows, int outputs, int inputs)
    {
        var random = new Random(rows + outputs + inputs);
        var weights = new byte[outputs * inputs];
        random.NextBytes(weights);
        const byte zero = 131;
        const float scale = 0.013f;
        var vectors = Enumerable.Range(0, rows * inputs).Select(_ => (float)(random.NextDouble() - 0.4) * 7).ToArray();
        var results = new float[rows * outputs];

        new QuantisedMatrix(weights, outputs, inputs, scale, zero).Multiply(vectors, rows, results);

        for (var r = 0; r < rows; r++)
        {
            for (var o = 0; o < outputs; o++)
            {
                var exact = Enumerable.Range(0, inputs).Sum(i => (weights[(o * inputs) + i] - zero) * (double)scale * vectors[(r * inputs) + i]);
                Assert.Equal(exact, results[(r * outputs) + o], 0.003 * Math.Sqrt(inputs) * 7);
            }
        }
    }

    [Fact]
    public void The_largest_weights_and_numbers_do_not_overflow()
    {
        const int inputs = 1152;
        var weights = Enumerable.Repeat((byte)255, 4 * inputs).ToArray();
        var results = new float[4];

        new QuantisedMatrix(weights, 4, inputs, 1, 0).Multiply(Enumerable.Repeat(-1000f, inputs).ToArray(), 1, results);

        Assert.All(results, r => Assert.Equal(-1000f * 255 * inputs, r, 1000f));
    }

    [Fact]
    public void Nothing_times_weights_is_nothing()
    {
        var results = new[] { 9f, 9f };
        new QuantisedMatrix(new byte[] { 1, 2, 3, 4 }, 2, 2, 1, 7).Multiply(new float[2], 1, results);
        Assert.Equal([0f, 0f], results);
    }

    [Fact]
    public void A_wrong_number_of_weights_is_refused() =>
        Assert.Throws<ArgumentException>(() => new QuantisedMatrix(new byte[5], 2, 3, 1, 0));

    [Fact]
    public void Without_the_wide_instructions_the_sums_are_the_same()
    {
        var random = new Random(3);
        Vector256<short> Some() => Vector256.Create(Enumerable.Range(0, 16).Select(_ => (short)random.Next(-32767, 32767)).ToArray());
        for (var i = 0; i < 50; i++)
        {
            var (a, b) = (Some(), Some());
            Assert.Equal(Lanes.MultiplyAdd(a, b), Lanes.MultiplyAddOneByOne(a, b));
        }
    }
}
