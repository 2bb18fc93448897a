using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Programmes;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Programmes;

/// <summary>
/// Weeks × slots, and what changes from week to week. That a lighter week comes in between is common practice, no source.
/// </summary>
public class ProgrammeTests
{
    private static readonly Guid PlanId = Id(70);

    private static readonly ShelvedDrill Round = Given.Shelf.Drills.Single(d => d.Drill.Name == "Round the hole");

    private static readonly SessionPlan Putting = Given.Plan(
        Given.Segment(1, Phase.WarmUp, 10, intent: Intent.Body),
        Given.Segment(2, Phase.Block, 30, 24, place: PlaceKind.PuttingGreen) with
        {
            Drill = new PlannedDrill
            {
                DrillId = Round.Id,
                Drill = Round.Drill,
                Rung = 1,
                Goal = Round.Drill.UsualGoal(1),
            },
        },
        Given.Segment(3, Phase.Random, 20, 20)
    ) with
    {
        Constraints = new PlanConstraints { Minutes = 65 },
    };

    [Fact]
    public void Every_week_has_its_slots_in_their_order()
    {
        var sessions = Of(Slot(1) with { Order = 1 }, Slot(2) with { Requirement = Requirement.Extra }).SessionsOf(1, Plans);
        Assert.Equal(
            [(Id(1), (int?)1, Requirement.Must), (Id(2), null, Requirement.Extra)],
            sessions.Select(s => (s.SlotId, s.Order, s.Requirement))
        );
        Assert.Same(Putting, sessions[0].Plan);
    }

    [Fact]
    public void A_slot_can_begin_later_and_end_earlier()
    {
        var programme = Of(Slot(1) with { FromWeek = 2, ToWeek = 3 });
        Assert.Equal([0, 1, 1, 0], Enumerable.Range(1, 4).Select(w => programme.SessionsOf(w, Plans).Count));
    }

    [Fact]
    public void A_step_goes_up_and_down_on_purpose_with_the_goal_that_is_usual_there()
    {
        var programme = Of(
            Slot(1) with
            {
                Changes =
                [
                    new SlotChange
                    {
                        FromWeek = 5,
                        SegmentId = Id(2),
                        Rung = 0,
                    },
                    new SlotChange
                    {
                        FromWeek = 3,
                        SegmentId = Id(2),
                        Rung = 2,
                    },
                ],
            }
        );
        var drills = Enumerable.Range(1, 6).Select(w => Drill(programme, w)).ToList();
        Assert.Equal([1, 1, 2, 2, 0, 0], drills.Select(d => d.Rung));
        Assert.All(drills, d => Assert.Equal(Round.Drill.UsualGoal(d.Rung), d.Goal));
    }

    [Fact]
    public void A_goal_can_change_while_the_step_stays()
    {
        var goal = new DrillGoal("made", 20);
        var programme = Of(
            Slot(1) with
            {
                Changes =
                [
                    new SlotChange
                    {
                        FromWeek = 2,
                        SegmentId = Id(2),
                        Goal = goal,
                    },
                ],
            }
        );
        Assert.Equal(Round.Drill.UsualGoal(1), Drill(programme, 1).Goal);
        Assert.Equal((1, goal), (Drill(programme, 2).Rung, Drill(programme, 2).Goal!));
    }

    [Fact]
    public void Minutes_change_for_a_segment_or_for_all_of_it()
    {
        var programme = Of(
            Slot(1) with
            {
                Changes =
                [
                    new SlotChange
                    {
                        FromWeek = 2,
                        SegmentId = Id(3),
                        Minutes = 30,
                    },
                    new SlotChange { FromWeek = 3, Minutes = 90 },
                ],
            }
        );
        Assert.Equal([60, 70, 90], Enumerable.Range(1, 3).Select(w => Minutes(Plan(programme, w))));
        // The five minutes that were to spare still are.
        Assert.Equal(95, Plan(programme, 3).Constraints.Minutes);
    }

    [Fact]
    public void A_lighter_week_is_shorter_and_has_nothing_extra()
    {
        var programme = Of(Slot(1), Slot(2) with { Requirement = Requirement.Extra }) with { LighterWeeks = [4] };
        var session = Assert.Single(programme.SessionsOf(4, Plans));
        // 60 % of 60 minutes.
        Assert.Equal(36, Minutes(session.Plan));
        Assert.Equal(2, programme.SessionsOf(5, Plans).Count);
    }

