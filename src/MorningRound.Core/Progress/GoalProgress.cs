using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>Where a student stands on the way to a goal.</summary>
public enum GoalState
{
    /// <summary>No result feeds it yet.</summary>
    NotMeasured,

    /// <summary>What feeds it is too little to judge it by.</summary>
    TooFew,

    /// <summary>Outside the band.</summary>
    OnTheWay,

    /// <summary>In the band, though it may still lie outside.</summary>
    PerhapsMet,

    /// <summary>In the band with all its doubt.</summary>
    Met,
}

/// <summary>A figure with its doubt.</summary>
/// <param name="Value">The figure.</param>
/// <param name="Doubt">Where it lies with 95 % confidence; null where that is not known.</param>
/// <param name="Count">The attempts or balls it comes from; null where nobody counted.</param>
public sealed record GoalPoint(double Value, Interval? Doubt, int? Count);

/// <summary>When the band is reached, if it goes on like this.</summary>
/// <param name="Weeks">About how many weeks from now.</param>
/// <param name="Soonest">At the soonest.</param>
/// <param name="Latest">At the latest; null where it may take ever so long.</param>
public sealed record GoalForecast(double Weeks, double Soonest, double? Latest);

/// <summary>
/// A goal and what was measured of it: the start, where it stands now with its doubt, and when it would be there.
/// </summary>
/// <param name="Goal">The goal.</param>
/// <param name="State">Where the student stands on it.</param>
/// <param name="Figure">What is measured, and with how many decimals.</param>
/// <param name="Start">Where it began; null where that is not known.</param>
/// <param name="Now">Where it is, by the last three comparable results together; null where nothing was measured.</param>
/// <param name="Dots">Every comparable result, oldest first.</param>
/// <param name="Trend">Where it goes; null where nothing was measured.</param>
/// <param name="Forecast">When the band is reached; null where that cannot be said, and where it is.</param>
/// <param name="Said">Where it stands, in words.</param>
/// <param name="ForecastSaid">When it would be there, in words; null where it is there.</param>
public sealed record GoalProgress(
    FocusQuantity Goal,
    GoalState State,
    MeasureKind Figure,
    GoalPoint? Start,
    GoalPoint? Now,
    IReadOnlyList<CurveDot> Dots,
    CurveTrend? Trend,
    GoalForecast? Forecast,
    [property: JsonIgnore] Message Said,
    [property: JsonIgnore] Message? ForecastSaid
)
{
    /// <summary>The last results that are read together. [own default]</summary>
    public const int Together = 3;

    /// <summary>Fewer attempts or balls than this judge no goal. [own default]</summary>
    public const int FewestAttempts = 10;

    /// <summary>Where it stands, without whether its day is past: that depends on the day on which it is read.</summary>
    [JsonIgnore]
    public Message Standing { get; init; } = Said;

    /// <summary>
    /// What changed since the start, in words: a start and a present value with intervals are compared with each other first.
    /// Null where one of them has none.
    /// </summary>
    [JsonIgnore]
    public Message? ChangeSaid { get; init; }

    /// <summary>Whether that leaves out "no change".</summary>
    public bool ChangedClearly { get; init; }

    /// <summary>The same in English; null where nothing is to be said.</summary>
    public string? ChangeText => ChangeSaid?.In();

    /// <summary>Where it goes, in English; null where a clear change since the start says more.</summary>
    public string? TrendText =>
        Trend is null || (ChangedClearly && Trend.Verdict is TrendVerdict.TooFew or TrendVerdict.NotClear) ? null : Trend.Text;

    /// <summary>Where it stands, in English.</summary>
    public string Text => Said.In();

    /// <summary>When it would be there, in English; null where it is there.</summary>
    public string? ForecastText => ForecastSaid?.In();

    /// <summary>How a goal stands on a day.</summary>
    /// <param name="goal">The goal.</param>
    /// <param name="results">The student's results in any order; those that do not feed the goal are passed over.</param>
    /// <param name="today">The day.</param>
    public static GoalProgress Of(FocusQuantity goal, IEnumerable<DatedResult> results, DateOnly today)
    {
        var fed = Feeding(goal, results);
        var figure = FigureOf(goal, fed);
        GoalPoint? start = goal.Start is { } began
            ? new GoalPoint(
                began,
                (goal.StartLow, goal.StartHigh) is ({ } low, { } high) ? new Interval(low, high) : null,
                goal.StartCount
            )
            : null;
        var dots = fed.Select(r => Dot(goal, r)).ToList();
        var solid = fed.Where(r => !r.Result.IsHollow).ToList();
        if (solid.Count == 0)
        {
            return new GoalProgress(
                goal,
                GoalState.NotMeasured,
                figure,
                start,
                null,
                dots,
                null,
                null,
                ProgressSentences.GoalNotMeasured.Of(),
                null
            );
        }

        var now = Pooled(goal, [.. solid.TakeLast(Together)]);
        var state = StateOf(goal, now);
        var trend = CurveTrend.Of(dots, figure);
        var (changedClearly, changeSaid) = ChangeOf(goal, start, now, figure);
        var (forecast, forecastSaid) = state is GoalState.Met or GoalState.PerhapsMet
            ? (null, null)
            : ForecastOf(goal, now, trend, today, changedClearly);
        var standing = Say(goal, state, now, figure);
        return new GoalProgress(
            goal,
            state,
            figure,
            start,
            now,
            dots,
            trend,
            forecast,
            Overdue(goal, state, standing, today),
            forecastSaid
        )
        {
            Standing = standing,
            ChangeSaid = changeSaid,
            ChangedClearly = changedClearly,
        };
    }

    /// <summary>
    /// The results that feed a goal, oldest first: of its drill on its step with nothing laid over it, or of any drill that
    /// measures its quantity; from the day it began, of one kind of practice, and comparable with the newest.
    /// </summary>
    private static List<DatedResult> Feeding(FocusQuantity goal, IEnumerable<DatedResult> results)
    {
        var possible = results
            .Where(r =>
                r.Group != PhaseGroup.WarmUp
                && r.Result.Modifiers.Length == 0
                && (goal.StartedOn is not { } began || r.Day >= began)
                && ValueIn(goal, r) is not null
                && (goal.DrillId is null || (r.DrillId == goal.DrillId && (goal.Rung is not { } rung || r.Rung == rung)))
            )
            .OrderBy(r => r.Day)
            .ThenBy(r => r.SessionId)
            .ToList();
        var group = goal.Group switch
        {
            PracticeGroup.Block => PhaseGroup.Block,
            PracticeGroup.RandomOrOnCourse => PhaseGroup.RandomOrOnCourse,
            _ => possible.LastOrDefault()?.Group,
        };
        possible.RemoveAll(r => r.Group != group);
        if (goal.DrillId is not null && possible.Count > 0)
        {
            var key = possible[^1].Key;
            possible.RemoveAll(r => r.Key != key);
        }

        return possible;
    }

    private static KeptQuantity? QuantityIn(FocusQuantity goal, DatedResult result) =>
        result.Result.Quantities.FirstOrDefault(q => string.Equals(q.Name, goal.What, StringComparison.OrdinalIgnoreCase));

    private static double? ValueIn(FocusQuantity goal, DatedResult result) =>
        goal.DrillId is null ? QuantityIn(goal, result)?.Mean : result.Result.Values.GetValueOrDefault(goal.Measure);

    private static CurveDot Dot(FocusQuantity goal, DatedResult result)
    {
        var doubt = goal.DrillId is null
            ? QuantityIn(goal, result) is { Deviation: { } deviation } one
                ? Sample.OfMean(one.Count, one.Mean, deviation)
                : null
            : goal.Measure == result.Result.Leading.Name
                ? result.Result.Doubt
                : (Interval?)null;
        return CurveDot.Of(result, ValueIn(goal, result)!.Value, doubt, 0);
    }

    /// <summary>
    /// The figure as its drill names it; the mean of what is measured ball by ball has no better way, only a band, and neither
    /// has anything before it was measured.
    /// </summary>
    private static MeasureKind FigureOf(FocusQuantity goal, IReadOnlyList<DatedResult> fed) =>
        goal.DrillId is not null && fed.Count > 0 && fed[^1].Result.Leading is var leading && leading.Name == goal.Measure
            ? leading
            : new MeasureKind(goal.Measure.Length == 0 ? "mean" : goal.Measure, goal.What, goal.Unit, Better.None, 1);

    /// <summary>Several results read as one: attempts added up, balls added up, or the mean of the figures.</summary>
    private static GoalPoint Pooled(FocusQuantity goal, IReadOnlyList<DatedResult> last)
    {
        if (goal.DrillId is null)
        {
            var parts = last.Select(r => QuantityIn(goal, r)!).ToList();
            var count = parts.Sum(p => p.Count);
            var mean = parts.Sum(p => p.Count * p.Mean) / count;
            var squares = parts.Sum(p =>
                ((p.Count - 1) * Math.Pow(p.Deviation ?? 0, 2)) + (p.Count * (p.Mean - mean) * (p.Mean - mean))
            );
            return new GoalPoint(mean, count < 2 ? null : Sample.OfMean(count, mean, Math.Sqrt(squares / (count - 1))), count);
        }

        return ResultsTogether.Of(last, goal.Measure, r => ValueIn(goal, r)!.Value);
    }

    /// <summary>
    /// The present value set beside the start where both have an interval. Sources: shares as Newcombe, Stat Med 17 (1998) 873,
    /// hybrid score; means by Welch's interval where the balls behind both are known, Biometrika 34 (1947) 28.
    /// </summary>
    private static (bool IsClear, Message? Said) ChangeOf(FocusQuantity goal, GoalPoint? start, GoalPoint now, MeasureKind figure)
    {
        if (start is not { Doubt: { } before } || now.Doubt is not { } after)
            return (false, null);
        var isShare = figure.Unit == "%";
        var difference =
            !isShare && start.Count is >= 2 and { } few && now.Count is >= 2 and { } many
                ? Interval.Welch((now.Value, after, many), (start.Value, before, few))
                : Interval.OfDifference((now.Value, after), (start.Value, before));
        var unit = isShare ? " points" : Written.Unit(figure.Unit);
        string Signed(double number) => (number > 0 ? "+" : "") + Written.Number(number, figure.Decimals);
        var by = Signed(now.Value - start.Value);
        var (low, high) = (Signed(difference.Low), Signed(difference.High));
        if (!difference.LeavesOutZero)
            return (false, ProgressSentences.NotChanged.Of(low, high, unit));
        var (was, isNow) = (Math.Abs(goal.OutsideBy(start.Value)), Math.Abs(goal.OutsideBy(now.Value)));
        return (
            true,
            (
                isNow < was ? ProgressSentences.ChangedTowards
                : isNow > was ? ProgressSentences.ChangedAway
                : ProgressSentences.Changed
            ).Of(by, unit, low, high)
        );
    }

    private static GoalState StateOf(FocusQuantity goal, GoalPoint now) =>
        now.Count < FewestAttempts ? GoalState.TooFew
        : !goal.Contains(now.Value) ? GoalState.OnTheWay
        : now.Doubt is { } doubt && goal.Contains(doubt.Low) && goal.Contains(doubt.High) ? GoalState.Met
        : GoalState.PerhapsMet;

    private static Message Say(FocusQuantity goal, GoalState state, GoalPoint now, MeasureKind figure)
    {
        var value = InWords(now, figure);
        return state switch
        {
            GoalState.TooFew => ProgressSentences.GoalFew.Of(
                value,
                now.Count == 1 ? ProgressSentences.OneAttempt.Of() : ProgressSentences.Attempts.Of(now.Count ?? 0)
            ),
            GoalState.Met => ProgressSentences.GoalMetSurely.Of(value),
            GoalState.PerhapsMet => ProgressSentences.GoalMet.Of(value),
            _ => (now.Doubt is { } doubt && Reaches(goal, doubt) ? ProgressSentences.GoalNear : ProgressSentences.GoalAway).Of(
                value,
                Away(Math.Abs(goal.OutsideBy(now.Value)), figure)
            ),
        };
    }

    private static string Away(double distance, MeasureKind figure) =>
        Written.Number(distance, figure.Decimals) + (figure.Unit == "%" ? " points" : Written.Unit(figure.Unit));

    private static bool Reaches(FocusQuantity goal, Interval doubt) =>
        doubt.Low <= (goal.Most ?? double.PositiveInfinity) && doubt.High >= (goal.Least ?? double.NegativeInfinity);

    /// <summary>A figure with its unit and its doubt: "55 %, somewhere from 40 to 69".</summary>
    internal static Message InWords(GoalPoint point, MeasureKind figure) =>
        point.Doubt is { } doubt
            ? ProgressSentences.ValueAndDoubt.Of(
                Written.Number(point.Value, figure.Decimals),
                Written.Unit(figure.Unit),
                Written.Number(doubt.Low, figure.Decimals),
                Written.Number(doubt.High, figure.Decimals)
            )
            : ProgressSentences.ValueAlone.Of(Written.Number(point.Value, figure.Decimals), Written.Unit(figure.Unit));

    private static Message Overdue(FocusQuantity goal, GoalState state, Message said, DateOnly today) =>
        goal.By < today && state is not (GoalState.Met or GoalState.NotMeasured) ? ProgressSentences.GoalOverdue.Of(said) : said;

    /// <summary>
    /// The way left at the pace of the trend, with its interval; nothing is foretold from a trend that is not clear.
    /// </summary>
    private static (GoalForecast? Forecast, Message Said) ForecastOf(
        FocusQuantity goal,
        GoalPoint now,
        CurveTrend trend,
        DateOnly today,
        bool changedClearly
    )
    {
        if (trend.Verdict is TrendVerdict.TooFew or TrendVerdict.NotClear)
            return (
                null,
                changedClearly ? ProgressSentences.ForecastUnsteady.Of() : ProgressSentences.ForecastNone.Of(trend.Said)
            );
        var way = -goal.OutsideBy(now.Value);
        if (way * trend.AWeek!.Value <= 0)
            return (null, ProgressSentences.ForecastAway.Of());
        var paces = new[] { Math.Abs(trend.Doubt!.Value.Low), Math.Abs(trend.Doubt.Value.High) };
        var left = Math.Abs(way);
        var forecast = new GoalForecast(
            left / Math.Abs(trend.AWeek.Value),
            left / paces.Max(),
            paces.Min() > 0 ? left / paces.Min() : null
        );
        var told = forecast.Latest is { } latest
            ? ProgressSentences.ForecastIn.Of(Weeks(forecast.Weeks), Weeks(forecast.Soonest), Weeks(latest))
            : ProgressSentences.ForecastFrom.Of(Weeks(forecast.Weeks), Weeks(forecast.Soonest));
        return (
            forecast,
            goal.By is { } by && by >= today ? Against((by.DayNumber - today.DayNumber) / 7.0, forecast, told) : told
        );
    }

    private static Message Against(double weeksLeft, GoalForecast forecast, Message told) =>
        (
            forecast.Latest <= weeksLeft ? ProgressSentences.InTime
            : forecast.Soonest > weeksLeft ? ProgressSentences.TooLate
            : ProgressSentences.PerhapsInTime
        ).Of(told);

    private static int Weeks(double weeks) => Math.Max(1, (int)Math.Ceiling(Math.Min(weeks, 999)));
}
