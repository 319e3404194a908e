using RustCabin.Core.Sheets;

namespace RustCabin.Core.Rom;

/// <summary>The steps of a device for a ROM site.</summary>
public static class RomActs
{
    internal const string ProofWord = "proof",
        BurnWord = "burn",
        CoverWord = "cover",
        WireWord = "wire";

    /// <summary>The device is proved by simulation.</summary>
    public static StepId Proof(string site) => new(ProofWord, site);

    /// <summary>The device is burnt.</summary>
    public static StepId Burn(string site) => new(BurnWord, site);

    /// <summary>The window of the device is covered.</summary>
    public static StepId Cover(string site) => new(CoverWord, site);

    /// <summary>The legs of the device are lifted and linked.</summary>
    public static StepId Wire(string site) => new(WireWord, site);
}
