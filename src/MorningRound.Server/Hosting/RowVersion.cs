using System.Globalization;
using MorningRound.Core.Units;

namespace MorningRound.Server.Hosting;

/// <summary>Which version a write expects: a number from <c>If-Match</c>, or "new" from <c>If-None-Match: *</c>.</summary>
/// <param name="Number">The version that is changed; null when the row must not exist yet.</param>
public sealed record RowVersion(int? Number)
{
    /// <summary>For a row that must not be there yet.</summary>
    public static RowVersion New { get; } = new((int?)null);

    public bool IsNew => Number is null;

    /// <summary>Reads the precondition of a request, for minimal APIs' parameter binding.</summary>
    public static ValueTask<RowVersion> BindAsync(HttpContext context)
    {
        var headers = context.Request.Headers;
        if (headers.IfNoneMatch == "*")
            return ValueTask.FromResult(new RowVersion((int?)null));
        var text = headers.IfMatch.ToString();
        if (text.Length == 0)
            throw ApiProblemException.VersionMissing();
        return int.TryParse(text.Trim('"'), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? ValueTask.FromResult(new RowVersion(number))
            : throw ApiProblemException.Malformed("If-Match", "This is not a version this server gave out.");
    }

    public static string ETag(int version) => $"\"{version.ToString(CultureInfo.InvariantCulture)}\"";
}
