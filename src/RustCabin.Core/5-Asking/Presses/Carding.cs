using RustCabin.Core.Cards;
using RustCabin.Core.Declared;
using RustCabin.Core.Sheets;
using RustCabin.Core.Storage;
using RustCabin.Core.Units;
using static RustCabin.Core.Presses.Press;

namespace RustCabin.Core.Presses;

/// <summary>What was typed of a partition.</summary>
public sealed record PartitionForm(string? Name, string? Size, string? Fs, string? Cluster, bool Start)
{
    /// <summary>The change of the partition, and its words for the log; or what is wrong with which field.</summary>
    public (Func<CardPartition, CardPartition>? Edit, string Words, Refusal? Refused) Read()
    {
        if (!Texts.TryNeeded<CardPartition>(nameof(CardPartition.Name), Name, out string called))
            return Wrong("name", $"a partition's name has 1 to {Texts.Most<CardPartition>(nameof(CardPartition.Name))} letters.");
        if (StorageEdits.Typed(Size ?? "") is not { } typed)
            return Wrong("size", $"the size \"{Size}\" does not read; type one such as 512M or 4 GiB, or rest.");
        if (!Words<FileSystem>.TryParse(Fs ?? "", out FileSystem kind))
            return Wrong("fs", $"\"{Fs}\" is not a file system.");
        ByteSize? wanted = null;
        if (!string.IsNullOrWhiteSpace(Cluster))
        {
            if (StorageEdits.Typed(Cluster) is not { Size: { } given })
                return Wrong("cluster", $"the cluster \"{Cluster}\" is no size, such as 32K.");
            wanted = given;
        }
        return (
            p => p with { Name = called, Size = typed.Size, Rest = typed.Remaining, Fs = kind, Cluster = wanted, Start = Start },
            $"{called}: {(typed.Remaining ? "the rest" : typed.Size!.Value.ToString())}",
            null
        );
    }

    static (Func<CardPartition, CardPartition>?, string, Refusal?) Wrong(string field, string why) =>
        (null, "", Refuse(field, $"Nothing was changed: {why}"));
}

/// <summary>Cards, their partitions, what they hold, and the ids of a bus.</summary>
public static class Carding
{
    /// <summary>Puts a card into a device, by what its label says.</summary>
    public static Press<Job> Card(AtHand at, InstanceName on, string? label)
    {
        string typed = Texts.Of(label);
        if (CardLabel.Parse(typed, out string wrong) is null)
            return Refuse("label", $"Nothing was changed: {wrong}.");
        return Attached.Of(at.After).Any(d => d.Device.Name == on && d.Storage.TakesCard)
            ? Change($"A card of {typed} in {at.After.Find(on)!.Title}", j => StorageEdits.Put(j, on, typed))
            : Gone;
    }

    /// <summary>Takes the card out again.</summary>
    public static Press<Job> NoCard(InstanceName on) => Change("The card taken out", j => StorageEdits.Drop(j, on));

    /// <summary>Adds a partition.</summary>
    public static Press<Job> More(InstanceName on, string? fs) =>
        Words<FileSystem>.TryParse(fs ?? "fat", out FileSystem kind)
            ? Change("Another partition", j => StorageEdits.AddPartition(j, on, kind))
            : Gone;

    /// <summary>Takes a partition away.</summary>
    public static Press<Job> Fewer(InstanceName on, int index) =>
        Change($"Partition {index + 1} taken away", j => StorageEdits.DropPartition(j, on, index));

    /// <summary>Takes what was typed of a partition.</summary>
    public static Press<Job> Partition(InstanceName on, int index, PartitionForm typed) =>
        typed.Read() is var (edit, words, refused) && edit is null
            ? refused!
            : Change(words, j => StorageEdits.Partition(j, on, index, edit!));

    /// <summary>A partition's end was dragged: its size in whole MiB.</summary>
    public static Press<Job> Drag(InstanceName on, int index, long mib)
    {
        if (mib is <= 0 or > CardLabel.Largest / CardLabel.MiB)
            return Gone;
        var size = new ByteSize((ulong)mib << 20);
        return Change(
            $"Partition {index + 1}: {size}",
            j => StorageEdits.Partition(j, on, index, p => p with { Size = size, Rest = false })
        );
    }

