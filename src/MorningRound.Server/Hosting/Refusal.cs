using MorningRound.Core;

namespace MorningRound.Server.Hosting;

/// <summary>
/// A call that is refused for a reason the caller can understand. Turned into a problem document in one place, so that every
/// capability only says what was wrong.
/// </summary>
public sealed class Refusal : Exception
{
    private Refusal(int status, string title, IReadOnlyList<FieldError>? errors = null, object? current = null)
        : base(title)
    {
        Status = status;
        Errors = errors ?? [];
        Current = current;
    }

    public int Status { get; }

    public IReadOnlyList<FieldError> Errors { get; }

    /// <summary>The newer text, when an edit was stale.</summary>
    public object? Current { get; }

    /// <summary>Nothing here for this caller; the same answer whether it does not exist or belongs to somebody else.</summary>
    public static Refusal NotFound(string what) => new(StatusCodes.Status404NotFound, $"There is no such {what}.");

    public static Refusal Invalid(IReadOnlyList<FieldError> errors) =>
        new(StatusCodes.Status422UnprocessableEntity, "Some of this needs another look.", errors);

    public static Refusal Invalid(string path, string message) => Invalid([new FieldError(path, message)]);

    public static Refusal Malformed(string path, string message) =>
        new(StatusCodes.Status400BadRequest, "This could not be read.", [new FieldError(path, message)]);

    public static Refusal Forbidden(string why) => new(StatusCodes.Status403Forbidden, why);

    /// <summary>A field that is not the caller's to change.</summary>
    public static Refusal Forbidden(string path, string message) =>
        new(StatusCodes.Status403Forbidden, "This is not yours to change.", [new FieldError(path, message)]);

    public static Refusal SignedOut(string why) => new(StatusCodes.Status401Unauthorized, why);

    public static Refusal Locked(string why) => new(StatusCodes.Status423Locked, why);

    public static Refusal Conflict(string why, string path, string message) =>
        new(StatusCodes.Status409Conflict, why, [new FieldError(path, message)]);

    /// <summary>Somebody else saved in between. Nothing was overwritten, and the newer text comes along.</summary>
    public static Refusal Stale(object current) =>
        new(StatusCodes.Status412PreconditionFailed, "Somebody saved a newer version in the meantime. Nothing was overwritten.", current: current);

    public static Refusal VersionMissing() =>
        new(StatusCodes.Status428PreconditionRequired, "Say which version this changes: If-Match with its ETag, or If-None-Match: * for a new one.");
}
