using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

/// <summary>A player, a range and holes, as tests of holes start from.</summary>
internal static class GivenHoles
{
    public static PlayerNumbers Player { get; } =
        new()
        {
            Bag =
            [
                Carries(Club.Driver, 228),
                Carries(Club.Hybrid, 187),
                Carries(Club.Iron6, 158),
                Carries(Club.Iron8, 136),
                Carries(Club.PitchingWedge, 112),
                Carries(Club.SandWedge, 84),
            ],
            WedgeGrid =
            [
                Number(Club.SandWedge, SwingLength.Nine, 58),
                Number(Club.SandWedge, SwingLength.Full, 84),
                Number(Club.PitchingWedge, SwingLength.Full, 112),
            ],
            Level = Level.SingleFigure,
            Targets =
            [
                Target("the white post", 96, -9),
                Target("the barrel", 143, -2),
                Target("the red post", 178, 4),
                Target("the alder", 236, 8),
            ],
        };

    /// <summary>A short hole, one with a fairway and a long one, from the player's own clubs.</summary>
    public static ScoringProtocol Quick => Of(new HolesToPlay { Holes = [QuickOf(4, 92), QuickOf(3, 148), QuickOf(5, 70)] });

    /// <summary>
    /// A hole with trees and a boundary, one with water across and around its green, a short one, and the first again.
    /// </summary>
    public static ScoringProtocol WithTrouble =>
        Of(
            new HolesToPlay
            {
                Course = "Two of a course",
                Tee = "white",
                Putts = PuttsBy.Expected,
                Holes = [Drawn(1, Wooded), Drawn(2, OverWater), Drawn(3, Short), Drawn(4, Wooded)],
            },
            Player with
            {
                UsualMiss = TargetSide.Left,
            }
        );

    /// <summary>Three holes in metres in a bay that measures.</summary>
    public static ScoringProtocol Measured =>
        Of(
            new HolesToPlay { Unit = LengthUnit.Metres, Holes = [Drawn(1, Wooded), Drawn(2, Short), Drawn(3, Wooded)] },
            Player with
            {
                Surface = RangeSurface.IndoorBay,
                Targets = [],
                Unit = LengthUnit.Metres,
            }
        );

    /// <summary>Five tee shots.</summary>
    public static ScoringProtocol TeeShots =>
        Of(new HolesToPlay { Way = WayToPlay.TeeShots, Holes = [Drawn(1, Wooded), QuickOf(4, 110), QuickOf(5, 60)] });

    public static Hole Wooded =>
        new()
        {
            Par = 4,
            Lengths = [368],
            FairwayWidth = 34,
            Left = TroubleKind.Trees,
            Right = TroubleKind.OutOfBounds,
            SafeSide = TargetSide.Left,
        };

    public static Hole Short => new() { Par = 3, Lengths = [147] };

    public static Hole OverWater =>
        new()
        {
            Par = 5,
            Lengths = [492],
            FairwayWidth = 30,
            Bend = Bend.Left,
            Across = new Crossing
            {
                Kind = TroubleKind.Water,
                From = 300,
                To = 330,
            },
            Green = new Green
            {
                Width = 24,
                Depth = 22,
                Left = TroubleKind.Water,
                Right = TroubleKind.Sand,
            },
            Pin = new Pin(PinSide.Left, PinDepth.Front),
        };

    public static BagClub Carries(Club club, double yards) =>
        new() { Club = club, Carry = new MarkedLength(yards, LengthUnit.Yards) };

    public static WedgeNumber Number(Club club, SwingLength swing, double yards) =>
        new()
        {
            Club = club,
            Swing = swing,
            Carry = new MarkedLength(yards, LengthUnit.Yards),
        };

    public static RangeTarget Target(string name, double yards, double bearing) =>
        new()
        {
            Name = name,
            Distance = new MarkedLength(yards, LengthUnit.Yards),
            BearingDegrees = bearing,
        };

    public static QuickHole QuickOf(int par, double left) =>
        new() { Par = par, UsuallyLeft = new MarkedLength(left, LengthUnit.Yards) };

    public static DrawnHole Drawn(int number, Hole hole) => new() { Number = number, Hole = hole };

    public static ScoringProtocol Of(HolesToPlay holes, PlayerNumbers? player = null) =>
        new PlayedHoles { ToPlay = holes }.For(player ?? Player);

    public static LaidHoles LaidOut(this ScoringProtocol holes) => ((PlayedHoles)holes).Laid!;
}
