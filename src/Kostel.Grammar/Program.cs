using System.Text;
using System.Text.Json;
using Kostel.Grammar;

// The parser is a C library: a crash or a hang in it ends this process and nothing else. A JSON string a line comes in, a parsed line goes out behind its mark.
using var parser = LinkGrammarParser.Open();
if (parser is null)
{
    return GrammarProcess.NotInstalled;
}

using var lines = new StreamReader(Console.OpenStandardInput(), Encoding.UTF8);
using var answers = new StreamWriter(Console.OpenStandardOutput(), new UTF8Encoding(false)) { AutoFlush = true };
while (lines.ReadLine() is { } line)
{
    answers.WriteLine(GrammarProcess.AnswerMark + JsonSerializer.Serialize(JsonSerializer.Deserialize<string>(line) is { } text ? parser.Parse(text) : null));
}

return 0;
