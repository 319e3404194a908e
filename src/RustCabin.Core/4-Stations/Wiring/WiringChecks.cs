using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;

namespace RustCabin.Core.Wiring;

/// <summary>What is wrong with the wiring of a plan. Source: docs/handbook/wiring.md, Checks.</summary>
public static class WiringChecks
{
    /// <summary>All of them; nothing where there is nothing to wire.</summary>
    public static IEnumerable<Finding> Of(PlannedUnit unit)
    {
        if (!Wired.IsAny(unit))
            return [];
        var wired = Wired.Of(unit);
        return
        [
            .. Places(wired),
            .. Acts(wired),
            .. Rails(wired),
            .. Unmade(wired),
            .. Cross(wired),
            .. Left(wired),
            .. Twice(wired),
            .. Mates(unit, wired),
        ];
    }

    static IEnumerable<Finding> Places(Wired wired) =>
        wired
            .After.Missing.DistinctBy(m => m.Place)
            .Select(m => new Finding(
                WiringFindings.Place,
                Severity.Stop,
                $"No {m.Place} here",
                [m.Change.Subject],
                $"{m.Change.Title} wants {m.Place}, which this board has not.",
                [$"Change {m.Change.Index + 1} of {m.Change.From}: {m.Change.Words}."]
            ));

    /// <summary>What was stored before sheets were checked for it.</summary>
    static IEnumerable<Finding> Acts(Wired wired) =>
        from placed in wired.Changes
        let wrong = placed.Change.Undoable.Select(u => u.Wrong).Concat(Undoable(wired, placed)).Where(w => w.Length > 0).ToArray()
        where wrong.Length > 0
        select new Finding(
            WiringFindings.Act,
            Severity.Stop,
            $"Change {placed.Index + 1} of {placed.Title} cannot be made",
            [placed.Subject],
            $"{placed.Words}: it {string.Join("; it ", wrong)}.",
            [$"Change {placed.Index + 1} of {placed.From}."]
        );

    static IEnumerable<string> Undoable(Wired wired, PlacedChange placed)
    {
        WireChange change = placed.Change;
        if (change is { Do: ChangeAct.Remove or ChangeAct.Scrape, Point: { } name })
        {
            int point = wired.Places.Find(placed.Named(name));
            if (point < 0)
                point = wired.Places.Find($"{placed.Named(name)}.1");
            if (point >= 0 && wired.Places.All[point].Point is { } there)
                yield return change.Refuses(there);
        }
        else if (change is { Do: ChangeAct.Cut, Off.Count: > 0, Net: { } net })
        {
            HashSet<string> off = [.. change.Off.Select(placed.Named)];
            IReadOnlyList<int> all = wired.After.PlacesOf(wired.Places.Canonical(placed.Named(net)));
            if (
                all.Count > 0
                && all.All(p => off.Contains(wired.Places.All[wired.After.LegOf(p)].Name) || off.Contains(wired.After.NameOf(p)))
            )
                yield return $"names every place of {net}: nothing is left that it is cut off";
        }
    }

    static IEnumerable<Finding> Rails(Wired wired)
    {
        // The rails and ground, in the order of the sheets, by the node on which each lies after the changes.
        IEnumerable<IGrouping<int, string>> meeting = wired
            .Unit.Rails.Select(r => wired.Places.Canonical(r.Id))
            .Append(Netlist.Ground)
            .Distinct()
            .Select(net => (Net: net, Fragment: wired.FragmentOf(net)))
            .Where(r => r.Fragment >= 0)
            .OrderBy(r => r.Fragment)
            .GroupBy(r => wired.After.NodeOfFragment(r.Fragment), r => r.Net)
            .Where(rails => rails.Select(net => VoltsOf(wired, net)).Distinct().Count() > 1)
            .OrderBy(rails => wired.After.FirstFragmentOf(rails.Key));
        foreach (IGrouping<int, string> node in meeting)
        {
            string[] rails = [.. node];
            yield return new Finding(
                WiringFindings.Rail,
                Severity.Stop,
                $"{rails[0]} meets {rails[1]}",
                [.. SubjectsOf(wired, node.Key)],
                $"After the changes {string.Join(" and ", rails)} are one net.",
                [.. JoinsOf(wired, node.Key)]
            );
        }
    }

    static IEnumerable<Finding> Unmade(Wired wired)
    {
        foreach ((int place, Place pad) in wired.Places.All.Index())
            if (
                pad.Pad?.Wants is { } wants
                && (
                    wired.FragmentOf(wants) is not (>= 0 and var net)
                    || wired.After.NodeOf(place) != wired.After.NodeOfFragment(net)
                )
            )
            {
                TapOption[] taps = [.. Taps.Of(wired, wants)];
                yield return new Finding(
                    WiringFindings.Unmade,
                    Severity.Stop,
                    $"{pad.Name} has no {wants}",
                    [Subject.Part(InstanceName.Parse(pad.Owner.TrimEnd(':')))],
                    $"The pad {pad.Name} wants {wants}, and nothing joins them."
                        + (taps.Length > 0 ? $" Easiest at {taps[0].Place} ({taps[0].Tap})." : ""),
                    [
                        taps.Length > 0
                            ? $"{wants} lies at {string.Join(", ", taps.Select(t => t.Place))}."
                            : $"No place of this board is known to carry {wants}.",
                    ]
                );
            }
    }

