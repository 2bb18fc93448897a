using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Demo;

/// <summary>The files of the made-up squad.</summary>
internal static class DemoFiles
{
    private static readonly Club[] LongIrons = [Club.Iron4, Club.Iron5, Club.Iron6];
    private static readonly Club[] UsualIrons = [Club.Iron6, Club.Iron7, Club.Iron8, Club.Iron9];

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
                    DislikedClubs = [Club.Wood3],
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
                        Now = "2° left on average, 3° when the club changes",
                        Goal = "within a degree and a half of the line",
                        Area = Area.Iron,
                        Skill = "start line",
                        Quantity = new FocusQuantity
                        {
                            What = "start direction",
                            Unit = "°",
                            Start = -4.1,
                            StartLow = -4.8,
                            StartHigh = -3.4,
                            StartCount = 30,
                            StartedOn = IsoWeek.Of(today).Plus(-8).Monday,
                            Least = -1.5,
                            Most = 1.5,
                            By = today.AddDays(33),
                        },
                    },
                    SetUpBasics = ["Ball one width further back", "Trail shoulder lower"],
                }.Bag(
                    today,
                    150,
                    8,
                    LengthUnit.Yards,
                    [
                        Club.Driver,
                        Club.Wood3,
                        Club.Hybrid,
                        .. LongIrons,
                        Club.Iron7,
                        Club.Iron8,
                        Club.Iron9,
                        Club.PitchingWedge,
                        Club.SandWedge,
                    ]
                ),
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
                    Equipment =
                    [
                        Equipment.LaunchMonitor,
                        Equipment.AlignmentSticks,
                        Equipment.PuttingGate,
                        Equipment.Phone,
                        Equipment.Headcover,
                    ],
                    Competitions =
                    [
                        Competition(3, "Reed Cup", IsoWeek.Of(today).Monday.AddDays(-15), 1) with
                        {
                            Course = "Osier Island",
                            Held = [Area.Driver, Area.Mind],
                            DidNotHold = [Area.Putting],
                            Debrief =
                                "Kept the routine on every tee. Three-putted twice from the wrong tier: arrive a day earlier.",
                        },
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
                    Focus = new FocusChain
                    {
                        Fault = "Long putts stop short or run past by turns",
                        Measured = "inside a putter length from the fringe",
                        Goal = "nine of ten inside a putter length",
                        Area = Area.Putting,
                        Skill = "pace",
                        Quantity = new FocusQuantity
                        {
                            What = "To the fringe, inside",
                            Unit = "%",
                            DrillId = new Guid("d2111000-0000-7000-8000-000000000041"),
                            Rung = 2,
                            Measure = "share",
                            Group = PracticeGroup.Block,
                            Start = 68,
                            StartLow = 52,
                            StartHigh = 81,
                            StartCount = 38,
                            StartedOn = IsoWeek.Of(today).Plus(-11).Monday,
                            Least = 85,
                            By = today.AddDays(8),
                        },
                    },
                }.Bag(
                    today,
                    172,
                    8,
                    LengthUnit.Yards,
                    [
                        Club.Driver,
                        Club.Wood3,
                        Club.Hybrid,
                        .. LongIrons,
                        Club.Iron7,
                        Club.Iron8,
                        Club.Iron9,
                        Club.PitchingWedge,
                        Club.GapWedge,
                        Club.SandWedge,
                        Club.LobWedge,
                    ]
                ),
            },
            "Henrik Solmar" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedWeaknesses = [Area.Driver],
                    Windows =
                    [
                        Window(DayOfWeek.Tuesday, 10, 75, PlaceKind.ChippingGreen),
                        Window(DayOfWeek.Friday, 10, 75, PlaceKind.Range),
                    ],
                    Equipment = [Equipment.Tees, Equipment.PuttingGate, Equipment.Towel],
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
                            Since = today.AddDays(-22),
                            ClearedOn = today.AddDays(-4),
                            ClearedBy = "His physiotherapist",
                            Note = "Putts and short chips now. Half swings next week, full ones when those stay quiet.",
                        },
                    ],
                }.Bag(
                    today,
                    158,
                    8,
                    LengthUnit.Yards,
                    [Club.Driver, Club.Hybrid, .. UsualIrons, Club.PitchingWedge, Club.SandWedge]
                ),
            },
            DemoSquad.Junior => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Driver],
                    BelievedWeaknesses = [Area.Chip],
                    Units = LengthUnit.Metres,
                    Equipment = [Equipment.AlignmentSticks, Equipment.Tees, Equipment.Phone],
                },
                Coach = new CoachSection
                {
                    Age = AgeBand.TwelveToSeventeen,
                    Approach = Approach.PlayIt,
                    Guardian = new Guardian
                    {
                        Name = DemoSquad.Guardian,
                        Contact = "sanna.weilander@example.net",
                        ConsentedOn = today.AddDays(-90),
                    },
                }.Bag(
                    today,
                    128,
                    7,
                    LengthUnit.Metres,
                    [Club.Driver, Club.Wood3, Club.Hybrid, .. UsualIrons, Club.PitchingWedge, Club.SandWedge]
                ),
            },
            "Pia Ruskamo" => new StudentFile
            {
                Own = new StudentSection
                {
                    DislikedSides = [TargetSide.Right],
                    BelievedWeaknesses = [Area.Pitch],
                    Windows =
                    [
                        Window(DayOfWeek.Monday, 19, 60, PlaceKind.Range),
                        Window(DayOfWeek.Friday, 16, 60, PlaceKind.Range),
                    ],
                    Units = LengthUnit.Metres,
                    Equipment = [Equipment.AlignmentSticks, Equipment.Tees],
                },
                Coach = new CoachSection { Approach = Approach.StepUp, SetUpBasics = ["Weight even before the takeaway"] }.Bag(
                    today,
                    116,
                    7,
                    LengthUnit.Metres,
                    [Club.Driver, Club.Hybrid, .. UsualIrons, Club.PitchingWedge, Club.SandWedge]
                ),
            },
            "Nadia Ferrolin" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Iron],
                    BelievedWeaknesses = [Area.Driver],
                    Equipment = [Equipment.Tees, Equipment.Coins, Equipment.Headcover, Equipment.Phone],
                },
                Coach = new CoachSection { Approach = Approach.EvenSplit }.Bag(
                    today,
                    148,
                    8,
                    LengthUnit.Yards,
                    [Club.Driver, Club.Wood3, Club.Hybrid, Club.Iron5, .. UsualIrons, Club.PitchingWedge, Club.SandWedge]
                ),
            },
            "Bram Keelstra" => new StudentFile
            {
                Own = new StudentSection
                {
                    Equipment = [Equipment.Phone, Equipment.Mirror, Equipment.Tees],
                    BelievedWeaknesses = [Area.Iron],
                    Windows =
                    [
                        Window(DayOfWeek.Tuesday, 17, 120, PlaceKind.Range),
                        Window(DayOfWeek.Wednesday, 20, 30, PlaceKind.Home),
                        Window(DayOfWeek.Friday, 17, 120, PlaceKind.Range),
                        Window(DayOfWeek.Sunday, 9, 120, PlaceKind.Range),
                        Window(DayOfWeek.Sunday, 20, 30, PlaceKind.Home),
                    ],
                    Absences =
                    [
                        new Absence
                        {
                            FirstDay = IsoWeek.Of(today).Monday.AddDays(8),
                            LastDay = IsoWeek.Of(today).Monday.AddDays(9),
                            Note = "Trade fair",
                        },
                    ],
                },
                Coach = new CoachSection
                {
                    Approach = Approach.SlowBuild,
                    Focus = new FocusChain
                    {
                        Fault = "Low point behind the ball",
                        Measured = "where the ground is struck",
                        Now = "a hand behind",
                        Goal = "at the ball or after it",
                        Area = Area.Iron,
                        Skill = "low point",
                        RepetitionsAsked = 4000,
                    },
                }.Bag(
                    today,
                    154,
                    8,
                    LengthUnit.Yards,
                    [Club.Driver, Club.Wood3, Club.Hybrid, .. UsualIrons, Club.PitchingWedge, Club.GapWedge, Club.SandWedge]
                ),
            },
            "Rafe Dunvale" => new StudentFile
            {
                Own = new StudentSection
                {
                    BelievedStrengths = [Area.Wedge],
                    Absences =
                    [
                        new Absence
                        {
                            FirstDay = IsoWeek.Of(today).Monday.AddDays(-7),
                            LastDay = IsoWeek.Of(today).Monday.AddDays(8),
                            Note = "With the university team",
                        },
                    ],
                    Equipment = [Equipment.Headcover, Equipment.Tees, Equipment.LaunchMonitor],
                },
                Coach = new CoachSection { Approach = Approach.PlayIt }.Bag(
                    today,
                    176,
                    8,
                    LengthUnit.Yards,
                    [
                        Club.Driver,
                        Club.Wood3,
                        Club.Hybrid,
                        .. LongIrons,
                        Club.Iron7,
                        Club.Iron8,
                        Club.Iron9,
                        Club.PitchingWedge,
                        Club.GapWedge,
                        Club.SandWedge,
                    ]
                ),
            },
            "Tilda Brockhus" => new StudentFile
            {
                Own = new StudentSection { BelievedWeaknesses = [Area.Iron] },
                Coach = new CoachSection
                {
                    Age = AgeBand.SixtyAndOver,
                    Approach = Approach.StepUp,
                    Focus = new FocusChain
                    {
                        Fault = "The club meets the ground before the ball",
                        Measured = "chips that brush the grass past the ball",
                        Goal = "six of ten past the ball",
                        Quantity = new FocusQuantity
                        {
                            What = "Brush the grass, past the ball",
                            Unit = "%",
                            DrillId = new Guid("d2111000-0000-7000-8000-00000000004b"),
                            Rung = 0,
                            Measure = "share",
                            StartedOn = IsoWeek.Of(today).Plus(-10).Monday,
                            Start = 25,
                            StartLow = 13,
                            StartHigh = 42,
                            StartCount = 30,
                            Least = 60,
                            By = today.AddDays(50),
                        },
                    },
                }.Bag(today, 92, 5, LengthUnit.Yards, [Club.Hybrid, Club.Iron7, Club.Iron9, Club.PitchingWedge, Club.SandWedge]),
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
    /// A coach's section with a bag by the carry of its 7 iron, and the grid of its wedges that follows from it.
    /// </summary>
    private static CoachSection Bag(
        this CoachSection coach,
        DateOnly today,
        int sevenIron,
        int step,
        LengthUnit unit,
        params Club[] clubs
    ) =>
        coach with
        {
            Bag =
            [
                .. clubs
                    .Append(Club.Putter)
                    .Select(club =>
                        club == Club.Putter
                            ? new BagClub { Club = club }
                            : new BagClub
                            {
                                Club = club,
                                Carry = new MarkedLength(Carry(club, sevenIron, step), unit),
                                MeasuredOn = today.AddDays(-21),
                                Ball = BallKind.RangeBall,
                                From = HitFrom.Grass,
                            }
                    ),
            ],
            WedgeGrid =
            [
                .. from club in clubs.Where(c => c is Club.PitchingWedge or Club.GapWedge or Club.SandWedge or Club.LobWedge)
                from swing in new[] { SwingLength.Nine, SwingLength.Ten, SwingLength.Full }
                select new WedgeNumber
                {
                    Club = club,
                    Swing = swing,
                    Carry = new MarkedLength(Math.Round(Carry(club, sevenIron, step) * ShareOf(swing)), unit),
                    MeasuredOn = today.AddDays(-14),
                },
            ],
        };

    /// <summary>Even steps up the bag, half as wide again among the wedges.</summary>
    private static int Carry(Club club, int sevenIron, int step)
    {
        var below = Math.Max(0, club - Club.PitchingWedge);
        return sevenIron + (step * (Club.Iron7 - club)) - (step / 2 * below);
    }

    private static double ShareOf(SwingLength swing) =>
        swing switch
        {
            SwingLength.Nine => 0.7,
            SwingLength.Ten => 0.86,
            _ => 1,
        };
}
