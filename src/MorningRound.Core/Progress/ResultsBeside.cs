using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>What came of setting results of two times beside each other.</summary>
public enum BesideVerdict
{
    /// <summary>One of the two times has no result.</summary>
    OneSideOnly,

    /// <summary>What was measured changed in between: step, parameters or what is laid over the drill.</summary>
    NotComparable,

    /// <summary>Two figures of which nobody can say how sure they are.</summary>
    NoDoubtKnown,

    /// <summary>The difference may be chance.</summary>
    NotClear,

    /// <summary>Better, and chance alone would hardly do that.</summary>
    Better,

    /// <summary>Worse, likewise.</summary>
    Worse,

    /// <summary>Clearly another figure, of which neither way is better.</summary>
    Different,
}

/// <summary>Results of one drill at an earlier time beside those at a later one.</summary>
/// <param name="Before">The earlier ones read as one; null where there are none.</param>
/// <param name="After">The later ones; null where there are none.</param>
/// <param name="Difference">
/// Where the later less the earlier lies with 95 % confidence; null where that is not known.
/// </param>
/// <param name="Verdict">What came of it.</param>
/// <param name="Said">The same in words, with the doubt.</param>
public sealed record ResultsBeside(
    GoalPoint? Before,
    GoalPoint? After,
    Interval? Difference,
    BesideVerdict Verdict,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>
    /// Sets results of one drill, in one kind of practice, beside each other; of each time only those that are comparable with
    /// its newest. Hollow ones and those without a value are passed over.
    /// </summary>
    /// <param name="before">The earlier ones, in any order.</param>
    /// <param name="after">The later ones, in any order.</param>
    public static ResultsBeside Of(IEnumerable<DatedResult> before, IEnumerable<DatedResult> after)
    {
        var (earlier, later) = (Comparable(before), Comparable(after));
        GoalPoint? one = earlier.Count == 0 ? null : ResultsTogether.Of(earlier);
        GoalPoint? other = later.Count == 0 ? null : ResultsTogether.Of(later);
        if (one is null || other is null)
            return new ResultsBeside(one, other, null, BesideVerdict.OneSideOnly, ProgressSentences.BesideOneSide.Of());
        // A mean of several results has more to it than one of them.
        var figure =
            later[0].Result.Leading is var leading && leading.Unit != "%" && earlier.Count + later.Count > 2
                ? leading with
                {
                    Decimals = leading.Decimals + 1,
                }
                : later[0].Result.Leading;
        if (earlier[0].Key != later[0].Key)
            return new ResultsBeside(one, other, null, BesideVerdict.NotComparable, ProgressSentences.BesideChanged.Of());
        if ((one.Doubt, other.Doubt) is not ({ } doubtBefore, { } doubtAfter))
        {
            return new ResultsBeside(
                one,
                other,
                null,
                BesideVerdict.NoDoubtKnown,
                ProgressSentences.BesideNoDoubt.Of(Figure(one.Value, figure), Figure(other.Value, figure))
            );
        }

        var difference = Interval.OfDifference((other.Value, doubtAfter), (one.Value, doubtBefore));
        var verdict =
            !difference.LeavesOutZero ? BesideVerdict.NotClear
            : figure.Better == Better.None ? BesideVerdict.Different
            : difference.Low > 0 == (figure.Better == Better.Higher) ? BesideVerdict.Better
            : BesideVerdict.Worse;
        return new ResultsBeside(one, other, difference, verdict, Say(one, other, difference, verdict, figure));
    }

    private static List<DatedResult> Comparable(IEnumerable<DatedResult> results)
    {
        var solid = results
            .Where(r => r.Result is { IsHollow: false, Value: not null })
            .OrderBy(r => r.Day)
            .ThenBy(r => r.SessionId)
            .ToList();
        return solid.FindAll(r => r.Key == solid[^1].Key);
    }

    private static Message Say(GoalPoint before, GoalPoint after, Interval difference, BesideVerdict verdict, MeasureKind figure)
    {
        var rises = difference.Low > 0;
        var (low, high) = rises ? (difference.Low, difference.High) : (-difference.High, -difference.Low);
        return verdict == BesideVerdict.NotClear
            ? ProgressSentences.BesideNotClear.Of(
                Figure(before.Value, figure),
                Figure(after.Value, figure),
                Points(-difference.Low, figure),
                Points(difference.High, figure)
            )
            : (
                verdict switch
                {
                    BesideVerdict.Better => ProgressSentences.BesideBetter,
                    BesideVerdict.Worse => ProgressSentences.BesideWorse,
                    _ => ProgressSentences.BesideDifferent,
                }
            ).Of(Figure(before.Value, figure), Figure(after.Value, figure), Least(low, figure), Points(high, figure));
    }

    /// <summary>The nearer end of a clear difference, with a digit more where it would read as nothing.</summary>
    private static string Least(double low, MeasureKind figure) =>
        Written.Number(low, Math.Round(low, figure.Decimals) == 0 ? figure.Decimals + 1 : figure.Decimals);

    private static string Figure(double value, MeasureKind figure) =>
        Written.Number(value, figure.Decimals) + Written.Unit(figure.Unit);

    private static string Points(double value, MeasureKind figure) =>
        Written.Number(value, figure.Decimals) + (figure.Unit == "%" ? " points" : Written.Unit(figure.Unit));
}
