using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using static MorningRound.Core.Tests.Drills.GivenDrills;

namespace MorningRound.Core.Tests.Drills;

/// <summary>Worked examples of every way to score. Unless another source stands beside it: common practice, no source.</summary>
public class ScoringTests
{
    private static string M(int n) => new('M', n);

    private static string X(int n) => new('x', n);

    [Fact]
    public void A_par_game_is_twenty_putts_from_ten_under_to_ten_over()
    {
        var game = new ParGame();
        Assert.Equal(20, game.PlannedAttempts);
        Assert.Equal(-10, game.Score(Putts(M(20)), 1).Counts["score"]);
        Assert.Equal(10, game.Score(Putts(X(20)), 1).Counts["score"]);
        Assert.Equal(ResultStatus.Complete, game.Score(Putts(M(20)), 1).Status);
        Assert.Equal("10 under par after 20 putts.", game.Score(Putts(M(20)), 1).Text);
    }

    [Fact]
    public void A_par_game_runs_as_made_made_missed_missed_made_made()
    {
        var putts = Putts("MMxxMM");
        Assert.Equal(
            [0, -1, 0, 0, 0, -1],
            Enumerable.Range(1, 6).Select(n => new ParGame().Score([.. putts.Take(n)], 1).Counts["score"])
        );
        Assert.Equal([4, 6, 10, 20], Climb(new ParGame()).Cast<ParGame>().Select(p => p.Length));
    }

    [Fact]
    public void A_step_ladder_climbs_by_three_feet_and_three_putts_lead_back_to_the_bottom()
    {
        var ladder = new StepLadder { Top = 28 };
        Assert.Equal([10, 13, 16, 19, 22, 25, 28], ladder.Steps());
        var threePuttsOn22 = Inputs("1 | 2 =2.5 | 1 | 2 =3 | 3 =6.5");
        var scored = ladder.Score(threePuttsOn22, 1);
        Assert.Equal((19, 1, 5), (scored.Counts["furthest"], scored.Counts["climbs"], scored.Attempts));
        Assert.Equal(4.0, scored.Value("left")!.Value, 9);
        var next = Core.Drills.Flows.FlowWalk.Of(ladder.Compile(1), threePuttsOn22);
        Assert.Equal("10 ft, a new hole. How many putts?", next.Prompt);
        Assert.Equal("furthest 19 ft, climb 1 of 5", next.Displays.First());
        Assert.Equal("left for the second putt: 4.0 ft on average", next.Displays.Last());
    }

    [Fact]
    public void A_step_ladder_ends_at_the_top_or_after_its_climbs_the_unfinished_one_included()
    {
        var short3 = new StepLadder { Top = 16, Climbs = 2 };
        Assert.Equal(ResultStatus.Complete, short3.Score(Inputs("1 | 1 | 1"), 1).Status);
        var twice = short3.Score(Inputs("3 =5 | 1 | 3 =5"), 1);
        Assert.Equal((ResultStatus.Complete, 2, 10), (twice.Status, twice.Counts["climbs"], twice.Counts["furthest"]));
        Assert.Equal(2, short3.Score(Inputs("3 =5 | 1 | stop"), 1).Counts["climbs"]);
        Assert.True(short3.Compare(short3.Score(Inputs("1 | 1 | 1"), 1), twice) > 0);
    }

    [Fact]
    public void A_compass_from_two_to_seven_feet_at_four_points_is_24_putts()
    {
        var compass = new Compass();
        Assert.Equal(24, compass.PlannedAttempts);
        var scored = compass.Score(Putts(M(12) + "MMxx" + "Mxxx" + "xxxx"), 1);
        Assert.Equal(
            (15, 4, 2, 1, 0),
            (
                scored.Counts["made"],
                scored.Counts["made2"],
                scored.Counts["made5"],
                scored.Counts["made6"],
                scored.Counts.GetValueOrDefault("made7")
            )
        );
        Assert.Equal("2 ft, 6 o’clock", compass.Compile(1).States[0].Prompt.Text);
        Assert.Equal("2 ft, 9 o’clock", compass.Compile(1).States[1].Prompt.Text);
    }

    [Fact]
    public void Box_breathing_is_48_seconds() => Assert.Equal(48, TimedSteps.BoxBreathing.Seconds());

