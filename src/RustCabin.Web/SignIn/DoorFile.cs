using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.AspNetCore.Identity;
using RustCabin.Data;

namespace RustCabin.Web.SignIn;

/// <summary>A device that gave the pass phrase.</summary>
/// <param name="Key">SHA-256 of what its cookie holds, in hex: the file alone lets nobody in.</param>
/// <param name="From">The address that it came from.</param>
/// <param name="At">When it gave the phrase.</param>
public sealed record SignedIn(string Key, string From, DateTimeOffset At);

/// <summary>
/// Who may come in from other machines: the pass phrase, hashed, and the devices that gave it. It lies beside the cabin's file
/// and not in it, so that no backup carries it. Source: docs/security.md, Sign-in.
/// </summary>
public sealed class DoorFile(string home, TimeProvider clock)
{
    /// <summary>A phrase has at least this many characters.</summary>
    public const int ShortestPhrase = 10;

    /// <summary>How long a device stays signed in.</summary>
    public static readonly TimeSpan Stays = TimeSpan.FromDays(30);

    const int MostDevices = 50;
    static readonly object Whoever = new();
    static readonly PasswordHasher<object> Hasher = new();

    sealed record State(string? Phrase, IReadOnlyList<SignedIn> Devices);

    readonly string _path = Path.Combine(home, "door.json");
    readonly Lock _writing = new();
    (DateTime Written, State State) _read = (default, new State(null, []));

    public bool HasPhrase => Now().Phrase is not null;

    /// <summary>The devices that are signed in, the newest first.</summary>
    public IReadOnlyList<SignedIn> Devices => [.. Now().Devices.Where(Holds).OrderByDescending(d => d.At)];

    /// <summary>Sets the phrase, and signs every device out.</summary>
    /// <exception cref="FormatException">It is too short.</exception>
    public void SetPhrase(string phrase)
    {
        if (phrase.Trim().Length < ShortestPhrase)
            throw new FormatException($"A pass phrase has at least {ShortestPhrase} characters; four words are better than one.");
        Write(new State(Hasher.HashPassword(Whoever, phrase.Trim()), []));
    }

    /// <summary>Why the file cannot be read; null: it can, or there is none. Nobody comes in by one that cannot.</summary>
    public string? Unread => Read().Why;

    /// <summary>What the file holds, or why it cannot be read; neither: there is none.</summary>
    (State? State, string? Why) Read()
    {
        const string Mend = "./cabin phrase sets a new pass phrase, which mends it.";
        try
        {
            if (!File.Exists(_path))
                return (null, null);
            return JsonSerializer.Deserialize<State>(File.ReadAllText(_path)) is { Devices: not null } read
                ? (read, null)
                : (null, $"{_path} is not as it was written. {Mend}");
        }
        catch (Exception problem) when (problem is JsonException or IOException or UnauthorizedAccessException)
        {
            return (null, $"{_path} cannot be read: {problem.Message} {Mend}");
        }
    }

    public bool IsPhrase(string phrase) =>
        Now().Phrase is { } hash
        && Hasher.VerifyHashedPassword(Whoever, hash, phrase.Trim()) != PasswordVerificationResult.Failed;

    /// <summary>Lets a device in; what it gets is for its cookie, and is kept nowhere else.</summary>
    public string Enter(string from)
    {
        string token = RandomNumberGenerator.GetHexString(32);
        Change(s =>
            s with
            {
                Devices = [.. s.Devices.Where(Holds).TakeLast(MostDevices - 1), new(KeyOf(token), from, clock.GetUtcNow())],
            }
        );
        return token;
    }

    public bool IsIn(string token) => KeyOf(token) is var key && Now().Devices.Any(d => d.Key == key && Holds(d));

    /// <summary>Signs one device out: its cookie opens nothing from now on, wherever a copy of it lies.</summary>
    public void Leave(string token) => Change(s => s with { Devices = [.. s.Devices.Where(d => d.Key != KeyOf(token))] });

    /// <summary>Signs every device out.</summary>
    public void LeaveAll() => Change(s => s with { Devices = [] });

    bool Holds(SignedIn device) => clock.GetUtcNow() - device.At < Stays;

    static string KeyOf(string token) => Convert.ToHexString(SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(token)));

    /// <summary>What the file says now: another process may have set a new phrase.</summary>
    State Now()
    {
        var file = new FileInfo(_path);
        if (!file.Exists)
            return new State(null, []);
        (DateTime written, State state) = _read;
        if (written == file.LastWriteTimeUtc)
            return state;
        // Whatever is wrong with the file: nobody is in, and no phrase is the right one.
        state = Read().State ?? new State(null, []);
        _read = (file.LastWriteTimeUtc, state);
        return state;
    }

    void Change(Func<State, State> change)
    {
        lock (_writing)
            Write(change(Now()));
    }

    void Write(State state)
    {
        lock (_writing)
        {
            Private.Folder(home);
            string part = _path + ".part";
            Private.File(part);
            using (FileStream file = new(part, FileMode.Truncate))
            {
                JsonSerializer.Serialize(file, state);
                file.Flush(flushToDisk: true);
            }
            File.Move(part, _path, overwrite: true);
            _read = default;
        }
    }
}
