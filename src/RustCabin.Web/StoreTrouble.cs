using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using RustCabin.Data;

namespace RustCabin.Web;

/// <summary>Why the disk or the file did not give or take what was asked, in words. Source: docs/security.md, Data.</summary>
/// <param name="Status">409: a job that does not read; 507: no room; 503: not now; 500: damaged.</param>
/// <param name="Words">The cause, what became of the press, and what helps.</param>
sealed record StoreTrouble(int Status, string Words)
{
    /// <summary>ENOSPC, as .NET tells it on Linux.</summary>
    const int NoRoomOnDisk = 28;

    /// <summary>The trouble behind an exception; null when it is of another kind.</summary>
    public static StoreTrouble? Of(Exception? problem) =>
        problem switch
        {
            SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_FULL } or IOException { HResult: NoRoomOnDisk } => new(
                StatusCodes.Status507InsufficientStorage,
                "The disk is full. Nothing was changed. Make room on it, then press again."
            ),
            SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_READONLY } => new(
                StatusCodes.Status503ServiceUnavailable,
                "The cabin's file cannot be written: it or its folder is read-only. Nothing was changed."
            ),
            SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_BUSY or SQLitePCL.raw.SQLITE_LOCKED } => new(
                StatusCodes.Status503ServiceUnavailable,
                "Another program holds the cabin's file. Nothing was changed. Press again in a moment."
            ),
            SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_IOERR or SQLitePCL.raw.SQLITE_CANTOPEN } => new(
                StatusCodes.Status503ServiceUnavailable,
                "The disk of the cabin does not answer as it should. Nothing was changed; look at the disk."
            ),
            SqliteException { SqliteErrorCode: SQLitePCL.raw.SQLITE_CORRUPT or SQLitePCL.raw.SQLITE_NOTADB } => new(
                StatusCodes.Status500InternalServerError,
                "The cabin's file is damaged here. Nothing was changed. A backup can be put back: ./cabin restore FILE."
            ),
            SetAsideException aside => new(
                StatusCodes.Status409Conflict,
                $"{aside.Message} Nothing was changed. Everything else works; the shelf can take the job back to its latest "
                    + "state that reads."
            ),
            _ => null,
        };

    /// <summary>That of the request whose exception is being told.</summary>
    public static StoreTrouble? Of(HttpContext context) => Of(context.Features.Get<IExceptionHandlerFeature>()?.Error);

    public static int StatusOf(Exception problem) => Of(problem)?.Status ?? StatusCodes.Status500InternalServerError;
}
