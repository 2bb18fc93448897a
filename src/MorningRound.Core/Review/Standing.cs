using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Progress;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;

namespace MorningRound.Core.Review;

/// <summary>Where a student stands on the goal of the focus, as a squad is looked at.</summary>
/// <param name="What">What is measured.</param>
/// <param name="Unit">Its unit; empty for a plain number.</param>
/// <param name="State">Where the student stands.</param>
/// <param name="Start">Where it began; null where that is not known.</param>
/// <param name="Now">Where it is; null where nothing was measured.</param>
/// <param name="Doubt">Where that lies with 95 % confidence; null where that is not known.</param>
/// <param name="Least">The lower end of the band; null where it has none.</param>
/// <param name="Most">The upper end of the band; null where it has none.</param>
/// <param name="By">The day by which it should be there; null where none was named.</param>
/// <param name="Text">Where it stands, in words; whether its day is past depends on the day on which it is read.</param>
/// <param name="MeasuredOn">The day of the last result that feeds it; null where nothing was measured.</param>
public sealed record GoalStanding(
    string What,
    string Unit,
    GoalState State,
    double? Start,
    double? Now,
    Interval? Doubt,
    double? Least,
    double? Most,
    DateOnly? By,
    string Text,
    DateOnly? MeasuredOn = null
)
{
    /// <summary>Whether its day is past and it is not surely met.</summary>
    public bool IsOverdueOn(DateOnly today) => By < today && State is not (GoalState.Met or GoalState.NotMeasured);

    /// <summary>What of a goal's progress a squad shows.</summary>
    public static GoalStanding Of(GoalProgress progress) =>
        new(
            progress.Goal.What,
            progress.Goal.Unit,
            progress.State,
            progress.Start?.Value,
            progress.Now?.Value,
            progress.Now?.Doubt,
            progress.Goal.Least,
            progress.Goal.Most,
            progress.Goal.By,
            progress.Standing.In(),
            progress.Dots.Count == 0 ? null : progress.Dots.Max(d => d.Day)
        );
}

/// <summary>A drill that was held for weeks and is no better.</summary>
/// <param name="Drill">The drill.</param>
/// <param name="Text">Since when, and by what numbers.</param>
/// <param name="LastOn">The day of its last result; null in what was written before that was kept.</param>
public sealed record PlateauStanding(string Drill, string Text, DateOnly? LastOn = null);

/// <summary>A drill with enough comparable results for a trend.</summary>
/// <param name="LastOn">The day of its last result.</param>
/// <param name="IsBetter">Whether it goes the better way.</param>
public sealed record DrillTrend(DateOnly LastOn, bool IsBetter);

/// <summary>How much of a week was done.</summary>
/// <param name="Monday">The week's Monday.</param>
/// <param name="Share">0 to 1; null where nothing counted.</param>
public sealed record WeekShare(DateOnly Monday, double? Share);

/// <summary>
/// What a student's last results add up to, in few enough figures to look at a whole squad. Worked out anew whenever a session is
/// finished or the goal changes, and kept with the days that it depends on: read it through <see cref="On"/>.
/// </summary>
public sealed record Standing
{
    /// <summary>So much of four weeks done is honest effort.</summary>
    private const double HonestFrom = 0.8;

    private const int DaysHeld = 28;

    private const int Weeks = 4;

    /// <summary>The goal; null where the focus has no number.</summary>
    public GoalStanding? Goal { get; init; }

    /// <summary>The drill that has stood still the longest; null where none does.</summary>
    public PlateauStanding? Plateau { get; init; }

    /// <summary>The drills with enough comparable results for a trend, each with the day of its last.</summary>
    public IReadOnlyList<DrillTrend> Trends { get; init; } = [];

    /// <summary>Those of them with a result in the last four weeks.</summary>
    [JsonIgnore]
    public int JudgedDrills { get; private init; }

    /// <summary>Those of these that go the better way.</summary>
    [JsonIgnore]
    public int BetterDrills { get; private init; }

    /// <summary>How much was done of the weeks up to that in which it was worked out, that one as far as it had come.</summary>
    public IReadOnlyList<WeekShare> DoneShares { get; init; } = [];

    /// <summary>
    /// How much of the last four whole weeks was done, 0 to 1; null where nothing counted in one of them, and where one of them
    /// is not known.
    /// </summary>
    [JsonIgnore]
    public double? DoneShare { get; private init; }

