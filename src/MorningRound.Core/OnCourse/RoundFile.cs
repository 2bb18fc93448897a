using MorningRound.Core.Validation;

namespace MorningRound.Core.OnCourse;

/// <summary>A round with the id it keeps from file to file.</summary>
public sealed record ListedRound
{
    /// <summary>Its id, which a file keeps.</summary>
    public required Guid Id { get; init; }

    /// <summary>The round.</summary>
    public required Round Round { get; init; }
}

/// <summary>
/// One student's rounds as an open file: JSON of the core's own types. Its schema is published in <c>docs/</c>.
/// </summary>
public sealed record RoundFile
{
    /// <summary>What the format calls itself.</summary>
    public const string FormatName = "morning-round-rounds";

    /// <summary>The version of the format that is written.</summary>
    public const int CurrentVersion = 1;

    /// <summary>The most rounds a student may have, in a file too: twenty years of one a week.</summary>
    public const int MostRounds = 1000;

    /// <summary>Must be <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Must be <see cref="CurrentVersion"/>.</summary>
    public required int Version { get; init; }

    /// <summary>The rounds, each with its id.</summary>
    public required IReadOnlyList<ListedRound> Rounds { get; init; }

    /// <summary>A file of today's version.</summary>
    public static RoundFile Of(IReadOnlyList<ListedRound> rounds) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Rounds = rounds,
        };

    /// <summary>Everything wrong, each with its place in the file; empty when all of it can be imported.</summary>
    /// <param name="known">Rounds that the student has already; with them there must not be too many.</param>
    /// <param name="today">No round lies after it.</param>
    public IReadOnlyList<FieldError> Check(IReadOnlyCollection<Guid> known, DateOnly today)
    {
        var errors = new FieldErrors()
            .Require(Format == FormatName, "format", $"This is not a file of rounds; it should say {FormatName}.")
            .Require(Version == CurrentVersion, "version", $"This release reads version {CurrentVersion}.")
            .RequireAtMost(Rounds.Count, MostRounds, "rounds");
        if (Rounds.Count > MostRounds)
            return errors.Found;
        var ids = Rounds.CountBy(r => r.Id).ToDictionary();
        errors.RequireAtMost(known.Union(ids.Keys).Count(), MostRounds, "rounds");
        foreach (var (i, listed) in Rounds.Index())
        {
            errors
                .Require(listed.Id != Guid.Empty && ids[listed.Id] == 1, $"rounds[{i}].id", "Every round needs an id of its own.")
                .Include(listed.Round.Check(today).Select(e => e with { Path = $"rounds[{i}].round.{e.Path}" }));
        }

        return errors.Found;
    }
}
