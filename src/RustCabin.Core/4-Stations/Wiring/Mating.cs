using RustCabin.Core.Findings;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>A connector: the net of each contact in order (<c>n</c> takes any), and whether it has pins or holes.</summary>
public sealed record Connector(IReadOnlyList<string> Contacts, Gender? Gender);

/// <summary>Two connectors put together, contact by contact. Source: docs/handbook/wiring.md, Mating.</summary>
public static class Mating
{
    const string Open = "n";

    /// <summary>True for a rail by its name alone: a plus or a minus before it.</summary>
    public static bool IsRail(string net) => net.Length > 1 && net[0] is '+' or '-';

    /// <summary>What is wrong where they meet.</summary>
    /// <param name="a">One side.</param>
    /// <param name="b">The other.</param>
    /// <param name="isRail">Whether a net is a rail; ground always counts.</param>
    /// <param name="aName">What the one is called.</param>
    /// <param name="bName">What the other is called.</param>
    /// <param name="subjects">What the findings are about.</param>
    public static IEnumerable<Finding> Of(
        Connector a,
        Connector b,
        Func<string, bool> isRail,
        string aName,
        string bName,
        IReadOnlyList<Subject> subjects
    )
    {
        bool feeds(string net) => net == Netlist.Ground || IsRail(net) || isRail(net);
        foreach ((int i, (string one, string other)) in a.Contacts.Zip(b.Contacts).Index())
        {
            if (one == other || one == Open || other == Open)
                continue;
            FindingKind kind = feeds(one) || feeds(other) ? WiringFindings.PinRail : WiringFindings.PinNet;
            yield return new Finding(
                kind,
                kind.Severities[0],
                $"Contact {i + 1}: {one} meets {other}",
                subjects,
                $"Contact {i + 1} of {aName} carries {one}; {bName} has {other} there.",
                [$"Contacts meet by number: {aName} {i + 1} is {one}, {bName} {i + 1} is {other}."]
            );
        }
        if (a.Gender is { } g && g == b.Gender)
            yield return new Finding(
                WiringFindings.PinGender,
                Severity.Stop,
                g == Gender.M ? "Pins meet pins" : "Holes meet holes",
                subjects,
                $"{aName} and {bName} both have {(g == Gender.M ? "pins" : "holes")}.",
                ["Pins go into holes."]
            );
        if (a.Contacts.Count != b.Contacts.Count)
            yield return new Finding(
                WiringFindings.PinCount,
                Severity.Watch,
                $"{a.Contacts.Count} contacts meet {b.Contacts.Count}",
                subjects,
                $"{aName} has {a.Contacts.Count} contacts, {bName} {b.Contacts.Count}.",
                [$"{Math.Abs(a.Contacts.Count - b.Contacts.Count)} are left over."]
            );
    }
}
