using MorningRound.Core.Validation;

namespace MorningRound.Server.Hosting;

/// <summary>
/// A call that is refused for a reason the caller can understand. Turned into a problem document in one place, so that every
/// capability only says what was wrong.
/// </summary>
public sealed class ApiProblemException : Exception
{
    private ApiProblemException(int status, string title, IReadOnlyList<FieldError>? errors = null, object? current = null)
        : base(title)
    {
        Status = status;
        Errors = errors ?? [];
        Current = current;
    }

    public int Status { get; }

    public IReadOnlyList<FieldError> Errors { get; }

    /// <summary>The newer text, when an edit was stale, or how things stand where that helps to go on.</summary>
    public object? Current { get; }

    /// <summary>Nothing here for this caller; the same answer whether it does not exist or belongs to somebody else.</summary>
    public static ApiProblemException NotFound(string what) => new(StatusCodes.Status404NotFound, $"There is no such {what}.");

    /// <summary>
    /// What somebody wrote cannot be taken as it is. Whoever sends a thousand errors is told of the first hundred.
    /// </summary>
    public static ApiProblemException Invalid(IReadOnlyList<FieldError> errors) =>
        new(StatusCodes.Status422UnprocessableEntity, "Some of this needs another look.", [.. errors.Take(100)]);

    public static ApiProblemException Invalid(string path, string message) => Invalid([new FieldError(path, message)]);

    public static ApiProblemException Malformed(string path, string message) =>
        new(StatusCodes.Status400BadRequest, "This could not be read.", [new FieldError(path, message)]);

    public static ApiProblemException Forbidden(string why) => new(StatusCodes.Status403Forbidden, why);

    /// <summary>A field that is not the caller's to change.</summary>
    public static ApiProblemException Forbidden(string path, string message) =>
        new(StatusCodes.Status403Forbidden, "This is not yours to change.", [new FieldError(path, message)]);

    /// <summary>The address exists, but not for this method. The answer names those it has.</summary>
    public static ApiProblemException WrongMethod(HttpContext context, string[] methods)
    {
        context.Response.OnStarting(() =>
        {
            context.Response.Headers.Allow = string.Join(", ", methods);
            return Task.CompletedTask;
        });
        return new(StatusCodes.Status405MethodNotAllowed, $"This address answers to {string.Join(", ", methods)}.");
    }

    public static ApiProblemException WrongType() =>
        new(StatusCodes.Status415UnsupportedMediaType, "Only application/json is read here.");

    public static ApiProblemException SignedOut(string why) => new(StatusCodes.Status401Unauthorized, why);

    /// <summary>The answer also says for how many seconds it is not worth trying again.</summary>
    public static ApiProblemException Locked(HttpContext context, string why, TimeSpan wait)
    {
        context.Response.OnStarting(() =>
        {
            context.Response.Headers.RetryAfter = $"{Math.Max(1, (int)Math.Ceiling(wait.TotalSeconds))}";
            return Task.CompletedTask;
        });
        return new(StatusCodes.Status423Locked, why);
    }

    /// <param name="why">What is in the way.</param>
    /// <param name="path">The field it is in the way of.</param>
    /// <param name="message">What became of what was sent, or what to do.</param>
    /// <param name="current">How it stands at the server, where that helps to go on.</param>
    public static ApiProblemException Conflict(string why, string path, string message, object? current = null) =>
        new(StatusCodes.Status409Conflict, why, [new FieldError(path, message)], current);

    /// <summary>Somebody else saved in between. Nothing was overwritten, and the newer text comes along.</summary>
    public static ApiProblemException Stale(object current) =>
        new(
            StatusCodes.Status412PreconditionFailed,
            "Somebody saved a newer version in the meantime. Nothing was overwritten.",
            current: current
        );

    public static ApiProblemException VersionMissing() =>
        new(
            StatusCodes.Status428PreconditionRequired,
            "Say which version this changes: If-Match with its ETag, or If-None-Match: * for a new one."
        );
}
