using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans;

/// <summary>
/// What a segment without a drill loads, by the size of its swings: a plan is no kinder to a sore wrist for naming no drill.
/// Common practice, no source; the same parts as the drills on the shelf.
/// </summary>
internal static class SwingLoads
{
    private static readonly BodyLoad[] Putts = [Light(BodyPart.LowerBack), Light(BodyPart.Neck)];

    private static readonly BodyLoad[] Chips =
    [
        .. Putts,
        Light(BodyPart.WristOrHand),
        Light(BodyPart.Elbow, BodySide.Lead),
        Light(BodyPart.Knee, BodySide.Lead),
    ];

    private static readonly BodyLoad[] HalfSwings =
    [
        .. Chips,
        Light(BodyPart.Shoulder, BodySide.Lead),
        Light(BodyPart.Elbow, BodySide.Trail),
        Light(BodyPart.UpperBack),
        Light(BodyPart.Hip),
    ];

    private static readonly BodyLoad[] FullSwings =
    [
        Light(BodyPart.Neck),
        Heavy(BodyPart.Shoulder, BodySide.Lead),
        Light(BodyPart.Shoulder, BodySide.Trail),
        Heavy(BodyPart.Elbow),
        Heavy(BodyPart.WristOrHand),
        Heavy(BodyPart.UpperBack),
        Heavy(BodyPart.LowerBack),
        Heavy(BodyPart.Hip, BodySide.Lead),
        Light(BodyPart.Hip, BodySide.Trail),
        Heavy(BodyPart.Knee, BodySide.Lead),
        Light(BodyPart.Knee, BodySide.Trail),
        Light(BodyPart.AnkleOrFoot),
    ];

    /// <summary>The loads; empty where nothing is swung, as in stretching, reading a green or breathing.</summary>
    public static IReadOnlyList<BodyLoad> Of(PracticeSegment segment) => Of(SizeOf(segment));

    /// <summary>What a swing of a size loads; empty for none.</summary>
    public static IReadOnlyList<BodyLoad> Of(SwingSize? size) =>
        size switch
        {
            null => [],
            SwingSize.Putt => Putts,
            SwingSize.Chip => Chips,
            SwingSize.Half => HalfSwings,
            _ => FullSwings,
        };

    private static BodyLoad Light(BodyPart part, BodySide? side = null) =>
        new()
        {
            Part = part,
            Side = side,
            Weight = LoadWeight.Light,
        };

    private static BodyLoad Heavy(BodyPart part, BodySide? side = null) => new() { Part = part, Side = side };

    /// <summary>The swing the segment names; else the usual one of its area, or of its place where it has no area.</summary>
    private static SwingSize? SizeOf(PracticeSegment segment)
    {
        if (segment.Swing is { } named)
            return named;
        if (segment.Area is Area.Body or Area.Mind || segment.Balls == 0)
            return null;
        return (segment.Area, segment.Place) switch
        {
            (Area.Putting, _) or (null, PlaceKind.PuttingGreen) => SwingSize.Putt,
            (Area.Chip, _) or (null, PlaceKind.ChippingGreen) => SwingSize.Chip,
            (Area.Pitch or Area.Bunker, _) or (null, PlaceKind.Bunker) => SwingSize.Half,
            _ => SwingSize.Full,
        };
    }
}
