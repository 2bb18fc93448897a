using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Demo;

/// <summary>The grounds of the river island, made up.</summary>
internal static class DemoPlaces
{
    private static readonly Guid Range = Guid.Parse("d2111000-0000-7000-9000-000000000001");
    private static readonly Guid Green = Guid.Parse("d2111000-0000-7000-9000-000000000002");
    private static readonly Guid ChippingGreen = Guid.Parse("d2111000-0000-7000-9000-000000000003");
    private static readonly Guid Bunker = Guid.Parse("d2111000-0000-7000-9000-000000000004");
    private static readonly Guid Bay = Guid.Parse("d2111000-0000-7000-9000-000000000005");
    private static readonly Guid Course = Guid.Parse("d2111000-0000-7000-9000-000000000006");

    /// <summary>The places as they were measured on a day.</summary>
    public static PlaceFile On(DateOnly day) =>
        PlaceFile.Of([
            new ListedPlace
            {
                Id = Range,
                Place = new Place
                {
                    Name = "River range",
                    Kind = PlaceKind.Range,
                    Surface = RangeSurface.Grass,
                    FacesDegrees = 320,
                    Equipment = [Equipment.AlignmentSticks, Equipment.Tees, Equipment.FootSpray],
                    Targets =
                    [
                        Target("Reed flag", 68, -7, "red flag on a mown ring", day),
                        Target("Ferry board", 124, 2, "white board with a painted ferry", day),
                        Target("Landing stage", 163, 5, "blue flag by the old landing stage", day),
                        Target("Left willow", 208, -12, "the lone willow", day),
                        Target("Right post", 214, 5, "the white post", day),
                    ],
                    Walks = [new WalkTo(Green, 3), new WalkTo(ChippingGreen, 2), new WalkTo(Bunker, 3), new WalkTo(Bay, 1)],
                    Rules =
                        "Stay behind the rope. Nobody fetches balls while others hit. The range closes when thunder is heard.",
                },
            },
            new ListedPlace
            {
                Id = Bay,
                Place = new Place
                {
                    Name = "Boathouse bay",
                    Kind = PlaceKind.Range,
                    Surface = RangeSurface.IndoorBay,
                    ForbiddenClubs = [Club.Driver],
                    Equipment = [Equipment.LaunchMonitor, Equipment.Mirror],
                    Rules = "One player in the bay. No driver: the net is old.",
                },
            },
            new ListedPlace
            {
                Id = Green,
                Place = new Place
                {
                    Name = "Poplar green",
                    Kind = PlaceKind.PuttingGreen,
                    GreenSpeedFeet = 8.5,
                    GreenSpeedOn = day,
                    Equipment = [Equipment.PuttingGate, Equipment.StringLine, Equipment.Tees],
                    Walks = [new WalkTo(ChippingGreen, 1)],
                },
            },
            new ListedPlace
            {
                Id = ChippingGreen,
                Place = new Place
                {
                    Name = "Ferry green",
                    Kind = PlaceKind.ChippingGreen,
                    Equipment = [Equipment.Towel],
                    Walks = [new WalkTo(Bunker, 1)],
                    Rules = "Chips only; nothing longer than forty yards.",
                },
            },
            new ListedPlace
            {
                Id = Bunker,
                Place = new Place
                {
                    Name = "Ferry bunker",
                    Kind = PlaceKind.Bunker,
                    Rules = "Rake it when you leave.",
                },
            },
            new ListedPlace
            {
                Id = Course,
                Place = new Place { Name = "Osier Island, nine holes", Kind = PlaceKind.Course },
            },
        ]);

    private static RangeTarget Target(string name, double yards, double bearing, string look, DateOnly day) =>
        new()
        {
            Name = name,
            Distance = new MarkedLength(yards, LengthUnit.Yards),
            BearingDegrees = bearing,
            Look = look,
            MeasuredOn = day,
        };
}
