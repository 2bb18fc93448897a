using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Plans.Checks;
using MorningRound.Core.Units;
using MorningRound.Core.Weeks.Tailoring;

namespace MorningRound.Core.Tests.Weeks;

/// <summary>
/// What a plan for many becomes for one. That bag, pain, things and level decide it is common practice, no source.
/// </summary>
public class TailoringTests
{
    private static readonly DrillFile Shelf = Given.Shelf;

    [Fact]
    public void A_plan_that_suits_the_student_stays_as_it_is()
    {
        var tailored = For(PlanOf("Ball, then ground", "Every iron once"), Context());
        Assert.Empty(tailored.Changes);
    }

    [Fact]
    public void A_plan_for_nobody_in_particular_stays_as_it_is()
    {
        var plan = PlanOf("Path by numbers");
        Assert.Same(plan, For(plan, GivenPlan.Context with { Student = null }).Plan);
    }

    [Fact]
    public void A_club_that_is_not_in_the_bag_gives_way_to_the_one_next_to_it()
    {
        var plan = Changed(PlanOf("Sweep it"), s => s with { Clubs = [Club.Wood3, Club.Wood5, Club.LobWedge] });
        var tailored = For(plan, Context(bag: [Club.Driver, Club.Wood5, Club.Hybrid, Club.Iron7, Club.PitchingWedge]));
        Assert.Equal([Club.Driver, Club.Wood5], Only(tailored.Plan).Clubs);
        Assert.Equal(
            [
                "“Sweep it”: the driver for the 3 wood, which is not in the bag.",
                "“Sweep it”: without the lob wedge, which is not in the bag.",
            ],
            tailored.Changes.Select(c => c.Why)
        );
    }

    [Fact]
    public void A_call_with_a_club_nobody_has_goes_to_the_next_one()
    {
        var plan = Changed(
            PlanOf("Every iron once"),
            s =>
                s with
                {
                    Clubs = [Club.Iron7],
                    Calls =
                    [
                        new ShotCall(Club.Iron6, ShotShape.Straight, ShotHeight.Normal, ""),
                        new ShotCall(Club.Driver, ShotShape.Straight, ShotHeight.Normal, ""),
                    ],
                }
        );
        var tailored = For(plan, Context(bag: [Club.Iron7, Club.Iron9]));
        Assert.Equal([Club.Iron7], Only(tailored.Plan).Calls.Select(c => c.Club));
    }

    [Fact]
    public void What_loads_a_part_that_hurts_gives_way_to_the_nearest_drill_that_does_not()
    {
        // Full swings load a lead shoulder heavily, half ones lightly; both train the strike of an iron.
        var tailored = For(PlanOf("Ball, then ground"), Context(new HurtPart(BodyPart.Shoulder, BodySide.Lead, Mild: true)));
        var change = Assert.Single(tailored.Changes);
        var segment = Only(tailored.Plan);
        Assert.Equal((PlanChangeKind.Drill, segment.Id), (change.Kind, change.SegmentId));
        Assert.Equal((Area.Iron, Phase.Block, Intent.Technique), (segment.EffectiveArea, segment.Phase, segment.Intent));
        Assert.NotEqual(LoadWeight.Heavy, segment.LoadOn(BodyPart.Shoulder, BodySide.Lead));
        Assert.EndsWith("it loads the lead shoulder, which hurts.", change.Why, StringComparison.Ordinal);
        // What is to be changed and how long it takes are the coach's.
        Assert.Equal("Ball first", segment.Focus);
        Assert.Equal(15, segment.Minutes);
    }

    [Fact]
    public void Where_nothing_spares_the_part_it_stays_and_says_that_it_holds_the_session_back()
    {
        var plan = PlanOf("Every iron once");
        var tailored = For(plan, Context(new HurtPart(BodyPart.LowerBack, null)));
        Assert.Same(Only(plan).Drill, Only(tailored.Plan).Drill);
        Assert.Equal(
            "“Every iron once” stays and holds the session back: it loads the lower back, which hurts, and nothing on the shelf "
                + "does instead.",
            Assert.Single(tailored.Changes).Why
        );
    }

    [Fact]
    public void A_drill_that_needs_a_launch_monitor_gives_way_where_there_is_none()
    {
        var tailored = For(PlanOf("Path by numbers"), Context(hasMonitor: false));
        Assert.Equal(
            "“Path by numbers” gave way to “Between the head covers”: it needs launch monitor, and there is none.",
            Assert.Single(tailored.Changes).Why
        );
        Assert.Equal("path", Only(tailored.Plan).EffectiveSkill);
    }

