using System.Security.Cryptography;

namespace RustCabin.Core.Images;

/// <summary>
/// How the words of an image lie: readable text is found as it stands, or only with the bytes of each 16-bit word swapped;
/// unknown where neither tells.
/// </summary>
public enum ByteOrder
{
    /// <summary>Neither tells.</summary>
    Unknown,

    /// <summary>It reads as it stands.</summary>
    Straight,

    /// <summary>It reads with the bytes of each word exchanged.</summary>
    Swapped,
}

/// <summary>
/// What an image is: sums of its bytes modulo 2^16 and 2^32, hashes as lower-case hex, blank bytes (0xFF), whether its halves are
/// the same, and its likely byte order.
/// Source: docs/handbook/rom.md, Images.
/// </summary>
public sealed record RomInspection(
    int Size,
    string Crc32,
    string Sha1,
    string Sha256,
    uint Sum16,
    uint Sum32,
    int BlankBytes,
    bool RepeatedHalves,
    ByteOrder ByteOrder
)
{
    /// <summary>
    /// The evidence for the byte order: frequent pairs of letters found straight, and with the bytes of each word swapped.
    /// </summary>
    public int StraightPairs { get; init; }

    /// <summary>Pairs of letters found with the bytes of each word exchanged.</summary>
    public int SwappedPairs { get; init; }

    /// <summary>The first readable words in it, in the order that they read in; null: none of 12 letters or more.</summary>
    public string? Sample { get; init; }

    /// <summary>The guess with its evidence, for a person; empty where there is none.</summary>
    public string OrderWords =>
        ByteOrder == ByteOrder.Unknown
            ? ""
            : $"text reads {(ByteOrder == ByteOrder.Straight ? "straight" : "swapped")}: "
                + $"{Math.Max(StraightPairs, SwappedPairs):#,0} pairs of letters against "
                + $"{Math.Min(StraightPairs, SwappedPairs):#,0}{(Sample is { } words ? $", \"{words}\"" : "")}";

    /// <summary>Looks into an image.</summary>
    public static RomInspection Of(ReadOnlySpan<byte> image)
    {
        uint sum = 0;
        int blank = 0;
        foreach (byte b in image)
        {
            sum += b;
            if (b == 0xFF)
                blank++;
        }
#pragma warning disable CA5350 // Told so that an image can be found in lists that go by it; nothing is secured with it.
        string sha1 = Convert.ToHexStringLower(SHA1.HashData(image));
#pragma warning restore CA5350
        bool halves =
            image.Length > 0 && image.Length % 2 == 0 && image[..(image.Length / 2)].SequenceEqual(image[(image.Length / 2)..]);
        int straight = Readable(image, 0),
            swapped = Readable(image, 1);
        ByteOrder order = OrderOf(image, straight, swapped);
        return new RomInspection(
            image.Length,
            System.IO.Hashing.Crc32.HashToUInt32(image).ToString("x8"),
            sha1,
            Convert.ToHexStringLower(SHA256.HashData(image)),
            sum & 0xFFFF,
            sum,
            blank,
            halves,
            order
        )
        {
            StraightPairs = straight,
            SwappedPairs = swapped,
            Sample = order == ByteOrder.Unknown ? null : FirstWords(image, order == ByteOrder.Swapped ? 1 : 0),
        };
    }

    /// <summary>
    /// Which order the pairs of letters speak for. Noise has such pairs too, as many in either order, so only what chance would
    /// give less than once in a million counts; or once in ten, where there is a run of letters that noise does not have.
    /// </summary>
    static ByteOrder OrderOf(ReadOnlySpan<byte> image, int straight, int swapped)
    {
        double chance = ByChance(Math.Max(straight, swapped), Math.Min(straight, swapped));
        return straight == swapped || chance > 0.1 || (chance > 1e-6 && FirstWords(image, 0) is null) ? ByteOrder.Unknown
            : straight > swapped ? ByteOrder.Straight
            : ByteOrder.Swapped;
    }

    /// <summary>How likely it is, 0 to 1, that so lopsided a count comes about where either order is as likely.</summary>
    static double ByChance(int more, int less)
    {
        int all = more + less;
        if (all > 1000)
            return (more - less) / Math.Sqrt(all) > 5 ? 0 : 1;
        double share = Math.Pow(0.5, all),
            sum = 0;
        for (int k = 0; k <= less; k++)
        {
            sum += share;
            share = share * (all - k) / (k + 1);
        }
        return 2 * sum;
    }

    const int LeastWords = 12,
        MostWords = 28;

    /// <summary>The first run of letters and blanks.</summary>
    static string? FirstWords(ReadOnlySpan<byte> image, int flip)
    {
        int run = 0;
        for (int i = 0; i < (image.Length & ~1); i++)
        {
            run = Reads(image[i ^ flip]) ? run + 1 : 0;
            if (run < LeastWords || (run < MostWords && i + 1 < (image.Length & ~1) && Reads(image[(i + 1) ^ flip])))
                continue;
            char[] words = new char[run];
            for (int k = 0; k < run; k++)
                words[k] = (char)image[(i - run + 1 + k) ^ flip];
            return new string(words).Trim();
        }
        return null;

        static bool Reads(byte b) => b is (byte)' ' or (byte)'.' or (byte)',' || char.IsAsciiLetter((char)b);
    }

    static readonly bool[] CommonPairs = Pairs(
        "th he in er an re on at en nd ti es or te of ed is it al ar st to nt ng se ha as ou io le ve co me de hi ri ro ic ne "
            + "ea ra ce"
    );

    static bool[] Pairs(string pairs)
    {
        bool[] known = new bool[1 << 16];
        foreach (string pair in pairs.Split(' '))
            known[pair[0] << 8 | pair[1]] = true;
        return known;
    }

    /// <summary>
    /// How many of the trade's most frequent letter pairs stand in it, read straight (0) or with the bytes of each word swapped
    /// (1).
    /// </summary>
    static int Readable(ReadOnlySpan<byte> image, int flip)
    {
        int found = 0,
            before = 0;
        for (int i = 0; i < (image.Length & ~1); i++)
        {
            int now = image[i ^ flip] | 0x20;
            if (now is < 'a' or > 'z')
                now = 0;
            if (before != 0 && now != 0 && CommonPairs[before << 8 | now])
                found++;
            before = now;
        }
        return found;
    }
}
