using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Courses;

/// <summary>What a course must satisfy to be kept.</summary>
public static class CourseRules
{
    /// <summary>The most holes a course has.</summary>
    public const int MostHoles = 18;

    /// <summary>The most tees a course has.</summary>
    public const int MostTees = 6;

    /// <summary>The longest hole that can be written down, in yards or metres: longer than anybody has built.</summary>
    public const int LongestHole = 1000;

    /// <summary>The shortest, in yards or metres.</summary>
    public const int ShortestHole = 20;

    /// <summary>Everything wrong, each with its path; empty when the course can be kept.</summary>
    public static IReadOnlyList<FieldError> Check(Course course)
    {
        var errors = new FieldErrors()
            .RequireText(course.Name, "name", 80)
            .Require(course.Unit is LengthUnit.Yards or LengthUnit.Metres, "unit", "Yards or metres, please.")
            .Require(course.Tees.Count > 0, "tees", "A course has at least one tee.")
            .RequireAtMost(course.Tees.Count, MostTees, "tees")
            .RequireOnce(course.Tees, "tees")
            .Require(course.Holes.Count > 0, "holes", "A course has at least one hole.")
            .RequireAtMost(course.Holes.Count, MostHoles, "holes");
        for (var i = 0; i < Math.Min(course.Tees.Count, MostTees); i++)
            errors.RequireText(course.Tees[i], $"tees[{i}]", 40);
        for (var i = 0; i < Math.Min(course.Holes.Count, MostHoles); i++)
            CheckHole(course.Holes[i], course.Tees.Count, $"holes[{i}]", errors);
        return errors.Found;
    }

    /// <summary>Everything wrong with a hole that is set to be played, under a path.</summary>
    public static IReadOnlyList<FieldError> Check(HoleToPlay hole, string path)
    {
        var errors = new FieldErrors();
        switch (hole)
        {
            case DrawnHole drawn:
                errors.RequireBetween(drawn.Number, 1, MostHoles, $"{path}.number", "as the number of a hole");
                CheckHole(drawn.Hole, drawn.Hole.Lengths.Count, $"{path}.hole", errors);
                break;
            case QuickHole quick:
                errors
                    .RequireBetween(quick.Par, 3, 5, $"{path}.par", "as par")
                    .Require(
                        quick.UsuallyLeft.Unit is LengthUnit.Yards or LengthUnit.Metres,
                        $"{path}.usuallyLeft.unit",
                        "Yards or metres, please."
                    )
                    .Require(
                        quick.UsuallyLeft.Value is >= ShortestHole and <= 300,
                        $"{path}.usuallyLeft.value",
                        $"Between {ShortestHole} and 300, please."
                    );
                break;
        }

        return errors.Found;
    }

    private static void CheckHole(Hole hole, int tees, string path, FieldErrors errors)
    {
        errors
            .RequireBetween(hole.Par, 3, 6, $"{path}.par", "as par")
            .Require(hole.Lengths.Count > 0, $"{path}.lengths", "A hole has a length from each tee.")
            .RequireAtMost(hole.Lengths.Count, MostTees, $"{path}.lengths")
            .Require(hole.Lengths.Count == tees, $"{path}.lengths", $"One length for each of the {tees} tees, please.")
            .Require(
                hole.Par == 3 || hole.FairwayWidth is not null,
                $"{path}.fairwayWidth",
                "A hole with a fairway needs its width."
            )
            .Require(
                hole.FairwayWidth is null or (>= 5 and <= 120),
                $"{path}.fairwayWidth",
                "A fairway is between 5 and 120 wide."
            )
            .Require(FieldRanges.GreenSize.Contains(hole.Green.Width), $"{path}.green.width", "A green is between 5 and 80 wide.")
            .Require(FieldRanges.GreenSize.Contains(hole.Green.Depth), $"{path}.green.depth", "A green is between 5 and 80 deep.")
            .RequireIn(hole.PlaysLongerPercent, FieldRanges.LongerPercent, $"{path}.playsLongerPercent", "per cent");
        for (var i = 0; i < Math.Min(hole.Lengths.Count, MostTees); i++)
            errors.Require(
                hole.Lengths[i] is >= ShortestHole and <= LongestHole,
                $"{path}.lengths[{i}]",
                $"A hole is between {ShortestHole} and {LongestHole} long."
            );
        if (hole.Across is not { } across)
            return;
        errors
            .Require(
                across.Kind is TroubleKind.Water or TroubleKind.Sand,
                $"{path}.across.kind",
                "Water or sand lies across a hole; trees and boundaries lie beside it."
            )
            .Require(across.From >= 0, $"{path}.across.from", "It begins at the tee at the earliest.")
            .Require(across.To > across.From, $"{path}.across.to", "It ends behind where it begins.")
            .Require(
                hole.Lengths.Count == 0 || across.To < hole.Lengths[0],
                $"{path}.across.to",
                "It ends before the hole does; what lies at the green is the green's."
            );
    }
}
