using MorningRound.Core.Statistics;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// The aim check at the end of a warm-up: five balls at one target. Where the offset is clear of the scatter and the scatter
/// is small, the aim is moved by that angle and verified with a second five. Nothing in the swing is touched.
/// </summary>
/// <param name="Offset">The mean offset as an angle; right is positive.</param>
/// <param name="Scatter">The sample standard deviation, as an angle; never negative.</param>
/// <param name="Correction">
/// By how much to move the aim, to the side opposite the offset; null when nothing is steady enough.
/// </param>
/// <param name="Said">The day's one line.</param>
public sealed record AimCheck(Angle Offset, Angle Scatter, Angle? Correction, Message Said)
{
    /// <summary>The largest scatter, in degrees, at which a correction is offered. The product's own default.</summary>
    public const double LargestScatterDegrees = 4;

    /// <summary>The day's one line in English.</summary>
    public string Text => Said.In();

    /// <summary>With fewer, scatter cannot be told from luck.</summary>
    public const int FewestBalls = 3;

    /// <summary>
    /// Judges offsets from the target line, right positive, at one distance. Throws <see cref="ArgumentException"/> for fewer
    /// than three balls, and <see cref="ArgumentOutOfRangeException"/> for a distance that is not above zero.
    /// </summary>
    public static AimCheck Of(IReadOnlyCollection<Length> offsets, MarkedLength distance)
    {
        if (offsets.Count < FewestBalls)
            throw new ArgumentException("An aim check takes three balls or more.", nameof(offsets));
        var one = distance.Unit.Times(1);
        var across = offsets.Select(o => o / one).ToList();
        var (mean, deviation, interval) = (
            Sample.Mean(across)!.Value,
            Sample.Deviation(across)!.Value,
            Sample.OfMean(across)!.Value
        );
        var offset = Angle.OfOffset(one * mean, distance.ToLength());
        var scatter = Angle.OfOffset(one * deviation, distance.ToLength());
        if (interval.Contains(0) || scatter.Degrees > LargestScatterDegrees)
            return new AimCheck(offset, scatter, null, DrillSentences.NothingSteady.Of());

        var goes = mean > 0 ? DrillSentences.GoesRight : DrillSentences.GoesLeft;
        return new AimCheck(
            offset,
            scatter,
            Angle.FromDegrees(-offset.Degrees),
            goes.Of(Math.Abs(mean), distance.Unit.Sign(), distance, Math.Abs(offset.Degrees))
        );
    }
}
