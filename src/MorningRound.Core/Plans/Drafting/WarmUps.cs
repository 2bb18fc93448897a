using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What a warm-up leads to.</summary>
public enum WarmUpBefore
{
    /// <summary>The first tee: the minutes are those left until then.</summary>
    Round,

    /// <summary>A block on the range.</summary>
    Block,
}

/// <summary>One part of a warm-up.</summary>
public sealed record WarmUpPart(
    string Title,
    string Text,
    Area Area,
    SwingSize? Swing,
    PlaceKind Place,
    int Minutes,
    int Balls,
    IReadOnlyList<Club> Clubs
);

/// <summary>
/// Warm-ups of any length from five minutes, from the bag and the date. Common practice, no source. Everything is said in lead
/// and trail words, so that it holds for either hand.
/// </summary>
public static class WarmUps
{
    /// <summary>The fewest minutes of a warm-up.</summary>
    public const int Shortest = 5;

    /// <summary>The fewest minutes before a round for which the range is used at all.</summary>
    private const int RangeFrom = 15;

    private const int FullFrom = 25;

    /// <summary>Easy balls a minute at most: fifteen take about four minutes.</summary>
    private const double MostPace = 4;

    /// <summary>The stretches, counted.</summary>
    public const string Stretches =
        "Wrists 3 in and 3 out; forearms 5 and 5; arm circles small 5 and big 5, both ways; side bends 5 a side; forward bend "
        + "5; turns with a club across the chest 5, each foot back in turn.";

    private static readonly Club[] Standard =
    [
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
        Club.Putter,
    ];

    /// <summary>
    /// The irons and woods between wedge and driver for a day: 9, 7, 5, hybrid on odd days of the month, 8, 6, 4, 3 wood on even
    /// ones. What the bag lacks or the place forbids is skipped.
    /// </summary>
    public static IReadOnlyList<Club> Rotation(DateOnly day, IReadOnlyCollection<Club> clubs) =>
        [
            .. (
                day.Day % 2 == 1
                    ? new[] { Club.Iron9, Club.Iron7, Club.Iron5, Club.Hybrid }
                    : [Club.Iron8, Club.Iron6, Club.Iron4, Club.Wood3]
            ).Where(clubs.Contains),
        ];

    /// <summary>
    /// The clubs there are to warm up with: the bag without what is forbidden; a usual bag where none is known.
    /// </summary>
    public static IReadOnlyList<Club> Usable(IReadOnlyCollection<Club> bag, IReadOnlyCollection<Club> forbidden) =>
        [.. (bag.Count == 0 ? Standard : bag).Except(forbidden)];

