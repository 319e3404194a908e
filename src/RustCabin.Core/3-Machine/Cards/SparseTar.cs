using System.Formats.Tar;
using System.Globalization;
using System.Text;

namespace RustCabin.Core.Cards;

/// <summary>
/// A large image as a tar archive that leaves out what is zero (PAX form of GNU's sparse files, 1.0): <c>tar -xSf</c> makes the
/// whole file again. Source: docs/handbook/storage.md, Written out.
/// </summary>
public static class SparseTar
{
    const int Block = 512;

    /// <summary>The archive of one image.</summary>
    /// <param name="image">The image.</param>
    /// <param name="name">The file's name in the archive.</param>
    public static byte[] Of(CardImage image, string name)
    {
        var map = new StringBuilder();
        map.Append(CultureInfo.InvariantCulture, $"{image.Extents.Count + 1}\n");
        foreach (Extent extent in image.Extents)
            map.Append(CultureInfo.InvariantCulture, $"{extent.Offset}\n{extent.Data.Length}\n");
        map.Append(CultureInfo.InvariantCulture, $"{image.Bytes}\n0\n");
        byte[] head = Encoding.ASCII.GetBytes(map.ToString());
        using var data = new MemoryStream();
        data.Write(head);
        data.Write(new byte[(Block - head.Length % Block) % Block]);
        foreach (Extent extent in image.Extents)
            data.Write(extent.Data);
        data.Position = 0;

        using var archive = new MemoryStream();
        using (var writer = new TarWriter(archive, TarEntryFormat.Pax, leaveOpen: true))
            writer.WriteEntry(
                new PaxTarEntry(
                    TarEntryType.RegularFile,
                    $"GNUSparseFile.0/{name}",
                    new Dictionary<string, string>
                    {
                        ["GNU.sparse.major"] = "1",
                        ["GNU.sparse.minor"] = "0",
                        ["GNU.sparse.name"] = name,
                        ["GNU.sparse.realsize"] = image.Bytes.ToString(CultureInfo.InvariantCulture),
                    }
                )
                {
                    DataStream = data,
                    ModificationTime = DateTimeOffset.UnixEpoch,
                }
            );
        return archive.ToArray();
    }
}
