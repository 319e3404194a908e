namespace RustCabin.Core.Tests;

/// <summary>
/// The rooms of the core, its namespaces, lean on each other in one direction, and floors on those below. Source:
/// docs/architecture.md, Rooms.
/// </summary>
public class RoomsTests
{
    [Fact]
    public void No_two_rooms_lean_on_each_other_by_any_way_round()
    {
        Assert.True(Rooms.Leans.Count > 15, $"only {Rooms.Leans.Count} rooms were found");
        Assert.Equal([], Rooms.Rounds(Rooms.Leans));
    }

    [Fact]
    public void A_round_of_three_is_found()
    {
        Dictionary<string, HashSet<string>> leans = new()
        {
            ["A"] = ["B"],
            ["B"] = ["C"],
            ["C"] = ["A"],
            ["D"] = ["A"],
        };
        Assert.Equal(["A", "B", "C"], Rooms.Rounds(leans));
        leans["C"] = [];
        Assert.Empty(Rooms.Rounds(leans));
    }

    [Fact]
    public void Every_room_lies_on_a_floor() =>
        Assert.Equal(
            Rooms.Leans.Keys.Where(room => room != Rooms.Trail).Order(StringComparer.Ordinal),
            Rooms.FloorOf.Keys.Order(StringComparer.Ordinal)
        );

    /// <summary>Data goes up and never comes back.</summary>
    [Fact]
    public void No_room_leans_on_a_floor_above_its_own() =>
        Assert.Empty(
            from room in Rooms.Leans.Keys
            where room != Rooms.Trail
            from other in Rooms.Leans[room]
            where other != Rooms.Trail && string.CompareOrdinal(Rooms.FloorOf[other], Rooms.FloorOf[room]) > 0
            select $"{room} ({Rooms.FloorOf[room]}) leans on {other} ({Rooms.FloorOf[other]})"
        );

    /// <summary>The list of the stations stands between them and what asks them all.</summary>
    [Fact]
    public void Stations_are_asked_through_their_list_and_know_nothing_of_it() =>
        Assert.All(
            Rooms.Leans.Where(r => r.Value.Contains(Rooms.Trail)),
            room => Assert.EndsWith("Asking", Rooms.FloorOf[room.Key])
        );
}
