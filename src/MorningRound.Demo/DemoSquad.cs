using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks;

namespace MorningRound.Demo;

/// <summary>One session of a made-up student's usual week. Day counts from Monday, 0 to 6; none is "any day".</summary>
internal sealed record UsualSession(string Plan, int? Day, Requirement Requirement = Requirement.Must);

/// <summary>How well somebody plays: the share of attempts that come off.</summary>
/// <param name="Begin">In the first week of the demo.</param>
/// <param name="Now">In this week.</param>
/// <param name="Lag">How much less comes off once the shot changes.</param>
internal sealed record DemoForm(double Begin, double Now, double Lag = 0.05)
{
    /// <summary>Areas in which more or less comes off than elsewhere.</summary>
    public IReadOnlyDictionary<Area, double> Apart { get; init; } = new Dictionary<Area, double>();

    /// <summary>
    /// How far left of the line the irons start, in degrees, in the first week and now; null where nobody measures it.
    /// </summary>
    public (double Begin, double Now)? StartsLeft { get; init; }
}

/// <summary>Pain that ended a session.</summary>
/// <param name="Week">The week, counted back from this one; in its first session.</param>
/// <param name="Part">Where.</param>
/// <param name="Side">Which side.</param>
/// <param name="Note">What the student wrote about it.</param>
internal sealed record DemoPain(int Week, BodyPart Part, BodySide Side, string Note);

/// <summary>A made-up student and what their weeks look like.</summary>
/// <param name="Name">Invented.</param>
/// <param name="Hand">The hand.</param>
/// <param name="Level">The level.</param>
/// <param name="Note">What the coach keeps in mind.</param>
/// <param name="Diligence">How likely a session is practised, 0 to 1.</param>
/// <param name="Mood">Where their self-ratings lie, 1 to 10.</param>
/// <param name="Form">How well they play.</param>
/// <param name="Usual">A usual week.</param>
internal sealed record DemoStudent(
    string Name,
    Hand Hand,
    Level Level,
    string Note,
    double Diligence,
    int Mood,
    DemoForm Form,
    IReadOnlyList<UsualSession> Usual
)
{
    /// <summary>The first week with a plan, counted back from this one.</summary>
    public int FirstWeek { get; init; } = 11;

    /// <summary>Weeks, counted back from this one, that are excused, and why.</summary>
    public IReadOnlyDictionary<int, Excuse> Excused { get; init; } = new Dictionary<int, Excuse>();

    /// <summary>Pain that ended a session; null where none did. What was left of that week is excused.</summary>
    public DemoPain? Pain { get; init; }

    /// <summary>Weeks, counted back from this one, that are set otherwise than usual.</summary>
    public IReadOnlyDictionary<int, IReadOnlyList<UsualSession>> Otherwise { get; init; } =
        new Dictionary<int, IReadOnlyList<UsualSession>>();

    /// <summary>Weeks, counted back, in which something is practised that nobody set.</summary>
    public IReadOnlyDictionary<int, SessionPlan> OnTheirOwn { get; init; } = new Dictionary<int, SessionPlan>();

    /// <summary>
    /// Repetitions of a swing change up to today; null where none is under way. What the weeks leave over is made up for before
    /// the mirror last week.
    /// </summary>
    public int? Repetitions { get; init; }

    /// <summary>Whether sessions are cut to the time there is, and some are typed in from paper.</summary>
    public bool HasNoTime { get; init; }
}

internal static class DemoSquad
{
    public const string AcademyName = "Osier Island Golf School";
    public const string Coach = "Maren Tolve";

    /// <summary>The student who is signed in by the demo's button.</summary>
    public const string SignedInStudent = "Otto Lanevik";

    /// <summary>A minor, whose guardian sees the week too.</summary>
    public const string Junior = "Jonne Weilander";

    /// <summary>The junior's mother.</summary>
    public const string Guardian = "Sanna Weilander";

    /// <summary>Came for a trial lesson last week.</summary>
    public const string OnTrial = "Ines Holtmark";

