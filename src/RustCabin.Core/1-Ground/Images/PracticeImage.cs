using System.Text;

namespace RustCabin.Core.Images;

/// <summary>
/// Makes invented images to practise on: code-like bytes, readable text of this cabin's own, blank space. The same seed gives the
/// same image.
/// </summary>
public static class PracticeImage
{
    static readonly string[] Lines =
    [
        "the harbour bell rings at four\n",
        "mind the tide and the slipway\n",
        "no memory was found at this place\n",
        "insert a card and press a key\n",
        "started from the winter shelf\n",
    ];

    /// <param name="bytes">How large, 1 byte to 16 MiB.</param>
    public static byte[] Make(int bytes, int seed = 7)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(bytes, 1);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(bytes, 16 << 20);
        byte[] image = new byte[bytes];
        var random = new Random(seed);
        random.NextBytes(image.AsSpan(0, bytes * 5 / 8));
        var text = new StringBuilder();
        while (text.Length < bytes / 8)
            text.Append(Lines[random.Next(Lines.Length)]);
        Encoding.ASCII.GetBytes(text.ToString()).AsSpan(0, bytes / 8).CopyTo(image.AsSpan(bytes * 5 / 8));
        image.AsSpan(bytes * 6 / 8).Fill(0xFF);
        if (bytes >= 64)
            random.NextBytes(image.AsSpan(bytes - 32));
        return image;
    }
}
