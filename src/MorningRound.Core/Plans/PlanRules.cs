using System.Text.Json;
using MorningRound.Core.Canonical;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Plans;

/// <summary>What a plan must satisfy to be kept, and what more it needs before a student may see it.</summary>
public static class PlanRules
{
    /// <summary>Characters of a title.</summary>
    public const int LongestTitle = 120;

    /// <summary>Characters of a sentence, such as the purpose.</summary>
    public const int LongestSentence = 400;

    /// <summary>Characters of an instruction.</summary>
    public const int LongestInstruction = 2000;

    /// <summary>The most segments of a plan.</summary>
    public const int MostSegments = 40;

    /// <summary>The most minutes of a segment.</summary>
    public static int MostMinutesInSegment => (int)FieldRanges.SegmentMinutes.Most;

    /// <summary>The most minutes of a plan.</summary>
    public static int MostMinutesInPlan => (int)FieldRanges.SessionMinutes.Most;

    /// <summary>The most balls of a segment.</summary>
    public static int MostBallsInSegment => (int)FieldRanges.SegmentBalls.Most;

    /// <summary>The most parts of a segment.</summary>
    public const int MostParts = 6;

    /// <summary>The most stages in which a segment hides something.</summary>
    public const int MostHideStages = 3;

    /// <summary>The most holes of a segment.</summary>
    public const int MostHoles = 18;

    /// <summary>
    /// Bytes of a plan as JSON, with the drills in it: some ten times a full hour's. It is sent at every stroke on the bench.
    /// </summary>
    public const int LargestPlan = 200_000;

    /// <summary>
    /// Everything that keeps a plan from being saved, each with the path of its field. An unfinished plan can be saved: no
    /// purpose and no segments are fine here. Empty when the plan can be kept.
    /// </summary>
    public static IReadOnlyList<FieldError> ToKeep(SessionPlan plan)
    {
        var errors = new FieldErrors()
            .Require(!string.IsNullOrWhiteSpace(plan.Title), "title", "A plan needs a title.")
            .AllowText(plan.Title, "title", LongestTitle)
            .AllowText(plan.Purpose, "purpose", LongestSentence)
            .AllowText(plan.SuccessTest, "successTest", LongestSentence)
            .Require(
                plan.Constraints.Minutes is not { } minutes || FieldRanges.SessionMinutes.Contains(minutes),
                "constraints.minutes",
                $"Between 5 and {MostMinutesInPlan} minutes, please."
            )
            .Require(
                plan.Constraints.Balls is not { } balls || FieldRanges.SessionBalls.Contains(balls),
                "constraints.balls",
                "Between 0 and 1000 balls, please."
            )
            .Require(
                plan.Constraints.WindFromDegrees is null or (>= 0 and <= 359),
                "constraints.windFromDegrees",
                "A direction lies between 0 and 359 degrees."
            )
            .RequireAtMost(plan.Overruled.Count, 100, "overruled")
            .Require(plan.Segments.Count <= MostSegments, "segments", $"A plan holds at most {MostSegments} segments.");

        var seen = new HashSet<Guid>();
        for (var i = 0; i < plan.Segments.Count; i++)
        {
            var path = $"segments[{i}]";
            var segment = plan.Segments[i];
            errors.Require(
                segment.Id != Guid.Empty && seen.Add(segment.Id),
                $"{path}.id",
                "Every segment needs an id of its own."
            );
            CheckSegment(segment, path, errors);
            if (segment is PracticeSegment { Drill: { } drill })
                errors.Include(drill.Check($"{path}.drill"));
        }

        for (var i = 0; i < Math.Min(100, plan.Overruled.Count); i++)
            errors.RequireText(plan.Overruled[i].Reason, $"overruled[{i}].reason", LongestSentence);
        return errors
            .Require(
                plan.Segments.Sum(s => (long)s.Minutes) <= MostMinutesInPlan,
                "segments",
                $"A session is at most {MostMinutesInPlan} minutes long."
            )
            .Require(
                CanonicalText.LengthOf(plan) <= LargestPlan,
                "segments",
                "So much text is no session any more: shorten what to do, or make two plans of it."
            )
            .Found;
    }

    /// <summary>
    /// What <see cref="ToKeep"/> asks for, and also a purpose and at least one segment of practice. Empty when the plan can be
    /// published.
    /// </summary>
    public static IReadOnlyList<FieldError> ToPublish(SessionPlan plan) =>
        [
            .. ToKeep(plan),
            .. new FieldErrors()
                .Require(
                    !string.IsNullOrWhiteSpace(plan.Purpose),
                    "purpose",
                    "A session needs a purpose before a student sees it."
                )
                .Require(
                    plan.Practice().Any(),
                    "segments",
                    "A session needs at least one segment of practice before a student sees it."
                )
                .Found,
        ];

