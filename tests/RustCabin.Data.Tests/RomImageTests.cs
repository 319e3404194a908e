namespace RustCabin.Data.Tests;

/// <summary>Images and recipes: kept over a restart, bounded, taken off and put back.</summary>
public sealed class RomImageTests : IDisposable
{
    readonly TestCabin _cabin = new();
    RomImageRepository Images => new(_cabin.File, TimeProvider.System);
    RecipeRepository Recipes => new(_cabin.File);

    public void Dispose() => _cabin.Dispose();

    [Fact]
    public void An_image_stays_with_its_unit_its_origin_and_its_right()
    {
        long id = Images.Add("slip-2", "system", "dumped here", "mine", [1, 2, 3])!.Id;
        _cabin.Reopen();
        RomImageLine line = Assert.Single(Images.Of("slip-2"));
        Assert.Equal(("system", "dumped here", "mine", 3L, false), (line.Name, line.Origin, line.Right, line.Size, line.Hidden));
        Assert.Equal($"{id}-039058c6f2c0", line.Key);
        Assert.Equal([1, 2, 3], Images.Bytes("slip-2", id)!);
        Assert.Null(Images.Bytes("slip-3", id));
        Assert.Empty(Images.Of("slip-3"));
        Images.Hide("slip-3", id, true);
        Assert.False(Images.Of("slip-2")[0].Hidden);
        Images.Hide("slip-2", id, true);
        Assert.True(Images.Of("slip-2")[0].Hidden);
        Assert.Equal([1, 2, 3], Images.Bytes("slip-2", id)!);
    }

    [Fact]
    public void The_number_of_an_erased_image_is_never_another_ones()
    {
        long first = Images.Add("slip-2", "first", "o", "r", [1])!.Id;
        long last = Images.Add("slip-2", "last", "o", "r", [2])!.Id;
        foreach (long id in (long[])[last, first])
        {
            Images.Hide("slip-2", id, true);
            Assert.True(Images.Erase("slip-2", id));
        }
        _cabin.Reopen();
        Assert.Equal(last + 1, Images.Add("slip-3", "next", "o", "r", [3])!.Id);
        Assert.Equal(last + 2, Images.Add("slip-2", "after it", "o", "r", [1])!.Id);
    }

    [Fact]
    public void A_unit_keeps_so_many_images_and_no_more()
    {
        for (int i = 0; i < RomImageRepository.MostOfUnit; i++)
            Assert.NotNull(Images.Add("slip-2", $"{i}", "o", "r", [1]));
        Assert.Null(Images.Add("slip-2", "one more", "o", "r", [1]));
        Assert.NotNull(Images.Add("slip-3", "another unit's", "o", "r", [1]));
    }

    [Fact]
    public void A_recipe_keeps_its_name_and_another_chain_does_not_take_it()
    {
        Assert.True(Recipes.Add("twice", """[{"op":"double"}]"""));
        Assert.True(Recipes.Add("twice", """[{"op":"double"}]"""));
        Assert.False(Recipes.Add("twice", """[{"op":"swap16"}]"""));
        _cabin.Reopen();
        RecipeLine line = Assert.Single(Recipes.All());
        Assert.Equal("""[{"op":"double"}]""", line.Ops);
        Recipes.Hide(line.Id, true);
        Assert.True(Recipes.All()[0].Hidden);
        // A name that was taken off is free for another chain.
        Assert.True(Recipes.Add("twice", """[{"op":"swap16"}]"""));
        Assert.Equal(("""[{"op":"swap16"}]""", false), (Recipes.All()[0].Ops, Recipes.All()[0].Hidden));
    }

    [Fact]
    public void A_cabin_keeps_so_many_recipes_and_no_more()
    {
        for (int i = 0; i < RecipeRepository.Most; i++)
            Assert.True(Recipes.Add($"r{i}", "[]"));
        Assert.False(Recipes.Add("one more", "[]"));
        Recipes.Hide(Recipes.All()[0].Id, true);
        Assert.True(Recipes.Add("one more", "[]"));
    }
}