    [Fact]
    public void Twenty_of_thirty_fairways_is_told_with_its_doubt()
    {
        var scored = new MakeRate { Attempts = 30, Make = "Inside the fairway" }.Score(Putts(M(20) + X(10)), 1);
        Assert.Equal(66.67, scored.Value("share")!.Value, 2);
        // Wilson 1927 for 20 of 30: 0.4878 to 0.8077.
        Assert.Equal("20 of 30: somewhere from 49 to 81 %.", scored.Text);
    }

    [Fact]
    public void Twenty_in_a_row_starts_again_after_a_miss()
    {
        var streak = new Streak { Length = 20 };
        var scored = streak.Score(Putts(M(19) + "x" + M(20)), 1);
        Assert.Equal((ResultStatus.Complete, 20, 40), (scored.Status, scored.Counts["best"], scored.Counts["attempts"]));
        Assert.Equal("Best run 19 of 20 asked, in 20 attempts.", streak.Score(Putts(M(19) + "x"), 1).Text);
        Assert.True(streak.Compare(scored, streak.Score(Putts(M(19)), 1)) > 0);
    }

    [Fact]
    public void Two_good_pitches_in_a_row_end_at_the_second()
    {
        var pitches = new Streak
        {
            Length = 2,
            Cap = 10,
            Make = "Inside two steps",
        };
        Assert.Equal(4, pitches.Score(Putts("MxMM"), 1).Attempts);
        Assert.Equal(ResultStatus.DoesNotFit, pitches.Score(Putts("MxMMM"), 1).Status);
        Assert.Equal(ResultStatus.Complete, pitches.Score(Putts("MxMxMxMxMx"), 1).Status);
    }

    [Fact]
    public void A_zone_set_counts_only_when_every_ball_finished_inside()
    {
        var zones = new ZoneSets();
        var scored = zones.Score(Inputs("up inside | inside | inside | flat inside | past | inside"), 7);
        Assert.Equal((1, 2, 5), (scored.Counts["cleared"], scored.Counts["used"], scored.Counts["inside"]));
        Assert.Equal([10, 20, 30], zones.Order(0, hasCleared: false, 7).Select(z => z.Feet));
        Assert.Equal(zones.Order(3, hasCleared: true, 7), zones.Order(3, hasCleared: true, 7));
        Assert.Contains(
            Enumerable.Range(0, 10),
            set => !zones.Order(set, hasCleared: true, 7).Select(z => z.Feet).SequenceEqual([10, 20, 30])
        );
    }

    [Fact]
    public void Wedge_numbers_are_accepted_within_four_percent()
    {
        // One player's numbers: 77.5 for 75 and 92.7 for 90 are accepted, 104 for 110 is not.
        var grid = new CarryGrid { Cells = [] };
        Assert.InRange(775, grid.Accepted(75).Least, grid.Accepted(75).Most);
        Assert.InRange(927, grid.Accepted(90).Least, grid.Accepted(90).Most);
        Assert.NotInRange(1040, grid.Accepted(110).Least, grid.Accepted(110).Most);
        // 4 % of 62 is 2.48: the bounds are rounded inward.
        Assert.Equal((596, 644), grid.Accepted(62));
    }

    [Fact]
    public void A_cell_of_the_grid_is_left_with_the_first_ball_on_or_after_three()
    {
        var grid = Grid(3);
        var scored = grid.Score(Inputs("=55 stock | =61 stock | =80 stock | =82 stock | =80 altered | =112 altered"), 1);
        Assert.Equal((2, 6, 2), (scored.Counts["hits"], scored.Counts["balls"], scored.Counts["altered"]));
        Assert.Equal(ResultStatus.Complete, scored.Status);
        // A shot altered to reach the number is no stock carry.
        Assert.Equal([800, 820], scored.Samples["sand wedge, full"]);
        Assert.False(scored.Samples.ContainsKey("pitching wedge, 10:00"));
    }

