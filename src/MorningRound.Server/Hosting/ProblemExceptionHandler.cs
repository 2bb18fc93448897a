using System.ComponentModel;
using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Server.Hosting;

/// <summary>
/// Turns everything that goes wrong into a problem document (RFC 9457) that names the field where there is one.
/// </summary>
internal sealed partial class ProblemExceptionHandler(IProblemDetailsService problems, ILogger<ProblemExceptionHandler> log)
    : IExceptionHandler
{
    private const string NotReadable = "This could not be read.";
    private const string NotWhatBelongsHere = "This is not what belongs here.";

    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancellationToken)
    {
        if (exception is OperationCanceledException && context.RequestAborted.IsCancellationRequested)
        {
            context.Response.StatusCode = StatusCodes.Status499ClientClosedRequest;
            return true;
        }

        if (context.Response.HasStarted)
            return false;
        var refusal = exception as ApiProblemException;
        var (status, title, errors) = exception switch
        {
            ApiProblemException r => (r.Status, r.Message, r.Errors),
            BadHttpRequestException bad => Unreadable(bad),
            NotSupportedException { Source: "System.Text.Json" } wrong => Unreadable(wrong),
            _ when DatabaseFailure.StatusOf(exception) is { } trouble => (trouble, DatabaseFailure.InWords(trouble), []),
            _ => (
                StatusCodes.Status500InternalServerError,
                "Something broke on our side. What you had is still there; please try again.",
                []
            ),
        };
        if (status >= StatusCodes.Status500InternalServerError)
            log.LogError(exception, "Request {RequestId} failed", context.TraceIdentifier);
        if (status == StatusCodes.Status503ServiceUnavailable)
            context.Response.Headers.RetryAfter = DatabaseFailure.RetryAfterSeconds;

        context.Response.StatusCode = status;
        var details = new ProblemDetails { Status = status, Title = title };
        if (errors.Count > 0)
            details.Extensions["errors"] = errors
                .GroupBy(e => e.Path)
                .ToDictionary(g => g.Key, g => g.Select(e => e.Message).ToArray());
        if (refusal?.Current is { } current)
            details.Extensions["current"] = current;
        return await problems.TryWriteAsync(
            new ProblemDetailsContext
            {
                HttpContext = context,
                ProblemDetails = details,
                Exception = exception,
            }
        );
    }

    /// <summary>
    /// What every problem says: the number of its request, and where the framework answers by itself, what was wrong: a body
    /// too large, or a value of the address that cannot be read.
    /// </summary>
    public static void Complete(ProblemDetailsContext context)
    {
        var problem = context.ProblemDetails;
        // What a person is shown is what stands in the log.
        problem.Extensions["requestId"] = context.HttpContext.TraceIdentifier;
        if (problem.Status == StatusCodes.Status413PayloadTooLarge)
        {
            problem.Extensions["errors"] = new Dictionary<string, string[]>
            {
                ["body"] = [$"At most {RequestLimits.LargestBody:N0} bytes fit into one call."],
            };
        }
        else if (problem.Status == StatusCodes.Status400BadRequest && !problem.Extensions.ContainsKey("errors"))
        {
            problem.Title = NotReadable;
            problem.Extensions["errors"] = UnreadableQuery(context.HttpContext)
                .ToDictionary(name => name, _ => new[] { NotWhatBelongsHere });
        }
    }

    /// <summary>
    /// The values after the question mark that an address knows and cannot read. For those that may be left out the framework
    /// answers with a bare status, without a name.
    /// </summary>
    private static IEnumerable<string> UnreadableQuery(HttpContext context) =>
        (context.GetEndpoint()?.Metadata.GetOrderedMetadata<IParameterBindingMetadata>() ?? [])
            .Where(known => known.HasTryParse && context.Request.Query.ContainsKey(known.Name))
            .Where(known =>
                !TypeDescriptor
                    .GetConverter(known.ParameterInfo.ParameterType)
                    .IsValid(context.Request.Query[known.Name].ToString())
            )
            .Select(known => known.Name);

    private static (int Status, string Title, IReadOnlyList<FieldError> Errors) Unreadable(Exception exception)
    {
        var (path, message) = exception.InnerException is JsonException json
            ? (json.Path, json.Message)
            : (PathIn().Match(exception.Message) is { Success: true } found ? found.Groups[1].Value : null, exception.Message);
        return (
            exception is BadHttpRequestException bad ? bad.StatusCode : StatusCodes.Status400BadRequest,
            NotReadable,
            [new FieldError(Named(path, message), Explained(message))]
        );
    }

    /// <summary>The field a parser complained about: its path, with the names of required fields that were missing.</summary>
    private static string Named(string? path, string message)
    {
        var field = (path ?? "").TrimStart('$').TrimStart('.');
        if (MissingIn().Match(message) is { Success: true } missing)
            field = field.Length == 0 ? missing.Groups[1].Value : $"{field}.{missing.Groups[1].Value}";
        if (GapIn().Match(message) is { Success: true } gap)
            field = field.Length == 0 ? gap.Groups[1].Value : $"{field}.{gap.Groups[1].Value}";
        if (!message.Contains("body", StringComparison.Ordinal) && ParameterIn().Match(message) is { Success: true } parameter)
            field = parameter.Groups[1].Value;
        return field.Length == 0 ? "body" : field;
    }

    private static string Explained(string message) =>
        MissingIn().IsMatch(message) ? "This is missing."
        : message.Contains("discriminator", StringComparison.Ordinal) ? "The kind is missing or unknown."
        : message.Contains("NUL", StringComparison.Ordinal) ? "Text cannot hold a NUL character."
        : message.Contains("maximum configured depth", StringComparison.Ordinal) ? "This is nested too deeply."
        : message.Contains("is too large", StringComparison.Ordinal) ? "This number is too large."
        : message.Contains("is too long", StringComparison.Ordinal)
            ? $"At most {CoreJson.LongestListFromOutside:N0} fit into one list."
        : GapIn().IsMatch(message) ? "The list has an empty place."
        : NotWhatBelongsHere;

    [GeneratedRegex(@"Path: (\S+)")]
    private static partial Regex PathIn();

    [GeneratedRegex(@"missing required properties including: '([^']+)'")]
    private static partial Regex MissingIn();

    [GeneratedRegex("The (?:list|number) '(\\w+)' (?:has a gap|is too large|is too long)")]
    private static partial Regex GapIn();

    [GeneratedRegex(@"parameter ""(?:\S+ )?(\w+)""")]
    private static partial Regex ParameterIn();
}
