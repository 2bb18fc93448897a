using MorningRound.Core.Golf;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>A club for which the day's aim is said too, and how far it carries in the unit of the check.</summary>
public sealed record AimClub(Club Club, double Carry);

/// <summary>
/// The aim check at the end of a warm-up: five balls at one target. Where the offset is clear of the scatter and the scatter
/// is small, the aim is moved by that angle and verified with a second five. Nothing in the swing is touched.
/// </summary>
/// <param name="Offset">The mean offset of the first five as an angle; right is positive.</param>
/// <param name="Scatter">Their sample standard deviation, as an angle; never negative.</param>
/// <param name="Correction">
/// By how much to move the aim, as an angle: to the side opposite the offset, after a second five by what both say together.
/// Null when nothing is steady enough, or when what was moved did not stand the second five.
/// </param>
/// <param name="IsToVerify">Whether five more are asked for.</param>
/// <param name="Said">The day's one line.</param>
public sealed record AimCheck(Angle Offset, Angle Scatter, Angle? Correction, bool IsToVerify, Message Said)
{
    /// <summary>The largest scatter, in degrees, at which a correction is offered. The product's own default.</summary>
    public const double LargestScatterDegrees = 4;

    /// <summary>
    /// From here on, in degrees as they are said, it is not the aim: whoever turns so far away hits towards neighbours. The
    /// product's own default.
    /// </summary>
    public const double TooFarDegrees = 15;

    /// <summary>How many balls, and how many once more to verify.</summary>
    public const int Balls = 5;

    /// <summary>How far off a ball can be said to be, in tenths.</summary>
    internal static readonly NumberRange Offsets = new(-2_000, 2_000);

    /// <summary>An offset that is nothing when said in whole units is not corrected: less than half of one, in tenths.</summary>
    internal const int LeastOffsetTenths = 5;

    /// <summary>
    /// A thousand times the square of the sum of five offsets must be above so many times the sum of their squares.
    /// </summary>
    /// <remarks>
    /// The 95 % t interval of five leaves out zero where mean² > t²·s²/5, that is where (4 + t²)·(Σx)² > 5·t²·Σx². With t = 2.776
    /// at four degrees of freedom, 5t²/(4 + t²) is 3.2919, rounded up here. Source of t: any table of Student's distribution.
    /// </remarks>
    internal const int SteadyPerThousand = 3292;

    /// <summary>The day's one line in English.</summary>
    public string Text => Said.In();

    /// <summary>Judges five offsets from the target line and, where they were hit, the five that verify.</summary>
    /// <param name="first">Five offsets, right positive, in tenths of the target's unit.</param>
    /// <param name="second">Five more with the aim moved, from the same target; empty while they are not all hit.</param>
    /// <param name="target">How far the target is; above zero.</param>
    /// <param name="clubs">Clubs for which the aim is said besides.</param>
    /// <exception cref="ArgumentException">Not five, or neither five nor none to verify.</exception>
    /// <exception cref="ArgumentOutOfRangeException">A distance that is not above zero.</exception>
    public static AimCheck Of(
        IReadOnlyList<int> first,
        IReadOnlyList<int> second,
        MarkedLength target,
        IReadOnlyList<AimClub> clubs
    )
    {
        if (first.Count != Balls || (second.Count != Balls && second.Count != 0))
            throw new ArgumentException("An aim check takes five balls, and five or none to verify.", nameof(first));
        var scatter = ScatterOf(first, target);
        var sum = first.Sum();
        AimCheck Ends(Sentence sentence, params object[] arguments) =>
            new(AngleOf(sum, target), scatter, null, false, sentence.Of(arguments));
        if (!IsSteady(first) || scatter.Degrees > LargestScatterDegrees || !IsWorthSaying(sum))
            return Ends(DrillSentences.NothingSteady);
        if (IsTooFar(sum, target))
            return Ends(DrillSentences.AimTooFar);
        if (second.Count == 0)
            return Moved(sum, true, DrillSentences.AimGoes.Of(Size(sum), target.Unit.Sign(), Side(sum), target, ToMove(sum)));

        var left = second.Sum();
        if (ScatterOf(second, target).Degrees > LargestScatterDegrees)
            return Ends(DrillSentences.AimScattered);
        if (!IsSteady(second) || !IsWorthSaying(left))
            return Moved(sum, false, DrillSentences.AimHolds.Of(ToMove(sum), target));
        if (IsTooFar(sum + left, target))
            return Ends(DrillSentences.AimTooFar);
        if (!IsWorthSaying(sum + left))
            return Ends(DrillSentences.AimTakenBack, Size(left), target.Unit.Sign(), Side(left));
        return Moved(
            sum + left,
            false,
            DrillSentences.AimMore.Of(Size(left), target.Unit.Sign(), Side(left), ToMove(sum + left), target)
        );

        AimCheck Moved(int by, bool isToVerify, Message said) =>
            new(AngleOf(sum, target), scatter, AngleOf(-by, target), isToVerify, said);

        Message ToMove(int by) =>
            DrillSentences.AimBy.Of(
                Size(by),
                target.Unit.Sign(),
                Side(-by),
                new MessageList(
                    ", ",
                    [
                        .. clubs.Select(c =>
                            DrillSentences.AimWith.Of(
                                Whole((decimal)Math.Abs(by) / (10 * Balls) * (decimal)c.Carry / (decimal)target.Value),
                                target.Unit.Sign(),
                                c.Club
                            )
                        ),
                        DrillSentences.AimDegrees.Of(Math.Abs(AngleOf(by, target).Degrees)),
                    ]
                )
            );
    }

    /// <summary>Whether the mean of five is clear of zero: see <see cref="SteadyPerThousand"/>.</summary>
    private static bool IsSteady(IReadOnlyList<int> offsets)
    {
        long sum = offsets.Sum();
        return 1000 * sum * sum > SteadyPerThousand * offsets.Sum(o => (long)o * o);
    }

    private static bool IsWorthSaying(int sum) => Math.Abs(sum) >= Balls * LeastOffsetTenths;

    private static bool IsTooFar(int sum, MarkedLength target) => Math.Abs(AngleOf(sum, target).Degrees) >= TooFarDegrees - 0.05;

    private static Angle AngleOf(int sum, MarkedLength target) =>
        Angle.OfOffset(target.Unit.Times(sum / (10.0 * Balls)), target.ToLength());

    private static Angle ScatterOf(IReadOnlyList<int> offsets, MarkedLength target) =>
        Angle.OfOffset(target.Unit.Times(Sample.Deviation([.. offsets.Select(o => o / 10.0)])!.Value), target.ToLength());

    private static int Size(int sum) => Whole((decimal)Math.Abs(sum) / (10 * Balls));

    private static int Whole(decimal number) => (int)Math.Round(number, MidpointRounding.AwayFromZero);

    private static string Side(int sum) => sum > 0 ? "right" : "left";
}