    /// <summary>Everything wrong with one segment by itself, under the path.</summary>
    public static IReadOnlyList<FieldError> Check(Segment segment, string path)
    {
        var errors = new FieldErrors().Require(segment.Id != Guid.Empty, $"{path}.segmentId", "An id is needed.");
        CheckSegment(segment, path, errors);
        return errors.Found;
    }

    private static void CheckSegment(Segment segment, string path, FieldErrors errors)
    {
        errors
            .RequireText(segment.Title, $"{path}.title", LongestTitle)
            .RequireIn(segment.Minutes, FieldRanges.SegmentMinutes, $"{path}.minutes", "minutes")
            .AllowText(segment.Instruction, $"{path}.instruction", LongestInstruction);
        if (segment is not PracticeSegment practice)
            return;

        errors
            .RequireIn(practice.Balls, FieldRanges.SegmentBalls, $"{path}.balls", "balls")
            .AllowText(practice.Cue, $"{path}.cue", LongestSentence)
            .Require(practice.Clubs.Distinct().Count() == practice.Clubs.Count, $"{path}.clubs", "Name each club once.")
            .Require(!practice.Bridge || practice.Phase == Phase.WarmUp, $"{path}.bridge", "Only a warm-up has a bridge.");
        errors
            .AllowText(practice.Focus, $"{path}.focus", LongestSentence)
            .AllowText(practice.Skill, $"{path}.skill", LongestTitle)
            .AllowText(practice.Criterion, $"{path}.criterion", LongestSentence)
            .RequireOnce(practice.Aids, $"{path}.aids")
            .Require(
                practice.DeclaredRun is null or (>= 2 and <= 5),
                $"{path}.declaredRun",
                "A declared run is two to five balls."
            )
            .RequireAtMost(practice.Calls.Count, 60, $"{path}.calls")
            .Require(
                practice.FairwayYards is not { } here || FieldRanges.FairwayYards.Contains(here),
                $"{path}.fairwayYards",
                "Above 0 and up to 200 yards, please."
            )
            .Require(
                practice.RealFairwayYards is not { } real || FieldRanges.FairwayYards.Contains(real),
                $"{path}.realFairwayYards",
                "Above 0 and up to 200 yards, please."
            )
            .RequireBetween(practice.Priority, 1, 3, $"{path}.priority", "as a priority");
        CheckParts(practice, path, errors);
        errors.RequireAtMost(practice.HideStages.Count, MostHideStages, $"{path}.hideStages");
        for (var i = 0; i < Math.Min(MostHideStages, practice.HideStages.Count); i++)
            errors.RequireOnce(practice.HideStages[i].Hide, $"{path}.hideStages[{i}].hide");
        for (var i = 0; i < Math.Min(60, practice.Calls.Count); i++)
            errors.AllowText(practice.Calls[i].Target, $"{path}.calls[{i}].target", 40);
        if (practice.Holes is { } holes)
        {
            errors
                .Require(practice.Phase == Phase.OnCourse, $"{path}.holes", "Only an on-course segment has holes.")
                .RequireBetween(holes, 1, MostHoles, $"{path}.holes", "holes");
        }

        if (practice.Play is { } play)
        {
            errors
                .Require(practice.Phase == Phase.OnCourse, $"{path}.play", "Only an on-course segment plays holes.")
                .Require(
                    practice.Place == PlaceKind.Range,
                    $"{path}.place",
                    "Holes are laid out on a range; what is played on a course itself is a round."
                )
                .Require(
                    practice.Drill is null or { Drill.Protocol: Repetitions },
                    $"{path}.drill",
                    "A drill with a count of its own cannot play holes besides."
                )
                .Require(
                    practice.Holes == play.Holes.Count,
                    $"{path}.holes",
                    $"The segment plays {play.Holes.Count} holes; its number of holes says another."
                )
                .Include(play.Check($"{path}.play"));
        }

        switch (practice.Exit)
        {
            case AfterBalls:
                errors.Require(
                    practice.Balls > 0,
                    $"{path}.balls",
                    "A segment that ends after its balls needs a number of balls."
                );
                break;
            case UntilMet until:
                errors.RequireText(until.Criterion, $"{path}.exit.criterion", LongestSentence);
                break;
        }
    }

    private static void CheckParts(PracticeSegment practice, string path, FieldErrors errors)
    {
        errors.RequireAtMost(practice.Parts.Count, MostParts, $"{path}.parts");
        for (var i = 0; i < Math.Min(MostParts, practice.Parts.Count); i++)
            errors
                .RequireText(practice.Parts[i].Label, $"{path}.parts[{i}].label", LongestTitle)
                .RequireOnce(practice.Parts[i].Clubs, $"{path}.parts[{i}].clubs")
                .RequireBetween(practice.Parts[i].Balls, 0, MostBallsInSegment, $"{path}.parts[{i}].balls", "balls");
        errors.Require(
            practice.Parts.Count == 0 || practice.Parts.Sum(p => (long)p.Balls) == practice.Balls,
            $"{path}.parts",
            $"The balls of the parts add up to the segment's, which are {practice.Balls}."
        );
    }
}
