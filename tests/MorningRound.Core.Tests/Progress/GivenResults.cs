using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Tests.Progress;

/// <summary>Results as a test plants them.</summary>
internal static class GivenResults
{
    public static readonly DateOnly First = new(2026, 1, 5);

    private static readonly MeasureKind Share = new("share", "share made", "%", Better.Higher);

    /// <summary>So many of so many, on a day counted from the first.</summary>
    public static DatedResult Made(
        int day,
        int made,
        int of,
        string key = "a",
        int drill = 1,
        int rung = 0,
        Phase phase = Phase.Block,
        int? confidence = null,
        int? quality = null,
        Recording recording = Recording.Practice,
        string criterion = "in the gate",
        Intent intent = Intent.Skill
    ) =>
        new(
            Given.Id(1000 + day + (100 * drill)),
            Given.Id(drill),
            Area.Putting,
            key,
            rung,
            First.AddDays(day),
            new KeptResult
            {
                Drill = $"Drill {drill}",
                Skill = "start line",
                Criterion = criterion,
                Phase = phase,
                Intent = intent,
                Leading = Share,
                Values = new Dictionary<string, double?> { ["share"] = 100.0 * made / of, ["made"] = made },
                Doubt = Rate.Wilson(made, of).Times(100),
                Attempts = of,
                Successes = new CountOf(made, of),
                Recording = recording,
            },
            confidence,
            quality
        );

    /// <summary>A best run on a day: a figure whose doubt one result does not tell.</summary>
    public static DatedResult Run(int day, int best, int attempts = 20) =>
        Made(day, 1, 2) with
        {
            Result = Made(day, 1, 2).Result with
            {
                Leading = new MeasureKind("best", "best run", "", Better.Higher),
                Values = new Dictionary<string, double?> { ["best"] = best },
                Doubt = null,
                Successes = null,
                Attempts = attempts,
            },
        };

    /// <summary>A number measured ball by ball.</summary>
    public static DatedResult Measured(int day, int count, double mean, double deviation, int drill = 1) =>
        Made(day, 1, 2, drill: drill) with
        {
            Result = Made(day, 1, 2).Result with
            {
                Quantities = [new KeptQuantity("club path", count, mean, deviation)],
                Attempts = count,
            },
        };
}
