using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>One result on a curve.</summary>
/// <param name="SessionId">The session it came from.</param>
/// <param name="Day">The day.</param>
/// <param name="Value">The figure.</param>
/// <param name="Doubt">Where it lies with 95 % confidence; null where one result says nothing of that.</param>
/// <param name="Attempts">The attempts it comes from.</param>
/// <param name="Stretch">
/// Counts what was changed: dots of one number are comparable, and between two numbers the curve is broken.
/// </param>
/// <param name="IsHollow">Whether it is shown and judges nothing, as in a lesson.</param>
/// <param name="IsPaper">Whether it was typed in from a card. It counts fully.</param>
/// <param name="GoalMet">Whether what was asked was met; null where nothing was.</param>
public sealed record CurveDot(
    Guid SessionId,
    DateOnly Day,
    double Value,
    Interval? Doubt,
    int Attempts,
    int Stretch,
    bool IsHollow,
    bool IsPaper,
    bool? GoalMet
)
{
    /// <summary>A result as a dot.</summary>
    public static CurveDot Of(DatedResult result, double value, Interval? doubt, int stretch) =>
        new(
            result.SessionId,
            result.Day,
            value,
            doubt,
            result.Result.Attempts,
            stretch,
            result.Result.IsHollow,
            result.Result.Recording == Recording.Paper,
            result.Result.GoalMet
        );
}

/// <summary>Where a series goes.</summary>
public enum TrendVerdict
{
    /// <summary>Fewer comparable results than a trend needs.</summary>
    TooFew,

    /// <summary>Nothing clear yet.</summary>
    NotClear,

    /// <summary>It rises, and chance alone would hardly do that.</summary>
    Rising,

    /// <summary>It falls, likewise.</summary>
    Falling,
}

/// <summary>What comparable results say of where a figure goes.</summary>
/// <param name="Verdict">Where it goes.</param>
/// <param name="Results">From how many comparable results.</param>
/// <param name="AWeek">What it changes by in a week; null where no two results lie apart.</param>
/// <param name="Doubt">Where that lies with 95 % confidence; null with too few results.</param>
/// <param name="MoreToSettle">
/// About how many more results would show it, if it goes on so; null where that is not to be said.
/// </param>
/// <param name="IsBetter">Whether it goes the better way; null where it goes nowhere clear, or no way is better.</param>
/// <param name="Said">The same in words, with its doubt.</param>
public sealed record CurveTrend(
    TrendVerdict Verdict,
    int Results,
    double? AWeek,
    Interval? Doubt,
    int? MoreToSettle,
    bool? IsBetter,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>The fewest comparable results of which "rising" or "falling" is said. [own default]</summary>
    public const int Fewest = 6;

    /// <summary>More results than this are "not soon". [own default]</summary>
    public const int NotSoon = 60;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>The trend of dots, whatever their order; hollow ones are passed over.</summary>
    /// <param name="dots">Comparable dots.</param>
    /// <param name="figure">What they measure.</param>
    public static CurveTrend Of(IReadOnlyCollection<CurveDot> dots, MeasureKind figure)
    {
        var solid = dots.Where(d => !d.IsHollow).ToList();
        var slope = TheilSen.Of([.. solid.Select(d => new DataPoint(d.Day.DayNumber / 7.0, d.Value))]);
        if (solid.Count < Fewest || slope?.Interval is not { } doubt)
        {
            return new CurveTrend(
                TrendVerdict.TooFew,
                solid.Count,
                slope?.Slope,
                slope?.Interval,
                null,
                null,
                (
                    solid.Count switch
                    {
                        0 => ProgressSentences.NoResult,
                        1 => ProgressSentences.OneResult,
                        _ => ProgressSentences.TooFewResults,
                    }
                ).Of(solid.Count)
            );
        }

        if (!doubt.LeavesOutZero)
        {
            var more = slope.MoreToSettle() is { } soon and <= NotSoon ? soon : (int?)null;
            return new CurveTrend(
                TrendVerdict.NotClear,
                solid.Count,
                slope.Slope,
                doubt,
                more,
                null,
                more switch
                {
                    1 => ProgressSentences.NotClearOneMore.Of(solid.Count),
                    { } several => ProgressSentences.NotClear.Of(solid.Count, several),
                    null => ProgressSentences.NotClearSoon.Of(solid.Count),
                }
            );
        }

        var rises = slope.Slope > 0;
        bool? isBetter = figure.Better == Better.None ? null : rises == (figure.Better == Better.Higher);
        var (least, most) = rises ? (doubt.Low, doubt.High) : (-doubt.High, -doubt.Low);
        return new CurveTrend(
            rises ? TrendVerdict.Rising : TrendVerdict.Falling,
            solid.Count,
            slope.Slope,
            doubt,
            null,
            isBetter,
            (rises ? ProgressSentences.Rising : ProgressSentences.Falling).Of(
                Way(isBetter),
                Change(Math.Abs(slope.Slope)),
                figure.Unit == "%" ? " points" : Written.Unit(figure.Unit),
                Change(least),
                Change(most),
                solid.Count
            )
        );
    }

    private static Message Way(bool? isBetter) =>
        isBetter switch
        {
            true => ProgressSentences.WhichIsBetter.Of(),
            false => ProgressSentences.WhichIsWorse.Of(),
            null => ProgressSentences.NeitherWay.Of(),
        };

    /// <summary>Small changes a week with the digits that say something.</summary>
    private static string Change(double number) => Written.Number(number, Math.Abs(number) < 1 ? 2 : 1);
}