    /// <summary>Chooses a value of the card's kit.</summary>
    public static Press<Job> Choose(AtHand at, InstanceName on, string choice, string value) =>
        at.After.Find(on)?.Part.CardKit?.Choices.FirstOrDefault(c => c.Id == choice) is { } known && known.Values.Contains(value)
            ? Change($"{known.Label}: {value}", j => StorageEdits.Choose(j, on, choice, value))
            : Gone;

    /// <summary>Puts a title onto a partition, or takes it off.</summary>
    public static Press<Job> Hold(AtHand at, InstanceName on, int index, string title, bool holds) =>
        at.Sheets.FindTitle(title) is { } known
            ? Change($"{known.Name} {(holds ? "onto" : "off")} the card", j => StorageEdits.Hold(j, on, index, title, holds))
            : Gone;

    /// <summary>Says what stands on an id of the bus; nothing: it is free.</summary>
    public static Press<Job> Id(AtHand at, InstanceName on, int id, string? what)
    {
        int most = Attached.Of(at.After).FirstOrDefault(d => d.Device.Name == on)?.Host?.Host.Ids ?? 0;
        if (id < 0 || id >= most)
            return Refuse("id", $"Nothing was changed: the bus has the ids 0 to {most - 1}.");
        return Texts.TryOptional<JobCard>(nameof(JobCard.Ids), what, out string said)
            ? Change(said.Length > 0 ? $"Id {id}: {said}" : $"Id {id} is free", j => StorageEdits.Id(j, on, id, said))
            : Refuse(
                "what",
                $"Nothing was changed: say in up to {Texts.Most<JobCard>(nameof(JobCard.Ids))} letters what stands on the id."
            );
    }

    /// <summary>Says where the card's contents come from.</summary>
    public static Press<Job> Origin(InstanceName on, string origin, string? from) =>
        Words<CardOrigin>.TryParse(origin, out CardOrigin known)
        && Texts.TryOptional<JobCard>(nameof(JobCard.From), from, out string text)
            ? Change($"The card's contents: {origin}", j => StorageEdits.From(j, on, known, text))
            : Gone;

    /// <summary>Says that a device that the job burns holds the firmware of an interface's variant, or does not.</summary>
    public static Press<Job> Variant(AtHand at, string site, string variant, bool holds) =>
        Attached.Of(at.After).Any(d => d.Storage.Variant == variant)
            ? Change(
                $"The device in {IdText.Plain(site)} {(holds ? "holds" : "does not hold")} firmware of variant {variant}",
                j => StorageEdits.Variant(j, site, holds ? variant : null)
            )
            : Gone;

    /// <summary>Clones a card of another job.</summary>
    /// <param name="on">The device whose card it becomes.</param>
    /// <param name="other">The other job and its unit; null: they are not there any more.</param>
    /// <param name="card">The device of the other job whose card it is.</param>
    public static Press<Job> Clone(InstanceName on, (Job Job, Unit Unit)? other, string card) =>
        other is var (from, unit) && from.Cards.FirstOrDefault(c => c.On == card && c.Partitions.Count > 0) is { } found
            ? Change(
                $"Cloned from the card of {from.Name}",
                j => StorageEdits.Clone(j, on, found, $"{found.Labelled} of {unit.Name}, {from.Name}")
            )
            : Gone;

    /// <summary>Notes which file of a release went into a device, and its checksum, for the passport.</summary>
    public static Press<Job> Release(AtHand at, InstanceName on, string file, string? sum)
    {
        if (at.After.Find(on)?.Part is not { Releases.Count: > 0 } || file.Length == 0)
            return Gone;
        string plain = (sum ?? "").Trim().ToLowerInvariant();
        if (plain.Length > 0 && (plain.Length != 64 || !plain.All(char.IsAsciiHexDigit)))
            return Refuse("sum", "Nothing was noted: a SHA-256 has 64 hexadecimal digits.");
        var taken = new ReleaseTaken
        {
            On = on,
            File = file,
            Sum = plain.Length > 0 ? plain : null,
            At = at.Moment,
        };
        return Change($"{file} went in", j => StorageEdits.Release(j, taken));
    }

    /// <summary>Why a pasted listing is not held against the kit; null: it is.</summary>
    public static Refusal? Listing(string? listing) =>
        (listing ?? "").Length > KitFiles.MostListing
            ? Refuse("listing", $"That listing is longer than {KitFiles.MostListing:#,0} letters.")
        : string.IsNullOrWhiteSpace(listing) ? Refuse("listing", "Nothing was compared: paste the card's listing, a path a line.")
        : null;
}