    /// <summary>The Monday of the week in which it was worked out.</summary>
    public DateOnly Monday { get; init; }

    /// <summary>That week's load over the mean of the four before; null with too little history.</summary>
    public double? LoadRatio { get; init; }

    /// <summary>The load of a week, if it is the one this was worked out in; null for any other.</summary>
    public double? LoadIn(IsoWeek week) => week.Monday == Monday ? LoadRatio : null;

    /// <summary>Whether most of four weeks was done, some drills have enough results, and none of them gets better.</summary>
    [JsonIgnore]
    public bool IsEffortWithoutResult => DoneShare >= HonestFrom && JudgedDrills > 0 && BetterDrills == 0;

    /// <summary>What results add up to when they are worked out; read through <see cref="On"/>, which says it of a day.</summary>
    /// <param name="quantity">The goal; null without one.</param>
    /// <param name="results">The results of the last months, in any order.</param>
    /// <param name="doneShares">How much was done of this week so far and of the four before it.</param>
    /// <param name="loadRatio">This week's load over the mean of the four before; null with too little history.</param>
    /// <param name="today">The day.</param>
    public static Standing Of(
        FocusQuantity? quantity,
        IReadOnlyCollection<DatedResult> results,
        IReadOnlyList<WeekShare> doneShares,
        double? loadRatio,
        DateOnly today
    )
    {
        var trends = ResultCurve.Of(results).Where(c => c.Trend.Verdict != TrendVerdict.TooFew).ToList();
        return new Standing
        {
            Goal = quantity is null ? null : GoalStanding.Of(GoalProgress.Of(quantity, results, today)),
            Plateau = PlateauIn(results, today),
            Trends = [.. trends.Select(c => new DrillTrend(c.Dots[^1].Day, c.Trend.IsBetter == true))],
            DoneShares = doneShares,
            Monday = IsoWeek.Of(today).Monday,
            LoadRatio = loadRatio,
        };
    }

    /// <summary>
    /// The standing as it is on a day. It was worked out on an earlier one, and what nothing was heard of since says nothing any
    /// more: weeks that are not known, a drill without a result for four weeks, a goal whose day is past.
    /// </summary>
    public Standing On(DateOnly today)
    {
        var week = IsoWeek.Of(today);
        var shares = Enumerable
            .Range(1, Weeks)
            .Select(back => DoneShares.FirstOrDefault(s => s.Monday == week.Plus(-back).Monday)?.Share)
            .ToList();
        var recent = Trends.Where(t => IsRecent(t.LastOn, today)).ToList();
        return this with
        {
            JudgedDrills = recent.Count,
            BetterDrills = recent.Count(t => t.IsBetter),
            DoneShare = shares.Any(s => s is null) ? null : shares.Average(),
            Plateau = IsRecent(Plateau?.LastOn, today) ? Plateau : null,
            Goal =
                Goal is { } goal && goal.IsOverdueOn(today)
                    ? goal with
                    {
                        Text = ProgressSentences.GoalOverdue.Of(goal.Text).In(),
                    }
                    : Goal,
        };
    }

    /// <summary>Whether something was measured in the last four weeks.</summary>
    internal static bool IsRecent(DateOnly? day, DateOnly today) => day is { } on && today.DayNumber - on.DayNumber < DaysHeld;

    /// <summary>The comparable results held longest whose last two are no better than their first two.</summary>
    private static PlateauStanding? PlateauIn(IEnumerable<DatedResult> results, DateOnly today) =>
        results
            .Where(r =>
                r
                    is {
                        Group: not PhaseGroup.WarmUp,
                        Result: { IsHollow: false, Value: not null, Leading.Better: not Better.None }
                    }
            )
            .OrderBy(r => r.Day)
            .GroupBy(r => r.Key)
            .Select(g => g.ToList())
            .Where(g => today.DayNumber - g[^1].Day.DayNumber < DaysHeld)
            .Select(g => (Held: g[^1].Day.DayNumber - g[0].Day.DayNumber, Results: g))
            .Where(g => WeekJudgement.StandsStill(g.Results))
            .OrderByDescending(g => g.Held)
            .Select(g => new PlateauStanding(
                g.Results[0].Result.Drill,
                WeekJudgement.StandstillInWords(g.Results).In(),
                g.Results[^1].Day
            ))
            .FirstOrDefault();
}
