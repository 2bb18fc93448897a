using MorningRound.Core.Validation;

namespace MorningRound.Core.Drills;

/// <summary>A drill with the id it keeps from shelf to shelf.</summary>
public sealed record ShelvedDrill
{
    /// <summary>Its id on the shelf, which a file keeps.</summary>
    public required Guid Id { get; init; }

    /// <summary>The drill.</summary>
    public required Drill Drill { get; init; }
}

/// <summary>Drills as an open file: JSON of the core's own types. Its schema is published in <c>docs/</c>.</summary>
public sealed record DrillFile
{
    /// <summary>What the format calls itself.</summary>
    public const string FormatName = "morning-round-drills";

    /// <summary>The version of the format that is written.</summary>
    public const int CurrentVersion = 1;

    /// <summary>The most drills a file may hold.</summary>
    public const int MostDrills = 500;

    /// <summary>Must be <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Must be <see cref="CurrentVersion"/>.</summary>
    public required int Version { get; init; }

    /// <summary>The drills, each with its id.</summary>
    public required IReadOnlyList<ShelvedDrill> Drills { get; init; }

    /// <summary>A file of today's version.</summary>
    public static DrillFile Of(IReadOnlyList<ShelvedDrill> drills) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Drills = drills,
        };

    /// <summary>Everything wrong, each with its place in the file; empty when all of it can be imported.</summary>
    public IReadOnlyList<FieldError> Check()
    {
        var errors = new FieldErrors()
            .Require(Format == FormatName, "format", $"This is not a drill file; it should say {FormatName}.")
            .Require(Version == CurrentVersion, "version", $"This release reads version {CurrentVersion}.")
            .RequireAtMost(Drills.Count, MostDrills, "drills");
        if (Drills.Count > MostDrills)
            return errors.Found;
        for (var i = 0; i < Drills.Count; i++)
        {
            var id = Drills[i].Id;
            errors
                .Require(
                    id != Guid.Empty && Drills.Count(d => d.Id == id) == 1,
                    $"drills[{i}].id",
                    "Every drill needs an id of its own."
                )
                .Include(DrillRules.Check(Drills[i].Drill).Select(e => e with { Path = $"drills[{i}].drill.{e.Path}" }));
        }

        return errors.Found;
    }
}
