namespace Kostel.Core.Retrieval;

/// <summary>How many slips lie between two words.</summary>
public static class EditDistance
{
    /// <summary>Letters left out, put in, taken for another or exchanged with their neighbour (optimal string alignment).</summary>
    /// <param name="most">As soon as there are more, <paramref name="most"/> + 1 is answered.</param>
    public static int Between(string a, string b, int most)
    {
        if (Math.Abs(a.Length - b.Length) > most)
        {
            return most + 1;
        }

        Span<int> before = stackalloc int[b.Length + 1], last = stackalloc int[b.Length + 1], row = stackalloc int[b.Length + 1];
        for (var j = 0; j <= b.Length; j++)
        {
            last[j] = j;
        }

        for (var i = 1; i <= a.Length; i++)
        {
            var least = row[0] = i;
            for (var j = 1; j <= b.Length; j++)
            {
                row[j] = Math.Min(Math.Min(last[j] + 1, row[j - 1] + 1), last[j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1));
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                {
                    row[j] = Math.Min(row[j], before[j - 2] + 1);
                }

                least = Math.Min(least, row[j]);
            }

            if (least > most)
            {
                return most + 1;
            }

            var free = before;
            before = last;
            last = row;
            row = free;
        }

        return Math.Min(last[b.Length], most + 1);
    }
}
