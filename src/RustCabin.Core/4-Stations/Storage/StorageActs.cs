using RustCabin.Core.Sheets;
using RustCabin.Core.Stations;

namespace RustCabin.Core.Storage;

/// <summary>The steps of a card.</summary>
static class StorageActs
{
    const string CardWord = "card",
        KitWord = "kit",
        StartWord = "start",
        LookWord = "look";

    /// <summary>All of them.</summary>
    internal static readonly IReadOnlyList<Act> All =
    [
        Act.Traceless(CardWord),
        Act.Traceless(KitWord),
        Act.Traceless(StartWord),
        Act.Traceless(LookWord),
    ];

    /// <summary>The card for an instance is prepared.</summary>
    public static StepId PrepareCard(InstanceName instance) => new(CardWord, instance);

    /// <summary>The kit of an instance is copied onto its card.</summary>
    public static StepId CopyKit(InstanceName instance) => new(KitWord, instance);

    /// <summary>The machine starts from the card in an instance.</summary>
    public static StepId StartFrom(InstanceName instance) => new(StartWord, instance);

    /// <summary>What stands on the card in an instance is looked at on the machine.</summary>
    public static StepId LookAtCard(InstanceName instance) => new(LookWord, instance);
}
