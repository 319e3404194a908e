using RustCabin.Core.Presses;

namespace RustCabin.Web.Stations;

/// <summary>Where what goes on by itself is looked after.</summary>
public static class RunningLinks
{
    /// <summary>The page and the place on it.</summary>
    public static string Of(string job, Running one) =>
        one.At switch
        {
            RunningAt.Build => $"/jobs/{job}/build#step-{one.About}",
            RunningAt.Care => $"/jobs/{job}/care",
            _ => $"/jobs/{job}/rom?at={Uri.EscapeDataString(one.About)}",
        };

    /// <summary>What the window's title begins with once it is ready.</summary>
    public static string Over(Running one) =>
        one.At switch
        {
            RunningAt.Rom => "Eraser off:",
            RunningAt.Care => "Look:",
            _ => "Ready:",
        };
}
