using System.Text.Json.Serialization;
using MorningRound.Core.Courses;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.OnCourse;

/// <summary>What of a hole is played.</summary>
public enum WayToPlay
{
    /// <summary>The whole hole.</summary>
    WholeHoles,

    /// <summary>Its tee shot alone: in or out, and on which side.</summary>
    TeeShots,
}

/// <summary>How putts are settled.</summary>
public enum PuttsBy
{
    /// <summary>They wait, and are holed out on a putting green after the last hole.</summary>
    HolingOut,

    /// <summary>What is usual from there stands for them, and the card says so.</summary>
    Expected,
}

/// <summary>Which holes a segment plays, and how.</summary>
public sealed record HolesToPlay
{
    /// <summary>The course they were taken from; null where they belong to none.</summary>
    public Guid? CourseId { get; init; }

    /// <summary>What that course is called; empty where they belong to none.</summary>
    public string Course { get; init; } = "";

    /// <summary>The unit of the lengths of drawn holes: that of their course.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Yards;

    /// <summary>The tee they are played from; empty where holes have no choice of tees.</summary>
    public string Tee { get; init; } = "";

    /// <summary>Which of the lengths of a drawn hole that tee has, from 0.</summary>
    public int TeeIndex { get; init; }

    /// <summary>The range they are laid out on; null leaves it to the first one on record.</summary>
    public Guid? Ground { get; init; }

    /// <summary>The holes, in the order in which they are played. One of them several times over has other pins.</summary>
    public required IReadOnlyList<HoleToPlay> Holes { get; init; }

    /// <summary>What of each is played.</summary>
    public WayToPlay Way { get; init; }

    /// <summary>How putts are settled.</summary>
    public PuttsBy Putts { get; init; }

    /// <summary>What the real width of a fairway is multiplied by on a range.</summary>
    public double Factor { get; init; } = FairwayLayout.UsualFactor;

    /// <summary>As it is called: "3 holes of Heron Island", "14 tee shots".</summary>
    [JsonIgnore]
    public string Name
    {
        get
        {
            var what = (Way, Holes.Count) switch
            {
                (WayToPlay.TeeShots, 1) => "1 tee shot",
                (WayToPlay.TeeShots, var n) => $"{n} tee shots",
                (_, 1) => "1 hole",
                (_, var n) => $"{n} holes",
            };
            return Course.Length == 0 ? what : $"{what} of {Course}";
        }
    }

    /// <summary>The balls they usually take: a shot less than par to each green, one beside every second, or one a tee.</summary>
    [JsonIgnore]
    public int UsualBalls =>
        Way == WayToPlay.TeeShots ? Holes.Count : Holes.Sum(h => h.StrokesOfPar - 2) + ((Holes.Count + 1) / 2);

    /// <summary>The minutes they usually take at a bay: four a hole, or three for two tee shots. The product's own.</summary>
    [JsonIgnore]
    public int UsualMinutes => Way == WayToPlay.TeeShots ? ((3 * Holes.Count) + 1) / 2 : 4 * Holes.Count;

    /// <summary>Everything wrong, each with its path under the one given.</summary>
    public IReadOnlyList<FieldError> Check(string path)
    {
        var errors = new FieldErrors()
            .AllowText(Course, $"{path}.course", 80)
            .AllowText(Tee, $"{path}.tee", 40)
            .Require(Unit is LengthUnit.Yards or LengthUnit.Metres, $"{path}.unit", "Yards or metres, please.")
            .RequireBetween(TeeIndex, 0, CourseRules.MostTees - 1, $"{path}.teeIndex", "as the number of a tee")
            .Require(Holes.Count > 0, $"{path}.holes", "At least one hole, please.")
            .RequireAtMost(Holes.Count, CourseRules.MostHoles, $"{path}.holes")
            .Require(FieldRanges.FairwayFactor.Contains(Factor), $"{path}.factor", "A factor lies between 0.5 and 1.2.")
            .Require(
                Way == WayToPlay.WholeHoles || Holes.All(h => h.StrokesOfPar > 3),
                $"{path}.holes",
                "Tee shots alone are played on holes with a fairway: par 4 or more."
            );
        for (var i = 0; i < Math.Min(Holes.Count, CourseRules.MostHoles); i++)
        {
            errors.Include(CourseRules.Check(Holes[i], $"{path}.holes[{i}]"));
            errors.Require(
                Holes[i] is not DrawnHole drawn || TeeIndex < drawn.Hole.Lengths.Count,
                $"{path}.teeIndex",
                "The holes have no such tee."
            );
        }

        return errors.Found;
    }
}
