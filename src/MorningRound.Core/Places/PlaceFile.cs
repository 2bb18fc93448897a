using MorningRound.Core.Validation;

namespace MorningRound.Core.Places;

/// <summary>A place with its id, by which walks refer to it.</summary>
public sealed record ListedPlace
{
    public required Guid Id { get; init; }

    public required Place Place { get; init; }
}

/// <summary>Places as an open file: JSON of the core's own types. Its schema is published in <c>docs/</c>.</summary>
public sealed record PlaceFile
{
    public const string FormatName = "morning-round-places";
    public const int CurrentVersion = 1;
    public const int MostPlaces = 100;

    public required string Format { get; init; }

    public required int Version { get; init; }

    public required IReadOnlyList<ListedPlace> Places { get; init; }

    public static PlaceFile Of(IReadOnlyList<ListedPlace> places) => new() { Format = FormatName, Version = CurrentVersion, Places = places };

    /// <summary>Everything wrong, each with its place in the file; empty when all of it can be imported.</summary>
    /// <param name="known">Places that are there already, to which walks may lead.</param>
    /// <param name="today">The academy's today, which no measuring lies after.</param>
    public IReadOnlyList<FieldError> Check(IReadOnlyCollection<Guid> known, DateOnly today)
    {
        var errors = new FieldErrors()
            .Require(Format == FormatName, "format", $"This is not a place file; it should say {FormatName}.")
            .Require(Version == CurrentVersion, "version", $"This release reads version {CurrentVersion}.")
            .RequireAtMost(Places.Count, MostPlaces, "places");
        if (Places.Count > MostPlaces) return errors.Found;
        errors.RequireAtMost(known.Concat(Places.Select(p => p.Id)).Distinct().Count(), MostPlaces, "places");
        for (var i = 0; i < Places.Count; i++)
        {
            var (id, place) = (Places[i].Id, Places[i].Place);
            errors.Require(id != Guid.Empty && Places.Count(p => p.Id == id) == 1, $"places[{i}].id", "Every place needs an id of its own.")
                .Include(PlaceRules.Check(place, today).Select(e => e with { Path = $"places[{i}].place.{e.Path}" }));
            for (var w = 0; w < place.Walks.Count; w++)
            {
                var to = place.Walks[w].Place;
                errors.Require(to != id && (known.Contains(to) || Places.Any(p => p.Id == to)), $"places[{i}].place.walks[{w}].place", "There is no such other place.");
            }
        }

        return errors.Found;
    }
}
