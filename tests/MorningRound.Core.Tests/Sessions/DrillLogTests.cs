using System.IO.Compression;
using System.Text.Json;
using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Serialization;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Drills;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Sessions;

/// <summary>Drills inside a session: what a log makes of their inputs, and what counts as done.</summary>
public class DrillLogTests
{
    private static PracticeSegment Segment(ScoringProtocol protocol, int balls = 20) =>
        Given.Segment(1, Phase.Block, 20, balls) with
        {
            Drill = new PlannedDrill { DrillId = Given.Id(9), Drill = DrillTests.Gate with { Protocol = protocol } },
        };

    private static (SessionPlan Plan, IReadOnlyList<PublishedDrill> Drills) Set(ScoringProtocol protocol, int balls = 20)
    {
        var plan = Given.Plan(Segment(protocol, balls));
        var (drills, errors) = PublishedDrill.Of(plan, _ => new PlayerNumbers(), Given.Id(7));
        Assert.Empty(errors);
        return (plan, drills);
    }

    private static SessionLog Log(IReadOnlyList<PublishedDrill> drills, params IEnumerable<SessionEntry> entries) =>
        SessionLog.From(entries.Select((e, i) => e with { Sequence = i + 1, At = Given.Nine.AddMinutes(i / 10.0) }), drills);

    private static IEnumerable<SessionEntry> Answered(IEnumerable<DrillInput> inputs, int version = 1) =>
        inputs.Select(i => new DrillAnswered
        {
            SegmentId = Given.Id(1),
            FlowVersion = version,
            Input = i,
            Sequence = 0,
            At = Given.Nine,
        });

    private static double? Fraction(SessionPlan plan, SessionLog log) => SessionCompletion.Of(plan, [log]).Segments[0].Fraction;

    [Fact]
    public void Going_on_with_a_log_is_reading_it_whole() =>
        Gen.Select(Gen.Int[0, 7], Gen.OneOf(OnTheWay, AnyTime).Array[0, 30], OnTheWay.Array[1, 12])
            .ForEachSeed(
                (game, before, after) =>
                {
                    ScoringProtocol protocol =
                        game % 2 == 0 ? new Streak { Length = 4 } : new MakeRate { Attempts = 9, Make = "In" };
                    var (_, drills) = Set(protocol);
                    // Small steps, long ones, and such as no clock counts whole.
                    var minutes =
                        game < 4 ? 7
                        : game < 6 ? 50
                        : 150;
                    var entries = before
                        .Concat(after)
                        // Only what was said before can be undone.
                        .Select((e, i) => e is EntryUndone undone && undone.Undoes > i ? Given.Stopped() : e)
                        .Select((e, i) => e with { Sequence = i + 1, At = Given.Nine.AddMinutes(i * minutes) })
                        .ToList();
                    var (prefix, rest) = (entries[..before.Length], entries[before.Length..]);
                    Assert.All(rest, e => Assert.True(SessionLog.CanContinueWith(e)));
                    var touched = rest.Select(SessionLog.DrillSegmentOf).OfType<Guid>().ToHashSet();
                    var continued = SessionLog
                        .From(prefix, drills)
                        .Continue(
                            rest,
                            drills,
                            prefix.Where(e => SessionLog.DrillSegmentOf(e) is { } id && touched.Contains(id))
                        );
                    // An empty log has no start to go on from; the server reads such a one whole.
                    if (prefix.Count > 0)
                        Assert.Equal(Text(SessionLog.From(entries, drills)), Text(continued));
                },
                seeds: 300
            );

    /// <summary>What is tapped while practising: of two segments, the first with a drill.</summary>
    private static Gen<SessionEntry> OnTheWay =>
        Gen.OneOf<SessionEntry>(
            Gen.Int[1, 2].Select(Given.Entered),
            Gen.Const(Given.Stopped()),
            Gen.Select(Gen.Int[1, 2], Gen.Int[-5, 10], Given.Counted),
            Gen.Select(Gen.Int[1, 2], Gen.Enum<SegmentOutcome>(), Given.Settled),
            Gen.Select(Gen.Bool, Gen.Int[1, 2])
                .Select((made, version) => Answered(GivenDrills.Putts(made ? "M" : "-"), version).Single()),
            Gen.Const<SessionEntry>(
                new AttemptDropped
                {
                    SegmentId = Given.Id(1),
                    Sequence = 0,
                    At = Given.Nine,
                }
            )
        );

