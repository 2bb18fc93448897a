using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>What a student believes is weak, beside what drills and rounds say.</summary>
public static class Beliefs
{
    /// <summary>Fewer results than this say nothing of an area. [own default]</summary>
    public const int FewestResults = 3;

    /// <summary>Less than this missing to the goals is no weakness. [own default]</summary>
    private const double WorthSaying = 0.1;

    /// <summary>
    /// One sentence for each area that is believed weak, and one for the weakest area measured where nobody believes it. Empty
    /// where nothing is believed and nothing measured.
    /// </summary>
    /// <param name="believed">The areas believed weak.</param>
    /// <param name="losses">How far results fall short, the most first.</param>
    /// <param name="rounds">Where rounds lose strokes; null where there are no rounds.</param>
    /// <param name="last">The last competition of which it was said what held; null where there is none.</param>
    public static IReadOnlyList<Message> Beside(
        IReadOnlyList<Area> believed,
        IReadOnlyList<AreaLoss> losses,
        LostStrokes? rounds,
        Competition? last = null
    )
    {
        var measured = Measured(losses, rounds, last);
        var weakest = measured.Count == 0 ? ((Area Area, Message By)?)null : measured[0];
        var said = believed
            .Select(area =>
                measured.FirstOrDefault(m => m.Area == area) is { By: { } by }
                    ? ProgressSentences.BelievedAndMeasured.Of(Name(area), by)
                : weakest is { } other ? ProgressSentences.BelievedNotMeasured.Of(Name(area), other.By, InSentence(other.Area))
                : ProgressSentences.BelievedAlone.Of(Name(area))
            )
            .ToList();
        if (weakest is { } alone && !believed.Contains(alone.Area) && believed.Count == 0)
            said.Add(ProgressSentences.MeasuredAlone.Of(Name(alone.Area), alone.By));
        return said;
    }

    /// <summary>The areas that are weak by what happened: rounds before the last competition before drills.</summary>
    private static List<(Area Area, Message By)> Measured(
        IReadOnlyList<AreaLoss> losses,
        LostStrokes? rounds,
        Competition? last
    ) =>
        [
            .. (rounds?.Areas() ?? []).Select(a => (a.Area, ProgressSentences.ByRounds.Of(a.Strokes, rounds!.Rounds))),
            .. (last?.DidNotHold ?? []).Select(a => (a, ProgressSentences.ByCompetition.Of(last!.Name))),
            .. losses
                .Where(l => l.Results >= FewestResults && l.Shortfall >= WorthSaying)
                .Select(l => (l.Area, ProgressSentences.ByResults.Of(100 * l.Shortfall, l.Results))),
        ];

    private static string Name(Area area)
    {
        var name = InSentence(area);
        return $"{char.ToUpperInvariant(name[0])}{name[1..]}";
    }

    /// <summary>An area as it stands in a sentence: "chipping", "iron play".</summary>
    internal static string InSentence(Area area) =>
        area switch
        {
            Area.Putting => "putting",
            Area.Chip => "chipping",
            Area.Pitch => "pitching",
            Area.Driver => "the driver",
            Area.Body or Area.Mind => $"the {area.ToString().ToLowerInvariant()}",
            _ => $"{area.ToString().ToLowerInvariant()} play",
        };
}
