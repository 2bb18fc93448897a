using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;

namespace MorningRound.Demo;

/// <summary>The nine holes of the river island, made up.</summary>
internal static class DemoCourse
{
    private static readonly Guid Id = Guid.Parse("d2111000-0000-7000-9100-000000000001");

    private static readonly Course Island = new()
    {
        Name = "Osier Island",
        Tees = ["Ferry", "Meadow"],
        Holes =
        [
            Hole(4, 342, 296, 33) with
            {
                Left = TroubleKind.Trees,
                SafeSide = TargetSide.Right,
                Green = new Green
                {
                    Width = 24,
                    Depth = 26,
                    Left = TroubleKind.Sand,
                },
            },
            Hole(3, 148, 117) with
            {
                Green = new Green
                {
                    Width = 22,
                    Depth = 20,
                    Front = TroubleKind.Water,
                },
                Pin = new Pin(PinSide.Right),
            },
            Hole(5, 487, 421, 36) with
            {
                Bend = Bend.Left,
                Left = TroubleKind.Water,
                SafeSide = TargetSide.Right,
                Across = new Crossing
                {
                    Kind = TroubleKind.Water,
                    From = 372,
                    To = 394,
                },
            },
            Hole(4, 371, 322, 28) with
            {
                Right = TroubleKind.OutOfBounds,
                SafeSide = TargetSide.Left,
            },
            Hole(4, 305, 268, 30) with
            {
                Bend = Bend.Right,
                Right = TroubleKind.Trees,
                Green = new Green
                {
                    Width = 19,
                    Depth = 23,
                    Right = TroubleKind.Sand,
                    Front = TroubleKind.Sand,
                },
                Pin = new Pin(PinSide.Right, PinDepth.Front),
            },
            Hole(3, 173, 139) with
            {
                Green = new Green
                {
                    Width = 27,
                    Depth = 22,
                    Left = TroubleKind.Water,
                },
                Pin = new Pin(PinSide.Left),
            },
            Hole(4, 388, 331, 34) with
            {
                Left = TroubleKind.Sand,
                Right = TroubleKind.Trees,
                PlaysLongerPercent = 3,
            },
            Hole(5, 512, 447, 32) with
            {
                Bend = Bend.Right,
                Right = TroubleKind.Water,
                SafeSide = TargetSide.Left,
                Green = new Green
                {
                    Width = 25,
                    Depth = 28,
                    Back = TroubleKind.Trees,
                },
                Pin = new Pin(PinSide.Middle, PinDepth.Back),
            },
            Hole(4, 356, 309, 31) with
            {
                Across = new Crossing
                {
                    Kind = TroubleKind.Sand,
                    From = 196,
                    To = 209,
                },
                Green = new Green
                {
                    Width = 26,
                    Depth = 24,
                    Right = TroubleKind.Water,
                },
            },
        ],
    };

    /// <summary>The course, as a file that the academy reads in.</summary>
    public static CourseFile File => CourseFile.Of([new ListedCourse { Id = Id, Course = Island }]);

    /// <summary>What it is called.</summary>
    public static string Name => Island.Name;

    /// <summary>The pars of its holes, in order.</summary>
    public static IReadOnlyList<int> Pars { get; } = [.. Island.Holes.Select(h => h.Par)];

    /// <summary>So many of its holes.</summary>
    /// <param name="holes">How many.</param>
    /// <param name="from">The number of the first.</param>
    public static HolesToPlay Holes(int holes, int from = 1) =>
        new()
        {
            CourseId = Id,
            Course = Island.Name,
            Unit = Island.Unit,
            Tee = Island.Tees[0],
            Holes =
            [
                .. Enumerable
                    .Range(from, holes)
                    .Select(number => new DrawnHole { Number = number, Hole = Island.Holes[number - 1] }),
            ],
        };

    private static Hole Hole(int par, double fromFerry, double fromMeadow, double? width = null) =>
        new()
        {
            Par = par,
            Lengths = [fromFerry, fromMeadow],
            FairwayWidth = width,
        };
}
