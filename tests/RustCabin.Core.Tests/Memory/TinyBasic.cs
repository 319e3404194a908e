using System.Globalization;
using RustCabin.Core.Bench;

namespace RustCabin.Core.Tests.Memory;

/// <summary>Runs the lines of a bank-test listing, one statement each, with PEEK and POKE on the simulated bus.</summary>
sealed class TinyBasic(SimulatedBus bus)
{
    readonly Dictionary<string, double> _values = [];
    readonly List<string> _printed = [];
    string _text = "";
    int _at;

    public static IReadOnlyList<string> Run(IReadOnlyList<string> listing, SimulatedBus bus) =>
        new TinyBasic(bus).Run([.. listing.Select(l => l[(l.IndexOf(' ') + 1)..])]);

    List<string> Run(string[] lines)
    {
        var loops = new Stack<(string Name, double To, double Step, int Line)>();
        for (int line = 0; line < lines.Length; line++)
        {
            string statement = lines[line];
            if (statement.StartsWith("IF ", StringComparison.Ordinal))
            {
                int then = statement.IndexOf(" THEN ", StringComparison.Ordinal);
                if (!Holds(statement[3..then]))
                    continue;
                statement = statement[(then + 6)..];
            }
            string word = statement.Split(' ')[0],
                rest = statement[word.Length..].Trim();
            switch (word)
            {
                case "REM":
                    break;
                case "END":
                    return _printed;
                case "LET":
                    _values[rest[..rest.IndexOf('=')]] = Value(rest[(rest.IndexOf('=') + 1)..]);
                    break;
                case "POKE":
                    bus.Write((ulong)Value(rest[..rest.IndexOf(',')]), (byte)Value(rest[(rest.IndexOf(',') + 1)..]));
                    break;
                case "PRINT":
                    _printed.Add(
                        string.Concat(
                            rest.Split(';')
                                .Select(p => p.StartsWith('"') ? p.Trim('"') : Value(p).ToString(CultureInfo.InvariantCulture))
                        )
                    );
                    break;
                case "FOR":
                    string name = rest[..rest.IndexOf('=')];
                    string[] parts = rest[(rest.IndexOf('=') + 1)..].Split([" TO ", " STEP "], StringSplitOptions.None);
                    _values[name] = Value(parts[0]);
                    loops.Push((name, Value(parts[1]), parts.Length > 2 ? Value(parts[2]) : 1, line));
                    break;
                case "NEXT":
                    var loop = loops.Peek();
                    Assert.Equal(rest, loop.Name);
                    if ((_values[rest] += loop.Step) <= loop.To)
                        line = loop.Line;
                    else
                        loops.Pop();
                    break;
                default:
                    Assert.Fail($"no such statement: {statement}");
                    break;
            }
        }
        return _printed;
    }

    bool Holds(string condition)
    {
        string sign = ((string[])["<>", ">", "="]).First(condition.Contains);
        double left = Value(condition[..condition.IndexOf(sign, StringComparison.Ordinal)]),
            right = Value(condition[(condition.IndexOf(sign, StringComparison.Ordinal) + sign.Length)..]);
        return sign switch
        {
            "<>" => left != right,
            ">" => left > right,
            _ => left == right,
        };
    }

    double Value(string text)
    {
        (string before, int place) = (_text, _at);
        (_text, _at) = (text.Replace(" ", ""), 0);
        double value = Sum();
        Assert.Equal(_text.Length, _at);
        (_text, _at) = (before, place);
        return value;
    }

    double Sum()
    {
        double value = Product();
        while (_at < _text.Length && _text[_at] is '+' or '-')
            value = _text[_at++] == '+' ? value + Product() : value - Product();
        return value;
    }

    double Product()
    {
        double value = Factor();
        while (_at < _text.Length && _text[_at] is '*' or '/')
            value = _text[_at++] == '*' ? value * Factor() : value / Factor();
        return value;
    }

    double Factor()
    {
        foreach (
            (string call, Func<double, double> of) in ((string, Func<double, double>)[])
                [("INT(", Math.Floor), ("PEEK(", a => bus.Read((ulong)a))]
        )
            if (_text.AsSpan(_at).StartsWith(call))
            {
                _at += call.Length;
                double inside = Sum();
                _at++;
                return of(inside);
            }
        int start = _at;
        while (_at < _text.Length && char.IsLetterOrDigit(_text[_at]))
            _at++;
        string word = _text[start.._at];
        return char.IsDigit(word[0]) ? double.Parse(word, CultureInfo.InvariantCulture) : _values[word];
    }
}