    static IEnumerable<Finding> Cross(Wired wired)
    {
        Netlist after = wired.After;
        var groups = new Groups(after.Fragments);
        // A net of a part's own board meets one of the machine in an ordinary lead: of each owner there is one name.
        var names = new Dictionary<int, Dictionary<string, string>>();
        Dictionary<string, string> namesOf(int group) =>
            names.TryGetValue(group, out Dictionary<string, string>? known)
                ? known
                : names[group] = after.NameOfFragment(group) is { } net ? new() { [OwnerOf(net)] = net } : [];
        foreach (Join join in after.Joins)
        {
            int a = groups.Of(after.FragmentOf(join.A)),
                b = groups.Of(after.FragmentOf(join.B));
            if (a == b)
                continue;
            (Dictionary<string, string> here, Dictionary<string, string> there) = (namesOf(a), namesOf(b));
            if (
                join is { Meant: false, Change: >= 0 }
                && here.Keys.FirstOrDefault(there.ContainsKey) is { } owner
                && (here[owner], there[owner]) is var (one, other)
                && !AreRails(wired, one, other)
            )
                yield return new Finding(
                    WiringFindings.Cross,
                    Severity.Watch,
                    $"{one} meets {other}",
                    [wired.Changes[join.Change].Subject],
                    $"{wired.Changes[join.Change].Words}: {one} and {other} become one net.",
                    [$"{after.NameOf(join.A)} lies on {one}, {after.NameOf(join.B)} on {other}."]
                );
            groups.Join(a, b);
            foreach ((string of, string net) in there)
                here.TryAdd(of, net);
        }
    }

    static string OwnerOf(string net) => LocalName.Parse(net).Owner;

    /// <summary>They are rails of different volts, which are told as such.</summary>
    static bool AreRails(Wired wired, string one, string other) =>
        VoltsOf(wired, one) is { } volts && VoltsOf(wired, other) is { } others && volts != others;

    static decimal? VoltsOf(Wired wired, string net) => net == Netlist.Ground ? 0 : wired.VoltsOf(net);

    static IEnumerable<Finding> Left(Wired wired)
    {
        int[] places = new int[wired.After.Fragments];
        for (int place = 0; place < wired.After.Count; place++)
            places[wired.After.NodeOf(place)]++;
        foreach (PlacedChange placed in wired.Changes.Where(c => c.Change is { Do: ChangeAct.Lift, LeftOpen: false }))
        foreach (int pin in placed.Change.Pins)
            if (
                wired.Places.Find($"{placed.Named(placed.Change.Chip!)}.{pin}") is >= 0 and var leg
                && places[wired.After.NodeOf(leg)] == 1
            )
                yield return new Finding(
                    WiringFindings.Left,
                    Severity.Note,
                    $"{wired.After.NameOf(leg)} is left in the air",
                    [placed.Subject],
                    $"{wired.After.NameOf(leg)} is lifted and nothing takes it up.",
                    [$"{placed.Words}; no lead, link or row names {wired.After.NameOf(leg)}."]
                );
    }

    static IEnumerable<Finding> Twice(Wired wired)
    {
        var taken = new Dictionary<string, PlacedChange>(StringComparer.Ordinal);
        foreach (PlacedChange placed in wired.Changes)
        {
            WireChange change = placed.Change;
            IEnumerable<string> places = change.Do switch
            {
                ChangeAct.Lift => change.Pins.Select(p => $"{placed.Named(change.Chip!)}.{p}"),
                ChangeAct.Cut => change.Off.Select(placed.Named),
                _ => [],
            };
            foreach (string place in places)
                if (!taken.TryAdd(place, placed) && taken[place].Owner != placed.Owner)
                    yield return new Finding(
                        WiringFindings.Twice,
                        Severity.Stop,
                        $"{place} is wanted twice",
                        [taken[place].Subject, placed.Subject],
                        $"{taken[place].Title} and {placed.Title} both lift or cut {place}.",
                        [$"{taken[place].Words}.", $"{placed.Words}."]
                    );
        }
    }

    /// <summary>Parts with known contacts on sites with known contacts.</summary>
    static IEnumerable<Finding> Mates(PlannedUnit unit, Wired wired) =>
        from instance in unit.Instances
        where instance.Part.Contacts.Count > 0
        from taken in instance.Occupied
        where taken.Mode is SiteMode.In or SiteMode.Between
        let site = unit.FindSite(taken.Site!)
        where site is { Contacts.Count: > 0 }
        from finding in Mating.Of(
            new Connector([.. site.Contacts.Select((_, i) => NetAt(wired, taken.Site!, i, instance.Part.Contacts))], site.Gender),
            new Connector([.. instance.Part.Contacts.Select(wired.Places.Canonical)], instance.Part.Gender),
            net => wired.VoltsOf(net) is not null,
            unit.PlaceName(taken.Site!),
            instance.Title,
            [instance.Subject]
        )
        select finding;

    /// <summary>The net of a site's contact after the changes: the one that is wanted there, where several meet in
    /// it.</summary>
    static string NetAt(Wired wired, string site, int contact, IReadOnlyList<string> wants)
    {
        int place = wired.Places.Find($"{site}.{contact + 1}");
        string[] names = place >= 0 ? [.. wired.NamesOf(wired.After.NodeOf(place)).Select(n => LocalName.Parse(n).Id)] : [];
        string? wanted = contact < wants.Count ? wired.Places.Canonical(wants[contact]) : null;
        return names.Contains(wanted) ? wanted! : names.FirstOrDefault("n");
    }

    static IEnumerable<Subject> SubjectsOf(Wired wired, int node) =>
        wired
            .After.Joins.Where(j => j.Change >= 0 && wired.After.NodeOf(j.A) == node)
            .Select(j => wired.Changes[j.Change].Subject)
            .Distinct()
            .DefaultIfEmpty(Subject.Unit);

    static IEnumerable<string> JoinsOf(Wired wired, int node) =>
        wired
            .After.Joins.Where(j => wired.After.NodeOf(j.A) == node)
            .Select(j => $"{wired.After.NameOf(j.A)} is joined to {wired.After.NameOf(j.B)}.");
}
