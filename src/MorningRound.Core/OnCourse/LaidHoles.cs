using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>Trouble across a hole, from the tee that is played, in whole units of the play.</summary>
/// <param name="Kind">Water or sand.</param>
/// <param name="From">Where it begins.</param>
/// <param name="To">What has to be carried.</param>
public sealed record LaidCrossing(TroubleKind Kind, int From, int To);

/// <summary>A hole as one player plays it on one ground.</summary>
public sealed record LaidHole
{
    /// <summary>Its number, from 1.</summary>
    public required int Number { get; init; }

    /// <summary>Its par.</summary>
    public required int Par { get; init; }

    /// <summary>How long it plays to where the hole is cut, in whole units of the play.</summary>
    public required int Length { get; init; }

    /// <summary>Which way it turns.</summary>
    public Bend Bend { get; init; }

    /// <summary>What lies along its left.</summary>
    public TroubleKind? Left { get; init; }

    /// <summary>What lies along its right.</summary>
    public TroubleKind? Right { get; init; }

    /// <summary>What lies across it.</summary>
    public LaidCrossing? Across { get; init; }

    /// <summary>The side on which a miss costs least.</summary>
    public TargetSide? SafeSide { get; init; }

    /// <summary>Its green, in units of the play.</summary>
    public required Green Green { get; init; }

    /// <summary>Where the hole is cut.</summary>
    public required Pin Pin { get; init; }

    /// <summary>Its fairway on the ground; null on a par 3.</summary>
    public LaidFairway? Fairway { get; init; }

    /// <summary>How far before the hole its green begins.</summary>
    public double FrontOfGreen => Green.Depth * ShareInFront(Pin);

    /// <summary>How far behind the hole its green ends.</summary>
    public double BackOfGreen => Green.Depth - FrontOfGreen;

    /// <summary>A pin at the front has a sixth of the green before it.</summary>
    internal static double ShareInFront(Pin pin) =>
        pin.Depth switch
        {
            PinDepth.Front => 1.0 / 6,
            PinDepth.Back => 5.0 / 6,
            _ => 0.5,
        };
}

/// <summary>A target of the range in the unit of the play.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Distance">How far it is, in whole units.</param>
/// <param name="BearingDegrees">Its direction from the bay; right is positive.</param>
public sealed record LaidTarget(string Name, int Distance, double BearingDegrees);

/// <summary>Holes laid out on a ground for one player, with everything that choices are made from.</summary>
public sealed record LaidHoles
{
    /// <summary>Width of the fairway of a quick hole. The product's own.</summary>
    private const double QuickFairwayYards = 32;

    /// <summary>Yards or metres, in which everything of it is counted.</summary>
    public required LengthUnit Unit { get; init; }

    /// <summary>The holes in their order.</summary>
    public required IReadOnlyList<LaidHole> Holes { get; init; }

    /// <summary>What shots can be played with, the longest first.</summary>
    public required IReadOnlyList<ShotNumber> Numbers { get; init; }

    /// <summary>
    /// The numbers of the wedges that a leave is measured by, in units of the play; empty where there are none.
    /// </summary>
    public IReadOnlyList<int> WedgeNumbers { get; init; } = [];

    /// <summary>The targets of the ground, the nearest first; empty where none are on record.</summary>
    public IReadOnlyList<LaidTarget> Targets { get; init; } = [];

    /// <summary>
    /// Whether the bay measures what is left to the hole, so that nothing is laid between targets and nothing is guessed.
    /// </summary>
    public bool IsMeasured { get; init; }

    /// <summary>How far the player has come.</summary>
    public required Level Level { get; init; }

    /// <summary>The side the player mostly misses on; null where nobody said.</summary>
    public TargetSide? UsualMiss { get; init; }

    /// <summary>What of each hole is played.</summary>
    public WayToPlay Way { get; init; }

    /// <summary>How putts are settled.</summary>
    public PuttsBy Putts { get; init; }

    /// <summary>Why holes cannot be laid out for a player, in words; null when they can.</summary>
    public static string? WhatIsMissing(HolesToPlay holes, PlayerNumbers player) =>
        holes.Holes.Any(h => h is QuickHole { Par: > 3 }) && ShotNumbers.Of(player, player.Unit).All(n => n.Carry is null)
            ? "a quick hole of par 4 or 5 is as long as the student's own clubs make it, and no carry is on record. "
                + "Note what the longest club carries, or play holes of a course."
            : null;

