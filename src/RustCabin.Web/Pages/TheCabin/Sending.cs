using RustCabin.Data;

namespace RustCabin.Web.Pages.TheCabin;

/// <summary>
/// The one copy of the cabin that is on its way to a browser: there is never a second beside the data. It lies where a start
/// looks for what a kill left, and goes with the stream, however that ends. Source: docs/security.md, Backup.
/// </summary>
public sealed class Sending(CabinFile file, Backup backup, TimeProvider clock) : IDisposable
{
    readonly Lock _beginning = new();
    Copy? _now;

    /// <summary>The copy that is being sent: since when, and its bytes; null: none is.</summary>
    public (DateTimeOffset Since, long Bytes)? Now => _now is { } copy ? (copy.Since, copy.Length) : null;

    /// <inheritdoc/>
    public void Dispose() => _now?.Dispose();

    /// <summary>So long the reader may take nothing.</summary>
    static readonly TimeSpan Patience = TimeSpan.FromSeconds(10);

    /// <summary>Copies the cabin and gives the copy to be read once.</summary>
    /// <param name="giveUp">Ends the answer to a reader that stands still.</param>
    /// <returns>Null: one is being sent.</returns>
    /// <exception cref="CabinFileException">The copy is not sound, or the disk has no room for it.</exception>
    public Stream? Begin(Action giveUp)
    {
        lock (_beginning)
        {
            if (_now is not null)
                return null;
            string home = Path.GetDirectoryName(file.Path)!;
            long wanted = new FileInfo(file.Path).Length + CabinHealth.Room;
            if (new DriveInfo(home).AvailableFreeSpace < wanted)
                throw new CabinFileException(
                    $"A copy wants {wanted / 1_000_000:N0} MB, and the disk of {home} has less. No backup was made."
                );
            string path = Leftovers.Sent(file.Path);
            File.Delete(path);
            backup.To(path);
            return _now = new Copy(path, clock.GetUtcNow(), giveUp, over: () => _now = null);
        }
    }

    /// <summary>The file while it is read; whoever takes nothing of it for a while is given up.</summary>
    sealed class Copy : Stream
    {
        readonly FileStream _file;
        readonly Action _over;
        readonly Timer _watch;
        int _ended;

        public Copy(string path, DateTimeOffset since, Action giveUp, Action over)
        {
            _file = new(path, FileMode.Open, FileAccess.Read, FileShare.None, 1 << 16, FileOptions.DeleteOnClose);
            (Since, Length, _over) = (since, _file.Length, over);
            _watch = new Timer(_ => giveUp(), null, Patience, Timeout.InfiniteTimeSpan);
        }

        public DateTimeOffset Since { get; }

        /// <summary>Kept from the beginning: a page may ask while the copy ends.</summary>
        public override long Length { get; }

        public override bool CanRead => true;
        public override bool CanSeek => false;
        public override bool CanWrite => false;

        public override long Position
        {
            get => _file.Position;
            set => throw new NotSupportedException();
        }

        public override ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default)
        {
            if (_ended == 0)
                _watch.Change(Patience, Timeout.InfiniteTimeSpan);
            return _file.ReadAsync(buffer, cancellationToken);
        }

        public override int Read(byte[] buffer, int offset, int count) => _file.Read(buffer, offset, count);

        public override void Flush() { }

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        protected override void Dispose(bool disposing)
        {
            if (disposing && Interlocked.Exchange(ref _ended, 1) == 0)
            {
                _watch.Dispose();
                _file.Dispose();
                _over();
            }
            base.Dispose(disposing);
        }
    }
}
