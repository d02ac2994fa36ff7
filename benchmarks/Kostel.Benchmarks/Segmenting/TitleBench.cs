using System.Globalization;
using Kostel.Benchmarks.Studying;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Chapters.Titles;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Segmenting;

/// <summary>How near the titles that are made come to those that were written for the same chapters.</summary>
internal static class TitleBench
{
    /// <summary>The titles of each outlined lecture beside those written, with how like they are.</summary>
    public static void Show(IEnumerable<string> paths, WordKnowledge known)
    {
        var likes = new List<double>();
        foreach (var path in paths)
        {
            var (chapters, written) = Read(path);
            var made = ChapterTitles.For(chapters, known);
            var like = made.Zip(written, (m, w) => Likeness(m, w, known)).ToList();
            likes.AddRange(like);
            Console.WriteLine($"## {Path.GetFileNameWithoutExtension(path)}");
            foreach (var ((m, w), l) in made.Zip(written).Zip(like))
            {
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{l:0.00}  {m}   <- {w}"));
            }
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"mean likeness {likes.Average():0.000} of {likes.Count}"));
    }

    /// <summary>Everything that could name each chapter that was written, numbered, to be judged.</summary>
    public static void Pool(IEnumerable<string> paths, WordKnowledge known)
    {
        foreach (var path in paths)
        {
            var (chapters, written) = Read(path);
            var pool = new TitlePool(chapters, new TitleCandidates(chapters, known, "en"), known.Lexicon);
            for (var c = 0; c < chapters.Count; c++)
            {
                Console.WriteLine($"## {Path.GetFileNameWithoutExtension(path)} {chapters.Take(c).Sum(x => x.Count) + 1} {chapters.Take(c + 1).Sum(x => x.Count)}: {written[c]}");
                Console.WriteLine(string.Join(" | ", pool.Of(c).Select((p, i) => $"{i} {p.Text}")));
            }
        }
    }

    /// <summary>What could name the chapters that were read and was not judged yet, to be judged.</summary>
    public static void Unread(string judged, string folder, WordKnowledge known)
    {
        foreach (var text in File.ReadLines(judged).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).GroupBy(l => l[0]))
        {
            var (sentences, starts) = Chapters(text, folder);
            var chapters = Divided(sentences, starts);
            var pool = new TitlePool(chapters, new TitleCandidates(chapters, known, "en"), known.Lexicon);
            foreach (var chapter in text.GroupBy(v => v[1]))
            {
                var read = chapter.Select(v => v[3]).ToHashSet(StringComparer.OrdinalIgnoreCase);
                var open = pool.Of(starts.IndexOf(int.Parse(chapter.Key, CultureInfo.InvariantCulture) - 1)).Where(p => p.Text.Contains(' ', StringComparison.Ordinal) && !read.Contains(p.Text)).ToList();
                if (open.Count > 0)
                {
                    var good = chapter.Where(v => v[4] == "1").Select(v => v[3]).Take(3);
                    Console.WriteLine($"{text.Key}\t{chapter.Key}\t{chapter.First()[2]}\t({string.Join("; ", good)})\t{string.Join(" | ", open.Select((p, i) => $"{i} {p.Text}"))}");
                }
            }
        }
    }

    /// <summary>The sentences of a text, and where its chapters begin that were read.</summary>
    public static (IReadOnlyList<Sentence> Sentences, List<int> Starts) Chapters(IGrouping<string, string[]> text, string folder)
    {
        var file = Directory.EnumerateFiles(folder, text.Key + ".txt", SearchOption.AllDirectories).First();
        var sentences = StudyText.Read(file, ChapterFinder.ByWords).Sentences;
        return (sentences, text.SelectMany(v => new[] { int.Parse(v[1], CultureInfo.InvariantCulture) - 1, int.Parse(v[2], CultureInfo.InvariantCulture) }).Append(0).Distinct().Where(s => s < sentences.Count).Order().ToList());
    }

    /// <summary>Sentences by the chapters that begin at these.</summary>
    public static List<IReadOnlyList<Sentence>> Divided(IReadOnlyList<Sentence> sentences, List<int> starts) =>
        [.. starts.Select((s, i) => (IReadOnlyList<Sentence>)[.. sentences.Take(i + 1 < starts.Count ? starts[i + 1] : sentences.Count).Skip(s)])];

    /// <summary>How many of the titles that are made for chapters which were read are good by a list of judged titles.</summary>
    public static void Judge(string judged, string folder, WordKnowledge known)
    {
        var (made, good, unread) = (0, 0, 0);
        foreach (var text in File.ReadLines(judged).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).GroupBy(l => l[0]))
        {
            var (sentences, starts) = Chapters(text, folder);
            var titles = ChapterTitles.For(Divided(sentences, starts), known);
            foreach (var (start, title) in starts.Zip(titles))
            {
                var verdicts = text.Where(v => v[1] == (start + 1).ToString(CultureInfo.InvariantCulture)).ToList();
                if (verdicts.Count > 0)
                {
                    var verdict = verdicts.Find(v => v[3] == title)?[4];
                    (made, good, unread) = (made + 1, good + (verdict == "1" ? 1 : 0), unread + (verdict is null ? 1 : 0));
                    Console.WriteLine($"{text.Key}\t{start + 1}\t{title}\t{verdict ?? "?"}");
                }
            }
        }

        Console.WriteLine($"| titles of chapters that were read | {made} | good | {good} | not read | {unread} |");
    }

    /// <summary>How like two titles are: by the stems they share and by meaning, from 0 to 1.</summary>
    private static double Likeness(string a, string b, WordKnowledge known)
    {
        List<string> Words(string t) => Tokens.Of(t).Where(w => !StopWords.Contains(w)).ToList();
        var (x, y) = (Words(a), Words(b));
        if (x.Count == 0 || y.Count == 0)
        {
            return 0;
        }

        var (sx, sy) = (x.Select(Tokens.Stem).ToHashSet(), y.Select(Tokens.Stem).ToHashSet());
        var shared = 2.0 * sx.Intersect(sy).Count() / (sx.Count + sy.Count);
        float[] Meaning(List<string> words)
        {
            var sum = new float[known.Vectors.Size];
            words.ForEach(w => known.Vectors.AddTo(w, known.Vectors.WeightOf(w), sum));
            return sum;
        }

        var (ma, mb) = (Meaning(x), Meaning(y));
        var (na, nb) = (Math.Sqrt(ma.Sum(v => v * v)), Math.Sqrt(mb.Sum(v => v * v)));
        var cosine = na == 0 || nb == 0 ? 0 : ma.Zip(mb, (p, q) => p * q).Sum() / (na * nb);
        return (0.5 * shared) + (0.5 * Math.Max(0, cosine));
    }

    private static (IReadOnlyList<IReadOnlyList<Sentence>> Chapters, List<string> Titles) Read(string path)
    {
        var (lines, starts, titles) = ChapterBench.ReadOutlined(path);
        var sentences = LinedText.Read(string.Join('\n', lines))!.Sentences;
        var ends = starts.Skip(1).Append(sentences.Count).ToList();
        return (starts.Select((s, i) => (IReadOnlyList<Sentence>)sentences.Skip(s).Take(ends[i] - s).ToList()).ToList(), titles);
    }
}
