namespace RustCabin.Benchmarks;

/// <summary>One line of the table; a value of null is a benchmark that threw, a budget of null is only looked at.</summary>
sealed record Measured(string Name, double? Value, string Unit, double? Budget);