    /// <summary>
    /// A warm-up of a given length in minutes. Throws <see cref="ArgumentOutOfRangeException"/> below <see cref="Shortest"/>.
    /// The minutes of its parts add up to those asked for.
    /// </summary>
    public static IReadOnlyList<WarmUpPart> Of(
        int minutes,
        WarmUpBefore before,
        DateOnly day,
        IReadOnlyCollection<Club> bag,
        IReadOnlyCollection<Club> forbidden
    )
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(minutes, Shortest);
        var clubs = Usable(bag, forbidden);
        return (before, minutes) switch
        {
            (WarmUpBefore.Round, < RangeFrom) => WithoutRange(minutes),
            (WarmUpBefore.Round, < FullFrom) => Twenty(minutes, day, clubs),
            (WarmUpBefore.Round, _) => Full(minutes, day, clubs),
            _ => BeforeBlock(minutes, day, clubs),
        };
    }

    /// <summary>A part as a segment of a plan.</summary>
    public static PracticeSegment ToSegment(WarmUpPart part, Guid id) =>
        new()
        {
            Id = id,
            Title = part.Title,
            Instruction = part.Text,
            Minutes = part.Minutes,
            Balls = part.Balls,
            Phase = Phase.WarmUp,
            Intent = part.Area == Area.Body ? Intent.Body : Intent.Skill,
            Area = part.Area,
            Swing = part.Swing,
            Place = part.Place,
            Clubs = part.Clubs,
            Exit = part.Balls > 0 ? new UntilMet { Criterion = "contact is centred" } : new AfterMinutes(),
        };

    private static WarmUpPart Stretch(int minutes, PlaceKind place = PlaceKind.Range) =>
        new("Stretch", Stretches, Area.Body, null, place, minutes, 0, []);

    /// <summary>
    /// Two minutes of five each of putting for pace and chipping, the rest walking and stretching: no full swing in it.
    /// </summary>
    private static List<WarmUpPart> WithoutRange(int minutes)
    {
        var putting = Math.Max(1, minutes * 2 / 5);
        var chipping = Math.Max(1, minutes * 2 / 5);
        return
        [
            new("Walk and stretch", Stretches, Area.Body, null, PlaceKind.PuttingGreen, minutes - putting - chipping, 0, []),
            new(
                "A few chips",
                "Short chips to a spot, one after the other. Nothing is counted.",
                Area.Chip,
                SwingSize.Chip,
                PlaceKind.ChippingGreen,
                chipping,
                3 * chipping,
                [Club.SandWedge]
            ),
            new(
                "Putts for pace",
                "Long ones across the green, for the feel of its speed. No hole.",
                Area.Putting,
                SwingSize.Putt,
                PlaceKind.PuttingGreen,
                putting,
                3 * putting,
                [Club.Putter]
            ),
        ];
    }

    /// <summary>
    /// Stretch, tiny and growing wedges, a short iron for speed only, a mid iron for the aim, one longer club, two drivers, chips
    /// and putts.
    /// </summary>
    private static List<WarmUpPart> Twenty(int minutes, DateOnly day, IReadOnlyList<Club> clubs)
    {
        var rotation = Rotation(day, clubs);
        var wedge = Wedge(clubs);
        var shortIron = rotation.FirstOrDefault(c => c is Club.Iron9 or Club.Iron8, wedge);
        var midIron = rotation.FirstOrDefault(c => c is Club.Iron7 or Club.Iron6, shortIron);
        Club[] last =
        [
            .. rotation.Where(c => c is Club.Hybrid or Club.Wood3 or Club.Iron5 or Club.Iron4).TakeLast(1),
            .. clubs.Where(c => c == Club.Driver),
        ];
        var stretch = Math.Max(2, minutes / 5);
        var green = Math.Max(3, minutes / 4);
        var aim = Math.Max(3, minutes / 5);
        var up = last.Length == 0 ? 0 : Math.Max(1, minutes / 8);
        return
        [
            Stretch(stretch),
            new(
                "Fifteen easy ones",
                $"Five tiny wedges, five growing ones, then five with the {shortIron.InWords()} for speed only.",
                Area.Wedge,
                SwingSize.Half,
                PlaceKind.Range,
                minutes - stretch - aim - up - green,
                15,
                Distinct(wedge, shortIron)
            ),
            new(
                "Aim check",
                $"Five with the {midIron.InWords()}, whole routine, at one target. Five more only to verify. The day's aim is "
                    + "one line; nothing in the swing is touched.",
                Area.Iron,
                SwingSize.Full,
                PlaceKind.Range,
                aim,
                5,
                [midIron]
            ),
            .. up == 0
                ? Array.Empty<WarmUpPart>()
                :
                [
                    new(
                        "Two of each longer one",
                        "Two balls a club, never a third.",
                        Area.Wood,
                        SwingSize.Full,
                        PlaceKind.Range,
                        up,
                        2 * last.Length,
                        last
                    ),
                ],
            new(
                "Chips and putts for pace",
                "A few chips to a spot, then long putts for the speed of the green.",
                Area.Putting,
                SwingSize.Putt,
                PlaceKind.PuttingGreen,
                green,
                2 * green,
                [Club.Putter]
            ),
        ];
    }

    /// <summary>
    /// Five minutes of stretching, fifteen low-energy wedges, two each up the bag, a few soft wedges to settle.
    /// </summary>
    private static List<WarmUpPart> Full(int minutes, DateOnly day, IReadOnlyList<Club> clubs)
    {
        var wedge = Wedge(clubs);
        Club[] bag = UpTheBag(day, clubs);
        var settle = 2;
        var upBag = Math.Max(4, bag.Length);
        var wedges = 5;
        var green = Math.Max(0, minutes - 5 - wedges - upBag - settle);
        var stretch = minutes - wedges - upBag - settle - green;
        return
        [
            Stretch(stretch),
            new(
                "Fifteen wedges",
                "From 25 to 30 yards, low energy, growing. Until ready: bad ones mean nothing.",
                Area.Wedge,
                SwingSize.Half,
                PlaceKind.Range,
                wedges,
                15,
                [wedge]
            ),
            new(
                "Two each up the bag",
                "Two balls a club, never a third: the bad one is left behind.",
                Area.Iron,
                SwingSize.Full,
                PlaceKind.Range,
                upBag,
                2 * bag.Length,
                bag
            ),
            new(
                "Soft wedges to settle",
                "A few soft ones, and leave.",
                Area.Wedge,
                SwingSize.Half,
                PlaceKind.Range,
                settle,
                4,
                [wedge]
            ),
            .. green == 0
                ? Array.Empty<WarmUpPart>()
                :
                [
                    new(
                        "Chips and putts for pace",
                        "A few chips to a spot, then long putts for the speed of the green.",
                        Area.Putting,
                        SwingSize.Putt,
                        PlaceKind.PuttingGreen,
                        green,
                        2 * green,
                        [Club.Putter]
                    ),
                ],
        ];
    }

    /// <summary>Stretch, wedges, up the bag; of a short one only the first two.</summary>
    private static List<WarmUpPart> BeforeBlock(int minutes, DateOnly day, IReadOnlyList<Club> clubs)
    {
        var stretch = Math.Clamp(minutes / 2, 2, 5);
        var left = minutes - stretch;
        var wedge = Wedge(clubs);
        if (left < 6)
            return
            [
                Stretch(stretch),
                new(
                    "Wedges",
                    "From 25 to 30 yards, growing. Until contact is centred.",
                    Area.Wedge,
                    SwingSize.Half,
                    PlaceKind.Range,
                    left,
                    Math.Min(15, (int)(left * 2.5)),
                    [wedge]
                ),
            ];
        Club[] bag = UpTheBag(day, clubs);
        var wedges = left / 2;
        var up = left - wedges;
        Club[] some = [.. bag.Take(Math.Max(1, (int)Math.Min(bag.Length, up * MostPace / 2)))];
        return
        [
            Stretch(stretch),
            new(
                "Wedges",
                "From 25 to 30 yards, growing. Until contact is centred.",
                Area.Wedge,
                SwingSize.Half,
                PlaceKind.Range,
                wedges,
                Math.Min(20, wedges * 2),
                [wedge]
            ),
            new(
                "Two each up the bag",
                "Two balls a club, never a third.",
                Area.Iron,
                SwingSize.Full,
                PlaceKind.Range,
                up,
                2 * some.Length,
                some
            ),
        ];
    }

    /// <summary>Wedge, the day's rotation, the other of hybrid and 3 wood, driver.</summary>
    private static Club[] UpTheBag(DateOnly day, IReadOnlyList<Club> clubs)
    {
        var rotation = Rotation(day, clubs);
        var other = rotation.Contains(Club.Hybrid) ? Club.Wood3 : Club.Hybrid;
        Club[] wanted =
        [
            Wedge(clubs),
            .. rotation.Where(c => c is not (Club.Hybrid or Club.Wood3)),
            Club.Hybrid,
            Club.Wood3,
            Club.Driver,
        ];
        return
        [
            .. wanted
                .Where(c => clubs.Contains(c) && (c is not (Club.Hybrid or Club.Wood3) || rotation.Contains(c) || c == other))
                .Distinct(),
        ];
    }

    /// <summary>The pitching wedge, or what the bag has nearest to it.</summary>
    private static Club Wedge(IReadOnlyList<Club> clubs) =>
        clubs.Where(c => c != Club.Putter).OrderBy(c => Math.Abs((int)c - (int)Club.PitchingWedge)).Cast<Club?>().FirstOrDefault()
        ?? Club.PitchingWedge;

    private static Club[] Distinct(params Club[] clubs) => [.. clubs.Distinct()];
}