    [Fact]
    public void A_drill_that_needs_numbers_of_the_wedges_gives_way_where_nobody_measured_them()
    {
        var tailored = For(PlanOf("Wedge numbers"), Context());
        var change = Assert.Single(tailored.Changes);
        Assert.Equal(PlanChangeKind.Drill, change.Kind);
        Assert.Equal((Area.Wedge, "distance"), (Only(tailored.Plan).EffectiveArea, Only(tailored.Plan).EffectiveSkill));
    }

    [Fact]
    public void A_drill_already_in_the_plan_is_the_last_to_stand_in()
    {
        var tailored = For(PlanOf("Path by numbers", "Between the head covers"), Context(hasMonitor: false));
        Assert.Equal(2, tailored.Plan.Practice().Select(s => s.Drill!.DrillId).Distinct().Count());
    }

    [Theory]
    [InlineData(2, 1, 2, "“Round the hole” stays at ")]
    [InlineData(0, 2, 1, "“Round the hole” goes on to ")]
    public void The_step_of_a_ladder_follows_the_last_results(int rung, int met, int expected, string why)
    {
        var plan = Changed(PlanOf("Round the hole"), s => s with { Drill = s.Drill! with { Rung = 3 } });
        var tailored = For(plan, Context(), new LadderStanding(IdOf("Round the hole"), rung, met));
        var planned = Only(tailored.Plan).Drill!;
        Assert.Equal(expected, planned.Rung);
        Assert.Equal(planned.Drill.UsualGoal(expected), planned.Goal);
        Assert.StartsWith(why, Assert.Single(tailored.Changes).Why, StringComparison.Ordinal);
    }

    [Fact]
    public void At_the_top_of_a_ladder_there_is_no_next_step()
    {
        var plan = Changed(PlanOf("Round the hole"), s => s with { Drill = s.Drill! with { Rung = 3 } });
        Assert.Empty(For(plan, Context(), new LadderStanding(IdOf("Round the hole"), 3, 5)).Changes);
    }

