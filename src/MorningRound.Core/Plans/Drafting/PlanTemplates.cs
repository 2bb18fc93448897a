using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Plans to begin from, our own. Each passes the check without advice; drills can be put into their segments.</summary>
public static class PlanTemplates
{
    /// <summary>The templates for a day, whose date decides the clubs of a warm-up. Ids are the same every time.</summary>
    public static IReadOnlyList<SessionPlan> On(DateOnly day) =>
        [
            Plan(
                "An hour on the range with 100 balls",
                "Start the irons where you look, and keep it when the club changes",
                "In the called shots, 20 of 30 start on line",
                60,
                100,
                Approach.EvenSplit,
                Segment(
                    "Twenty wedges, ten up the bag",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    10,
                    30,
                    "Twenty easy ones to targets at 50 to 100 yards with a turn and a toe-touch between, then ten up the bag, "
                        + "at most two drivers.",
                    clubs: [Club.SandWedge, Club.Iron8, Club.Driver]
                ),
                Technique(
                    "Start line",
                    Area.Iron,
                    25,
                    40,
                    "One thing at a time, and look at every start.",
                    "Start line",
                    FeedbackSource.Gate,
                    [Club.Iron8]
                ),
                Segment(
                    "Called tee shots",
                    Phase.Random,
                    Intent.Skill,
                    Area.Wood,
                    25,
                    30,
                    "Change the club and the target every ball. Say the target before you take the club.",
                    clubs: [Club.Driver, Club.Wood3, Club.Hybrid]
                )
            ),
            Plan(
                "An hour of putting",
                "Roll it over a spot on the line, then let the eyes read",
                "Fewer than 32 putts over the eighteen holes",
                60,
                null,
                Approach.EvenSplit,
                Technique(
                    "One putt of known line",
                    Area.Putting,
                    15,
                    45,
                    "Five to six feet, with a gate just wider than the putter.",
                    "Still eyes until it rolls",
                    FeedbackSource.Gate,
                    [Club.Putter],
                    PlaceKind.PuttingGreen
                ),
                Segment(
                    "Pace to the fringe",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    15,
                    40,
                    "From 15, 25 and 35 feet, short of the longer grass.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                ),
                Segment(
                    "Read without a ball",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    8,
                    0,
                    "Six holes: say length and fall, then pace it out and measure.",
                    PlaceKind.PuttingGreen
                ),
                Segment(
                    "Eighteen holes, one ball",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Putting,
                    22,
                    36,
                    "Everything holed out. Keep the card.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    holes: 18
                )
            ),
            Plan(
                "Half an hour of putting",
                "Hole the short ones the same way every time",
                "More than half of the changing ones are holed",
                30,
                null,
                Approach.EvenSplit,
                Segment(
                    "Three feet, all round",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    15,
                    40,
                    "Round the hole from three feet.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                ),
                Segment(
                    "Another putt every time",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    15,
                    16,
                    "Four to eight feet, a new hole each time, the whole routine.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                )
            ),
            WarmUp("Twenty minutes before a round", 20, day),
            WarmUp("Five minutes before a round", 5, day),
            Plan(
                "Two hours of slow repetitions",
                "Make the change deliberate, one ball at a time",
                "The last ten feel the same as the first ten, and the film agrees",
                120,
                60,
                Approach.SlowBuild,
                Segment(
                    "Stretch and eight balls",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Iron,
                    10,
                    8,
                    "Stretch, then eight soft ones.",
                    clubs: [Club.Iron9],
                    swing: SwingSize.Half
                ),
                Technique(
                    "Slow repetitions",
                    Area.Iron,
                    45,
                    16,
                    "Rehearse twice, then one ball at half speed.",
                    "The change",
                    FeedbackSource.Video,
                    [Club.Iron7],
                    slow: true
                ),
                Water(5),
                Technique(
                    "Slow repetitions",
                    Area.Iron,
                    40,
                    14,
                    "Rehearse twice, then one ball at half speed.",
                    "The change",
                    FeedbackSource.Video,
                    [Club.Iron7],
                    slow: true
                ),
                Segment(
                    "Two quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    20,
                    8,
                    "With the swing you have today.",
                    clubs: [Club.Driver, Club.Iron7],
                    holes: 2
                )
            ),
            Plan(
                "Irons only",
                "Strike the ball before the ground, and keep it when the club changes",
                "Eight of ten in a row from the middle of the face",
                60,
                80,
                Approach.ThreeParts,
                Segment("Stretch", Phase.WarmUp, Intent.Body, Area.Body, 5, 0, WarmUps.Stretches),
                Segment(
                    "Half swings",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Iron,
                    7,
                    12,
                    "Waist to waist, feel the ground.",
                    clubs: [Club.Iron9],
                    swing: SwingSize.Half
                ),
                Technique(
                    "Ball, then ground",
                    Area.Iron,
                    16,
                    22,
                    "A line on the ground; the mark begins at it or after it.",
                    "Low point",
                    FeedbackSource.Contact,
                    [Club.Iron7]
                ),
                Segment(
                    "Four irons, never twice the same",
                    Phase.Random,
                    Intent.Skill,
                    Area.Iron,
                    16,
                    18,
                    "Another iron and another target every ball.",
                    clubs: [Club.Iron9, Club.Iron8, Club.Iron7, Club.Iron6]
                ),
                Segment(
                    "Four approaches",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    16,
                    12,
                    "Imagine the hole, play the second shot and what it leaves.",
                    clubs: [Club.Iron8, Club.Iron6, Club.PitchingWedge],
                    holes: 4
                )
            ),
            Plan(
                "A wet day at home",
                "Keep the stroke and the read awake indoors",
                "Ten in a row through the gate",
                30,
                0,
                Approach.EvenSplit,
                Technique(
                    "Through the gate on the carpet",
                    Area.Putting,
                    15,
                    45,
                    "Two books as a gate, six feet, a coin as the hole.",
                    "Square face",
                    FeedbackSource.Gate,
                    [Club.Putter],
                    PlaceKind.Home
                ),
                Segment(
                    "Another distance every time",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    15,
                    18,
                    "Three, six and nine feet in turn, to the coin and no further.",
                    PlaceKind.Home,
                    [Club.Putter]
                )
            ),
            Plan(
                "Two days before a competition",
                "Take numbers and a start line to the course, and nothing else",
                "Six of nine numbers with the first three balls",
                75,
                70,
                Approach.Sharpen,
                Segment("Stretch", Phase.WarmUp, Intent.Body, Area.Body, 5, 0, WarmUps.Stretches),
                Segment(
                    "Ten easy balls",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    8,
                    10,
                    "Half speed.",
                    clubs: [Club.SandWedge, Club.Iron8],
                    swing: SwingSize.Half
                ),
                Segment(
                    "Nine wedge numbers",
                    Phase.Random,
                    Intent.Skill,
                    Area.Wedge,
                    25,
                    27,
                    "Up to three balls a number, on at the first that lands on it.",
                    clubs: [Club.PitchingWedge, Club.GapWedge, Club.SandWedge],
                    run: 3
                ),
                Technique(
                    "Check and leave it",
                    Area.Iron,
                    15,
                    12,
                    "Ball position, aim, posture. If it is there, put the club away.",
                    "Keep it going",
                    FeedbackSource.LaunchNumbers,
                    [Club.Iron6]
                ),
                Water(4),
                Segment(
                    "Start line, four feet",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    15,
                    40,
                    "Round the hole, ten from each side.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                )
            ),
            Plan(
                "Nine holes on the range",
                "Play the nine as they come, one ball, no second try",
                "Seven of nine tee shots inside the fairway you named",
                60,
                60,
                Approach.PlayIt,
                Segment(
                    "Stretch and wedges",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    10,
                    12,
                    "Stretch, then wedges until ready.",
                    clubs: [Club.SandWedge, Club.PitchingWedge],
                    swing: SwingSize.Half
                ),
                Segment(
                    "Nine quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Driver,
                    36,
                    30,
                    "Name a fairway between two targets. Then the shot that is left, then the next.",
                    clubs: [Club.Driver, Club.Iron7, Club.PitchingWedge],
                    holes: 9
                ),
                Segment(
                    "Putting out",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Putting,
                    9,
                    18,
                    "Hole out the nine putts you left yourself.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                )
            ),
            Plan(
                "Three parts in an hour",
                "Stand to it the same way, then trust the aim",
                "Three of four quick holes without a change of mind",
                60,
                80,
                Approach.ThreeParts,
                Segment("Stretch", Phase.WarmUp, Intent.Body, Area.Body, 5, 0, WarmUps.Stretches),
                Technique(
                    "Set-up and half swings",
                    Area.Iron,
                    10,
                    15,
                    "Feel the finish, forget the flight.",
                    "Set-up",
                    FeedbackSource.Mirror,
                    [Club.Iron9],
                    phase: Phase.WarmUp
                ),
                Technique(
                    "Technique",
                    Area.Iron,
                    15,
                    20,
                    "One thing, one look after every ball.",
                    "Set-up",
                    FeedbackSource.Contact,
                    [Club.Iron7]
                ),
                Segment(
                    "Five balls a club",
                    Phase.Random,
                    Intent.Skill,
                    Area.Iron,
                    15,
                    20,
                    "Four clubs, five balls each, a new target for each.",
                    clubs: [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Hybrid],
                    run: 5
                ),
                Segment(
                    "Four quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    15,
                    14,
                    "Name the fairway before you tee up.",
                    clubs: [Club.Driver, Club.Iron7, Club.PitchingWedge],
                    holes: 4
                )
            ),
            Plan(
                "An hour of short game",
                "Land it where you look, and hole what is left",
                "Four of six up and down",
                60,
                null,
                Approach.ThreeParts,
                Segment("Stretch", Phase.WarmUp, Intent.Body, Area.Body, 5, 0, WarmUps.Stretches, PlaceKind.ChippingGreen),
                Technique(
                    "Chips to a towel",
                    Area.Chip,
                    18,
                    30,
                    "The same chip, the towel as the landing spot.",
                    "Landing spot",
                    FeedbackSource.Contact,
                    [Club.SandWedge],
                    PlaceKind.ChippingGreen
                ),
                Segment(
                    "Three spots, three clubs",
                    Phase.Random,
                    Intent.Skill,
                    Area.Chip,
                    18,
                    22,
                    "Change the spot and the club every ball.",
                    PlaceKind.ChippingGreen,
                    [Club.SandWedge, Club.PitchingWedge, Club.Iron9]
                ),
                Segment(
                    "Six up and downs",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Chip,
                    18,
                    16,
                    "One ball: chip, then hole out. Keep the card.",
                    PlaceKind.ChippingGreen,
                    [Club.SandWedge, Club.Putter],
                    holes: 6
                )
            ),
        ];

    private static SessionPlan Plan(
        string title,
        string purpose,
        string successTest,
        int minutes,
        int? balls,
        Approach? approach,
        params Segment[] segments
    ) =>
        new()
        {
            Title = title,
            Purpose = purpose,
            SuccessTest = successTest,
            Constraints = new PlanConstraints
            {
                Minutes = minutes,
                Balls = balls,
                Approach = approach,
            },
            Segments = [.. segments.Select((s, i) => s with { Id = IdOf(title, i) })],
        };

    private static SessionPlan WarmUp(string title, int minutes, DateOnly day) =>
        Plan(
            title,
            "Come to the first tee ready, with one aim and nothing to repair",
            "The first ball is hit without a thought about the swing",
            minutes,
            null,
            null,
            [.. WarmUps.Of(minutes, WarmUpBefore.Round, day, [], []).Select(p => WarmUps.ToSegment(p, Guid.Empty))]
        );

    private static PracticeSegment Segment(
        string title,
        Phase phase,
        Intent intent,
        Area area,
        int minutes,
        int balls,
        string instruction,
        PlaceKind place = PlaceKind.Range,
        Club[]? clubs = null,
        int? holes = null,
        SwingSize? swing = null,
        int? run = null
    ) =>
        new()
        {
            Id = Guid.Empty,
            Title = title,
            Phase = phase,
            Intent = intent,
            Area = area,
            Minutes = minutes,
            Balls = balls,
            Instruction = instruction,
            Place = place,
            Clubs = clubs ?? [],
            Holes = holes,
            Swing = swing,
            DeclaredRun = run,
            Exit = new AfterMinutes(),
        };

    private static PracticeSegment Technique(
        string title,
        Area area,
        int minutes,
        int balls,
        string instruction,
        string focus,
        FeedbackSource feedback,
        Club[] clubs,
        PlaceKind place = PlaceKind.Range,
        bool slow = false,
        Phase phase = Phase.Block
    ) =>
        Segment(
            title,
            phase,
            Intent.Technique,
            area,
            minutes,
            balls,
            instruction,
            place,
            clubs,
            swing: phase == Phase.WarmUp ? SwingSize.Half : null
        ) with
        {
            Focus = focus,
            Feedback = feedback,
            SlowRepetitions = slow,
            Bridge = phase == Phase.WarmUp,
        };

    private static Pause Water(int minutes) =>
        new()
        {
            Id = Guid.Empty,
            Title = "Water",
            Minutes = minutes,
            Instruction = "Drink something, and step into the shade.",
        };

    private static Guid IdOf(string title, int segment) =>
        NewIds.From(
            new Guid(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(title)).AsSpan(0, 16)),
            segment
        );
}
