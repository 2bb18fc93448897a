using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Validation;

/// <summary>
/// One thing wrong with something a person wrote: where, as a path such as <c>segments[2].minutes</c>, and what.
/// </summary>
public sealed record FieldError(string Path, string Message)
{
    /// <summary>
    /// The same error as it is seen from inside a part of the text: without the first of these that its path begins with.
    /// </summary>
    public FieldError Within(params string[] parts) =>
        parts.FirstOrDefault(p => Path.StartsWith(p, StringComparison.Ordinal)) is { } part
            ? this with
            {
                Path = Path[part.Length..],
            }
            : this;
}

/// <summary>Collects field errors while a text is checked from top to bottom.</summary>
public sealed class FieldErrors
{
    private readonly List<FieldError> _found = [];

    /// <summary>What was found so far, in the order in which it was found.</summary>
    public IReadOnlyList<FieldError> Found => _found;

    /// <summary>Notes an error at the path when the condition does not hold.</summary>
    public FieldErrors Require(bool holds, string path, string message)
    {
        if (!holds)
            _found.Add(new FieldError(path, message));
        return this;
    }

    /// <summary>Takes over what was found elsewhere.</summary>
    public FieldErrors Include(IEnumerable<FieldError> others)
    {
        _found.AddRange(others);
        return this;
    }

    /// <summary>Text that must be there, blank space apart, and not be longer than a limit.</summary>
    public FieldErrors RequireText(string text, string path, int longest) =>
        Require(!string.IsNullOrWhiteSpace(text), path, "Please write something here.").AllowText(text, path, longest);

    /// <summary>Text that may be missing, but not be longer than a limit.</summary>
    public FieldErrors AllowText(string? text, string path, int longest) =>
        Require((text?.Length ?? 0) <= longest, path, $"At most {longest} characters fit here; this has {text?.Length}.");

    /// <summary>A whole number inside limits, both included.</summary>
    public FieldErrors RequireBetween(int number, int least, int most, string path, string unit) =>
        Require(number >= least && number <= most, path, $"Between {least} and {most} {unit}, please; this is {number}.");

    /// <summary>A whole number inside a range, both ends included.</summary>
    public FieldErrors RequireIn(int number, FieldRange range, string path, string unit) =>
        RequireBetween(number, (int)range.Least, (int)range.Most, path, unit);

    /// <summary>A list that is not longer than a limit.</summary>
    public FieldErrors RequireAtMost(int count, int most, string path) =>
        Require(count <= most, path, $"At most {most} fit here; this has {count}.");

    /// <summary>A list that names nothing twice.</summary>
    public FieldErrors RequireOnce<T>(IReadOnlyCollection<T> list, string path) =>
        Require(list.Distinct().Count() == list.Count, path, "Name each only once.");
}