    [Fact]
    public void Without_results_somebody_begins_where_their_level_does()
    {
        var plan = PlanOf("Round the hole");
        var top = Changed(plan, s => s with { Drill = s.Drill! with { Rung = 3 } });
        var tailored = For(top, Context() with { Level = Level.New });
        Assert.Equal(Only(plan).Drill!.Drill.BeginningRung(Level.New), Only(tailored.Plan).Drill!.Rung);
        Assert.EndsWith("as is usual at the level: new.", Assert.Single(tailored.Changes).Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Numbers_come_in_the_students_unit_and_it_is_said()
    {
        var plan = Changed(PlanOf("Every iron once"), s => s with { FairwayYards = 25 });
        var metres = Context() with { Student = File(own => own with { Units = LengthUnit.Metres }) };
        Assert.Equal("Its numbers come in metres.", Assert.Single(For(plan, metres).Changes).Why);
    }

    [Fact]
    public void Whatever_hurts_and_whatever_lacks_what_was_tailored_is_never_worse_than_before()
    {
        var parts = Enum.GetValues<BodyPart>().Select(p => new HurtPart(p, p.IsPaired() ? BodySide.Lead : null, Mild: true));
        foreach (var hurt in parts)
        {
            foreach (var shelved in Shelf.Drills)
            {
                var plan = PlanOf(shelved.Drill.Name);
                var context = Context(hurt, hasMonitor: false);
                var tailored = For(plan, context);
                Assert.True(Stops(tailored.Plan, context) <= Stops(plan, context), $"{shelved.Drill.Name}, {hurt.Part}");
                if (tailored.Changes.Any(c => c.Kind == PlanChangeKind.Drill))
                    Assert.Equal(0, Stops(tailored.Plan, context));
            }
        }
    }

    [Fact]
    public void A_goal_met_twice_running_offers_the_next_step_and_one_miss_does_not()
    {
        var plan = Changed(PlanOf("Round the hole"), s => s with { Drill = s.Drill! with { Rung = 1 } });
        var offer = Assert.Single(NextSteps.Of(plan, [new LadderStanding(IdOf("Round the hole"), 1, 2)]));
        var ladder = Only(plan).Drill!.Drill.Ladder;
        Assert.Equal((Only(plan).Id, 2), (offer.SegmentId, offer.Rung));
        Assert.Equal($"“Round the hole” could go on to “{ladder[2].Name}”: the goal was met 2 times running.", offer.Why);
        Assert.Empty(NextSteps.Of(plan, [new LadderStanding(IdOf("Round the hole"), 1, 1)]));
        // Results of another step say nothing of this one, and above the top there is none.
        Assert.Empty(NextSteps.Of(plan, [new LadderStanding(IdOf("Round the hole"), 0, 4)]));
        var top = Changed(plan, s => s with { Drill = s.Drill! with { Rung = 3 } });
        Assert.Empty(NextSteps.Of(top, [new LadderStanding(IdOf("Round the hole"), 3, 4)]));
    }

    [Fact]
    public void A_step_that_is_taken_brings_the_goal_that_is_usual_there()
    {
        var plan = Changed(PlanOf("Round the hole"), s => s with { Drill = s.Drill! with { Rung = 1 } });
        var taken = Only(NextSteps.Taken(plan, [new NextStepOffer(Given.Id(1), 2, "")])).Drill!;
        Assert.Equal((2, taken.Drill.UsualGoal(2)), (taken.Rung, taken.Goal));
        Assert.Equal(1, Only(NextSteps.Taken(plan, [new NextStepOffer(Given.Id(9), 2, "")])).Drill!.Rung);
        Assert.Equal(1, Only(NextSteps.Taken(plan, [new NextStepOffer(Given.Id(1), 9, "")])).Drill!.Rung);
    }

    [Fact]
    public void What_was_published_gets_its_ladder_back_while_the_shelf_still_has_the_drill_as_it_was_set()
    {
        var plan = PlanOf("Round the hole");
        var shelf = Shelf.Drills.ToDictionary(d => d.Id, d => d.Drill);
        var again = NextSteps.ForNextWeek(plan.ForPublishing(), shelf);
        Assert.Equal(4, Only(again).Drill!.Drill.Ladder.Count);
        shelf[IdOf("Round the hole")] = shelf[IdOf("Close the door")];
        Assert.Empty(Only(NextSteps.ForNextWeek(plan.ForPublishing(), shelf)).Drill!.Drill.Ladder);
        Assert.Empty(Only(NextSteps.ForNextWeek(plan.ForPublishing(), new Dictionary<Guid, Drill>())).Drill!.Drill.Ladder);
    }

    private static int Stops(SessionPlan plan, PlanContext context) =>
        PlanCheck.Run(plan, context).Count(f => f.Level == FindingLevel.Stop);

    private static TailoredPlan For(SessionPlan plan, PlanContext context, params LadderStanding[] standings) =>
        PlanTailoring.For(plan, context, Shelf.Drills, standings);

    private static PracticeSegment Only(SessionPlan plan) => Assert.Single(plan.Practice());

    private static Guid IdOf(string drill) => Shelf.Drills.Single(d => d.Drill.Name == drill).Id;

    private static SessionPlan Changed(SessionPlan plan, Func<PracticeSegment, PracticeSegment> change) =>
        plan with
        {
            Segments = [.. plan.Practice().Select(change)],
        };

    /// <summary>
    /// A plan of drills of the shelf, each in its usual phase and on its usual ground, on the step of an improving player.
    /// </summary>
    private static SessionPlan PlanOf(params string[] drills) =>
        new()
        {
            Title = "For all",
            Purpose = "Strike the ball first",
            Segments =
            [
                .. drills.Select(
                    (name, i) =>
                    {
                        var shelved = Shelf.Drills.Single(d => d.Drill.Name == name);
                        var begin = SegmentBeginning.Of(shelved.Drill);
                        var rung = shelved.Drill.BeginningRung(Level.Improving);
                        return new PracticeSegment
                        {
                            Id = Given.Id(i + 1),
                            Title = name,
                            Phase = begin.Phase,
                            Intent = begin.Intent,
                            Minutes = 15,
                            Balls = begin.Balls,
                            Place = shelved.Drill.Places[0],
                            Exit = begin.Exit,
                            Focus = begin.Intent == Intent.Technique ? "Ball first" : "",
                            Drill = new PlannedDrill
                            {
                                DrillId = shelved.Id,
                                Drill = shelved.Drill,
                                Rung = rung,
                                Goal = shelved.Drill.UsualGoal(rung),
                            },
                        };
                    }
                ),
            ],
        };

    private static StudentFile File(Func<StudentSection, StudentSection>? change = null) =>
        GivenPlan.Adult with
        {
            Own = (change ?? (own => own))(GivenPlan.Adult.Own with { Equipment = [Equipment.Tees, Equipment.Towel] }),
        };

    private static PlanContext Context(HurtPart? hurt = null, Club[]? bag = null, bool hasMonitor = true) =>
        GivenPlan.Context with
        {
            Student = File(own =>
                own with
                {
                    Equipment = hasMonitor ? [.. own.Equipment, Equipment.LaunchMonitor] : own.Equipment,
                }
            ) with
            {
                Coach = new CoachSection { Bag = [.. (bag ?? []).Select(c => new BagClub { Club = c })] },
            },
            Hurt = hurt is null ? [] : [hurt],
        };
}
