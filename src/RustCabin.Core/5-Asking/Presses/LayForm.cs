using RustCabin.Core.Sheets;

namespace RustCabin.Core.Presses;

/// <summary>Two places of a board and where they were tapped on a photo, as a form sends them.</summary>
public sealed record LayForm(string? Place1, string? X1, string? Y1, string? Place2, string? X2, string? Y2)
{
    /// <summary>Reads it; false with what is wrong.</summary>
    public bool TryRead(string board, int photo, IReadOnlyList<string> landmarks, out BoardPhoto laid, out string wrong)
    {
        laid = new BoardPhoto();
        if (
            !TryTap(Place1, X1, Y1, landmarks, out Tapped one, out wrong)
            || !TryTap(Place2, X2, Y2, landmarks, out Tapped other, out wrong)
        )
            return false;
        if (one.Place == other.Place || (one.X == other.X && one.Y == other.Y))
        {
            wrong = "the two places must be different ones, and lie apart on the photo";
            return false;
        }
        laid = new BoardPhoto
        {
            Board = board,
            Photo = photo,
            One = one,
            Other = other,
        };
        return true;
    }

    static bool TryTap(string? place, string? x, string? y, IReadOnlyList<string> landmarks, out Tapped tapped, out string wrong)
    {
        tapped = new Tapped();
        wrong = "";
        if (!landmarks.Contains(place))
            wrong = $"\"{place}\" is no place of this board";
        else if (!TypedNumber.TryParse(x, out decimal left) || !TypedNumber.TryParse(y, out decimal top))
            wrong = $"tap {place} on the photo";
        else
            tapped = new Tapped
            {
                Place = place!,
                X = left,
                Y = top,
            };
        return wrong.Length == 0;
    }
}
