using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Plans;

/// <summary>The usual pace of a segment. The numbers are the product's own, where common practice gives no other.</summary>
internal static class UsualPace
{
    /// <summary>The slowest usual pace in block, in balls per minute.</summary>
    public const double BlockLeast = 0.5;

    public const double RandomLeast = 0.7;
    public const double PuttingBlockLeast = 0.8;
    public const double PuttingRandomLeast = 0.5;

    public const double LeastMinutesPerHole = 2;
    public const double MostMinutesPerHole = 5;

    /// <summary>The usual pace of a segment in balls per minute; null for segments without balls.</summary>
    public static (double Least, double Most, string Kind)? Of(PracticeSegment segment)
    {
        if (
            segment.Intent is Intent.Body or Intent.Mind
            || segment.Balls <= 0
            || segment.Drill?.Drill.Protocol is RehearsedScenario
        )
            return null;
        if (segment.Phase == Phase.WarmUp)
            return (0, 4.0, "a warm-up");
        if (segment.Part() == GamePart.Putting)
        {
            if (segment.Phase == Phase.OnCourse || segment.EffectiveSkill == "reading")
                return null;
            return segment.Phase == Phase.Block
                ? (PuttingBlockLeast, 5, "putting in block")
                : (PuttingRandomLeast, 2, "random putting");
        }

        return segment.Phase switch
        {
            Phase.Block when segment.SlowRepetitions => (0.25, 0.45, "slow repetitions"),
            Phase.Block => (BlockLeast, 2.0, "block"),
            Phase.Random when segment.FullRoutine => (0.35, 0.75, "random with the full routine"),
            Phase.Random => (RandomLeast, 1.7, "random"),
            Phase.OnCourse when IsTeeShots(segment) => (0.35, 0.75, "tee shots"),
            _ => null,
        };
    }

    /// <summary>Whether a segment plays nothing but tee shots.</summary>
    public static bool IsTeeShots(PracticeSegment segment) => segment.Play?.Way == WayToPlay.TeeShots;

    /// <summary>Whether a number of holes fits into the minutes, at two to five minutes a hole.</summary>
    public static bool FitsHoles(int minutes, int holes) => holes >= LeastHoles(minutes) && holes <= MostHoles(minutes);

    /// <summary>The fewest holes that are not slow for the minutes, at least one.</summary>
    public static int LeastHoles(int minutes) => Math.Max(1, (int)Math.Ceiling(minutes / MostMinutesPerHole));

    /// <summary>The most holes that are not hurried for the minutes, at least one.</summary>
    public static int MostHoles(int minutes) => Math.Max(LeastHoles(minutes), (int)(minutes / LeastMinutesPerHole));
}
