using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Server.Drills;
using MorningRound.Server.Storage;

namespace MorningRound.Demo;

/// <summary>
/// The plans of the demo academy. Invented, and each one a session a coach could set as it is: the drills are those of the
/// shelf, on the step that suits the level it is written for.
/// </summary>
internal static class DemoPlans
{
    public const string LineFirst = "Line first, then four holes";
    public const string Numbers = "Start line by numbers";
    public const string BothEnds = "Putts from both ends";
    public const string TeeToBoard = "From the tee to the board";
    public const string OnFilm = "Slow, and on film";
    public const string Taper = "Two clubs and a start line";
    public const string SoftHands = "Soft hands on Poplar green";
    public const string ChipsAgain = "Chips before swings";
    public const string InTheAir = "Up in the air";
    public const string SmallSteps = "Small putts, small chips";
    public const string NineHoles = "The island nine, from the mat";
    public const string ShortOnes = "Six before supper";
    public const string Indoors = "Carpet and glass";
    public const string FerrySide = "Round Ferry green";
    public const string Mirror = "Mirror, after the news";
    public const string Lesson = "A first look";

    private const string WhyLoadGrows = "Putts and short chips after a fortnight of nothing: any little is more than that.";

    /// <summary>Every plan, in the order of the list.</summary>
    public static IReadOnlyList<SessionPlan> All { get; } =
    [
        Plan(
            LineFirst,
            Approach.ThreeParts,
            "Start the irons where you look, and keep it when the club changes",
            "In the called shots the club and the target are said before every ball, and ten of them are on",
            Drill("Loosen up", Level.Improving, Phase.WarmUp, 5, 0),
            Drill("Grow the wedge", Level.Improving, Phase.WarmUp, 6, 12, clubs: [Club.SandWedge, Club.PitchingWedge]),
            Drill("Start it between two", Level.Improving, Phase.Block, 16, 16, Intent.Technique, [Club.Iron7]) with
            {
                Focus = "Start direction: let the chest keep turning",
            },
            Drill(
                "Somebody calls it",
                Level.Improving,
                Phase.Random,
                17,
                15,
                Intent.Skill,
                [Club.PitchingWedge, Club.Iron9, Club.Iron7, Club.Hybrid]
            ),
            Holes(4, 15, 13, Area.Iron, [Club.Driver, Club.Hybrid, Club.Iron7, Club.PitchingWedge])
        ),
        Plan(
            Numbers,
            Approach.EvenSplit,
            "See the start direction as a number, first alone, then with another club each ball",
            "The second number is no more than a degree and a half behind the first",
            Drill("Loosen up", Level.Improving, Phase.WarmUp, 4, 0),
            Drill("Grow the wedge", Level.Improving, Phase.WarmUp, 6, 12, clubs: [Club.SandWedge, Club.PitchingWedge]),
            Drill("Start direction by numbers", Level.Improving, Phase.Block, 15, 15, Intent.Technique, [Club.Iron7]) with
            {
                Focus = "Start direction: let the chest keep turning",
            },
            Drill(
                "Start direction by numbers",
                Level.Improving,
                Phase.Random,
                15,
                15,
                Intent.Skill,
                [Club.Iron9, Club.Iron7, Club.Iron5]
            ) with
            {
                Title = "The same, another club each ball",
                Instruction = "9 iron, 7 iron, 5 iron, in any order but never the same twice. Change the target with the club.",
            }
        ),
        Plan(
            BothEnds,
            Approach.EvenSplit,
            "Start it over the spot, then let the eyes read how far and how much",
            "Seven strokes or fewer over par for the round of nine putts",
            Drill("Through the gate", Level.SingleFigure, Phase.Block, 13, 18, Intent.Technique) with
            {
                Focus = "The face at the spot, nothing else",
            },
            Drill("To the fringe", Level.SingleFigure, Phase.Block, 13, 15, Intent.Skill),
            Drill("Break both ways", Level.SingleFigure, Phase.Random, 11, 12, Intent.Skill),
            Drill("One ball round the green", Level.SingleFigure, Phase.OnCourse, 17, 22, Intent.Performance, holes: 9)
        ),
        Plan(
            TeeToBoard,
            Approach.ThreeParts,
            "Pick a lane and a club for it, and leave the last ball alone",
            "Eight of the called woods finish on the side they were called for",
            Drill("Loosen up", Level.SingleFigure, Phase.WarmUp, 4, 0),
            Drill(
                "Up the bag",
                Level.SingleFigure,
                Phase.WarmUp,
                9,
                14,
                clubs: [Club.SandWedge, Club.Iron9, Club.Iron7, Club.Iron5, Club.Hybrid]
            ),
            Drill("Between the head covers", Level.SingleFigure, Phase.Block, 15, 14, Intent.Technique, [Club.Iron7]) with
            {
                Focus = "Path: from the inside edge of the gap",
            },
            Water(3),
            Drill(
                "To the long boards",
                Level.SingleFigure,
                Phase.Random,
                17,
                12,
                Intent.Skill,
                [Club.Hybrid, Club.Wood3, Club.Iron5]
            ),
            Holes(5, 18, 14, Area.Driver, [Club.Driver, Club.Wood3, Club.Iron7, Club.PitchingWedge])
        ),
        Plan(
            OnFilm,
            Approach.SlowBuild,
            "Move the low point forward without hurrying the change",
            "On film the last three look like the first three",
            Drill("Loosen up", Level.SingleFigure, Phase.WarmUp, 5, 0),
            Drill("Slow bridge", Level.SingleFigure, Phase.WarmUp, 6, 8, clubs: [Club.Iron9]) with
            {
                Bridge = true,
                Focus = "Low point: the buckle over the lead foot",
            },
            Slow(36, 12) with
            {
                HideStages = [new HideStage { Hide = [Hidden.Result] }, new HideStage()],
            },
            Water(4),
            Slow(30, 10),
            Holes(2, 10, 7, Area.Iron, [Club.Hybrid, Club.Iron7])
        ),
        Plan(
            Taper,
            Approach.Sharpen,
            "Take two numbers and a start line to the course, and nothing else",
            "Half of the wedge numbers come with the first or the second ball",
            Drill("Loosen up", Level.Elite, Phase.WarmUp, 4, 0),
            Drill("Grow the wedge", Level.Elite, Phase.WarmUp, 6, 12, clubs: [Club.SandWedge, Club.PitchingWedge]),
            Drill("Wedge numbers", Level.Elite, Phase.Random, 15, 12, Intent.Skill, [Club.PitchingWedge, Club.SandWedge]),
            Drill("Any board but the last", Level.Elite, Phase.Random, 15, 13, Intent.Performance, [Club.GapWedge, Club.Iron9]),
            Holes(3, 12, 9, Area.Iron, [Club.Driver, Club.Iron6, Club.PitchingWedge])
        ),
        Plan(
                SoftHands,
                Approach.EvenSplit,
                "Come back without a swing: hands soft, and the hole in sight",
                "No pain above 2 of 10 while you practise or the morning after",
                new PracticeSegment
                {
                    Id = Guid.Empty,
                    Title = "Shoulders, hips, neck",
                    Phase = Phase.WarmUp,
                    Intent = Intent.Body,
                    Area = Area.Body,
                    Place = PlaceKind.PuttingGreen,
                    Minutes = 5,
                    Exit = new AfterMinutes(),
                    Instruction =
                        "Slow circles of the shoulders, then the hips, then the head from side to side. Leave the wrists alone.",
                },
                Drill("Through the gate", Level.SingleFigure, Phase.Block, 11, 18, Intent.Technique) with
                {
                    Focus = "Grip pressure: keep it going, three of ten",
                },
                Drill("To the fringe", Level.SingleFigure, Phase.Block, 10, 13, Intent.Skill),
                Water(3),
                Drill("Round the hole", Level.SingleFigure, Phase.Random, 12, 12, Intent.Skill),
                Drill(
                    "The putt that counts",
                    Level.SingleFigure,
                    Phase.OnCourse,
                    9,
                    3,
                    Intent.Performance,
                    [Club.Putter],
                    holes: 3
                )
            )
            .Overruling(FindingId.Fatigue, WhyLoadGrows),
        Plan(
                ChipsAgain,
                Approach.EvenSplit,
                "Use the wrist a little, and see how it is tomorrow",
                "No pain above 2 of 10 while you practise or the morning after",
                Drill("To the fringe", Level.SingleFigure, Phase.Block, 8, 12, Intent.Skill, place: PlaceKind.PuttingGreen),
                Drill("Land on the towel", Level.SingleFigure, Phase.Block, 13, 14, Intent.Skill, [Club.SandWedge]) with
                {
                    Aids = [Equipment.Towel],
                },
                Water(3),
                Drill("Lies in turn", Level.SingleFigure, Phase.Random, 14, 12, Intent.Skill, [Club.SandWedge, Club.Iron9]),
                Drill(
                    "Save it",
                    Level.SingleFigure,
                    Phase.OnCourse,
                    9,
                    8,
                    Intent.Performance,
                    [Club.SandWedge, Club.Putter],
                    holes: 3
                )
            )
            .Overruling(FindingId.Fatigue, WhyLoadGrows),
        Plan(
            InTheAir,
            Approach.StepUp,
            "Hit down a little, and let the club send it up",
            "Six balls in the lane that leave the ground",
            Drill("Loosen up", Level.New, Phase.WarmUp, 5, 0),
            Drill("Slow bridge", Level.New, Phase.WarmUp, 5, 8, clubs: [Club.Iron9]) with
            {
                Bridge = true,
                Focus = "Finish: hold it until the ball has stopped",
            },
            Drill("Turn and hold", Level.New, Phase.Block, 17, 14, Intent.Technique, [Club.PitchingWedge], PlaceKind.Range) with
            {
                Focus = "Finish: hold it until the ball has stopped",
            },
            Water(3),
            Drill("Every iron once", Level.New, Phase.Random, 9, 9, Intent.Skill, [Club.Iron9, Club.Iron7]),
            Holes(2, 7, 6, Area.Iron, [Club.Iron7, Club.Iron9])
        ),
        Plan(
            SmallSteps,
            Approach.EvenSplit,
            "Learn how far a small swing sends it",
            "Half of the putts round the hole drop",
            Drill("To the fringe", Level.New, Phase.Block, 10, 13, Intent.Skill),
            Drill("Round the hole", Level.New, Phase.Random, 11, 12, Intent.Skill),
            Water(3),
            Drill("Brush the grass", Level.New, Phase.Block, 10, 14, Intent.Technique, [Club.Iron9]) with
            {
                Focus = "Strike: brush past the line",
            },
            Drill("Lies in turn", Level.New, Phase.Random, 11, 10, Intent.Skill, [Club.Iron9, Club.PitchingWedge])
        ),
        Plan(
            NineHoles,
            Approach.PlayIt,
            "Play the nine as they come, one ball, no second try",
            "Six tee shots inside the lane that was named before",
            Drill("Loosen up", Level.Improving, Phase.WarmUp, 4, 0),
            Drill("Grow the wedge", Level.Improving, Phase.WarmUp, 7, 13, clubs: [Club.SandWedge, Club.PitchingWedge]),
            Drill("Off the tee without driver", Level.Improving, Phase.Random, 13, 10, Intent.Skill, [Club.Wood3, Club.Hybrid]),
            Holes(5, 20, 16, Area.Iron, [Club.Driver, Club.Hybrid, Club.Iron7, Club.PitchingWedge]),
            Water(3),
            Holes(4, 16, 13, Area.Iron, [Club.Driver, Club.Hybrid, Club.Iron7, Club.PitchingWedge], from: 6)
        ),
        Plan(
            ShortOnes,
            Approach.EvenSplit,
            "Hole the ones that count when they count",
            "Six in a row from the door, inside fifteen putts",
            Drill("Close the door", Level.Improving, Phase.Block, 12, 15, Intent.Skill),
            Drill("For par, for birdie", Level.Improving, Phase.Random, 12, 18, Intent.Performance)
        ),
        Plan(
            Indoors,
            Approach.EvenSplit,
            "Keep the stroke alive between two journeys",
            "Nine holes down the hallway in twenty-four or fewer",
            Drill("Through the gate", Level.SingleFigure, Phase.Block, 9, 15, Intent.Skill, place: PlaceKind.Home),
            Drill("Close the door", Level.SingleFigure, Phase.Block, 10, 15, Intent.Skill, place: PlaceKind.Home),
            Drill("Carpet calls", Level.SingleFigure, Phase.Random, 9, 12, Intent.Skill),
            Drill("Hallway nine", Level.SingleFigure, Phase.OnCourse, 12, 22, Intent.Performance, holes: 9)
        ),
        Plan(
            Mirror,
            Approach.SlowBuild,
            "Feel the low point move without a ball in the way",
            "Every stop looks right before it is corrected",
            Drill("Loosen up", Level.SingleFigure, Phase.WarmUp, 4, 0) with
            {
                Place = PlaceKind.Home,
            },
            Drill("Rehearse before the mirror", Level.SingleFigure, Phase.Block, 15, 0, Intent.Technique) with
            {
                Focus = "Low point: the buckle over the lead foot",
            }
        ) with
        {
            Overruled =
            [
                new OverruledFinding(
                    FindingId.Balance,
                    null,
                    "A quarter of an hour of one thing; the other days of the week keep the balance."
                ),
            ],
        },
        Plan(
            FerrySide,
            Approach.EvenSplit,
            "Land it where you said, then let it run",
            "Two of the six are saved",
            Drill("Brush the grass", Level.Improving, Phase.Block, 12, 14, Intent.Technique, [Club.SandWedge]) with
            {
                Focus = "Strike: brush past the line",
            },
            Drill("Down the lane", Level.Improving, Phase.Block, 14, 14, Intent.Skill, [Club.Iron9]),
            Drill("Lies in turn", Level.Improving, Phase.Random, 12, 11, Intent.Skill, [Club.SandWedge, Club.Iron9]),
            Drill("Save it", Level.Improving, Phase.OnCourse, 16, 15, Intent.Performance, [Club.SandWedge, Club.Putter], holes: 6)
        ),
    ];