    [Fact]
    public void A_plan_that_is_gone_leaves_its_slot_out() =>
        Assert.Empty(Of(Slot(1)).SessionsOf(1, new Dictionary<Guid, SessionPlan>()));

    [Fact]
    public void Weeks_are_counted_from_the_start_and_not_beyond_the_end()
    {
        var run = new ProgrammeRun { Start = Week, From = Week };
        Assert.Null(run.WeekIn(Week.Plus(-1), 8));
        Assert.Equal(1, run.WeekIn(Week, 8));
        Assert.Equal(8, run.WeekIn(Week.Plus(7), 8));
        Assert.Null(run.WeekIn(Week.Plus(8), 8));
        Assert.Equal(Week.Plus(7), run.LastWeek(8));
    }

    [Fact]
    public void Over_New_Year_and_a_53rd_week_the_count_goes_on()
    {
        // 2026 has 53 weeks: ISO 8601.
        Assert.True(IsoWeek.TryParse("2026-W52", out var start));
        var run = new ProgrammeRun { Start = start, From = start };
        Assert.True(IsoWeek.TryParse("2026-W53", out var last));
        Assert.True(IsoWeek.TryParse("2027-W01", out var first));
        Assert.Equal([1, 2, 3], new[] { start, last, first }.Select(w => run.WeekIn(w, 8)));
    }

    [Fact]
    public void Waiting_a_week_loses_nothing_of_the_order()
    {
        var run = new ProgrammeRun
        {
            Start = Week,
            From = Week,
            Waits = [Week.Plus(2)],
        };
        Assert.Equal([1, 2, null, 3, 4], Enumerable.Range(0, 5).Select(n => run.WeekIn(Week.Plus(n), 4)));
        Assert.Equal(Week.Plus(4), run.LastWeek(4));
    }

    [Fact]
    public void Who_comes_later_joins_at_the_squads_week_and_who_leaves_is_out()
    {
        var joined = new ProgrammeRun { Start = Week, From = Week.Plus(2) };
        Assert.Equal([null, null, 3, 4], Enumerable.Range(0, 4).Select(n => joined.WeekIn(Week.Plus(n), 8)));
        var left = new ProgrammeRun
        {
            Start = Week,
            From = Week,
            Until = Week.Plus(2),
        };
        Assert.Equal([1, 2, null], Enumerable.Range(0, 3).Select(n => left.WeekIn(Week.Plus(n), 8)));
        Assert.Equal(Week.Plus(1), left.LastWeek(8));
    }

    [Fact]
    public void What_is_wrong_is_said_with_its_field()
    {
        var wrong = Of(
            Slot(1) with
            {
                FromWeek = 3,
                ToWeek = 2,
                Changes = [new SlotChange { FromWeek = 0, Rung = 1 }, new SlotChange { FromWeek = 2 }],
            },
            Slot(1)
        ) with
        {
            Name = " ",
            Weeks = 0,
            LighterWeeks = [9],
            Goal = new ProgrammeGoal
            {
                DrillId = Guid.Empty,
                Measure = "",
                What = "",
                Least = 3,
                Most = 2,
            },
        };
        Assert.Equal(
            [
                "name",
                "weeks",
                "lighterWeeks",
                "slots[0].id",
                "slots[0].toWeek",
                "slots[0].changes[0].fromWeek",
                "slots[0].changes[0].segmentId",
                "slots[0].changes[1]",
                "slots[1].id",
                "goal.drillId",
                "goal.measure",
                "goal.what",
                "goal.most",
            ],
            ProgrammeRules.Check(wrong).Select(e => e.Path)
        );
        Assert.Empty(ProgrammeRules.Check(Of(Slot(1))));
    }

    private static Dictionary<Guid, SessionPlan> Plans { get; } = new() { [PlanId] = Putting };

    private static Programme Of(params ProgrammeSlot[] slots) =>
        new()
        {
            Name = "Short putts",
            Weeks = 8,
            Slots = slots,
        };

    private static ProgrammeSlot Slot(int id) => new() { Id = Id(id), PlanId = PlanId };

    private static SessionPlan Plan(Programme programme, int week) => programme.SessionsOf(week, Plans)[0].Plan;

    private static PlannedDrill Drill(Programme programme, int week) =>
        Plan(programme, week).Practice().Single(s => s.Drill is not null).Drill!;

    private static int Minutes(SessionPlan plan) => plan.Segments.Sum(s => s.Minutes);
}
