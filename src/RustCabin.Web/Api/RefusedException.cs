namespace RustCabin.Web.Api;

/// <summary>Something in the address of a call is no good: told as 422, by its name.</summary>
/// <param name="name">Its name.</param>
/// <param name="why">What is wrong with it.</param>
sealed class RefusedException(string name, string why) : Exception(why)
{
    /// <summary>Its name.</summary>
    public string Field => name;
}
