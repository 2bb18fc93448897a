using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Demo;

/// <summary>The files of the made-up squad.</summary>
internal static class DemoFiles
{
    private static readonly Club[] Wedges = [Club.GapWedge, Club.SandWedge, Club.LobWedge];
    private static readonly SwingLength[] Swings = [SwingLength.Nine, SwingLength.Ten, SwingLength.Full];

    /// <summary>A student's file as it stands in the demo. Whoever is not named has a plain one.</summary>
    public static StudentFile Of(string name, DateOnly today) =>
        name switch
        {
            "Otto Lanevik" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Putting],
                    BelievedWeaknesses = [Area.Iron, Area.Bunker],
                    DislikedClubs = [Club.Iron4, Club.Wood3],
                    DislikedSides = [TargetSide.Left],
                    Routine = ["Stand behind and pick a spot", "One slow rehearsal", "Look, breathe out, go"],
                    Windows =
                    [
                        Window(DayOfWeek.Tuesday, 17, 60, PlaceKind.Range),
                        Window(DayOfWeek.Thursday, 18, 60, PlaceKind.PuttingGreen),
                        Window(DayOfWeek.Saturday, 9, 90, PlaceKind.Range),
                    ],
                    Equipment = [Equipment.AlignmentSticks, Equipment.Tees, Equipment.Phone, Equipment.Towel],
                    Competitions = [Competition(1, "Club medal", today.AddDays(40), 1)],
                },
                Coach = new CoachSection
                {
                    Approach = Approach.ThreeParts,
                    Focus = new FocusChain
                    {
                        Fault = "Irons start left under pressure",
                        Measured = "start direction with the 7 iron",
                        Now = "4° left on average",
                        Goal = "within 2° of the line",
                    },
                    SetUpBasics = ["Ball one width further back", "Trail shoulder lower"],
                    Bag = Bag(
                        today,
                        150,
                        Club.Driver,
                        Club.Wood3,
                        Club.Hybrid,
                        Club.Iron4,
                        Club.Iron5,
                        Club.Iron6,
                        Club.Iron7,
                        Club.Iron8,
                        Club.Iron9,
                        Club.PitchingWedge,
                        Club.SandWedge,
                        Club.Putter
                    ),
                    WedgeGrid = Grid(
                        today,
                        [
                            [62, 78, 92],
                            [52, 66, 80],
                            [40, 52, 64],
                        ]
                    ),
                },
            },
            "Carla Vintholm" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Driver, Area.Wedge],
                    BelievedWeaknesses = [Area.Putting],
                    Routine = ["Read from below", "See the last roll", "Step in and go"],
                    Windows =
                    [
                        Window(DayOfWeek.Monday, 8, 90, PlaceKind.Range),
                        Window(DayOfWeek.Tuesday, 8, 60, PlaceKind.PuttingGreen),
                        Window(DayOfWeek.Thursday, 8, 90, PlaceKind.Range),
                        Window(DayOfWeek.Saturday, 8, 120, PlaceKind.Range),
                    ],
                    Equipment = [Equipment.LaunchMonitor, Equipment.AlignmentSticks, Equipment.PuttingGate, Equipment.Phone],
                    Competitions =
                    [
                        Competition(2, "Island Open", today.AddDays(9), 3) with
                        {
                            ArrivalDay = today.AddDays(8),
                            Course = "Heron Point",
                            GreenSpeedFeet = 10.5,
                        },
                    ],
                },
                Coach = new CoachSection
                {
                    Approach = Approach.Sharpen,
                    Bag = Bag(
                        today,
                        172,
                        Club.Driver,
                        Club.Wood3,
                        Club.Hybrid,
                        Club.Iron4,
                        Club.Iron5,
                        Club.Iron6,
                        Club.Iron7,
                        Club.Iron8,
                        Club.Iron9,
                        Club.PitchingWedge,
                        Club.GapWedge,
                        Club.SandWedge,
                        Club.LobWedge,
                        Club.Putter
                    ),
                    WedgeGrid = Grid(
                        today,
                        [
                            [78, 94, 112],
                            [66, 82, 98],
                            [52, 66, 80],
                        ]
                    ),
                },
            },
            "Henrik Solmar" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedWeaknesses = [Area.Driver],
                    Equipment = [Equipment.Tees, Equipment.PuttingGate],
                },
                Coach = new CoachSection
                {
                    Approach = Approach.EvenSplit,
                    PainfulParts =
                    [
                        new PainfulPart
                        {
                            Part = BodyPart.WristOrHand,
                            Side = BodySide.Trail,
                            Since = today.AddDays(-70),
                            Note = "Sprain in spring. Full swings only when his physiotherapist says so.",
                        },
                    ],
                },
            },
            "Jonne Weilander" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Driver],
                    BelievedWeaknesses = [Area.Chip],
                    Units = LengthUnit.Metres,
                },
                Coach = new CoachSection
                {
                    Age = AgeBand.TwelveToSeventeen,
                    Approach = Approach.PlayIt,
                    Guardian = new Guardian
                    {
                        Name = "Sanna Weilander",
                        Contact = "sanna.weilander@example.net",
                        ConsentedOn = today.AddDays(-90),
                    },
                },
            },
            "Pia Ruskamo" => new StudentFile
            {
                Own = new StudentSection
                {
                    DislikedSides = [TargetSide.Right],
                    BelievedWeaknesses = [Area.Pitch],
                    Units = LengthUnit.Metres,
                },
                Coach = new CoachSection { Approach = Approach.StepUp, SetUpBasics = ["Weight even before the takeaway"] },
            },
            "Bram Keelstra" => new StudentFile
            {
                Own = new StudentSection { Equipment = [Equipment.Phone, Equipment.Mirror], BelievedWeaknesses = [Area.Iron] },
                Coach = new CoachSection
                {
                    Approach = Approach.SlowBuild,
                    Focus = new FocusChain
                    {
                        Fault = "Low point behind the ball",
                        Measured = "where the ground is struck",
                        Now = "3 in behind",
                        Goal = "at the ball or after it",
                        RepetitionsAsked = 4000,
                    },
                },
            },
            "Rafe Dunvale" => new StudentFile
            {
                Own = new StudentSection { BelievedStrengths = [Area.Wedge] },
                Coach = new CoachSection
                {
                    Approach = Approach.PlayIt,
                    WedgeGrid = Grid(
                        today,
                        [
                            [80, 98, 118],
                            [68, 84, 102],
                            [54, 70, 84],
                        ]
                    ),
                },
            },
            "Tilda Brockhus" => new StudentFile
            {
                Coach = new CoachSection { Age = AgeBand.SixtyAndOver, Approach = Approach.StepUp },
            },
            _ => new StudentFile { Coach = new CoachSection { Approach = Approach.EvenSplit } },
        };

    private static PracticeWindow Window(DayOfWeek day, int hour, int minutes, PlaceKind place) =>
        new()
        {
            Weekday = day,
            From = new TimeOnly(hour, 0),
            Minutes = minutes,
            Place = place,
        };

    private static Competition Competition(int number, string name, DateOnly first, int days) =>
        new()
        {
            Id = new Guid(number, 0, 0x7000, new byte[8]),
            Name = name,
            FirstDay = first,
            LastDay = first.AddDays(days - 1),
        };

    /// <summary>
    /// A bag by the carry of its 7 iron in yards, with even steps between the clubs; the putter carries nothing.
    /// </summary>
    private static IReadOnlyList<BagClub> Bag(DateOnly today, int sevenIron, params Club[] clubs) =>
        [
            .. clubs.Select(club =>
                club == Club.Putter
                    ? new BagClub { Club = club }
                    : new BagClub
                    {
                        Club = club,
                        Carry = new MarkedLength(sevenIron + (8 * (Club.Iron7 - club)), LengthUnit.Yards),
                        MeasuredOn = today.AddDays(-21),
                        Ball = BallKind.RangeBall,
                        From = HitFrom.Grass,
                    }
            ),
        ];

    private static IReadOnlyList<WedgeNumber> Grid(DateOnly today, int[][] carries) =>
        [
            .. Wedges.SelectMany(
                (club, c) =>
                    Swings.Select(
                        (swing, s) =>
                            new WedgeNumber
                            {
                                Club = club,
                                Swing = swing,
                                Carry = new MarkedLength(carries[c][s], LengthUnit.Yards),
                                MeasuredOn = today.AddDays(-14),
                            }
                    )
            ),
        ];
}