    /// <summary>What somebody does on an evening of their own.</summary>
    public static SessionPlan PuttsUntilDark { get; } =
        Plan(
            "Putts until dark",
            Approach.PlayIt,
            "Nothing in particular: holes until the light goes",
            "The last one drops",
            Drill("Round the hole", Level.Improving, Phase.Random, 22, 24, Intent.Skill)
        );

    /// <summary>What a boy does with an hour after school.</summary>
    public static SessionPlan ChipsAfterSchool { get; } =
        Plan(
            "Chips after school",
            Approach.PlayIt,
            "Beat yesterday",
            "More saved than yesterday",
            Drill("Lies in turn", Level.Improving, Phase.Random, 15, 14, Intent.Skill, [Club.SandWedge, Club.Iron9])
        );

    /// <summary>Rehearsals before the mirror, two a minute.</summary>
    public static SessionPlan Rehearsals(int count) =>
        Plan(
            "A few more before bed",
            Approach.SlowBuild,
            "Feel the low point move without a ball in the way",
            "Every stop looks right before it is corrected",
            Drill("Rehearse before the mirror", Level.SingleFigure, Phase.Block, (count + 1) / 2, 0, Intent.Technique) with
            {
                Focus = "Low point: the buckle over the lead foot",
            }
        );

    /// <summary>The trial lesson, which stands in no list.</summary>
    public static SessionPlan TrialLesson { get; } =
        Plan(
            Lesson,
            Approach.StepUp,
            "Get to know the club, and go home with one thing",
            "One thing is agreed, in her own words",
            Drill("Loosen up", Level.New, Phase.WarmUp, 5, 0),
            Drill("Turn and hold", Level.New, Phase.Block, 15, 14, Intent.Technique, [Club.PitchingWedge], PlaceKind.Range) with
            {
                Focus = "Finish: hold it until the ball has stopped",
            },
            Drill("Round the hole", Level.New, Phase.Random, 12, 12, Intent.Skill)
        );

