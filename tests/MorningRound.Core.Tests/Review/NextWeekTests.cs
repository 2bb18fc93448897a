using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Review;
using MorningRound.Core.Serialization;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Review;

public class NextWeekTests
{
    private static readonly Guid Session = Id(500);
    private static readonly IReadOnlyDictionary<Guid, Drill> Drills = Shelf.Drills.ToDictionary(d => d.Id, d => d.Drill);

    /// <summary>A drill of the shelf with a ladder, on a putting green.</summary>
    private static readonly ShelvedDrill Laddered = Shelf.Drills.First(d =>
        d.Drill is { Area: Area.Putting, Ladder.Count: > 2 } && d.Drill.Places.Contains(PlaceKind.PuttingGreen)
    );

    private static readonly ShelvedDrill Other = Shelf.Drills.First(d =>
        d.Id != Laddered.Id
        && d.Drill is { Area: Area.Putting, UsualBalls: > 0 }
        && d.Drill.Places.Contains(PlaceKind.PuttingGreen)
    );

    private static PracticeSegment Drilled(int id, int minutes = 20) =>
        Segment(id, Phase.Block, minutes, 20, Intent.Skill, PlaceKind.PuttingGreen) with
        {
            Drill = new PlannedDrill
            {
                DrillId = Laddered.Id,
                Drill = Laddered.Drill,
                Rung = 0,
                Goal = Laddered.Drill.UsualGoal(0),
            },
        };

    private static readonly SessionPlan Before = Plan(Segment(9, Phase.WarmUp, 5), Drilled(1), Drilled(2, 15));

    private static WeekChange Taken(SuggestionKind kind, int? rung = null, Guid? brings = null, params int[] segments) =>
        new()
        {
            Kind = kind,
            Segments = [.. segments.Select(id => new AssignedSegment(Session, Id(id)))],
            DrillId = Laddered.Id,
            OnRung = 9,
            Rung = rung,
            BringsDrillId = brings,
            Trial = kind == SuggestionKind.Trial ? new TrialText("Does it?", "this.", "that.") : null,
        };

    private static SessionPlan With(params WeekChange[] taken) => NextWeek.With(Before, taken, Drills).Plan;

    private static string Text(object of) => System.Text.Json.JsonSerializer.Serialize(of, CoreJson.Options);

    [Fact]
    public void A_raised_drill_stands_on_its_next_step_with_what_is_asked_there_and_nothing_else_changes()
    {
        var after = With(Taken(SuggestionKind.Raise, 1, null, 1)).Practice().ToList();
        Assert.Equal((1, Laddered.Drill.UsualGoal(1)), (after[1].Drill!.Rung, after[1].Drill!.Goal));
        Assert.Equal(Text(Before.Segments[2]), Text(after[2]));
        Assert.Equal(Text(Before.Segments[0]), Text(after[0]));
    }

    [Fact]
    public void A_step_that_the_coach_chooses_is_taken_up_or_down()
    {
        var raised = NextWeek.With(Before, [Taken(SuggestionKind.Step, 1, null, 1)], Drills);
        Assert.Equal(1, raised.Plan.Practice().ElementAt(1).Drill!.Rung);
        Assert.Equal([$"“{Laddered.Drill.Name}” now on: {Laddered.Drill.Ladder[1].Name}."], raised.Said.Select(m => m.In()));
        var eased = NextWeek.With(raised.Plan, [Taken(SuggestionKind.Step, 0, null, 1)], Drills).Plan;
        Assert.Equal(Text(Before), Text(eased));
    }

    [Fact]
    public void A_swapped_drill_keeps_its_minutes()
    {
        var after = With(Taken(SuggestionKind.Swap, 0, Other.Id, 2)).Practice().Last();
        Assert.Equal((Other.Id, 15, Id(2)), (after.Drill!.DrillId, after.Minutes, after.Id));
    }

    [Fact]
    public void What_rests_gives_its_minutes_to_what_stays_and_a_session_is_never_emptied()
    {
        var after = With(Taken(SuggestionKind.Retire, null, null, 1)).Practice().ToList();
        Assert.Equal([Id(9), Id(2)], after.Select(s => s.Id));
        Assert.Equal(35, after[1].Minutes);
        Assert.Same(Before, With(Taken(SuggestionKind.Retire, null, null, 1, 2)));
    }

    [Fact]
    public void Merged_segments_are_as_long_as_both()
    {
        var after = With(Taken(SuggestionKind.Merge, null, null, 1, 2)).Practice().ToList();
        Assert.Equal(35, Assert.Single(after, s => s.Phase == Phase.Block).Minutes);
    }

    [Fact]
    public void A_trial_is_small_and_takes_its_minutes_from_its_neighbour()
    {
        var after = With(Taken(SuggestionKind.Trial, 0, Other.Id, 1));
        var dose = after.Practice().Single(s => s.Instruction.StartsWith("Trial.", StringComparison.Ordinal));
        Assert.Equal((5, Other.Id), (dose.Minutes, dose.Drill!.DrillId));
        Assert.Equal(Before.Segments.Sum(s => s.Minutes), after.Segments.Sum(s => s.Minutes));
        Assert.Equal(Text(after), Text(With(Taken(SuggestionKind.Trial, 0, Other.Id, 1))));
    }

    [Fact]
    public void Holding_and_what_belongs_to_another_session_change_nothing()
    {
        Assert.Same(Before, With(Taken(SuggestionKind.Hold, null, null, 1)));
        Assert.Same(Before, With(Taken(SuggestionKind.Raise, 1, null, 77)));
    }

    [Fact]
    public void Changes_that_are_made_twice_are_made_once()
    {
        WeekChange[] changes =
        [
            Taken(SuggestionKind.Raise, 1, null, 1),
            Taken(SuggestionKind.Trial, 0, Other.Id, 1),
            Taken(SuggestionKind.Swap, 0, Other.Id, 2),
        ];
        var once = With(changes);
        Assert.Equal(Text(once), Text(NextWeek.With(once, changes, Drills).Plan));
    }

    [Fact]
    public void In_a_session_that_is_no_copy_the_drill_is_found_on_its_step()
    {
        var raise = Taken(SuggestionKind.Raise, 1, null, 77) with { OnRung = 0, Group = PhaseGroup.Block };
        Assert.Equal([1, 1], With(raise).Practice().Skip(1).Select(s => s.Drill!.Rung));
        Assert.Same(Before, With(raise with { OnRung = 2 }));
        Assert.Same(Before, With(raise with { Group = PhaseGroup.RandomOrOnCourse }));
    }

    [Fact]
    public void What_was_changed_is_said_to_the_student_as_well()
    {
        string[] Said(params WeekChange[] taken) => [.. NextWeek.With(Before, taken, Drills).Said.Select(m => m.In())];
        var (name, other) = (Laddered.Drill.Name, Other.Drill.Name);
        Assert.Equal(
            [$"“{name}” now on: {Laddered.Drill.Ladder[1].Name}.", $"“{other}” in place of “{name}”."],
            Said(Taken(SuggestionKind.Raise, 1, null, 1), Taken(SuggestionKind.Swap, 0, Other.Id, 2))
        );
        Assert.Equal([$"“{name}” rests."], Said(Taken(SuggestionKind.Retire, null, null, 1)));
        Assert.Equal([$"A small dose of “{other}”."], Said(Taken(SuggestionKind.Trial, 0, Other.Id, 1)));
        Assert.Empty(Said(Taken(SuggestionKind.Hold, null, null, 1)));
    }
}
