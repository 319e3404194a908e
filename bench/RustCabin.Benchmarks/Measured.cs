namespace RustCabin.Benchmarks;

/// <summary>
/// One line of the table; a value of null is a benchmark that threw, a budget of null is only looked at.
/// </summary>
sealed record Measured(string Name, double? Value, string Unit, double? Budget)
{
    /// <summary>The line of the same run that it is held against; null: none.</summary>
    public string? Yard { get; init; }

    /// <summary>More is better: the budget is the least that is wanted.</summary>
    public bool Least { get; init; }

    /// <summary>How many times slower than usual the machine was round about it (<see cref="Benchmarks.Pace"/>).</summary>
    public double Pace { get; init; } = 1;

    /// <summary>What a time would be at the usual pace; what is held against a line of the same run is as it is.</summary>
    public double? Usual => Unit == "ms" ? Value / Pace : Value;

    public string Verdict =>
        (Value, Budget) switch
        {
            (null, _) => "FAILED: run it with ./cabin test web",
            (_, null) => "",
            ({ } value, { } budget) when Holds(value, budget) => "within",
            (_, { } budget) when Holds(Usual!.Value, budget) => "within at the usual pace",
            _ => "OVER",
        };

    bool Holds(double value, double budget) => Least ? value >= budget : value <= budget;

    /// <summary>Lines as they come, each with the machine's pace before and after it.</summary>
    public static IEnumerable<Measured> Paced(IEnumerable<Measured> lines)
    {
        double before = RustCabin.Benchmarks.Pace.Times();
        foreach (Measured line in lines)
        {
            double after = RustCabin.Benchmarks.Pace.Times();
            yield return line with
            {
                Pace = (before + after) / 2,
            };
            before = after;
        }
    }

    /// <summary>The table: what was measured, how slow the machine was, the budget, and the share of the yardstick.</summary>
    public static IEnumerable<string> Table(IReadOnlyList<Measured> lines)
    {
        yield return $"{"measured on " + Environment.ProcessorCount + " cores", -52}{"result", 14}{"pace", 7}{"budget", 14}";
        foreach (Measured m in lines)
        {
            string result = m.Value is { } value ? $"{value:#,0.###} {m.Unit}" : "failed",
                budget = m.Budget is { } wanted ? $" {(m.Least ? "from " : "")}{wanted:#,0.##} {m.Unit}" : "";
            yield return $"{m.Name, -52}{result, 14}{m.Pace, 7:0.0}{budget, 14}  {m.Verdict}{Share(m, lines)}";
        }
    }

    static string Share(Measured line, IReadOnlyList<Measured> lines) =>
        line.Value is { } value && lines.FirstOrDefault(l => l.Name == line.Yard)?.Value is { } yard
            ? $"  {value / yard:0.000} of {line.Yard}"
            : "";
}
