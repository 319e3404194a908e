using RustCabin.Core.Baseline;

namespace RustCabin.Web.Stations;

/// <summary>Pictures as a browser sends them. Each is looked into: what is no picture by its contents is refused.</summary>
static class PhotoUpload
{
    /// <summary>The pictures, or why none is kept, with the status that says so.</summary>
    public static async Task<(IReadOnlyList<Photo> Photos, int Status, string Wrong)> Read(
        IEnumerable<IFormFile> files,
        CancellationToken cancel
    )
    {
        var read = new List<Photo>();
        foreach (IFormFile upload in files)
            try
            {
                if (upload.Length > Photo.LargestBytes)
                    return (
                        [],
                        StatusCodes.Status413PayloadTooLarge,
                        $"{upload.FileName} is {upload.Length / 1_000_000.0:0.#} MB; {Photo.LargestBytes / 1_000_000} MB are "
                            + "allowed. No picture was kept."
                    );
                var bytes = new MemoryStream();
                await upload.CopyToAsync(bytes, cancel);
                read.Add(Photo.Read(bytes.GetBuffer().AsSpan(0, (int)bytes.Length)));
            }
            catch (FormatException why)
            {
                return (
                    [],
                    StatusCodes.Status422UnprocessableEntity,
                    $"{upload.FileName} was refused: {why.Message} No picture was kept."
                );
            }
        return (read, StatusCodes.Status200OK, "");
    }
}
