namespace RustCabin.Web.Tests;

/// <summary>
/// Tests that each have a cabin of their own, begun before them and gone after them. What a test did not write in goes on to the
/// next one.
/// </summary>
/// <param name="cabin">The cabin; null: one with the demo data.</param>
public abstract class OnACabin(CabinServer? cabin = null) : IAsyncLifetime
{
    /// <summary>The cabin of this test.</summary>
    protected CabinServer Cabin { get; } = cabin ?? CabinServer.Usual();

    public virtual ValueTask InitializeAsync() => Cabin.InitializeAsync();

    public ValueTask DisposeAsync()
    {
        GC.SuppressFinalize(this);
        return Cabin.DisposeAsync();
    }
}
