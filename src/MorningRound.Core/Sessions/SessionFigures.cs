using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>Minutes of a session that went into one thing.</summary>
/// <param name="Area">The part of the game; null where none was named.</param>
/// <param name="Phase">Whether the shot repeated.</param>
/// <param name="Intent">What it was for.</param>
/// <param name="Minutes">Planned minutes of what was done of it.</param>
public sealed record PractisedPart(Area? Area, Phase Phase, Intent Intent, double Minutes);

/// <summary>What a session that was practised gives the charts.</summary>
/// <param name="Minutes">Minutes the clock ran.</param>
/// <param name="Strokes">Strokes as far as they were counted.</param>
/// <param name="WorstPain">The highest pain reported, 1 to 10; null where none was.</param>
/// <param name="Ratings">The ratings given, one a log.</param>
public sealed record SessionFigures(double Minutes, Strokes Strokes, int? WorstPain, IReadOnlyList<SessionRated> Ratings)
{
    /// <summary>What its minutes went into; empty in what was written before that was kept.</summary>
    public IReadOnlyList<PractisedPart> Parts { get; init; } = [];

    /// <summary>The last rating given; null without one.</summary>
    [JsonIgnore]
    public SessionRated? LastRating => Ratings.Count == 0 ? null : Ratings[^1];

    /// <summary>Planned minutes that the student reported as done, without attempts or a clock that show them.</summary>
    public double ReportedMinutes { get; init; }

    /// <summary>Whether more of it was reported than was shown.</summary>
    [JsonIgnore]
    public bool IsMostlyReported => ReportedMinutes > Parts.Sum(p => p.Minutes) / 2;

    /// <summary>How it was kept; practice where several logs differ.</summary>
    public Recording Recording { get; init; }

    /// <summary>The figures of a session.</summary>
    /// <param name="plan">Its plan.</param>
    /// <param name="logs">What its logs add up to.</param>
    public static SessionFigures Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs) =>
        Of(plan, logs, Strokes.Of(plan, logs));

    /// <summary>The figures of logs whose strokes have been counted.</summary>
    public static SessionFigures Of(SessionPlan plan, IReadOnlyCollection<SessionLog> logs, Strokes strokes)
    {
        var done = SessionCompletion.Of(plan, logs);
        return new SessionFigures(
            logs.Sum(l => l.Spent.TotalMinutes),
            strokes,
            logs.SelectMany(l => l.Pain).Max(p => (int?)p.Level),
            [.. logs.Select(l => l.Rating).OfType<SessionRated>()]
        )
        {
            Parts =
            [
                .. plan.Practice()
                    .Zip(done.Segments, (segment, kept) => (segment, Minutes: segment.Minutes * (kept.Fraction ?? 0)))
                    .GroupBy(p => (p.segment.EffectiveArea, p.segment.Phase, p.segment.Intent))
                    .Select(g => new PractisedPart(g.Key.EffectiveArea, g.Key.Phase, g.Key.Intent, g.Sum(p => p.Minutes)))
                    .Where(p => p.Minutes > 0),
            ],
            ReportedMinutes = done.ReportedMinutes,
            Recording = logs.Select(l => l.Recording).Distinct().Take(2).ToList() is [var one] ? one : Recording.Practice,
        };
    }

    /// <summary>
    /// Repetitions with a ball that count towards a swing change: slow ones, and ordinary ones of drills that count.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="logs">What its logs add up to.</param>
    public static (int Slow, int Ordinary) Repetitions(SessionPlan plan, IReadOnlyCollection<SessionLog> logs)
    {
        var (slow, ordinary) = (0, 0);
        foreach (var segment in plan.Practice())
        {
            if (!segment.SlowRepetitions && segment.Drill?.Drill.CountsTowardsSwingChange != true)
                continue;
            if (
                SessionCompletion.FullestLog(segment, plan, logs)?.Segments.FirstOrDefault(s => s.SegmentId == segment.Id)
                    is not { } kept
                || Strokes.In(segment, kept) is not { } counted
            )
                continue;
            if (segment.SlowRepetitions)
                slow += counted;
            else
                ordinary += counted;
        }

        return (slow, ordinary);
    }
}