    [Fact]
    public void A_grid_takes_its_numbers_from_the_students_file_and_says_what_is_missing()
    {
        var open = new CarryGrid
        {
            Cells =
            [
                new GridCell { Club = Club.GapWedge, Swing = SwingLength.Full },
                new GridCell { Club = Club.LobWedge, Swing = SwingLength.Nine },
            ],
        };
        Assert.Equal("The wedge grid has no number for gap wedge, full.", open.WhatIsMissing());
        Assert.Throws<InvalidOperationException>(() => open.Compile(1));
        var file = new StudentFile
        {
            Coach = new CoachSection
            {
                WedgeGrid =
                [
                    new WedgeNumber
                    {
                        Club = Club.GapWedge,
                        Swing = SwingLength.Full,
                        Carry = new MarkedLength(100, LengthUnit.Metres),
                    },
                    new WedgeNumber
                    {
                        Club = Club.LobWedge,
                        Swing = SwingLength.Nine,
                        Carry = new MarkedLength(45, LengthUnit.Yards),
                    },
                ],
            },
        };
        var filled = (CarryGrid)open.For(PlayerNumbers.Of(file, Hand.Right, Level.Improving));
        Assert.Null(filled.WhatIsMissing());
        Assert.Equal([109.36, 45], filled.Cells.Select(c => Math.Round(c.Carry!.Value, 2)));
    }

    [Fact]
    public void A_ball_rating_stopped_early_shows_where_it_began_and_where_it_came_to()
    {
        var rating = new BallRating { Rated = "Tension in the trail hand" };
        var scored = rating.Score(
            Inputs("=8 tap | =8 tap | =7 tap | =8 tap | =7 tap | =6 | =6 | =7 tap | =4 breathed | stop"),
            1
        );
        Assert.Equal(ResultStatus.Stopped, scored.Status);
        Assert.Equal((6.78, 7.67, 5.67, 4.0), (Round("mean"), Round("firstThree"), Round("lastThree"), Round("lowest")));
        Assert.Equal(1, scored.Counts["breathed"]);
        Assert.Empty(rating.GoalMeasures);

        double Round(string measure) => Math.Round(scored.Value(measure)!.Value, 2);
    }

    [Fact]
    public void Guesses_are_told_their_bias_and_their_spread()
    {
        var guesses = new GuessAndCheck { Quantities = [GuessedQuantity.Length], Attempts = 3 };
        var scored = guesses.Score(Inputs("=22 =20 | =33 =30 | =12 =10"), 1);
        // Guess minus measured: 2, 3, 2; by hand the mean is 2.33 and the sample SD 0.58; 10 % of 20, 30 and 10 is 2, 3 and 1.
        Assert.Equal((2.33, 0.58, 66.67), (Round("biasLength"), Round("spreadLength"), Round("withinLength")));
        Assert.Equal("You over-read length by 2.3 ft: 2 of 3 within tolerance.", scored.Text);

        double Round(string measure) => Math.Round(scored.Value(measure)!.Value, 2);
    }

    [Fact]
    public void A_shot_goes_through_the_window_when_every_number_does()
    {
        // Launch under 17°, starts right of the line, finishes no more than 45 ft to a side: a green 30 yd wide.
        var scored = TwoClubWindow.Score(Inputs("=16.9 =0.5 =-45 | =17 =-0.1 =10 | =12 =3 =45.1 | =14 =2 | =20.1 =0 | stop"), 1);
        Assert.Equal((2, 5), (scored.Counts["hits"], scored.Counts["shots"]));
        Assert.Equal(
            (1, 1, 1, 1),
            (
                scored.Counts["aboveDriver0"],
                scored.Counts["belowDriver1"],
                scored.Counts["aboveDriver2"],
                scored.Counts["aboveIron70"]
            )
        );
    }

    [Fact]
    public void Target_and_shape_of_a_called_shot_are_two_answers()
    {
        var calls = new CalledShots
        {
            Clubs = [Club.Iron7],
            Pattern = TwoAndTwo,
            Calls = 1,
        };
        var scored = calls.Score(Inputs("yes no | yes yes | no yes | no no"), 1);
        Assert.Equal((2, 2, 4), (scored.Counts["hits"], scored.Counts["shaped"], scored.Counts["calls"]));
        Assert.Equal((2, 0), (scored.Counts["hits Fade"], scored.Counts["hits Draw"]));
        Assert.Equal((1, 1), (scored.Counts["shaped Fade"], scored.Counts["shaped Draw"]));
    }

    [Fact]
    public void Three_failed_tries_at_one_level_end_the_circles()
    {
        var circles = new ProximityLevels
        {
            Stations = [new ProximityStation { Club = Club.SandWedge }, new ProximityStation { Club = Club.Iron9 }],
            RadiiFeet = [9, 6],
        };
        var scored = circles.Score(Inputs("=9 | =8.9 | =5 | =6.1 | =7 | =1 | =6 | =12"), 1);
        Assert.Equal((ResultStatus.Complete, 1), (scored.Status, scored.Counts["passed"]));
        // By hand: (9 + 8.9 + 5 + 6.1 + 7 + 1 + 6 + 12) ÷ 8 = 6.875.
        Assert.Equal(6.875, scored.Value("mean")!.Value, 9);
    }

