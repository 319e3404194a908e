using System.Reflection;

namespace RustCabin.Tests.Shared;

/// <summary>A field that is set once says so: whoever reads on need not look for what changes it.</summary>
public class LooseFieldsTests
{
    public static TheoryData<string> Assemblies => new(Repository.Mine);

    [Theory]
    [MemberData(nameof(Assemblies))]
    public void Every_field_that_is_set_once_is_readonly(string assembly) =>
        Assert.DoesNotContain(LooseFields.In(Assembly.Load(assembly)), loose => loose != Sample);

    const string Sample = $"{nameof(Loose<>)}`1._once";

    [Fact]
    public void A_loose_field_is_found_and_no_other() => Assert.Equal([Sample], LooseFields.Among([typeof(Loose<>)]));

    sealed class Loose<T>(T first)
    {
        T _once = first;
        T _changed = first;
        T _handed = first;
        readonly T _fixed = first;

        public (T, T, T, T) All => (_once, _changed, _handed, _fixed);

        public void Change(T next)
        {
            _changed = next;
            Into(out _handed, next);
        }

        static void Into(out T place, T next) => place = next;
    }
}