/// <summary>The best of comparable results.</summary>
/// <param name="SessionId">The session it came from.</param>
/// <param name="Day">The day.</param>
/// <param name="Value">The figure.</param>
/// <param name="Attempts">The attempts it comes from.</param>
/// <param name="Results">The best of how many results.</param>
/// <param name="Said">The same in words.</param>
public sealed record PersonalBest(
    Guid SessionId,
    DateOnly Day,
    double Value,
    int Attempts,
    int Results,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>Fewer attempts make no best: three of three is luck. [own default]</summary>
    public const int FewestAttempts = 10;

    /// <summary>The best of fewer results than this is not worth a word. [own default]</summary>
    public const int FewestResults = 3;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>The best of comparable results; of two alike the earlier. Null where there is none to speak of.</summary>
    public static PersonalBest? Of(IReadOnlyCollection<CurveDot> dots, MeasureKind figure)
    {
        var counting = dots.Where(d => !d.IsHollow && d.Attempts >= FewestAttempts).OrderBy(d => d.Day).ToList();
        if (figure.Better == Better.None || counting.Count < FewestResults)
            return null;
        var best = figure.Better == Better.Higher ? counting.MaxBy(d => d.Value)! : counting.MinBy(d => d.Value)!;
        return new PersonalBest(
            best.SessionId,
            best.Day,
            best.Value,
            best.Attempts,
            counting.Count,
            ProgressSentences.Best.Of(
                Written.Number(best.Value, figure.Decimals),
                Written.Unit(figure.Unit),
                best.Attempts,
                counting.Count
            )
        );
    }
}

/// <summary>All results of one drill in one kind of practice, by day.</summary>
/// <param name="DrillId">The drill, or the course.</param>
/// <param name="Drill">Its name, as it was last.</param>
/// <param name="Area">The part of the game; null where it is all of it.</param>
/// <param name="Group">Which practice: block and random are never mixed.</param>
/// <param name="Key">The key of what is comparable with the newest.</param>
/// <param name="Figure">What is measured.</param>
/// <param name="Goal">What was asked last; null where nothing was.</param>
/// <param name="Dots">The results, oldest first.</param>
/// <param name="Trend">Where it goes, from what is comparable with the newest.</param>
/// <param name="Best">The best of those; null where there is none to speak of.</param>
public sealed record ResultCurve(
    Guid DrillId,
    string Drill,
    Area? Area,
    PhaseGroup Group,
    string Key,
    MeasureKind Figure,
    DrillGoal? Goal,
    IReadOnlyList<CurveDot> Dots,
    CurveTrend Trend,
    PersonalBest? Best
)
{
    /// <summary>
    /// The curves of a student's results, the one practised last first. Warm-ups have none; what is measured in another unit than
    /// the newest result of its curve is left out, because it stands on another scale.
    /// </summary>
    public static IReadOnlyList<ResultCurve> Of(IEnumerable<DatedResult> results) =>
        [
            .. results
                .Where(r => r.Group != PhaseGroup.WarmUp && r.Result.Value is not null)
                .GroupBy(r => (r.DrillId, r.Group))
                .Select(g => Of(g.Key.Group, [.. g.OrderBy(r => r.Day).ThenBy(r => r.SessionId)]))
                .OrderByDescending(c => c.Dots[^1].Day)
                .ThenBy(c => c.Drill, StringComparer.Ordinal)
                .ThenBy(c => c.Group),
        ];

    private static ResultCurve Of(PhaseGroup group, IReadOnlyList<DatedResult> ordered)
    {
        var newest = ordered[^1];
        var figure = newest.Result.Leading;
        var onScale = ordered.Where(r => r.Result.Leading.Name == figure.Name && r.Result.Leading.Unit == figure.Unit).ToList();
        var keys = onScale.Select(r => r.Key).Distinct().ToList();
        var dots = onScale.Select(r => CurveDot.Of(r, r.Result.Value!.Value, r.Result.Doubt, keys.IndexOf(r.Key))).ToList();
        var comparable = dots.Where(d => d.Stretch == keys.IndexOf(newest.Key)).ToList();
        return new ResultCurve(
            newest.DrillId,
            newest.Result.Drill,
            newest.Area,
            group,
            newest.Key,
            figure,
            newest.Result.Goal,
            dots,
            CurveTrend.Of(comparable, figure),
            PersonalBest.Of(comparable, figure)
        );
    }
}
