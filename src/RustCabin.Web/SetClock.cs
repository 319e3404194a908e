using System.Globalization;

namespace RustCabin.Web;

/// <summary>
/// A clock that was set to a moment and runs on from there, as fast as the real one: what is written down then holds the same day
/// whenever the tests run. Only the time of day is set; waiting and measuring go by the real clock.
/// </summary>
/// <param name="start">The moment at which it starts.</param>
public sealed class SetClock(DateTimeOffset start) : TimeProvider
{
    readonly long _began = System.GetTimestamp();

    public override DateTimeOffset GetUtcNow() => start.ToUniversalTime() + System.GetElapsedTime(_began);

    /// <summary>The clock of the option <c>--clock</c>, a moment in ISO 8601; without it the real one.</summary>
    /// <exception cref="FormatException">It is not a moment.</exception>
    public static TimeProvider Of(IConfiguration options) =>
        options["clock"] is not { } set ? System
        : DateTimeOffset.TryParse(set, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out DateTimeOffset at)
            ? new SetClock(at)
        : throw new FormatException($"--clock: \"{set}\" is not a moment, such as 2026-11-26T09:30:00Z.");
}
