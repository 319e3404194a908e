namespace RustCabin.Web.Drawings;

/// <summary>Texts of drawings in the room that they have, in letters.</summary>
static class InRoom
{
    /// <summary>A text of so many letters at most; one that is longer ends in a mark for what is left out.</summary>
    public static string Cut(string text, int letters) => text.Length <= letters ? text : text[..Math.Max(1, letters - 1)] + "…";

    /// <summary>A text in lines of so many letters at most, parted at blanks; a word that is longer is cut.</summary>
    /// <param name="text">The text.</param>
    /// <param name="letters">So many letters of a line at most.</param>
    /// <param name="indent">What each line but the first begins with.</param>
    public static IEnumerable<string> Lines(string text, int letters, string indent = "")
    {
        string line = "";
        foreach (string word in text.Split(' '))
            if (line.Length == 0 || line.Length + 1 + word.Length <= letters)
                line = line.Length == 0 ? Cut(word, letters) : $"{line} {word}";
            else
            {
                yield return line;
                line = Cut(indent + word, letters);
            }
        yield return line;
    }
}