    [Fact]
    public void Measured_shots_are_held_against_their_band_and_where_they_began()
    {
        // Path 6 to 8° off is trouble, 0 the goal, means of 1 to 2 good.
        var path = new MeasuredShots
        {
            What = "club path",
            Unit = "°",
            Least = -2,
            Most = 2,
            Shots = 5,
            StartedAt = -7,
        };
        var scored = path.Score(Numbers(-3, -1, 0, 2, 2.1), 1);
        Assert.Equal((60, 0.02), (scored.Value("share"), Math.Round(scored.Value("mean")!.Value, 3)));
        Assert.Equal("Mean 0.0°, from −7.0 at the start; in the band 3 of 5: somewhere from 23 to 88 %.", scored.Text);
    }

    [Fact]
    public void Five_balls_at_a_target_end_in_the_days_aim()
    {
        var check = new MeasuredShots
        {
            What = "left or right",
            Unit = "yd",
            Least = -8,
            Most = 8,
            Shots = 5,
            AimDistance = 185,
        };
        Assert.Equal(
            "Today it goes 15 yd right at 185 yd: aim 15 yd left (4.6°). Five more, only to verify.",
            check.Score(Numbers(13, 16, 15, 17, 14), 1).Text
        );
        Assert.Equal("Nothing steady to correct. Aim where you always aim.", check.Score(Numbers(-20, 25, 5, -15, 20), 1).Text);
        Assert.Equal("Too few balls to say where it goes today.", check.Score(Numbers(13, 16), 1).Text);
        Assert.Equal(["p.unit"], (check with { Unit = "°" }).Check("p").Select(e => e.Path));
    }

    [Fact]
    public void A_rehearsed_scenario_judges_the_behaviour_beside_the_putt()
    {
        var scored = new RehearsedScenario { Scenarios = 3 }.Score(
            Inputs("words timer tap made =8 | words timer tap missed =9 | words timer tap missed =7"),
            1
        );
        Assert.Equal(
            (ResultStatus.Complete, 1, 8.0),
            (scored.Status, (int)scored.Value("made")!, scored.Value("behaved")!.Value)
        );
    }

    [Fact]
    public void Goals_are_met_in_the_direction_that_is_better()
    {
        var game = new ParGame();
        var twoUnder = game.Score(Putts("MMMM"), 1);
        Assert.True(game.Meets(new DrillGoal("score", -2), twoUnder));
        Assert.False(game.Meets(new DrillGoal("score", -3), twoUnder));
        Assert.Null(game.Meets(new DrillGoal("score", -3), game.Score([], 1)));
        Assert.Null(game.Meets(new DrillGoal("distance", 1), twoUnder));
        Assert.Equal("score to par at most −2", game.InWords(new DrillGoal("score", -2)));
        Assert.Equal("best run at least 10", new Streak { Length = 10 }.InWords(new DrillGoal("best", 10)));
    }

    [Fact]
    public void Every_step_up_can_be_taken_back_and_is_valid()
    {
        foreach (var (name, protocol) in Every)
        {
            if (protocol.Harder() is not { } harder)
                continue;
            Assert.True(harder.Check("protocol").Count == 0, name);
            Assert.True(harder.Easier() is not null, name);
            Assert.False(harder.IsSameAs(protocol), name);
        }
    }

    [Fact]
    public void Every_sample_is_valid_and_says_what_it_is()
    {
        foreach (var (name, protocol) in Every)
        {
            Assert.True(protocol.Check("protocol").Count == 0, name);
            Assert.Matches("^[A-Z][a-z]", protocol.Title);
            Assert.NotEmpty(protocol.MeasureKinds);
            Assert.Distinct(protocol.MeasureKinds.Select(m => m.Name));
            Assert.All(protocol.MeasureKinds, m => Assert.Matches("^[a-z1-9]", m.Label));
        }
    }

    private static List<ScoringProtocol> Climb(ScoringProtocol from)
    {
        var steps = new List<ScoringProtocol> { from };
        while (steps[^1].Harder() is { } next)
            steps.Add(next);
        return steps;
    }
}
