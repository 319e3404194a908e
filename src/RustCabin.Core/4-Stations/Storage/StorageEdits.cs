using RustCabin.Core.Cards;
using RustCabin.Core.Sheets;
using RustCabin.Core.Units;

namespace RustCabin.Core.Storage;

/// <summary>What a job plans for its cards, as typed changes of its record; null: no card is planned there.</summary>
public static class StorageEdits
{
    /// <summary>Puts a card of a size into a part; one that is planned there keeps its partitions.</summary>
    public static Job Put(Job job, InstanceName on, string label) =>
        job.Cards.Any(c => c.On == on)
            ? With(job, on, card => card with { Labelled = label })!
            : job with
            {
                Cards = [.. job.Cards, new JobCard { On = on, Labelled = label }],
            };

    /// <summary>A file of a release went into a device; it takes the place of the one before.</summary>
    public static Job Release(Job job, ReleaseTaken taken) =>
        job with
        {
            Releases = [.. job.Releases.Where(r => r.On != taken.On), taken],
        };

    /// <summary>Takes the card back out.</summary>
    public static Job? Drop(Job job, InstanceName on) =>
        job.Cards.Any(c => c.On == on) ? job with { Cards = [.. job.Cards.Where(c => c.On != on)] } : null;

    /// <summary>Another partition behind the others; the first takes the rest.</summary>
    public static Job? AddPartition(Job job, InstanceName on, FileSystem fs) =>
        With(
            job,
            on,
            card =>
                card with
                {
                    Partitions =
                    [
                        .. card.Partitions,
                        new CardPartition
                        {
                            Name = Free(card),
                            Fs = fs,
                            Rest = !card.Partitions.Any(p => p.Rest),
                            Size = card.Partitions.Any(p => p.Rest) ? new ByteSize(64ul << 20) : null,
                        },
                    ],
                }
        );

    static string Free(JobCard card) =>
        Enumerable.Range(1, int.MaxValue).Select(n => $"DISK{n}").First(name => card.Partitions.All(p => p.Name != name));

    /// <summary>Changes a partition by its number from 0; one that takes the rest takes it from another.</summary>
    public static Job? Partition(Job job, InstanceName on, int index, Func<CardPartition, CardPartition> change) =>
        With(
            job,
            on,
            card =>
                index < 0 || index >= card.Partitions.Count
                    ? null
                    : card with
                    {
                        Partitions = Alone([.. card.Partitions.Select((p, i) => i == index ? change(p) : p)], index),
                    }
        );

    static CardPartition[] Alone(CardPartition[] all, int index) =>
        !all[index].Rest
            ? all
            : [.. all.Select((p, i) => i != index && p.Rest ? p with { Rest = false, Size = new ByteSize(64ul << 20) } : p)];

    /// <summary>Divides a card otherwise.</summary>
    public static Job? Divide(Job job, InstanceName on, IReadOnlyList<CardPartition> partitions) =>
        With(job, on, card => card with { Partitions = partitions });

    /// <summary>Takes a partition away.</summary>
    public static Job? DropPartition(Job job, InstanceName on, int index) =>
        With(
            job,
            on,
            card =>
                index < 0 || index >= card.Partitions.Count
                    ? null
                    : card with
                    {
                        Partitions = [.. card.Partitions.Where((_, i) => i != index)],
                    }
        );

    /// <summary>Says of which variant the firmware is that the device for a ROM site holds; null: none is planned.</summary>
    public static Job? Variant(Job job, string site, string? variant) =>
        job.Roms.Any(r => r.Site == site)
            ? job with
            {
                Roms = [.. job.Roms.Select(r => r.Site == site ? r with { Variant = variant } : r)],
            }
            : null;

    /// <summary>Chooses something for the kit.</summary>
    public static Job? Choose(Job job, InstanceName on, string choice, string value) =>
        With(job, on, card => card with { Choices = With(card.Choices, choice, value) });

    /// <summary>Says what stands on an id; nothing: the id is free.</summary>
    public static Job? Id(Job job, InstanceName on, int id, string what) =>
        With(job, on, card => card with { Ids = With(card.Ids, $"{id}", what) });

    /// <summary>Says how the contents come onto the card.</summary>
    public static Job? From(Job job, InstanceName on, CardOrigin origin, string from) =>
        With(job, on, card => card with { Origin = origin, From = from });

    /// <summary>
    /// Clones another card: its partitions, choices and origin. The size of this one stays: where it is the smaller, the last
    /// partition takes what is left.
    /// </summary>
    public static Job? Clone(Job job, InstanceName on, JobCard other, string from) =>
        With(
            job,
            on,
            card =>
                card with
                {
                    Partitions = Fitted(other.Partitions, card.Labelled),
                    Choices = other.Choices,
                    Origin = CardOrigin.Clone,
                    From = from,
                }
        );

    static IReadOnlyList<CardPartition> Fitted(IReadOnlyList<CardPartition> partitions, string label)
    {
        long usable = CardLabel.Parse(label, out _)?.UsableBytes ?? 0,
            wanted = partitions.Sum(p => (long)(p.Size?.Bytes ?? 0)) + CardLabel.MiB;
        return wanted <= usable || partitions.Count == 0 || partitions.Any(p => p.Rest)
            ? partitions
            : [.. partitions.SkipLast(1), partitions[^1] with { Size = null, Rest = true }];
    }

    /// <summary>A title onto a partition, and off every other of the card.</summary>
    public static Job? Hold(Job job, InstanceName on, int index, string title, bool holds) =>
        With(
            job,
            on,
            card =>
                card with
                {
                    Partitions =
                    [
                        .. card.Partitions.Select(
                            (p, i) =>
                                p with
                                {
                                    Holds = [.. p.Holds.Where(t => t != title), .. i == index && holds ? [title] : (string[])[]],
                                }
                        ),
                    ],
                }
        );

    /// <summary>A size as it is typed on the page: nothing or "rest" takes the rest; null: it does not read as one.</summary>
    public static (ByteSize? Size, bool Remaining)? Typed(string text)
    {
        string typed = text.Trim();
        if (typed.Length == 0 || typed.Equals("rest", StringComparison.OrdinalIgnoreCase))
            return (null, true);
        bool read = ByteSize.TrySpoken(typed, out ByteSize size) || ByteSize.TryParse(typed.ToUpperInvariant(), out size);
        return read && size.Bytes > 0 && size.Bytes <= CardLabel.Largest ? (size, false) : null;
    }

    static OrderedDictionary<string, string> With(OrderedDictionary<string, string> map, string key, string value)
    {
        var after = new OrderedDictionary<string, string>(map);
        if (value.Length == 0)
            after.Remove(key);
        else
            after[key] = value;
        return after;
    }

    static Job? With(Job job, InstanceName on, Func<JobCard, JobCard?> change)
    {
        if (job.Cards.FirstOrDefault(c => c.On == on) is not { } card || change(card) is not { } changed)
            return null;
        return job with { Cards = [.. job.Cards.Select(c => c == card ? changed : c)] };
    }
}