    public static IReadOnlyList<DemoStudent> Students { get; } =
    [
        // A steady climb: the start line comes back, the called shots lag behind.
        new(
            SignedInStudent,
            Hand.Right,
            Level.Improving,
            "Wants to break 90 this season. Irons start left under pressure.",
            0.86,
            7,
            new DemoForm(0.42, 0.72, 0.1) { StartsLeft = (4.1, 0.9) },
            [
                new(DemoPlans.LineFirst, 1),
                new(DemoPlans.BothEnds, 3),
                new(DemoPlans.Numbers, 5),
                new(DemoPlans.ShortOnes, null, Requirement.Extra),
            ]
        )
        {
            OnTheirOwn = new Dictionary<int, SessionPlan> { [7] = DemoPlans.PuttsUntilDark, [2] = DemoPlans.PuttsUntilDark },
        },
        // A competition before her, and one with a debrief behind her.
        new(
            "Carla Vintholm",
            Hand.Right,
            Level.Elite,
            "Island Open in nine days. Sharpen, no changes.",
            0.97,
            8,
            new DemoForm(0.74, 0.79, 0.03),
            [new(DemoPlans.Taper, 0), new(DemoPlans.BothEnds, 1), new(DemoPlans.TeeToBoard, 3), new(DemoPlans.NineHoles, 5)]
        ),
        // One pain three weeks ago, a week of rest, putts alone, and cleared for a careful return.
        new(
            "Henrik Solmar",
            Hand.Right,
            Level.SingleFigure,
            "Trail wrist. Cleared by his physiotherapist; chips and putts first, then half swings.",
            0.9,
            6,
            new DemoForm(0.66, 0.7),
            [new(DemoPlans.LineFirst, 1), new(DemoPlans.BothEnds, 3), new(DemoPlans.FerrySide, 5)]
        )
        {
            Pain = new DemoPain(
                3,
                BodyPart.WristOrHand,
                BodySide.Trail,
                "The wrist pinched when the ground was hard. I left the rest alone."
            ),
            Excused = new Dictionary<int, Excuse> { [2] = Excuse.Hurt },
            Otherwise = new Dictionary<int, IReadOnlyList<UsualSession>>
            {
                [1] = [new(DemoPlans.SoftHands, 1), new(DemoPlans.SoftHands, 4)],
                [0] = [new(DemoPlans.SoftHands, 1), new(DemoPlans.ChipsAgain, 4)],
            },
        },
        // A beginner's small steps.
        new(
            "Tilda Brockhus",
            Hand.Right,
            Level.New,
            "Started this winter, at sixty-three. Small successes, short sessions.",
            0.85,
            6,
            new DemoForm(0.2, 0.56),
            [new(DemoPlans.SmallSteps, 2), new(DemoPlans.InTheAir, 6)]
        )
        {
            FirstWeek = 9,
        },
        // A belief against the numbers: sure of the tee shot, afraid of the chip; it is the other way round.
        new(
            Junior,
            Hand.Right,
            Level.Improving,
            "Junior, 14. School first; brings his own music.",
            0.78,
            8,
            new DemoForm(0.5, 0.56)
            {
                Apart = new Dictionary<Area, double>
                {
                    [Area.Chip] = 0.16,
                    [Area.Wood] = -0.18,
                    [Area.Driver] = -0.18,
                },
            },
            [new(DemoPlans.NineHoles, 2), new(DemoPlans.ShortOnes, null), new(DemoPlans.FerrySide, 6)]
        )
        {
            Excused = new Dictionary<int, Excuse> { [4] = Excuse.Away },
            OnTheirOwn = new Dictionary<int, SessionPlan> { [3] = DemoPlans.ChipsAfterSchool },
        },
        // A plateau: twelve weeks of the same.
        new(
            "Pia Ruskamo",
            Hand.Left,
            Level.Improving,
            "Left-handed. Mirror everything you show her. Stuck since February.",
            0.9,
            7,
            new DemoForm(0.52, 0.52),
            [new(DemoPlans.FerrySide, 0), new(DemoPlans.LineFirst, 4)]
        ),
        // A crowded life: half an hour here, a card from the hotel there.
        new(
            "Nadia Ferrolin",
            Hand.Right,
            Level.SingleFigure,
            "Travels for work; plans that fit any day.",
            0.5,
            6,
            new DemoForm(0.62, 0.66),
            [new(DemoPlans.TeeToBoard, null), new(DemoPlans.Indoors, null)]
        )
        {
            HasNoTime = true,
            Excused = new Dictionary<int, Excuse> { [5] = Excuse.Away },
            Pain = new DemoPain(
                1,
                BodyPart.Shoulder,
                BodySide.Lead,
                "Two bags through the airport, and now the shoulder catches when I reach out. I stopped."
            ),
            Otherwise = new Dictionary<int, IReadOnlyList<UsualSession>> { [0] = [new(DemoPlans.Indoors, null)] },
        },
        // A swing change under way.
        new(
            "Bram Keelstra",
            Hand.Right,
            Level.SingleFigure,
            "Swing change under way: low point. Patience.",
            0.95,
            7,
            new DemoForm(0.6, 0.64),
            [
                new(DemoPlans.OnFilm, 1),
                new(DemoPlans.Mirror, 2),
                new(DemoPlans.OnFilm, 4),
                new(DemoPlans.BothEnds, 6),
                new(DemoPlans.Mirror, null),
            ]
        )
        {
            FirstWeek = 12,
            Repetitions = 1340,
        },
        new(
            OnTrial,
            Hand.Right,
            Level.New,
            "Came for a trial lesson last week. Nothing set yet.",
            0,
            7,
            new DemoForm(0.3, 0.3),
            []
        )
        {
            FirstWeek = -1,
        },
        new(
            "Rafe Dunvale",
            Hand.Right,
            Level.Elite,
            "Away with his university team.",
            0.95,
            8,
            new DemoForm(0.73, 0.77, 0.03),
            [new(DemoPlans.NineHoles, 2), new(DemoPlans.TeeToBoard, 4)]
        )
        {
            Excused = new Dictionary<int, Excuse> { [1] = Excuse.Away, [0] = Excuse.Away },
        },
    ];

