using System.Reflection;
using System.Runtime.Serialization;
using RustCabin.Core.Declared;

namespace RustCabin.Core.Tests.Declared;

/// <summary>The words of members, there and back.</summary>
public class MemberWordsTests
{
    enum Manner
    {
        WrittenFirst = 7,
        Plain = -2,

        [EnumMember(Value = "8.3")]
        Short = 40,
    }

    enum Narrow : byte
    {
        One,
    }

    [Theory]
    [InlineData("written-first", 7)]
    [InlineData("plain", -2)]
    [InlineData("8.3", 40)]
    public void A_word_and_its_member_are_found_by_each_other(string word, int member)
    {
        Assert.True(Words<Manner>.TryParse(word, out Manner found));
        Assert.Equal((Manner)member, found);
        Assert.Equal(word, Words<Manner>.Of((Manner)member));
    }

    [Theory]
    [InlineData("Plain")]
    [InlineData("short")]
    [InlineData("")]
    [InlineData("plain ")]
    public void Another_word_is_none(string word)
    {
        Assert.False(Words<Manner>.TryParse(word, out Manner found));
        Assert.Equal(default, found);
    }

    [Fact]
    public void A_member_that_there_is_not_has_no_word() =>
        Assert.Throws<KeyNotFoundException>(() => Words<Manner>.Of((Manner)1));

    [Fact]
    public void All_words_are_listed_once() =>
        Assert.Equal(["8.3", "plain", "written-first"], Words<Manner>.All.Order(StringComparer.Ordinal));

    [Fact]
    public void Members_that_are_not_numbered_by_int_are_refused()
    {
        Exception refused = Assert.ThrowsAny<Exception>(() => Words<Narrow>.Of(Narrow.One));
        Assert.IsType<NotSupportedException>(refused.InnerException);
    }

    /// <summary>Whatever a sheet or a call may name by a word, of every kind that Core has.</summary>
    [Fact]
    public void Every_member_of_Core_has_a_word_of_its_own()
    {
        MethodInfo holds = typeof(MemberWordsTests).GetMethod(nameof(Holds), BindingFlags.NonPublic | BindingFlags.Static)!;
        Type[] kinds = [.. typeof(Words<>).Assembly.GetTypes().Where(t => t.IsEnum && t.IsPublic)];
        Assert.True(kinds.Length > 50, $"{kinds.Length} kinds were found");
        foreach (Type kind in kinds.Where(k => Enum.GetUnderlyingType(k) == typeof(int)))
            holds.MakeGenericMethod(kind).Invoke(null, null);
    }

    static void Holds<T>()
        where T : struct, Enum
    {
        foreach (T member in Enum.GetValues<T>())
        {
            Assert.True(Words<T>.TryParse(Words<T>.Of(member), out T back), $"{typeof(T)}.{member}");
            Assert.Equal(member, back);
        }
    }
}
