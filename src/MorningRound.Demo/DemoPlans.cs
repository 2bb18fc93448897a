using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Server.Drills;

namespace MorningRound.Demo;

/// <summary>The plans of the demo academy. Invented, but each one a session a coach could set as it is.</summary>
internal static class DemoPlans
{
    public static SessionPlan HundredBalls =>
        Plan(
            "A hundred balls in an hour",
            "Start the irons where you look, and keep it when the club changes",
            "In the called tee shots, 20 of 30 start inside the two posts",
            Practice(
                "Wedges up the bag",
                Phase.WarmUp,
                Intent.Skill,
                Area.Wedge,
                10,
                30,
                [Club.SandWedge, Club.PitchingWedge, Club.Iron8, Club.Driver],
                "Twenty easy wedges to targets at 50 to 100 yards with a turn and a toe-touch between shots, then ten up the "
                    + "bag, at most two drivers.",
                "Smooth to the finish"
            ),
            Practice(
                "Start line through the gate",
                Phase.Block,
                Intent.Technique,
                Area.Iron,
                25,
                40,
                [Club.Iron8],
                "Two sticks a ball and a half apart, two club lengths in front, where no club can reach them. Look at the gap, "
                    + "then hit.",
                "Lead wrist flat at the ball",
                FeedbackSource.Gate,
                new AfterBalls()
            ),
            Practice(
                "Called tee shots",
                Phase.Random,
                Intent.Skill,
                Area.Wood,
                25,
                30,
                [Club.Driver, Club.Wood3, Club.Hybrid],
                "Change the club and the target every ball. Say the target out loud before you pick the club.",
                "One look, one go",
                drill: "Fairways in a row",
                goal: new DrillGoal("share", 60)
            )
        );

    public static SessionPlan HourOfPutting =>
        Plan(
            "An hour of putting",
            "Roll it over a spot on the line, then let the eyes read",
            "Fewer than 32 putts over the eighteen holes",
            Practice(
                "One putt of known line",
                Phase.Block,
                Intent.Technique,
                Area.Putting,
                15,
                50,
                [Club.Putter],
                "Five to six feet, straight, with a gate of two tees just wider than the putter.",
                "Still eyes until it rolls",
                FeedbackSource.Gate,
                place: PlaceKind.PuttingGreen,
                drill: "Through the gate",
                goal: new DrillGoal("best", 5)
            ),
            Practice(
                "Pace to the fringe",
                Phase.Block,
                Intent.Skill,
                Area.Putting,
                15,
                40,
                [Club.Putter],
                "From 15, 25 and 35 feet to the fringe. Stop each ball short of the longer grass.",
                "Long and slow",
                place: PlaceKind.PuttingGreen
            ),
            Practice(
                "Read without a ball",
                Phase.Random,
                Intent.Skill,
                Area.Putting,
                8,
                0,
                [],
                "Walk round six holes. Say how long the putt is and how much it falls across. Then pace it out and measure.",
                "",
                place: PlaceKind.PuttingGreen,
                drill: "Read, then measure"
            ),
            Practice(
                "Eighteen holes, one ball",
                Phase.OnCourse,
                Intent.Performance,
                Area.Putting,
                22,
                36,
                [Club.Putter],
                "One ball, eighteen different holes, everything holed out. Keep the card.",
                "Whole routine, every putt",
                place: PlaceKind.PuttingGreen,
                holes: 18,
                routine: true
            )
        );

    public static SessionPlan ThreeParts =>
        Plan(
            "Set-up, aim, four holes",
            "Stand to it the same way, then trust the aim",
            "Three of four quick holes without a change of mind over the ball",
            Stretch(5),
            Practice(
                "Set-up and half swings",
                Phase.WarmUp,
                Intent.Technique,
                Area.Iron,
                10,
                15,
                [Club.Iron9],
                "Club on the ground for the feet, half swings to waist height. Feel the finish, forget the flight.",
                "Chest to the target at the end",
                FeedbackSource.Mirror,
                bridge: true,
                swing: SwingSize.Half
            ),
            Practice(
                "Ball first, then turf",
                Phase.Block,
                Intent.Technique,
                Area.Iron,
                15,
                20,
                [Club.Iron7],
                "A line on the ground. Brush the turf on the target side of it.",
                "Trail elbow in front of the hip",
                FeedbackSource.Contact,
                new AfterBalls(),
                drill: "Ball, then ground",
                goal: new DrillGoal("share", 60)
            ),
            Practice(
                "Five balls a club",
                Phase.Random,
                Intent.Skill,
                Area.Iron,
                15,
                20,
                [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Hybrid],
                "Four clubs, five balls each, a new target for each ball.",
                "See it, step in"
            ),
            Practice(
                "Four quick holes",
                Phase.OnCourse,
                Intent.Performance,
                Area.Iron,
                15,
                14,
                [Club.Driver, Club.Iron7, Club.PitchingWedge],
                "Tee shot, approach, and the chip you are left with. Name the fairway before you tee up.",
                "Accept it and walk on",
                holes: 4,
                routine: true
            )
        );