    /// <summary>The squad of those who began this year.</summary>
    public const string Beginners = "First summer";

    /// <summary>What is tested every few weeks, on the green.</summary>
    public const string TestDay = "Saturday on Poplar green";

    /// <summary>When it was held, in weeks before this one.</summary>
    public static IReadOnlyList<int> TestWeeksAgo { get; } = [8, 4];

    /// <summary>Who is tested.</summary>
    public static IReadOnlyList<string> Tested { get; } = ["Tilda Brockhus", Junior, "Nadia Ferrolin", "Pia Ruskamo"];

    /// <summary>The squads, and who is in them.</summary>
    public static IReadOnlyDictionary<string, IReadOnlyList<string>> Squads { get; } =
        new Dictionary<string, IReadOnlyList<string>>
        {
            ["Cup team"] = ["Carla Vintholm", "Bram Keelstra", "Henrik Solmar", "Rafe Dunvale"],
            [Beginners] = ["Tilda Brockhus", OnTrial, Junior],
            ["After work"] = [SignedInStudent, "Nadia Ferrolin", "Pia Ruskamo"],
        };

    /// <summary>For whom next week is begun already: copied from this one and put on days, not yet published.</summary>
    public static IReadOnlyList<string> WithNextWeek { get; } =
    ["Bram Keelstra", "Henrik Solmar", SignedInStudent, "Pia Ruskamo"];

    /// <summary>What a student writes afterwards, by what was practised.</summary>
    public static IReadOnlyDictionary<Area, IReadOnlyList<string>> Notes { get; } =
        new Dictionary<Area, IReadOnlyList<string>>
        {
            [Area.Iron] =
            [
                "The gap helped. Without it I hurried.",
                "Crosswind on the chest all day. Aimed at the willow and it held.",
                "Felt the finish for the first time with the 7 iron.",
            ],
            [Area.Putting] =
            [
                "The green was slow after the rain; everything came up short.",
                "Left-to-right ones still scare me.",
                "Tired after work, so I stopped while it was still good.",
            ],
            [Area.Chip] = ["The towel looks bigger every week.", "From the rough I never know how far it runs."],
            [Area.Wood] =
            [
                "Two bad ones at the start, then the tempo came.",
                "Should the ball be further forward with the hybrid?",
            ],
        };
}
