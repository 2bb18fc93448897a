using System.Text.Json.Serialization;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>How a skill fares when the shot changes: its success in block beside that in random, or on holes.</summary>
/// <param name="Area">The part of the game; null where it is all of it.</param>
/// <param name="Skill">The skill.</param>
/// <param name="Criterion">What counts as a success, the same on both sides.</param>
/// <param name="Phase">Where it is set beside block: random, or on-course.</param>
/// <param name="Block">Successes in block.</param>
/// <param name="Other">Successes there.</param>
/// <param name="Difference">Where the share there less that in block lies with 95 % confidence, −1 to 1.</param>
/// <param name="Sessions">The sessions it comes from.</param>
/// <param name="Said">The same in words.</param>
public sealed record CarryOver(
    Area? Area,
    string Skill,
    string Criterion,
    Phase Phase,
    CountOf Block,
    CountOf Other,
    Interval Difference,
    IReadOnlyList<Guid> Sessions,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>Within so much either way it carries over, as far as can be told. [own default]</summary>
    private const double AsGoodAsEqual = 0.25;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>
    /// What can be said of each skill that was counted by one criterion in block and elsewhere; nothing is said across two
    /// criteria. Warm-ups, lessons and what has modifiers laid over it are left out. The clearest first.
    /// </summary>
    public static IReadOnlyList<CarryOver> Of(IEnumerable<DatedResult> results) =>
        [
            .. results
                .Where(r =>
                    r.Result is { Successes: not null, IsHollow: false, Phase: not Phase.WarmUp, Criterion.Length: > 0 }
                    && r.Result.Modifiers.Length == 0
                )
                .GroupBy(r =>
                    (r.Area, Skill: r.Result.Skill.ToUpperInvariant(), Criterion: r.Result.Criterion.ToUpperInvariant())
                )
                .SelectMany(OfOneSkill)
                .OrderByDescending(c => c.Difference.LeavesOutZero)
                .ThenBy(c => c.Difference.High - c.Difference.Low),
        ];

    private static IEnumerable<CarryOver> OfOneSkill(IEnumerable<DatedResult> results)
    {
        var byPhase = results.ToLookup(r => r.Result.Phase);
        if (!byPhase[Phase.Block].Any())
            yield break;
        var block = Added(byPhase[Phase.Block]);
        foreach (var phase in new[] { Phase.Random, Phase.OnCourse })
        {
            if (!byPhase[phase].Any())
                continue;
            var other = Added(byPhase[phase]);
            var difference = Rate.Difference((other.Count, other.Of), (block.Count, block.Of));
            var one = byPhase[phase].First();
            yield return new CarryOver(
                one.Area,
                one.Result.Skill,
                one.Result.Criterion,
                phase,
                block,
                other,
                difference,
                [.. byPhase[Phase.Block].Concat(byPhase[phase]).Select(r => r.SessionId).Distinct()],
                Say(block, other, phase, difference)
            );
        }
    }

    private static CountOf Added(IEnumerable<DatedResult> results) =>
        results
            .Select(r => r.Result.Successes!)
            .Aggregate(new CountOf(0, 0), (sum, one) => new CountOf(sum.Count + one.Count, sum.Of + one.Of));

    private static Message Say(CountOf block, CountOf other, Phase phase, Interval difference)
    {
        var (low, high) = (Points(difference.Low), Points(difference.High));
        var where = (phase == Phase.Random ? ProgressSentences.InRandom : ProgressSentences.OnHoles).Of();
        Message With(Sentence sentence, string from, string to) =>
            sentence.Of(block.Count, block.Of, other.Count, other.Of, where, from, to);
        return difference.High < 0 ? With(ProgressSentences.LosesOnTheWay, Points(-difference.High), Points(-difference.Low))
            : difference.Low > 0 ? With(ProgressSentences.BetterWhenItCounts, low, high)
            : difference.Low >= -AsGoodAsEqual && difference.High <= AsGoodAsEqual
                ? With(ProgressSentences.CarriesOver, low, high)
            : With(ProgressSentences.CarryOverOpen, low, high);
    }

    private static string Points(double share) => Written.Number(100 * share, 0);
}