    /// <summary>What can happen before: also what changes something earlier.</summary>
    private static Gen<SessionEntry> AnyTime =>
        Gen.OneOf<SessionEntry>(
            Gen.Int[1, 20].Select(Given.Undone),
            Gen.Int[0, 5].Select(level => Given.Pain(level)),
            Gen.Const(Given.Finished())
        );

    private static string Text(SessionLog log) => JsonSerializer.Serialize(log, CoreJson.Options);

    [Theory]
    // Attempts ÷ the protocol's number: 10 of 20 is half. A streak has no number, so its balls or minutes count instead.
    [InlineData(10, 0.5)]
    [InlineData(19, 0.95)]
    [InlineData(20, 1)]
    public void A_drill_left_open_counts_by_its_attempts(int attempts, double fraction)
    {
        var (plan, drills) = Set(new MakeRate { Attempts = 20, Make = "In" });
        Assert.Equal(fraction, Fraction(plan, Log(drills, Answered(GivenDrills.Putts(new string('M', attempts)))))!.Value, 9);
    }

    [Fact]
    public void A_drill_that_came_to_its_own_end_is_done_however_early()
    {
        var (plan, drills) = Set(new Streak { Length = 3 });
        Assert.Equal(1, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MMM")))));
        // Two of the segment's 20 balls, before its own end.
        Assert.Equal(0.1, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MM"))))!.Value, 9);
        // What was reached stays reached, however the segment was closed.
        Assert.Equal(
            1,
            Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MMM")).Append(Given.Settled(1, SegmentOutcome.Skipped))))
        );
    }

    [Fact]
    public void A_shortened_drill_that_ends_itself_counts_for_what_was_left_of_it()
    {
        // By hand: 10 of 20 minutes were left of it, so that its own end is half of the segment; without its end nothing is cut.
        var (plan, drills) = Set(new Streak { Length = 3 });
        SessionEntry trimmed = new SessionTrimmed
        {
            Kept = [new TrimmedSegment(Given.Id(1), 10, 10)],
            Sequence = 0,
            At = Given.Nine,
        };
        Assert.Equal(0.5, Fraction(plan, Log(drills, Answered(GivenDrills.Putts("MMM")).Prepend(trimmed)))!.Value, 9);
    }

    [Fact]
    public void An_attempt_taken_back_and_an_input_undone_are_not_scored()
    {
        var (_, drills) = Set(new Streak { Length = 9 });
        var dropped = new AttemptDropped
        {
            SegmentId = Given.Id(1),
            Sequence = 0,
            At = Given.Nine,
        };
        var log = Log(
            drills,
            [.. Answered(GivenDrills.Putts("MMx")), dropped, .. Answered([new ChoiceMade { Attempt = 3, Value = "made" }])]
        );
        Assert.Equal(3, log.Segments[0].Result!.Counts["best"]);
        var undone = Log(drills, [.. Answered(GivenDrills.Putts("MMx")), Given.Undone(3)]);
        Assert.Equal((2, 2), (undone.Segments[0].Result!.Attempts, undone.Segments[0].Inputs.Count));
    }

    [Fact]
    public void What_does_not_fit_is_kept_and_not_scored()
    {
        var (plan, drills) = Set(new Streak { Length = 3 });
        foreach (
            var (log, inputs) in new[]
            {
                (Log(drills, Answered(GivenDrills.Putts("MMMM"))), 4),
                (Log(drills, Answered(GivenDrills.Putts("MM"), version: 2)), 2),
                (Log([], Answered(GivenDrills.Putts("MM"))), 2),
            }
        )
        {
            Assert.Equal(ResultStatus.DoesNotFit, log.Segments[0].Result!.Status);
            Assert.Equal(inputs, log.Segments[0].Inputs.Count);
            Assert.All(log.Segments[0].Result!.Measures, m => Assert.Null(m.Value));
            Assert.Equal(0, Fraction(plan, log));
        }
    }

    [Fact]
    public void Publishing_again_draws_the_same_calls_and_another_students_others()
    {
        var calls = new CalledShots { Clubs = [Club.Iron7, Club.Hybrid, Club.Driver], Calls = 12 };
        var plan = Given.Plan(Segment(calls));
        string First(int assignment) =>
            string.Join(
                '|',
                PublishedDrill
                    .Of(plan, _ => new PlayerNumbers(), Given.Id(assignment))
                    .Drills[0]
                    .Flow.States.Select(s => s.Prompt.Text)
            );
        Assert.Equal(First(1), First(1));
        Assert.NotEqual(First(1), First(2));
    }

    [Fact]
    public void A_trimmed_drill_is_over_at_its_own_number_and_one_published_before_flows_read_theirs_at_the_whole()
    {
        var (_, drills) = Set(new CalledShots { Clubs = [Club.Iron7, Club.Hybrid], Calls = 4 }, balls: 4);
        IEnumerable<SessionEntry> trimmed =
        [
            new SessionTrimmed
            {
                Kept = [new TrimmedSegment(Given.Id(1), 10, 10, null, 2)],
                Sequence = 0,
                At = Given.Nine,
            },
        ];
        SessionLog Played(IReadOnlyList<PublishedDrill> of, int calls) =>
            Log(
                of,
                trimmed.Concat(
                    Answered(
                        Enumerable
                            .Range(1, calls)
                            .SelectMany(n =>
                                new[]
                                {
                                    new ChoiceMade { Attempt = n, Value = "yes" },
                                    new ChoiceMade { Attempt = n, Value = "no" },
                                }
                            )
                    )
                )
            );
        Assert.Equal(ResultStatus.Complete, Played(drills, 2).Segments[0].ResultStatus);

        IReadOnlyList<PublishedDrill> old =
        [
            drills[0] with
            {
                Flow = drills[0].Flow with { Registers = [.. drills[0].Flow.Registers.Where(r => r.Name[0] != '_')] },
            },
        ];
        Assert.Equal(ResultStatus.UnderWay, Played(old, 2).Segments[0].ResultStatus);
        Assert.Equal(ResultStatus.Complete, Played(old, 4).Segments[0].ResultStatus);
    }

    [Fact]
    public void What_a_phone_fetches_of_a_session_is_bounded_and_the_segment_that_is_too_much_is_named()
    {
        // A list of sixty calls has 180 questions: whether it was hit, and twice whether it had the shape.
        var sixty = Segment(
            new CalledShots
            {
                Clubs = [Club.Iron7, Club.Hybrid, Club.Driver],
                Targets = ["the left flag", "the far board"],
                Calls = 60,
            }
        );
        var plan = Given.Plan([
            .. Enumerable.Range(1, 5).Select(n => sixty with { Id = Given.Id(n), Title = $"Calls {n}", Balls = 60 }),
        ]);
        var (drills, errors) = PublishedDrill.Of(plan, _ => new PlayerNumbers(), Given.Id(7));
        Assert.Equal(["segments[3].drill", "segments[4].drill"], errors.Select(e => e.Path));
        Assert.Equal(3 * 180, drills.Sum(d => d.Flow.States.Count));
        var json = JsonSerializer.SerializeToUtf8Bytes(drills.Select(d => d.Flow), CoreJson.Options);
        using var packed = new MemoryStream();
        using (var gzip = new GZipStream(packed, CompressionLevel.Fastest, leaveOpen: true))
            gzip.Write(json);
        Assert.InRange(packed.Length, 1, 64_000);
    }

    [Fact]
    public void A_planned_drill_names_what_is_wrong_with_it()
    {
        var planned = Segment(new Streak { Length = 3 }).Drill!;
        var wrong = Given.Plan(
            Segment(new Streak { Length = 3 }) with
            {
                Drill = planned with
                {
                    Rung = 4,
                    Goal = new DrillGoal("distance", 2),
                    Modifiers = new Modifiers { EffortPercent = 0 },
                    Drill = planned.Drill with { Name = "" },
                },
            }
        );
        Assert.Equal(
            [
                "segments[0].drill.drill.name",
                "segments[0].drill.goal.measure",
                "segments[0].drill.modifiers.effortPercent",
                "segments[0].drill.rung",
            ],
            PlanRules.ToKeep(wrong).Select(e => e.Path).Order()
        );
    }

    private static readonly BodyLoad[] Loads =
    [
        new() { Part = BodyPart.WristOrHand },
        new() { Part = BodyPart.Elbow, Side = BodySide.Lead },
        new() { Part = BodyPart.LowerBack },
    ];

    private static SessionPlan PlanWithLoads()
    {
        var loading = Segment(new Streak { Length = 3 });
        return Given.Plan(
            loading with
            {
                Drill = loading.Drill! with { Drill = loading.Drill.Drill with { Loads = Loads } },
            },
            Given.Segment(2, Phase.Random, 10)
        );
    }

    [Theory]
    // A load without a side is of both sides; a load of the lead side is none of the trail side.
    [InlineData(BodyPart.WristOrHand, BodySide.Trail, true)]
    [InlineData(BodyPart.WristOrHand, BodySide.Lead, true)]
    [InlineData(BodyPart.Elbow, BodySide.Lead, true)]
    [InlineData(BodyPart.Elbow, BodySide.Trail, false)]
    [InlineData(BodyPart.LowerBack, null, true)]
    [InlineData(BodyPart.Knee, BodySide.Lead, false)]
    public void What_loads_a_part_that_hurts_falls_out_and_counts_for_nothing(BodyPart part, BodySide? side, bool fallsOut)
    {
        var plan = PlanWithLoads();
        Assert.Equal(
            fallsOut,
            PainRule.Drops(plan).Any(d => (d.Part, d.Side) == (part, side) && d.SegmentIds.SequenceEqual([Given.Id(1)]))
        );
        var log = Log(
            [],
            new PainReported
            {
                Part = part,
                Side = side,
                Level = 2,
                Sharp = false,
                Sequence = 0,
                At = Given.Nine,
            },
            Given.Settled(2, SegmentOutcome.Done)
        );
        var completion = SessionCompletion.Of(plan, [log]);
        Assert.Equal(fallsOut ? 10 : 30, completion.PlannedMinutes);
        Assert.Equal(10, completion.DoneMinutes);
        Assert.Equal(fallsOut, completion.Segments[0].Fraction is null);
    }

    [Fact]
    public void What_was_already_done_when_it_began_to_hurt_stays_done()
    {
        var log = Log([], Given.Settled(1, SegmentOutcome.Done), Given.Pain(2));
        Assert.Equal(1, SessionCompletion.Of(PlanWithLoads(), [log]).Segments[0].Fraction);
    }

    [Fact]
    public void How_the_student_came_is_kept_in_the_log()
    {
        var log = Log(
            [],
            new SessionReadied
            {
                Nerves = 7,
                MinutesAtHand = 45,
                Sequence = 0,
                At = Given.Nine,
            }
        );
        Assert.Equal((7, 45, null), (log.Ready!.Nerves, log.Ready.MinutesAtHand, log.Ready.BallsAtHand));
        var errors = SessionEntryRules.Check(
            new SessionReadied
            {
                Nerves = 11,
                MinutesAtHand = 0,
                BallsAtHand = -1,
                Sequence = 1,
                At = Given.Nine,
            },
            PlanWithLoads(),
            "e"
        );
        Assert.Equal(["e.ballsAtHand", "e.minutesAtHand", "e.nerves"], errors.Select(e => e.Path).Order());
    }

    [Fact]
    public void A_plan_that_is_set_keeps_only_the_step_that_was_chosen()
    {
        var segment = Segment(new Streak { Length = 5 });
        var drill = segment.Drill!.Drill;
        var plan = Given.Plan(
            Given.Pause(2, 3),
            segment with
            {
                Drill = segment.Drill with { Drill = drill with { Ladder = drill.SuggestedLadder() }, Rung = 3 },
            }
        );
        var set = Assert.Single(plan.ForPublishing().Practice()).Drill!;
        Assert.Equal((7, 3, 0), (((Streak)set.Protocol()).Length, set.Rung, set.Drill.Ladder.Count));
        Assert.Equal(2, plan.ForPublishing().Segments.Count);
    }

    [Fact]
    public void A_stored_reading_says_how_the_drill_stands_without_its_inputs()
    {
        var (plan, drills) = Set(new MakeRate { Attempts = 20, Make = "In" });
        var stored = System.Text.Json.JsonSerializer.Serialize(
            Log(drills, Answered(GivenDrills.Putts("MMMMM"))),
            CoreJson.Options
        );
        Assert.DoesNotContain("made", stored, StringComparison.Ordinal);
        var read = System.Text.Json.JsonSerializer.Deserialize<SessionLog>(stored, CoreJson.Options)!;
        Assert.Equal(0.25, Fraction(plan, read));
    }
}
