using RustCabin.Core.Gathered;
using RustCabin.Core.Wants;

namespace RustCabin.Core;

/// <summary>
/// Every station that has something to say, in the order in which their findings are told.
/// </summary>
public static class Trail
{
    /// <summary>The stations. A new one is a folder of its own and a line here.</summary>
    public static readonly StationList Stations = new([
        new Identify.IdentifyStation(),
        new Baseline.BaselineStation(),
        new Fit.FitStation(),
        new Memory.MemoryStation(),
        new Power.PowerStation(),
        new Rom.RomStation(),
        new Speed.SpeedStation(),
        new Storage.StorageStation(),
        new PictureSound.PictureSoundStation(),
        new Wiring.WiringStation(),
        new WantsStation(),
        new Mends.MendStation(),
        new Care.CareStation(),
        new Build.BuildStation(),
        new Passport.PassportStation(),
    ]);
}
