using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Students;

namespace MorningRound.Core.Competitions;

/// <summary>What a student said with one session.</summary>
/// <param name="Day">The day.</param>
/// <param name="Quality">How good it was called, 1 to 10; null where nobody said.</param>
/// <param name="Confidence">How confident the student was, 1 to 10; null where nobody said.</param>
public sealed record RatedDay(DateOnly Day, int? Quality, int? Confidence);

/// <summary>A drill before a competition and after it.</summary>
/// <param name="DrillId">The drill.</param>
/// <param name="Drill">Its name, as it was last.</param>
/// <param name="Group">In which kind of practice.</param>
/// <param name="Figure">What is measured.</param>
/// <param name="ResultsBefore">How many results there were before.</param>
/// <param name="ResultsAfter">How many there are after.</param>
/// <param name="Beside">The two beside each other.</param>
public sealed record DrillBeside(
    Guid DrillId,
    string Drill,
    PhaseGroup Group,
    MeasureKind Figure,
    int ResultsBefore,
    int ResultsAfter,
    ResultsBeside Beside
);

/// <summary>The four weeks before a competition beside the four weeks after it.</summary>
/// <param name="Drills">Drills with results on both sides, what changed clearly first.</param>
/// <param name="OnOneSide">How many drills have results on one side only.</param>
/// <param name="Quality">How good sessions were called.</param>
/// <param name="Confidence">How confident the student was.</param>
public sealed record BeforeAndAfter(
    IReadOnlyList<DrillBeside> Drills,
    int OnOneSide,
    RatingChange Quality,
    RatingChange Confidence
)
{
    /// <summary>The days that are looked at on each side. [own default]</summary>
    public const int Days = 28;

    /// <summary>What is looked at when it is over; of the days after, those that there were so far.</summary>
    /// <param name="competition">The competition.</param>
    /// <param name="results">The student's results in any order; those of other days are passed over.</param>
    /// <param name="ratings">What the student said with sessions, likewise.</param>
    public static BeforeAndAfter Of(
        Competition competition,
        IReadOnlyCollection<DatedResult> results,
        IReadOnlyCollection<RatedDay> ratings
    )
    {
        bool IsBefore(DateOnly day) => day < competition.FirstDay && day >= competition.FirstDay.Plus(-Days);
        bool IsAfter(DateOnly day) => day > competition.LastDay && day <= competition.LastDay.Plus(Days);
        var sides = results
            .Where(r => r.Group != PhaseGroup.WarmUp && r.Result is { IsHollow: false, Value: not null })
            .GroupBy(r => (r.DrillId, r.Group))
            .Select(g =>
                (
                    g.Key,
                    Before: g.Where(r => IsBefore(r.Day)).ToList(),
                    After: g.Where(r => IsAfter(r.Day)).OrderBy(r => r.Day).ToList()
                )
            )
            .Where(g => g.Before.Count + g.After.Count > 0)
            .ToList();
        RatingChange Change(Func<RatedDay, int?> rating) =>
            RatingChange.Between(
                [.. ratings.Where(r => IsBefore(r.Day)).Select(rating).OfType<int>().Select(r => (double)r)],
                [.. ratings.Where(r => IsAfter(r.Day)).Select(rating).OfType<int>().Select(r => (double)r)],
                CompetitionSentences.AroundIt
            );
        return new BeforeAndAfter(
            [
                .. sides
                    .Where(g => g is { Before.Count: > 0, After.Count: > 0 })
                    .Select(g => new DrillBeside(
                        g.Key.DrillId,
                        g.After[^1].Result.Drill,
                        g.Key.Group,
                        g.After[^1].Result.Leading,
                        g.Before.Count,
                        g.After.Count,
                        ResultsBeside.Of(g.Before, g.After)
                    ))
                    .OrderByDescending(d => d.Beside.Verdict is BesideVerdict.Better or BesideVerdict.Worse)
                    .ThenByDescending(d => d.ResultsBefore + d.ResultsAfter)
                    .ThenBy(d => d.Drill, StringComparer.Ordinal)
                    .ThenBy(d => d.Group),
            ],
            sides.Count(g => g.Before.Count == 0 || g.After.Count == 0),
            Change(r => r.Quality),
            Change(r => r.Confidence)
        );
    }
}