    public static SessionPlan SlowBuild =>
        Plan(
            "Slow repetitions",
            "Move the low point forward without hurrying the change",
            "The last ten balls feel the same as the first ten, and video agrees",
            Practice(
                "Stretch and eight balls",
                Phase.WarmUp,
                Intent.Skill,
                Area.Iron,
                10,
                8,
                [Club.Iron9],
                "Stretch, then eight soft balls.",
                "",
                swing: SwingSize.Half
            ),
            Slow(40, 14),
            Water(5),
            Slow(40, 14),
            Practice(
                "Two quick holes",
                Phase.OnCourse,
                Intent.Performance,
                Area.Iron,
                15,
                8,
                [Club.Driver, Club.Iron7],
                "Play two holes with the swing you have today.",
                "Play, no repair",
                holes: 2,
                routine: true
            )
        );

    public static SessionPlan Sharpen =>
        Plan(
            "Two days before",
            "Take numbers and a start line to the course, and nothing else",
            "Six of nine wedge numbers with the first three balls",
            Stretch(5),
            Practice(
                "Ten easy balls",
                Phase.WarmUp,
                Intent.Skill,
                Area.Wedge,
                10,
                10,
                [Club.SandWedge, Club.Iron8],
                "Up the bag, half speed.",
                "",
                swing: SwingSize.Half
            ),
            Practice(
                "Wedge numbers",
                Phase.Random,
                Intent.Skill,
                Area.Wedge,
                27,
                27,
                [Club.PitchingWedge, Club.GapWedge, Club.SandWedge],
                "Nine numbers from your list, up to three balls each, on at the first that lands on it.",
                "Same rhythm, other length",
                FeedbackSource.LaunchNumbers,
                routine: true,
                drill: "Wedge numbers",
                goal: new DrillGoal("hits", 5)
            ),
            Practice(
                "Check and leave it",
                Phase.Block,
                Intent.Technique,
                Area.Iron,
                13,
                12,
                [Club.Iron6],
                "Ball position, aim, posture. If the number is there, put the club away.",
                "Less is enough",
                FeedbackSource.LaunchNumbers
            ),
            Practice(
                "Start line, four feet",
                Phase.Block,
                Intent.Skill,
                Area.Putting,
                15,
                40,
                [Club.Putter],
                "Round the hole, ten from each side.",
                "Over the spot",
                FeedbackSource.Gate,
                place: PlaceKind.PuttingGreen
            )
        );

    public static SessionPlan GentleReturn =>
        Plan(
            "Putting, gently",
            "Come back without a swing: hands soft, and the hole in sight",
            "No pain above 2 of 10 while you practise or the morning after",
            Practice(
                "Stretch, wrists left out",
                Phase.WarmUp,
                Intent.Body,
                Area.Body,
                8,
                0,
                [],
                "Arm circles small and big, side bends 5 a side, turns with a club across the chest. Nothing for the wrists.",
                "",
                place: PlaceKind.PuttingGreen
            ),
            Practice(
                "Putts through the gate",
                Phase.Block,
                Intent.Technique,
                Area.Putting,
                12,
                36,
                [Club.Putter],
                "Six feet, a gate of two tees. Stop at the first twinge.",
                "Grip pressure three of ten",
                FeedbackSource.Gate,
                place: PlaceKind.PuttingGreen,
                drill: "Through the gate"
            ),
            Practice(
                "Round the compass",
                Phase.Random,
                Intent.Skill,
                Area.Putting,
                16,
                24,
                [Club.Putter],
                "From two to seven feet, on all sides of the hole. One putt each.",
                "See it drop, then roll it",
                place: PlaceKind.PuttingGreen,
                drill: "Round the hole"
            ),
            Practice(
                "Six holes, one ball",
                Phase.OnCourse,
                Intent.Performance,
                Area.Putting,
                12,
                12,
                [Club.Putter],
                "One ball, six different holes, everything holed out. Keep the card.",
                "",
                place: PlaceKind.PuttingGreen,
                holes: 6,
                routine: true
            )
        );

    public static SessionPlan FirstSteps =>
        Plan(
            "First steps on the range",
            "Make the ball go up by hitting down",
            "Five balls in the air out of ten with the 9 iron",
            Stretch(5),
            Practice(
                "Brush the grass",
                Phase.WarmUp,
                Intent.Technique,
                Area.Iron,
                6,
                8,
                [Club.Iron9],
                "Small swings over the grass, then with a ball on a low tee.",
                "Brush the same place",
                FeedbackSource.Contact,
                bridge: true,
                swing: SwingSize.Half
            ),
            Practice(
                "Nine iron from a tee",
                Phase.Block,
                Intent.Technique,
                Area.Iron,
                12,
                16,
                [Club.Iron9],
                "Low tee, waist to waist. Count the ones in the air.",
                "Finish facing the target",
                FeedbackSource.Contact
            ),
            Water(2),
            Practice(
                "Three targets",
                Phase.Random,
                Intent.Skill,
                Area.Iron,
                10,
                10,
                [Club.Iron9, Club.Iron7],
                "Pick a target, then hit. Never the same one twice.",
                "Look, breathe, go"
            ),
            Practice(
                "Two holes in the head",
                Phase.OnCourse,
                Intent.Performance,
                Area.Iron,
                8,
                6,
                [Club.Iron7, Club.Iron9],
                "Imagine the first hole of the island: two shots and a chip. Then the second.",
                "",
                holes: 2,
                routine: true
            )
        );

