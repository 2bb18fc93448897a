using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Places;

/// <summary>What balls are hit from on a range.</summary>
public enum RangeSurface
{
    /// <summary>Mats.</summary>
    Mat,

    /// <summary>Grass.</summary>
    Grass,

    /// <summary>A bay indoors.</summary>
    IndoorBay,
}

/// <summary>Something on the ground to aim at.</summary>
public sealed record RangeTarget
{
    /// <summary>What it is called; unique on its ground.</summary>
    public required string Name { get; init; }

    /// <summary>In the unit painted on it.</summary>
    public required MarkedLength Distance { get; init; }

    /// <summary>Degrees from straight ahead of the bays; right is positive.</summary>
    public double BearingDegrees { get; init; }

    /// <summary>How to tell it from the others: "white board", "the tall birch".</summary>
    public string Look { get; init; } = "";

    /// <summary>The day its distance was measured; null where nobody did.</summary>
    public DateOnly? MeasuredOn { get; init; }
}

/// <summary>The way to another place.</summary>
public sealed record WalkTo(Guid Place, int Minutes);

/// <summary>A ground where people practise.</summary>
public sealed record Place
{
    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>What kind of ground it is.</summary>
    public required PlaceKind Kind { get; init; }

    /// <summary>Only of a range.</summary>
    public RangeSurface? Surface { get; init; }

    /// <summary>The compass direction a range faces, 0 to 359 degrees, north is 0; null if not known.</summary>
    public int? FacesDegrees { get; init; }

    /// <summary>Clubs that may not be hit here.</summary>
    public IReadOnlyList<Club> ForbiddenClubs { get; init; } = [];

    /// <summary>Only of a putting green: its speed as measured with the usual ramp, in feet.</summary>
    public double? GreenSpeedFeet { get; init; }

    /// <summary>The day the speed was measured; null without a speed.</summary>
    public DateOnly? GreenSpeedOn { get; init; }

    /// <summary>What lies ready there.</summary>
    public IReadOnlyList<Equipment> Equipment { get; init; } = [];

    /// <summary>Only of a range.</summary>
    public IReadOnlyList<RangeTarget> Targets { get; init; } = [];

    /// <summary>
    /// By how much further than measured clubs carry here, in per cent: thin air, a slope, a steady wind; negative where they
    /// carry less. 0 where the coach has said nothing, since it is never guessed.
    /// </summary>
    public int CarriesFurtherPercent { get; init; }

    /// <summary>Minutes to walk to other places; each way needs to be named only once.</summary>
    public IReadOnlyList<WalkTo> Walks { get; init; } = [];

    /// <summary>The ground's own rules, which come before everything a plan says.</summary>
    public string Rules { get; init; } = "";
}

/// <summary>What a place must satisfy to be kept.</summary>
public static class PlaceRules
{
    private const int MostTargets = 40;

    /// <summary>Everything wrong, each with its path; empty when the place can be kept.</summary>
    public static IReadOnlyList<FieldError> Check(Place place, DateOnly today)
    {
        var isRange = place.Kind == PlaceKind.Range;
        var errors = new FieldErrors()
            .RequireText(place.Name, "name", 80)
            .AllowText(place.Rules, "rules", 2000)
            .Require(place.Surface is null || isRange, "surface", "Only a range has a surface.")
            .Require(
                place.FacesDegrees is null or (>= 0 and <= 359),
                "facesDegrees",
                "A direction lies between 0 and 359 degrees."
            )
            .RequireOnce(place.ForbiddenClubs, "forbiddenClubs")
            .RequireOnce(place.Equipment, "equipment")
            .Require(
                place.GreenSpeedFeet is null || place.Kind == PlaceKind.PuttingGreen,
                "greenSpeedFeet",
                "Only a putting green has a speed."
            )
            .Require(
                place.GreenSpeedFeet is not { } speed || FieldRanges.GreenSpeedFeet.Contains(speed),
                "greenSpeedFeet",
                "Between 4 and 16 feet, please."
            )
            .Require(
                place.GreenSpeedFeet is null == place.GreenSpeedOn is null,
                "greenSpeedOn",
                "A speed and the day it was measured belong together."
            )
            .RequirePast(place.GreenSpeedOn, today, "greenSpeedOn")
            .RequireIn(place.CarriesFurtherPercent, FieldRanges.LongerPercent, "carriesFurtherPercent", "per cent")
            .Require(place.Targets.Count == 0 || isRange, "targets", "Only a range has targets.")
            .RequireAtMost(place.Targets.Count, MostTargets, "targets")
            .RequireOnce([.. place.Targets.Select(t => t.Name)], "targets")
            .RequireOnce([.. place.Walks.Select(w => w.Place)], "walks");
        for (var i = 0; i < place.Targets.Count; i++)
        {
            var (target, at) = (place.Targets[i], $"targets[{i}]");
            errors
                .RequireText(target.Name, $"{at}.name", 80)
                .AllowText(target.Look, $"{at}.look", 120)
                .RequirePast(target.MeasuredOn, today, $"{at}.measuredOn")
                .Require(
                    target.Distance.Unit is LengthUnit.Yards or LengthUnit.Metres,
                    $"{at}.distance.unit",
                    "Targets are marked in yards or metres."
                )
                .Require(
                    FieldRanges.TargetDistance.Contains(target.Distance.Value),
                    $"{at}.distance.value",
                    "A distance lies above 0 and up to 400."
                )
                .Require(
                    Math.Abs(target.BearingDegrees) <= 60,
                    $"{at}.bearingDegrees",
                    "A bearing lies within 60 degrees to either side."
                );
        }

        for (var i = 0; i < place.Walks.Count; i++)
            errors.RequireIn(place.Walks[i].Minutes, FieldRanges.WalkMinutes, $"walks[{i}].minutes", "minutes");
        return errors.Found;
    }
}
