using RustCabin.Core.Cards;
using RustCabin.Core.Findings;
using RustCabin.Core.Planning;
using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;
using RustCabin.Core.Units;

namespace RustCabin.Core.Storage;

/// <summary>
/// Other divisions of a card that cannot be as it is, those that change least first. None of them drops a partition or what it
/// holds. Source: docs/handbook/storage.md, Limits.
/// </summary>
static class CardMends
{
    /// <summary>The divisions to try, each with the plan that comes of it.</summary>
    public static IEnumerable<Proposal> Of(PlannedUnit unit) =>
        from card in PlannedCard.Of(unit)
        where IsWrong(card.Layout)
        from partitions in Divisions(card)
        let planned = unit with
        {
            Job = StorageEdits.Divide(unit.Job!, InstanceName.Parse(card.Card.On), partitions),
        }
        where !PlannedCard.Of(planned).Any(c => c.Card.On == card.Card.On && IsWrong(c.Layout))
        select new Proposal(
            new Fix
            {
                Cards = new Dictionary<string, IReadOnlyList<CardPartition>> { [card.Card.On] = partitions },
                Divides = Words(card, partitions),
            },
            planned
        );

    static bool IsWrong(CardLayout layout) => CardFindings.Of(layout, Subject.None).Any(f => f.Severity == Severity.Stop);

    static IEnumerable<IReadOnlyList<CardPartition>> Divisions(PlannedCard card)
    {
        IReadOnlyList<CardPartition> now = card.Card.Partitions;
        IReadOnlyList<CardPartition>[] bases = [now, OneStart(now), StartFirst(now), StartFirst(OneStart(now))];
        return bases
            .SelectMany(b => (IReadOnlyList<CardPartition>[])[b, Capped(card, b), Yielding(b), Yielding(Capped(card, b))])
            .Where(d => !d.SequenceEqual(now));
    }

    /// <summary>Only the first that is marked to start from stays so.</summary>
    static CardPartition[] OneStart(IReadOnlyList<CardPartition> all)
    {
        int first = all.ToList().FindIndex(p => p.Start);
        return [.. all.Select((p, i) => p with { Start = p.Start && i == first })];
    }

    /// <summary>What the machine starts from lies before all else.</summary>
    static CardPartition[] StartFirst(IReadOnlyList<CardPartition> all) => [.. all.OrderBy(p => !p.Start)];

    /// <summary>None larger than the host, the start and its file system take.</summary>
    static CardPartition[] Capped(PlannedCard card, IReadOnlyList<CardPartition> all) => [.. all.Select(p => Capped(card, p))];

    static CardPartition Capped(PlannedCard card, CardPartition one)
    {
        if (one.Size is not { } size)
            return one;
        HostLimits host = card.Layout.Host;
        long unit = card.Layout.Unit * HostLimits.Sector,
            most = new[]
            {
                (long)size.Bytes,
                (long?)host.LargestPartition?.Bytes ?? long.MaxValue,
                one.Start && host.StartWithin is { } within ? (long)within.Bytes - unit : long.MaxValue,
                FatLayout.MostSectors(one.Fs, (long?)one.Cluster?.Bytes) is { } sectors
                    ? sectors * HostLimits.Sector
                    : long.MaxValue,
            }.Min();
        return most == (long)size.Bytes || most < unit ? one : one with { Size = new ByteSize((ulong)(most / unit * unit)) };
    }

    /// <summary>The largest takes what the others leave, where none does.</summary>
    static IReadOnlyList<CardPartition> Yielding(IReadOnlyList<CardPartition> all)
    {
        if (all.Count == 0 || all.Any(p => p.Rest))
            return all;
        CardPartition largest = all.MaxBy(p => p.Size!.Value.Bytes)!;
        return [.. all.Select(p => ReferenceEquals(p, largest) ? p with { Size = null, Rest = true } : p)];
    }

    static string Words(PlannedCard card, IReadOnlyList<CardPartition> partitions)
    {
        IReadOnlyList<CardPartition> now = card.Card.Partitions;
        IEnumerable<string> sizes =
            from p in partitions
            let was = now.First(n => n.Name == p.Name)
            where was.Size != p.Size || was.Rest != p.Rest
            select p.Rest ? $"Give {p.Name} the rest" : $"Give {p.Name} {p.Size}";
        IEnumerable<string> starts =
            from p in partitions
            where !p.Start && now.First(n => n.Name == p.Name).Start
            select $"Start not from {p.Name}";
        string[] moved =
        [
            .. partitions.Zip(now).Where(b => b.First.Name != b.Second.Name).Take(1).Select(b => $"Put {b.First.Name} first"),
        ];
        return string.Join(", ", sizes.Concat(starts).Concat(moved));
    }
}
