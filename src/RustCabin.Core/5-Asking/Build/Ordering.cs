using RustCabin.Core.Choices;

namespace RustCabin.Core.Build;

/// <summary>
/// The order with the fewest changes of access that the needs allow; of equals, at each place the step that is listed earliest.
/// Proven for up to 60 steps, or, where the time is over first, with a number of changes that no order can be below. Source:
/// docs/handbook/build.md, Order.
/// </summary>
/// <param name="Order">The steps by their places on the list.</param>
/// <param name="AccessChanges">Steps along the tree of levels, up or down, from the closed case and back to it.</param>
/// <param name="AccessMinutes">What they cost.</param>
/// <param name="Tried">How many states were looked at.</param>
/// <param name="AtLeast">No order has fewer changes; as many as this has where it is proven to be the best.</param>
public sealed record Ordering(IReadOnlyList<int> Order, int AccessChanges, decimal AccessMinutes, int Tried, int AtLeast)
{
    /// <summary>Finds the order.</summary>
    /// <param name="asked">Levels and steps, read without an error.</param>
    /// <param name="within">
    /// How long it may look for the proof; null: as long as it takes. After it the best of a narrower look is given.
    /// </param>
    public static Ordering Of(OrderAsked asked, TimeSpan? within = null)
    {
        var search = new OrderSearch(asked, within);
        try
        {
            return search.Proven();
        }
        catch (OutOfTimeException)
        {
            return search.Near();
        }
    }

    /// <summary>The best of a narrow look, without a proof: what <see cref="Of"/> gives where the time is over.</summary>
    /// <param name="asked">Levels and steps, read without an error.</param>
    public static Ordering Near(OrderAsked asked) => new OrderSearch(asked, null).Near();
}
