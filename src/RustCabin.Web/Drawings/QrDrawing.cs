using System.Text;
using QRCoder;

namespace RustCabin.Web.Drawings;

/// <summary>A text as a QR code, for the camera of a phone.</summary>
static class QrDrawing
{
    /// <summary>The quiet zone round a code, in modules: what the standard asks for.</summary>
    const int Quiet = 4;

    /// <summary>The code as the path of one drawing, a module a unit, with the side of the whole.</summary>
    public static (string Path, int Side) Of(string text)
    {
        using QRCodeData code = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.M);
        // The package's own quiet zone is of the same width.
        var path = new StringBuilder();
        int side = code.ModuleMatrix.Count;
        for (int y = Quiet; y < side - Quiet; y++)
        for (int x = Quiet; x < side - Quiet; x++)
            if (code.ModuleMatrix[y][x])
                path.Append($"M{x} {y}h1v1h-1z");
        return (path.ToString(), side);
    }

    /// <summary>The same for a terminal, two modules a character high.</summary>
    public static string InText(string text)
    {
        using QRCodeData code = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.L);
        return new AsciiQRCode(code).GetGraphicSmall();
    }
}
