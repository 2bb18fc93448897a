using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks;

namespace MorningRound.Demo;

/// <summary>One session of a made-up student's usual week. Day counts from Monday, 0 to 6; none is "any day".</summary>
internal sealed record UsualSession(string Plan, int? Day, Requirement Requirement = Requirement.Must);

/// <summary>A made-up student and what their weeks look like.</summary>
/// <param name="Name">Invented.</param>
/// <param name="Hand">The hand.</param>
/// <param name="Level">The level.</param>
/// <param name="Note">What the coach keeps in mind.</param>
/// <param name="Diligence">How likely a session is practised, 0 to 1.</param>
/// <param name="Mood">Where their self-ratings lie, 1 to 10.</param>
/// <param name="FirstWeek">The first week with a plan, counted back from this one.</param>
/// <param name="LastWeek">The last week with a plan, counted back from this one.</param>
/// <param name="Usual">A usual week.</param>
/// <param name="AwayWeeks">Weeks, counted back, that are excused.</param>
internal sealed record DemoStudent(
    string Name,
    Hand Hand,
    Level Level,
    string Note,
    double Diligence,
    int Mood,
    int FirstWeek,
    int LastWeek,
    IReadOnlyList<UsualSession> Usual,
    IReadOnlyList<int> AwayWeeks
);

internal static class DemoSquad
{
    public const string AcademyName = "Osier Island Golf School";
    public const string Coach = "Maren Tolve";

    /// <summary>The student who is signed in by the demo's button.</summary>
    public const string SignedInStudent = "Otto Lanevik";

    public const string HurtStudent = "Henrik Solmar";

    public static IReadOnlyDictionary<string, SessionPlan> Plans { get; } =
        new[]
        {
            DemoPlans.HundredBalls,
            DemoPlans.HourOfPutting,
            DemoPlans.ThreeParts,
            DemoPlans.SlowBuild,
            DemoPlans.Sharpen,
            DemoPlans.GentleReturn,
            DemoPlans.FirstSteps,
            DemoPlans.NineOnTheRange,
            DemoPlans.TwentyMinutes,
        }.ToDictionary(p => p.Title);

    private const string Hundred = "A hundred balls in an hour";
    private const string Putting = "An hour of putting";
    private const string Three = "Set-up, aim, four holes";
    private const string Slow = "Slow repetitions";
    private const string Before = "Two days before";
    private const string Gentle = "Putting, gently";
    private const string First = "First steps on the range";
    private const string Nine = "Nine holes on the range";
    private const string Short = "Twenty minutes of short putts";

    public static IReadOnlyList<DemoStudent> Students { get; } =
    [
        new(
            "Otto Lanevik",
            Hand.Right,
            Level.Improving,
            "Wants to break 90 this season. Irons start left under pressure.",
            0.78,
            7,
            11,
            0,
            [new(Three, 1), new(Putting, 3), new(Hundred, 5), new(Short, null, Requirement.Extra)],
            []
        ),
        new(
            "Carla Vintholm",
            Hand.Right,
            Level.Elite,
            "Island Open in nine days. Sharpen, no changes.",
            0.97,
            8,
            11,
            0,
            [new(Hundred, 0), new(Putting, 1), new(Before, 3), new(Nine, 5), new(Short, null)],
            []
        ),
        new(
            "Henrik Solmar",
            Hand.Right,
            Level.SingleFigure,
            "Back after a trail wrist sprain in spring. No full swings without his physiotherapist's word.",
            0.85,
            6,
            11,
            0,
            [new(Gentle, 1), new(Putting, 4)],
            [8, 7]
        ),
        new(
            "Tilda Brockhus",
            Hand.Right,
            Level.New,
            "Started this summer. Small successes, short sessions.",
            0.7,
            6,
            9,
            0,
            [new(First, 2), new(First, 6)],
            []
        ),
        new(
            "Jonne Weilander",
            Hand.Right,
            Level.Improving,
            "Junior, 14. School first; brings his own music.",
            0.6,
            8,
            11,
            0,
            [new(Three, 2), new(Short, null), new(Hundred, 6)],
            [4]
        ),
        new(
            "Pia Ruskamo",
            Hand.Left,
            Level.Improving,
            "Left-handed. Mirror everything you show her.",
            0.8,
            7,
            11,
            0,
            [new(Three, 0), new(Putting, 4)],
            []
        ),
        new(
            "Nadia Ferrolin",
            Hand.Right,
            Level.SingleFigure,
            "Travels for work; plans that fit any day.",
            0.35,
            6,
            11,
            0,
            [new(Hundred, null), new(Putting, null)],
            [5]
        ),
        new(
            "Bram Keelstra",
            Hand.Right,
            Level.SingleFigure,
            "Swing change under way: low point. Patience.",
            0.92,
            7,
            11,
            0,
            [new(Slow, 1), new(Slow, 4), new(Putting, 6)],
            []
        ),
        new("Ines Holtmark", Hand.Right, Level.New, "Came for a trial lesson last week. Nothing set yet.", 0, 7, 0, 1, [], []),
        new(
            "Rafe Dunvale",
            Hand.Right,
            Level.Elite,
            "Away with his university team.",
            0.9,
            8,
            11,
            0,
            [new(Nine, 2), new(Before, 4)],
            [1, 0]
        ),
    ];

    public static IReadOnlyList<string> Notes { get; } =
    [
        "Wind off the left all day. Aimed at the left post and it held.",
        "The gate helped. Without it I hurried.",
        "Tired after work, so I stopped while it was still good.",
        "Green was slow after the rain; everything came up short.",
        "Felt the finish for the first time with the 7 iron.",
        "Not sure about ball position with the hybrid. Can we look at it?",
        "Two quick holes were fun. Missed both greens on the right.",
    ];
}
