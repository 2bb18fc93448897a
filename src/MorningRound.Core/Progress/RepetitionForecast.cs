using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>Repetitions with a ball that count towards a swing change, in one week. Rehearsals without a ball are none.</summary>
/// <param name="Week">The week.</param>
/// <param name="Slow">Those at the slow pace of a change.</param>
/// <param name="Ordinary">The others.</param>
public sealed record WeekRepetitions(IsoWeek Week, int Slow, int Ordinary);

/// <summary>Repetitions asked, counted from the logs, and how long the rest takes at this student's own pace.</summary>
/// <param name="Asked">How many were asked for.</param>
/// <param name="Slow">Slow ones so far.</param>
/// <param name="Ordinary">Ordinary ones so far.</param>
/// <param name="AWeek">The mean of the last weeks; null before there are enough weeks.</param>
/// <param name="WeeksLeft">
/// About how many weeks the rest takes; null where that cannot be said, and where nothing is left.
/// </param>
/// <param name="Soonest">At the soonest.</param>
/// <param name="Latest">At the latest; null where it may take ever so long.</param>
/// <param name="Said">The same in words.</param>
public sealed record RepetitionForecast(
    int Asked,
    int Slow,
    int Ordinary,
    double? AWeek,
    int? WeeksLeft,
    int? Soonest,
    int? Latest,
    [property: JsonIgnore] Message Said
)
{
    /// <summary>The weeks whose pace is taken, those without any counted as such. [own default]</summary>
    public const int Weeks = 8;

    /// <summary>Fewer weeks say nothing of a pace. [own default]</summary>
    public const int FewestWeeks = 3;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>How far the repetitions are.</summary>
    /// <param name="asked">How many were asked for, above zero.</param>
    /// <param name="weeks">The weeks in which any were counted, in any order.</param>
    /// <param name="thisWeek">The week under way: its repetitions count, its pace does not.</param>
    public static RepetitionForecast Of(int asked, IReadOnlyCollection<WeekRepetitions> weeks, IsoWeek thisWeek)
    {
        var (slow, ordinary) = (weeks.Sum(w => w.Slow), weeks.Sum(w => w.Ordinary));
        var done = slow + ordinary;
        RepetitionForecast Plain(Message said) => new(asked, slow, ordinary, null, null, null, null, said);
        if (done == 0)
            return Plain(ProgressSentences.RepetitionsNone.Of(asked));
        if (done >= asked)
            return Plain(ProgressSentences.RepetitionsDone.Of(done, slow, ordinary, asked));

        Message Left(Message then) => ProgressSentences.RepetitionsLeft.Of(done, asked, slow, ordinary, then);
        var first = weeks.Min(w => w.Week.Monday);
        var complete = Math.Min(Weeks, (thisWeek.Monday.DayNumber - first.DayNumber) / 7);
        if (complete < FewestWeeks)
            return Plain(Left(ProgressSentences.RepetitionsTooEarly.Of(FewestWeeks)));
        var counts = Enumerable
            .Range(1, complete)
            .Select(back => (double)weeks.Where(w => w.Week == thisWeek.Plus(-back)).Sum(w => w.Slow + w.Ordinary))
            .ToList();
        var pace = counts.Average();
        if (pace == 0)
            return Plain(Left(ProgressSentences.RepetitionsStopped.Of(complete)));
        var (low, high) = Sample.OfMean(counts)!.Value;
        int WeeksAt(double aWeek) => (int)Math.Ceiling((asked - done) / aWeek);
        var (left, soonest) = (WeeksAt(pace), WeeksAt(high));
        int? latest = low * 20 > pace ? WeeksAt(low) : null;
        return new RepetitionForecast(
            asked,
            slow,
            ordinary,
            pace,
            left,
            soonest,
            latest,
            Left(
                latest is { } last
                    ? ProgressSentences.RepetitionsWeeks.Of((int)Math.Round(pace), left, soonest, last)
                    : ProgressSentences.RepetitionsWeeksAtLeast.Of((int)Math.Round(pace), left, soonest)
            )
        );
    }
}