    public static SessionPlan NineOnTheRange =>
        Plan(
            "Nine holes on the range",
            "Play the nine as they come, one ball, no second try",
            "Seven of nine tee shots inside the fairway you named",
            Practice(
                "Stretch and wedges",
                Phase.WarmUp,
                Intent.Skill,
                Area.Wedge,
                10,
                12,
                [Club.SandWedge, Club.PitchingWedge],
                "Stretch, then wedges until ready.",
                "",
                swing: SwingSize.Half
            ),
            Practice(
                "Nine quick holes",
                Phase.OnCourse,
                Intent.Performance,
                Area.Driver,
                36,
                30,
                [Club.Driver, Club.Iron7, Club.PitchingWedge],
                "Name a fairway between two targets. Then the shot that is left, then the next.",
                "One ball, one shot",
                holes: 9,
                routine: true
            ),
            Practice(
                "Putting out",
                Phase.OnCourse,
                Intent.Performance,
                Area.Putting,
                9,
                18,
                [Club.Putter],
                "Hole out the nine birdie and par putts you left yourself.",
                "",
                place: PlaceKind.PuttingGreen,
                routine: true
            )
        );

    public static SessionPlan TwentyMinutes =>
        Plan(
            "Twenty minutes of short putts",
            "Hole the ones that count when they count",
            "Ten in a row from three feet",
            Practice(
                "Three feet, all round",
                Phase.Block,
                Intent.Skill,
                Area.Putting,
                10,
                30,
                [Club.Putter],
                "Round the hole from three feet.",
                "Hear it drop",
                exit: new UntilMet { Criterion = "ten in a row are holed" },
                place: PlaceKind.PuttingGreen
            ),
            Practice(
                "For par, for birdie",
                Phase.Random,
                Intent.Skill,
                Area.Putting,
                10,
                20,
                [Club.Putter],
                "Four stations at four feet, for par and for birdie in turn.",
                "Whole routine",
                place: PlaceKind.PuttingGreen,
                routine: true,
                drill: "For par, for birdie",
                goal: new DrillGoal("score", 0)
            )
        );

    private static SessionPlan Plan(string title, string purpose, string successTest, params Segment[] segments) =>
        new()
        {
            Title = title,
            Purpose = purpose,
            SuccessTest = successTest,
            Segments = segments,
        };

    private static PracticeSegment Practice(
        string title,
        Phase phase,
        Intent intent,
        Area area,
        int minutes,
        int balls,
        Club[] clubs,
        string instruction,
        string cue,
        FeedbackSource? feedback = null,
        ExitRule? exit = null,
        PlaceKind place = PlaceKind.Range,
        int? holes = null,
        bool bridge = false,
        bool routine = false,
        bool slow = false,
        SwingSize? swing = null,
        string? drill = null,
        DrillGoal? goal = null
    ) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            Title = title,
            Phase = phase,
            Intent = intent,
            Area = area,
            Minutes = minutes,
            Balls = balls,
            Clubs = clubs,
            Instruction = instruction,
            Cue = cue,
            Feedback = feedback,
            Exit = exit ?? new AfterMinutes(),
            Place = place,
            Holes = holes,
            Bridge = bridge,
            FullRoutine = routine,
            SlowRepetitions = slow,
            Swing = swing,
            Drill = drill is null ? null : FromShelf(drill, goal),
        };

    private static PlannedDrill FromShelf(string name, DrillGoal? goal)
    {
        var shelved = DrillService.StartingShelf.Drills.Single(d => d.Drill.Name == name);
        return new PlannedDrill
        {
            DrillId = shelved.Id,
            Drill = shelved.Drill,
            Rung = shelved.Drill.OwnRung() ?? 0,
            Goal = goal,
        };
    }

    private static PracticeSegment Stretch(int minutes) =>
        Practice(
            "Stretch",
            Phase.WarmUp,
            Intent.Body,
            Area.Body,
            minutes,
            0,
            [],
            "Wrists 3 in and 3 out, arm circles small and big, side bends 5 a side, turns with a club across the chest.",
            "",
            drill: "Loosen up"
        );

    private static PracticeSegment Slow(int minutes, int balls) =>
        Practice(
            "Slow repetitions",
            Phase.Block,
            Intent.Technique,
            Area.Iron,
            minutes,
            balls,
            [Club.Iron7],
            "Rehearse twice, then one ball at half speed. Look at the video after every third.",
            "Belt buckle over the lead foot",
            FeedbackSource.Video,
            slow: true
        );

    private static Pause Water(int minutes) =>
        new()
        {
            Id = Guid.CreateVersion7(),
            Title = "Water",
            Minutes = minutes,
            Instruction = "Drink something, and step into the shade.",
        };
}