    private static SessionPlan Plan(
        string title,
        Approach approach,
        string purpose,
        string successTest,
        params Segment[] segments
    ) =>
        new()
        {
            Title = title,
            Purpose = purpose,
            SuccessTest = successTest,
            Constraints = new PlanConstraints { Approach = approach },
            Segments = [.. segments.Select((s, i) => s with { Id = DerivedId.Of($"demo plan {title} {i}") })],
        };

    /// <summary>A drill of the shelf on the step where the level begins, with what is usually asked there.</summary>
    private static PracticeSegment Drill(
        string name,
        Level level,
        Phase phase,
        int minutes,
        int balls,
        Intent? intent = null,
        Club[]? clubs = null,
        PlaceKind? place = null,
        int? holes = null
    )
    {
        var shelved = DrillService.StartingShelf.Drills.Single(d => d.Drill.Name == name);
        var drill = shelved.Drill;
        var rung = drill.BeginningRung(level);
        return new PracticeSegment
        {
            Id = Guid.Empty,
            Title = name,
            Phase = phase,
            Intent = intent ?? drill.Intents[0],
            Area = drill.Area,
            Minutes = minutes,
            Balls = balls,
            Clubs = clubs ?? (drill.Area == Area.Putting ? [Club.Putter] : []),
            Cue = drill.Cues.Count > 0 ? drill.Cues[0] : "",
            Exit = new AfterMinutes(),
            Place = place ?? drill.Places[0],
            Holes = holes,
            FullRoutine = phase == Phase.OnCourse,
            Drill = new PlannedDrill
            {
                DrillId = shelved.Id,
                Drill = drill,
                Rung = rung,
                Goal = phase == Phase.WarmUp ? null : drill.UsualGoal(rung),
            },
        };
    }

