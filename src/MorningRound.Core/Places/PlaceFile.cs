using MorningRound.Core.Validation;

namespace MorningRound.Core.Places;

/// <summary>A place with its id, by which walks refer to it.</summary>
public sealed record ListedPlace
{
    /// <summary>Its id, which a file keeps.</summary>
    public required Guid Id { get; init; }

    /// <summary>The place.</summary>
    public required Place Place { get; init; }
}

/// <summary>Places as an open file: JSON of the core's own types. Its schema is published in <c>docs/</c>.</summary>
public sealed record PlaceFile
{
    /// <summary>What the format calls itself.</summary>
    public const string FormatName = "morning-round-places";

    /// <summary>The version of the format that is written.</summary>
    public const int CurrentVersion = 1;

    /// <summary>The most places a file may hold.</summary>
    public const int MostPlaces = 100;

    /// <summary>Must be <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Must be <see cref="CurrentVersion"/>.</summary>
    public required int Version { get; init; }

    /// <summary>The places, each with its id.</summary>
    public required IReadOnlyList<ListedPlace> Places { get; init; }

    /// <summary>A file of today's version.</summary>
    public static PlaceFile Of(IReadOnlyList<ListedPlace> places) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Places = places,
        };

    /// <summary>Everything wrong, each with its place in the file; empty when all of it can be imported.</summary>
    /// <param name="known">Places that are there already, to which walks may lead.</param>
    /// <param name="today">The academy's today, which no measuring lies after.</param>
    public IReadOnlyList<FieldError> Check(IReadOnlyCollection<Guid> known, DateOnly today)
    {
        var errors = new FieldErrors()
            .Require(Format == FormatName, "format", $"This is not a place file; it should say {FormatName}.")
            .Require(Version == CurrentVersion, "version", $"This release reads version {CurrentVersion}.")
            .RequireAtMost(Places.Count, MostPlaces, "places");
        if (Places.Count > MostPlaces)
            return errors.Found;
        errors.RequireAtMost(known.Concat(Places.Select(p => p.Id)).Distinct().Count(), MostPlaces, "places");
        for (var i = 0; i < Places.Count; i++)
        {
            var (id, place) = (Places[i].Id, Places[i].Place);
            errors
                .Require(
                    id != Guid.Empty && Places.Count(p => p.Id == id) == 1,
                    $"places[{i}].id",
                    "Every place needs an id of its own."
                )
                .Include(PlaceRules.Check(place, today).Select(e => e with { Path = $"places[{i}].place.{e.Path}" }));
            for (var w = 0; w < place.Walks.Count; w++)
            {
                var to = place.Walks[w].Place;
                errors.Require(
                    to != id && (known.Contains(to) || Places.Any(p => p.Id == to)),
                    $"places[{i}].place.walks[{w}].place",
                    "There is no such other place."
                );
            }
        }

        return errors.Found;
    }
}
