using System.Text.Json;
using System.Text.RegularExpressions;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Serialization;

namespace MorningRound.Core.Tests.Drills;

/// <summary>Every drill that an academy starts with can be set as it is.</summary>
public partial class StartingShelfTests
{
    private static readonly double[] Shares = [.. Enum.GetValues<Level>().Select(l => l.UsualShare())];

    private static readonly IReadOnlyList<ShelvedDrill> Shelf = Given.Shelf.Drills;

    public static TheoryData<string> Names => [.. Shelf.Select(d => d.Drill.Name)];

    private static Drill Named(string name) => Shelf.Single(d => d.Drill.Name == name).Drill;

    [Fact]
    public void It_holds_what_every_area_of_the_game_asks_for()
    {
        Assert.Empty(DrillFile.Of(Shelf).Check());
        Assert.InRange(Shelf.Count, 60, 100);
        var drills = Shelf.Select(d => d.Drill).ToList();
        Assert.Equal(drills.Count, drills.Select(d => d.Name).Distinct().Count());
        Assert.Equal(Enum.GetValues<Phase>(), drills.SelectMany(d => d.Phases).Distinct().Order());
        Assert.Equal(Enum.GetValues<Intent>(), drills.SelectMany(d => d.Intents).Distinct().Order());
        Assert.Equal(Enum.GetValues<Area>(), drills.Select(d => d.Area).Distinct().Order());
        var protocols = typeof(ScoringProtocol)
            .Assembly.GetTypes()
            .Where(t => t.IsSubclassOf(typeof(ScoringProtocol)) && t != typeof(PlayedHoles));
        Assert.Empty(protocols.Except(drills.Select(d => d.Protocol.GetType())));

        // What a coach looks for in each area; common practice, no source.
        (Area Area, string[] Skills)[] asked =
        [
            (Area.Putting, ["start line", "set-up", "pace", "short putts", "reading", "scoring"]),
            (Area.Chip, ["strike", "landing spot", "chip and run", "lies", "club choice", "up and down"]),
            (Area.Pitch, ["strike", "distance", "height"]),
            (Area.Bunker, ["entry", "getting out", "distance", "long", "lies", "up and down"]),
            (Area.Wedge, ["contact", "swing length", "distance", "flight"]),
            (Area.Iron, ["start line", "take-away", "transition", "low point", "path", "flight", "shape", "choice of shot"]),
            (Area.Wood, ["strike", "distance control", "lay-up", "tee shot"]),
            (Area.Driver, ["set-up", "strike", "flight", "tempo", "tee shot"]),
            (Area.Body, ["mobility", "balance", "speed", "cool-down"]),
            (Area.Mind, ["calm", "nerves", "routine", "acceptance", "reset", "behaviour under pressure", "tension"]),
        ];
        Assert.All(asked, a => Assert.Empty(a.Skills.Except(drills.Where(d => d.Area == a.Area).Select(d => d.Skill))));
        // At home there is something to repeat, something that changes, and something that counts.
        var atHome = drills.Where(d => d.Places.Contains(PlaceKind.Home)).ToList();
        Assert.Contains(atHome, d => d.Phases.Contains(Phase.Random));
        Assert.Contains(atHome, d => d.Intents.Contains(Intent.Performance));
        // Everybody finds something in every area that is asked for: of any level, and of any age.
        foreach (var (area, level) in from a in asked from l in Enum.GetValues<Level>() select (a.Area, l))
            Assert.True(drills.Count(d => d.Area == area && d.Suits(level, AgeBand.Adult)) >= 2, $"{area}, {level}");
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_drill_can_be_done_alone_and_with_care(string name)
    {
        var drill = Named(name);
        Assert.DoesNotMatch(Digits(), drill.Name);
        Assert.InRange(drill.SetUp.Length, 90, 600);
        Assert.InRange(drill.Cues.Count, 1, 3);
        Assert.InRange(drill.Cautions.Count, 1, 4);
        Assert.NotEmpty(drill.WhenCrowded);
        Assert.NotEqual(SetUpDrawing.None, drill.Drawing);
        Assert.NotNull(drill.Feedback);
        // Own feel only where nothing else tells: of the body, of the mind, and of a bridge at half speed.
        if (drill.Feedback == FeedbackSource.OwnFeel)
            Assert.True(drill.Area is Area.Body or Area.Mind || drill.Phases is [Phase.WarmUp]);
        // A ground asks for its own care.
        if (drill.Places.Contains(PlaceKind.Range) && drill.Swing is not null)
            Assert.Contains(drill.Cautions, c => c.Contains("tee line", StringComparison.Ordinal));
        if (drill.Places is [PlaceKind.Bunker])
            Assert.Contains(drill.Cautions, c => c.Contains("sand", StringComparison.Ordinal));
        if (drill.Places is [PlaceKind.Course])
            Assert.Contains(drill.Cautions, c => c.Contains("thunder", StringComparison.Ordinal));
        if (drill.Swing is SwingSize.Full or SwingSize.ThreeQuarter && drill.Places is not [PlaceKind.Home])
            Assert.Contains(drill.Cautions, c => c.StartsWith("Warm up", StringComparison.Ordinal));
        if (drill.Equipment.Any(e => e.Item == Equipment.AlignmentSticks))
            Assert.Contains(drill.Cautions, c => c.StartsWith("Sticks lie flat", StringComparison.Ordinal));
        // A place without a ground of its own has no launch monitor; everything else has something that does as well.
        Assert.All(
            drill.Equipment,
            e => Assert.True(e.Item == Equipment.LaunchMonitor || e.Or.Count > 0 || e.Substitute.Length > 0)
        );
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_drill_says_what_it_asks_of_the_body(string name)
    {
        var drill = Named(name);
        // Without a drill, the size of the swings says what is loaded; a drill is no kinder for being one.
        var swings = InASegment(drill, drill.Phases[0], drill.Intents[0]) with
        {
            Drill = null,
            Swing = drill.Swing,
            Balls = 10,
        };
        foreach (
            var (part, side) in from p in Enum.GetValues<BodyPart>()
            from s in p.IsPaired() ? new BodySide?[] { BodySide.Lead, BodySide.Trail } : [null]
            select (p, s)
        )
        {
            // Slow repetitions ask less of the body than the full swings they are made of.
            if (drill.Swing is not null && swings.LoadOn(part, side) is { } usual)
                Assert.True(
                    drill.LoadOn(part, side) is { } said && (said <= usual || drill.Skill == "the change"),
                    $"{side} {part}"
                );
        }

        Assert.Equal(drill.Loads.Count, drill.Loads.Select(l => (l.Part, l.Side)).Distinct().Count());
        Assert.True(drill.Loads.Count > 0 || drill.Area is Area.Mind || drill.Skill == "reading");
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_drill_keeps_the_pace_of_its_phases(string name)
    {
        var drill = Named(name);
        foreach (var phase in drill.Phases)
        {
            foreach (var intent in drill.Intents.Where(i => phase != Phase.WarmUp || i != Intent.Technique))
            {
                var segment = InASegment(drill, phase, intent);
                var paced = PlanCheck
                    .Run(
                        new SessionPlan { Title = "One drill", Segments = [segment] },
                        new PlanContext { Day = new DateOnly(2026, 5, 6) }
                    )
                    .Where(f =>
                        f.SegmentId is not null
                        && f.Id
                            is FindingId.PaceFast
                                or FindingId.PaceSlow
                                or FindingId.Place
                                or FindingId.Equipment
                                or FindingId.Hurt
                    );
                Assert.Empty(paced.Select(f => f.Why));
            }
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_drill_has_as_many_balls_as_it_counts(string name)
    {
        var drill = Named(name);
        if (drill.UsualBalls == 0)
            return;
        var segment = InASegment(drill, drill.Phases[0], drill.Intents[0]);
        var protocol = segment.Protocol()!;
        switch (protocol.CountBy)
        {
            case CountBy.Segment:
                Assert.Equal(drill.UsualBalls, protocol.PlannedAttempts);
                break;
            case CountBy.Drill:
                Assert.InRange((double)protocol.OwnStrokes!.Value / drill.UsualBalls, 0.8, 1.25);
                break;
            case CountBy.Cap:
                Assert.InRange(((Streak)protocol).Cap!.Value, 1, drill.UsualBalls);
                break;
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void A_ladder_gets_harder_in_fact_and_begins_where_about_half_get_through(string name)
    {
        var drill = Named(name);
        if (!drill.Protocol.GoalMeasures.Any() || drill.Protocol is MeasuredShots { AimDistance: not null })
            return;
        Assert.InRange(drill.Ladder.Count, 3, 4);
        Assert.All(drill.Ladder, r => Assert.NotNull(r.Goal));
        foreach (var share in Shares)
        {
            var chances = drill.Ladder.Select(r => r.Protocol.ChanceOf(r.Goal!, share)!.Value).ToList();
            Assert.All(
                chances.Zip(chances.Skip(1)),
                pair => Assert.True(pair.First > pair.Second, $"{share}: {string.Join(", ", chances.Select(c => $"{c:0.000}"))}")
            );
        }

        foreach (var level in Enum.GetValues<Level>().Where(l => drill.Suits(l, AgeBand.Adult)))
        {
            var rung = drill.Ladder[drill.BeginningRung(level)];
            var chance = rung.Protocol.ChanceOf(rung.Goal!, level.UsualShare())!.Value;
            Assert.True(chance is > 0.3 and < 0.82, $"{level}, {rung.Name}: {chance:0.00}");
        }
    }

    /// <summary>
    /// The chances of what could not be reached, or was no harder for being longer. Arithmetic: independent attempts.
    /// </summary>
    [Theory]
    [InlineData("Past, never short", 0, 0.58, 0.89, 0.99)]
    [InlineData("Past, never short", 2, 0.01, 0.12, 0.52)]
    [InlineData("Other clubs, one hole", 0, 0.41, 0.74, 0.95)]
    [InlineData("Other clubs, one hole", 2, 0.00, 0.07, 0.61)]
    [InlineData("Pairs of pitches", 0, 0.50, 0.81, 0.97)]
    [InlineData("Pairs of pitches", 2, 0.05, 0.29, 0.74)]
    public void A_step_is_reached_as_often_as_chance_has_it(string name, int rung, double at40, double at60, double at80)
    {
        var step = Named(name).Ladder[rung];
        Assert.Equal(
            [at40, at60, at80],
            new[] { 0.4, 0.6, 0.8 }.Select(share => Math.Round(step.Protocol.ChanceOf(step.Goal!, share)!.Value, 2))
        );
    }

    /// <summary>
    /// Twenty in a row take 165 putts at 85 % and 4,174 at 70 %; ten take 115 and five 16 at 70 %. Arithmetic, see Feller, volume
    /// 1, XIII.7. On the shelf no run is longer than ten, and none is without a cap.
    /// </summary>
    [Fact]
    public void A_run_is_within_reach_and_has_a_cap()
    {
        Assert.Equal(165, Math.Round(Streak.ExpectedAttempts(20, 0.85)));
        Assert.Equal(4174, Math.Round(Streak.ExpectedAttempts(20, 0.70)));
        Assert.Equal(115, Math.Round(Streak.ExpectedAttempts(10, 0.70)));
        Assert.Equal(16, Math.Round(Streak.ExpectedAttempts(5, 0.70)));
        var runs = Shelf.SelectMany(d => d.Drill.Ladder).Select(r => r.Protocol).OfType<Streak>().ToList();
        Assert.NotEmpty(runs);
        Assert.All(runs, r => Assert.True(r is { Length: <= 10, Cap: <= 18 }));
    }

    /// <summary>
    /// A gate of 55 mm half a foot in front of the ball lets 2.3° through, while the hole at 5 ft is 2.0° to a side: no test of a
    /// start line. 60 mm a foot ahead is 1.6°. Arithmetic: half the room beside a ball of 42.67 mm (Equipment Rules, R&amp;A and
    /// USGA) over the distance; half of the hole's 108 mm (Rules of Golf) over 5 ft.
    /// </summary>
    [Fact]
    public void A_gate_is_narrower_than_the_hole()
    {
        Drill Gate(int millimetres, int centimetres) =>
            Named("Through the gate") with
            {
                GateMillimetres = millimetres,
                GateCentimetresAhead = centimetres,
            };
        Assert.Equal(2.3, Gate(55, 15).GateAngle()!.Value.Degrees, 0.06);
        Assert.Equal(1.6, Gate(60, 30).GateAngle()!.Value.Degrees, 0.06);
        Assert.Equal(2.0, Math.Atan(54 / (5 * 304.8)) * 180 / Math.PI, 1);
        Assert.All(
            Shelf.Select(d => d.Drill.GateAngle()).Where(a => a is not null),
            angle => Assert.InRange(angle!.Value.Degrees, 0.5, 1.6)
        );
    }

    /// <summary>A launch monitor is off by about a degree itself; from memory. No band is narrower than two to a side.</summary>
    [Fact]
    public void A_band_of_degrees_is_wider_than_the_error_of_what_measures_it()
    {
        var bands = Shelf.SelectMany(d => d.Drill.Ladder).Select(r => r.Protocol).OfType<MeasuredShots>().ToList();
        Assert.NotEmpty(bands);
        Assert.All(bands, b => Assert.True(b is { Unit: "°", Most: >= 2, Least: <= -2 }));
    }

    /// <summary>What is said from the outside is for the tests alone: the shelf has numbers and shapes of its own.</summary>
    [Fact]
    public void Nothing_on_it_is_borrowed()
    {
        Assert.All(
            Shelf
                .SelectMany(d => d.Drill.Ladder.Select(r => r.Protocol).Append(d.Drill.Protocol))
                .Concat(Protocols.All.Select(p => p.Beginning).Where(p => p is not TimedSteps)),
            protocol => Assert.False(Borrowed.Is(protocol), protocol.Title)
        );
        var text = JsonSerializer.Serialize(Shelf, CoreJson.Options);
        Assert.DoesNotMatch(@"\b(79|147|179|295|4\.6)\b", text);
        Assert.Null(Borrowed.In(text));
        // What an editor begins with is our own too.
        Assert.All(
            Protocols.All.Select(p => p.Beginning),
            protocol =>
            {
                Assert.False(protocol is RehearsedScenario { Scenarios: 3 });
                Assert.False(protocol is BallRating rating && rating.Rated.Contains("ension", StringComparison.Ordinal));
                Assert.False(protocol is MeasuredShots { What: "club path", Least: -2, Most: 2 });
            }
        );
        // A zone from one grip length short to three feet past, a foot to a side; two fades, two draws.
        Assert.All(
            Protocols.NewRows.Values,
            row =>
            {
                Assert.False(row is PuttZone { ShortInches: 10, PastInches: 36, SideInches: 12 });
                Assert.False(row is PatternStep { Balls: 2 });
            }
        );
    }

    [Fact]
    public void No_template_and_no_warm_up_repeats_a_session_that_practitioners_describe()
    {
        Assert.All(PlanTemplates.On(new DateOnly(2026, 5, 4)), plan => Assert.False(Borrowed.Is(plan), plan.Title));
        Assert.Null(Borrowed.In(File.ReadAllText(Repository.File("tests/fixtures/warm-ups.txt"))));
    }

    [Fact]
    public void No_line_of_the_product_repeats_a_number_that_practitioners_use()
    {
        var files = new[] { "src", "web/src", "docs" }
            .SelectMany(folder => Directory.EnumerateFiles(Repository.File(folder), "*", SearchOption.AllDirectories))
            .Where(file => Path.GetExtension(file) is ".cs" or ".json" or ".ts" or ".tsx" or ".md")
            .Where(file => !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/bin/", StringComparison.Ordinal))
            .Where(file => !file.EndsWith(".test.ts", StringComparison.Ordinal))
            .ToList();
        Assert.True(files.Count > 500);
        foreach (var file in files)
            Assert.Equal((file, null), (file, Borrowed.In(File.ReadAllText(file))));
    }

    [Fact]
    public void Clubs_come_from_the_bag_and_targets_from_what_a_club_reaches()
    {
        var calls = (CalledShots)Named("Somebody calls it").ProtocolAt(3);
        var player = Given.Player(
            Level.SingleFigure,
            [(Club.Iron7, 150), (Club.PitchingWedge, 110), (Club.Hybrid, 190)],
            [("the near board", 60), ("the birch", 112), ("the barn", 148), ("the long flag", 195)]
        );
        var own = (CalledShots)calls.For(player);
        Assert.Equal([Club.PitchingWedge, Club.Iron7, Club.Hybrid], own.Clubs);
        Assert.All(
            own.List(1),
            call =>
                Assert.Equal(
                    call.Club switch
                    {
                        Club.Hybrid => "the long flag",
                        Club.Iron7 => "the barn",
                        _ => "the birch",
                    },
                    call.Target
                )
        );
        var beginner = (CalledShots)calls.For(player with { Level = Level.New });
        Assert.Equal([ShotShape.Straight], beginner.Shapes);
        Assert.Equal([ShotHeight.Normal], beginner.Heights);
        Assert.Equal(
            "None of its clubs is in the bag.",
            calls.For(Given.Player(Level.New, [(Club.Putter, 1)], [])).WhatIsMissing()
        );
    }

    private static PracticeSegment InASegment(Drill drill, Phase phase, Intent intent) =>
        new()
        {
            Id = Given.Id(1),
            Title = drill.Name,
            Minutes = drill.UsualMinutes,
            Phase = phase,
            Intent = intent,
            Place = drill.Places[0],
            Balls = drill.UsualBalls,
            SlowRepetitions = drill is { CountsTowardsSwingChange: true, UsualMinutes: >= 30 },
            Exit = new AfterMinutes(),
            Drill = new PlannedDrill
            {
                DrillId = Given.Id(2),
                Drill = drill,
                Rung = drill.OwnRung() ?? 0,
            },
        };

    [GeneratedRegex(
        @"\d|\b(two|three|four|five|six|seven|eight|ten|twenty|thirty)\b.*\b(ball|putt|chip|shot)s?\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Digits();
}
