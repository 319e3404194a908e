using System.Text;

namespace RustCabin.Web.SignIn;

/// <summary>Asks at the terminal for a pass phrase, twice and unseen. It is never an argument, which other users could
/// read.</summary>
static class Asking
{
    const string Variable = "CABIN_PHRASE";
    const int Tries = 3;

    /// <summary>Sets a phrase: what the environment says, else what is typed.</summary>
    /// <exception cref="FormatException">None was given that can be one.</exception>
    /// <param name="door">Where it is kept.</param>
    /// <param name="another">Another one is wanted although there is one.</param>
    public static void For(DoorFile door, bool another)
    {
        if (Environment.GetEnvironmentVariable(Variable) is { Length: > 0 } told)
        {
            if (another || !door.IsPhrase(told))
                door.SetPhrase(told);
            return;
        }
        if (door.HasPhrase && !another)
            return;
        if (Console.IsInputRedirected && Console.In.Peek() < 0)
            throw new FormatException($"a pass phrase is wanted. Type it at a terminal, or set {Variable}.");
        if (door.Unread is { } unread)
            Console.WriteLine(unread);
        Console.WriteLine("Other machines need a pass phrase to come in. Four words or more are good; it is not shown.");
        for (int left = Tries; left > 0; left--)
        {
            string once = Typed("Pass phrase: "),
                again = Typed("Once more:   ");
            if (once != again)
            {
                Console.WriteLine("The two differ.");
                continue;
            }
            try
            {
                door.SetPhrase(once);
                return;
            }
            catch (FormatException shorter)
            {
                Console.WriteLine(shorter.Message);
            }
        }
        throw new FormatException("no pass phrase was set.");
    }

    static string Typed(string prompt)
    {
        Console.Write(prompt);
        if (Console.IsInputRedirected)
            return Console.ReadLine() ?? "";
        var text = new StringBuilder();
        while (Console.ReadKey(intercept: true) is var key && key.Key != ConsoleKey.Enter)
            if (key.Key == ConsoleKey.Backspace)
                text.Length = Math.Max(0, text.Length - 1);
            else if (!char.IsControl(key.KeyChar))
                text.Append(key.KeyChar);
        Console.WriteLine();
        return text.ToString();
    }
}
