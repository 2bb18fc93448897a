using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Statistics;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Progress;

/// <summary>A self-rating of one kind now, beside the eight weeks before, with its doubt.</summary>
/// <param name="Now">The mean of the last four weeks; null where nobody answered.</param>
/// <param name="Before">The mean of the eight weeks before them; null where nobody answered.</param>
/// <param name="SpreadBefore">Their sample standard deviation; null of fewer than two ratings.</param>
/// <param name="Difference">Where the difference lies with 95 % confidence; null with fewer than two ratings on a side.</param>
/// <param name="Said">The same in words.</param>
public sealed record RatingChange(
    double? Now,
    double? Before,
    double? SpreadBefore,
    Interval? Difference,
    [property: JsonIgnore] Message Said
)
{
    private const int DaysNow = 28;
    private const int DaysBefore = 56;

    /// <summary>The same in English.</summary>
    public string Text => Said.In();

    /// <summary>The change of a rating up to a day.</summary>
    /// <param name="ratings">Ratings with their days, in any order; those of other days are passed over.</param>
    /// <param name="today">The last day of the four weeks.</param>
    public static RatingChange Of(IEnumerable<(DateOnly Day, int Rating)> ratings, DateOnly today)
    {
        var (from, oldest) = (today.Plus(1 - DaysNow), today.Plus(1 - DaysNow - DaysBefore));
        var counted = ratings.Where(r => r.Day >= oldest && r.Day <= today).ToList();
        double[] now = [.. counted.Where(r => r.Day >= from).Select(r => (double)r.Rating)];
        double[] before = [.. counted.Where(r => r.Day < from).Select(r => (double)r.Rating)];
        return Between(before, now, FourWeeks);
    }

    /// <summary>The change from some ratings to later ones.</summary>
    /// <param name="before">The earlier ratings.</param>
    /// <param name="now">The later ones.</param>
    /// <param name="words">The sentences that name the two times.</param>
    internal static RatingChange Between(IReadOnlyCollection<double> before, IReadOnlyCollection<double> now, RatingWords words)
    {
        var difference = Sample.OfDifference(now, before);
        return new RatingChange(
            Sample.Mean(now),
            Sample.Mean(before),
            Sample.Deviation(before),
            difference,
            difference is not { } found ? words.Few.Of() : Say(now.Average(), before.Average(), found, words)
        );
    }

    private static RatingWords FourWeeks { get; } =
        new(ProgressSentences.RatingFew, ProgressSentences.RatingUp, ProgressSentences.RatingDown, ProgressSentences.RatingSame);

    private static Message Say(double now, double before, Interval difference, RatingWords words)
    {
        string Number(double number) => Written.Number(number, 1);
        return difference.Low > 0 ? words.Up.Of(Number(now), Number(before), Number(difference.Low), Number(difference.High))
            : difference.High < 0 ? words.Down.Of(Number(now), Number(before), Number(-difference.High), Number(-difference.Low))
            : words.Same.Of(Number(now), Number(before), Number(difference.Low), Number(difference.High));
    }
}

/// <summary>
/// How a change of ratings is said; every sentence but the first takes now, before, and the two ends of the doubt.
/// </summary>
/// <param name="Few">There are too few ratings.</param>
/// <param name="Up">It is clearly higher.</param>
/// <param name="Down">It is clearly lower.</param>
/// <param name="Same">Nothing is clear.</param>
internal sealed record RatingWords(Sentence Few, Sentence Up, Sentence Down, Sentence Same);
