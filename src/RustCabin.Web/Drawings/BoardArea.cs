using RustCabin.Core.Wiring;

namespace RustCabin.Web.Drawings;

/// <summary>The part of a board that is drawn, in millimetres as it is seen.</summary>
/// <param name="X">Its left edge.</param>
/// <param name="Y">Its upper edge.</param>
/// <param name="Width">How wide it is.</param>
/// <param name="Height">How high it is.</param>
public readonly record struct BoardArea(double X, double Y, double Width, double Height)
{
    /// <summary>Room round the work, so that it is seen where it lies.</summary>
    const double Room = 9;

    /// <summary>At least so much of the board's width is drawn; more than <see cref="Most"/> of it, and all of it is.</summary>
    const double Least = 0.4,
        Most = 0.85;

    /// <summary>No higher than this part of its width, so that what follows is in the first screen too.</summary>
    const double Flat = 0.5;

    /// <summary>The whole board.</summary>
    public static BoardArea All(BoardPlan plan) => new(0, 0, plan.Width, plan.Height);

    /// <summary>Where the work is; the whole board where it lies all over it, or nowhere on it.</summary>
    public static BoardArea OfWork(Wired wired, BoardPlan plan)
    {
        Dot[] dots = [.. wired.Changes.SelectMany(wired.Touched).Select(plan.Of).OfType<Dot>()];
        if (dots.Length == 0)
            return All(plan);
        (double left, double right) = (dots.Min(d => d.X) - Room, dots.Max(d => d.X) + Room);
        (double top, double bottom) = (dots.Min(d => d.Y) - Room, dots.Max(d => d.Y) + Room);
        double high = bottom - top,
            wide = Math.Max(Math.Max(right - left, Least * plan.Width), high / Flat);
        high = Math.Min(Math.Max(high, Flat * wide), plan.Height);
        return wide > Most * plan.Width
            ? All(plan)
            : new BoardArea(
                Math.Clamp((left + right - wide) / 2, 0, plan.Width - wide),
                Math.Clamp((top + bottom - high) / 2, 0, plan.Height - high),
                wide,
                high
            );
    }
}