    /// <summary>Holes played on the range, one ball, with the whole routine.</summary>
    private static PracticeSegment Holes(int holes, int minutes, int balls, Area area, Club[] clubs, int from = 1) =>
        new()
        {
            Id = Guid.Empty,
            Title = holes == 2 ? "Two holes of the island" : $"{holes} holes of the island",
            Phase = Phase.OnCourse,
            Intent = Intent.Performance,
            Area = area,
            Place = PlaceKind.Range,
            Minutes = minutes,
            Balls = balls,
            Holes = holes,
            Play = DemoCourse.Holes(holes, from),
            Clubs = clubs,
            FullRoutine = true,
            Exit = new AfterMinutes(),
            Instruction =
                "Name the two edges of the fairway before you tee it up. Then the shot that is left, then the next hole.",
            Cue = "One ball, then walk on",
        };

    private static PracticeSegment Slow(int minutes, int balls) =>
        Drill(
            "Slow repetitions",
            Level.SingleFigure,
            Phase.Block,
            minutes,
            balls,
            Intent.Technique,
            [Club.Iron7],
            PlaceKind.Range
        ) with
        {
            SlowRepetitions = true,
            Focus = "Low point: the buckle over the lead foot",
            Aids = [Equipment.Phone],
        };

    private static Pause Water(int minutes) =>
        new()
        {
            Id = Guid.Empty,
            Title = "Water",
            Minutes = minutes,
            Instruction = PauseBeginning.WordsFor(isHot: false),
        };

    /// <summary>The plan with a finding lived with, in the whole of it and in every part of practice, for a reason.</summary>
    private static SessionPlan Overruling(this SessionPlan plan, FindingId finding, string reason) =>
        plan with
        {
            Overruled =
            [
                .. plan.Overruled,
                new OverruledFinding(finding, null, reason),
                .. plan.Practice().Select(s => new OverruledFinding(finding, s.Id, reason)),
            ],
        };
}
