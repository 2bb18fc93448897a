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
    private static readonly BodyLoad[] Putts = [new() { Part = BodyPart.LowerBack }];

    private static readonly BodyLoad[] PartSwings = [.. Putts, new() { Part = BodyPart.WristOrHand }];

    private static readonly BodyLoad[] Swings =
    [
        .. PartSwings,
        new() { Part = BodyPart.Elbow, Side = BodySide.Lead },
        new() { Part = BodyPart.Shoulder, Side = BodySide.Lead },
    ];

    /// <summary>The loads; empty where nothing is swung, as in stretching, reading a green or breathing.</summary>
    public static IReadOnlyList<BodyLoad> Of(PracticeSegment segment) =>
        SizeOf(segment) switch
        {
            null => [],
            SwingSize.Putt => Putts,
            SwingSize.Chip or SwingSize.Half => PartSwings,
            _ => Swings,
        };

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