    /// <summary>
    /// Lays holes out. Throws <see cref="InvalidOperationException"/> while <see cref="WhatIsMissing"/> says something.
    /// </summary>
    public static LaidHoles Of(HolesToPlay holes, PlayerNumbers player)
    {
        if (WhatIsMissing(holes, player) is { } missing)
            throw new InvalidOperationException(missing);
        var unit = player.Targets.Count > 0 ? player.Targets[0].Distance.Unit : player.Unit;
        var numbers = ShotNumbers.Of(player, unit);
        var isMeasured = player.Surface == RangeSurface.IndoorBay;
        var drawn = holes
            .Holes.Select(
                (hole, i) =>
                    hole is DrawnHole of
                        ? Drawn(of, holes.TeeIndex, holes.Unit.Times(1) / unit.Times(1))
                        : Quick((QuickHole)hole, i + 1, numbers, unit)
            )
            .ToList();
        var fairways = FairwayLayout.Of(
            [.. drawn.Where(h => h.Width is not null).Select(h => new FairwayToLay(unit.Times(h.Width!.Value)))],
            isMeasured ? [] : player.Targets,
            unit.Times(numbers.Max(n => n.Carry) ?? UsualDrive(player.Level, unit)),
            unit,
            holes.Factor,
            player.DislikedSides
        );
        var next = 0;
        return new LaidHoles
        {
            Unit = unit,
            Holes = [.. drawn.Select(h => h.Width is null ? h.Hole : h.Hole with { Fairway = fairways[next++] })],
            Numbers = numbers,
            WedgeNumbers =
            [
                .. player
                    .WedgeGrid.Where(n => player.Has(n.Club))
                    .Select(n => (int)Math.Round(n.Carry.In(unit).Value, MidpointRounding.AwayFromZero))
                    .Distinct()
                    .Order(),
            ],
            Targets = isMeasured
                ? []
                :
                [
                    .. player
                        .Targets.Select(t => new LaidTarget(
                            t.Name,
                            (int)Math.Round(t.Distance.In(unit).Value, MidpointRounding.AwayFromZero),
                            t.BearingDegrees
                        ))
                        .OrderBy(t => t.Distance)
                        .ThenBy(t => t.Name, StringComparer.Ordinal)
                        .DistinctBy(t => t.Distance),
                ],
            IsMeasured = isMeasured,
            Level = player.Level,
            UsualMiss = player.UsualMiss,
            Way = holes.Way,
            Putts = holes.Putts,
        };
    }

    private sealed record DrawnOut(LaidHole Hole, double? Width);

    /// <param name="drawn">The hole.</param>
    /// <param name="tee">Which of its lengths is played.</param>
    /// <param name="scale">Units of the play in one of the course.</param>
    private static DrawnOut Drawn(DrawnHole drawn, int tee, double scale)
    {
        var hole = drawn.Hole;
        var pin = drawn.Pin ?? hole.Pin;
        var plays = scale * (1 + (hole.PlaysLongerPercent / 100.0));
        // What lies across is noted from the first tee, and as far from the hole whichever tee is played.
        var forward = hole.Lengths[0] - hole.Lengths[tee];
        int FromTee(double along) => (int)Math.Round(Math.Max(0, along - forward) * plays, MidpointRounding.AwayFromZero);
        var toPin = hole.Lengths[tee] + (hole.Green.Depth * (LaidHole.ShareInFront(pin) - 0.5));
        return new DrawnOut(
            new LaidHole
            {
                Number = drawn.Number,
                Par = hole.Par,
                Length = Math.Max(ShotRules.LeastLeft, (int)Math.Round(toPin * plays, MidpointRounding.AwayFromZero)),
                Bend = hole.Bend,
                Left = hole.Left,
                Right = hole.Right,
                Across =
                    hole.Across is { } across && across.To > forward
                        ? new LaidCrossing(across.Kind, FromTee(across.From), FromTee(across.To))
                        : null,
                SafeSide = hole.SafeSide,
                Green = hole.Green with
                {
                    Width = Math.Round(hole.Green.Width * scale, 1),
                    Depth = Math.Round(hole.Green.Depth * scale, 1),
                },
                Pin = pin,
            },
            hole.Par > 3 && hole.FairwayWidth is { } width ? width * scale : null
        );
    }

    private static DrawnOut Quick(QuickHole quick, int number, IReadOnlyList<ShotNumber> numbers, LengthUnit unit)
    {
        var left = (int)Math.Round(quick.UsuallyLeft.In(unit).Value, MidpointRounding.AwayFromZero);
        var full = numbers.Where(n => n is { Swing: null, Carry: not null }).ToList();
        var tee = quick.Par > 3 ? full[0].Carry!.Value : 0;
        var second = quick.Par > 4 ? (full.FirstOrDefault(n => n.Club != Club.Driver) ?? full[0]).Carry!.Value : 0;
        var perYard = unit == LengthUnit.Yards ? 1 : 0.9144;
        var size = Math.Round(25 * perYard);
        return new DrawnOut(
            new LaidHole
            {
                Number = number,
                Par = quick.Par,
                Length = tee + second + left,
                Bend = quick.Bend,
                Green = new Green { Width = size, Depth = size },
                Pin = quick.Pin ?? Pin.InTheMiddle,
            },
            quick.Par > 3 ? QuickFairwayYards * perYard : null
        );
    }

    /// <summary>
    /// How far tee shots usually go at a level, to lay a fairway by where nobody measured. The product's own; never a club's
    /// number.
    /// </summary>
    private static double UsualDrive(Level level, LengthUnit unit)
    {
        var yards = level switch
        {
            Level.New => 150,
            Level.Improving => 190,
            Level.SingleFigure => 225,
            _ => 250,
        };
        return unit == LengthUnit.Yards ? yards : yards * 0.9144;
    }
}
