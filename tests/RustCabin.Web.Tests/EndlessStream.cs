namespace RustCabin.Web.Tests;

/// <summary>A body of a length that nobody needs to hold.</summary>
sealed class EndlessStream(long length) : Stream
{
    long _left = length;

    public override int Read(byte[] buffer, int offset, int count)
    {
        int now = (int)Math.Min(count, _left);
        Array.Fill(buffer, (byte)' ', offset, now);
        _left -= now;
        return now;
    }

    public override bool CanRead => true;
    public override bool CanSeek => false;
    public override bool CanWrite => false;
    public override long Length => throw new NotSupportedException();
    public override long Position
    {
        get => throw new NotSupportedException();
        set => throw new NotSupportedException();
    }

    public override void Flush() { }

    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    public override void SetLength(long value) => throw new NotSupportedException();

    public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();
}
