using MorningRound.Core.Calendar;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;

namespace MorningRound.Core.Progress;

/// <summary>The mean of a week's self-ratings of one kind; null where nobody answered.</summary>
public sealed record MeanRatings(double? Focus, double? Quality, double? Confidence, double? Enjoyment, double? Effort)
{
    /// <summary>Means over the sessions that answered; a missing answer is left out, not counted as zero.</summary>
    public static MeanRatings Of(IReadOnlyCollection<SessionRated> ratings) =>
        new(
            Mean(ratings, r => r.Focus),
            Mean(ratings, r => r.Quality),
            Mean(ratings, r => r.Confidence),
            Mean(ratings, r => r.Enjoyment),
            Mean(ratings, r => r.Effort)
        );

    private static double? Mean(IEnumerable<SessionRated> ratings, Func<SessionRated, int?> answer) =>
        ratings.Average(r => (double?)answer(r));
}

/// <summary>One week of a student's history, as the charts show it.</summary>
/// <param name="Week">The week.</param>
/// <param name="Completion">What was done of it.</param>
/// <param name="Ratings">How the student judged it.</param>
/// <param name="MinutesPractised">Minutes the clock ran, whatever was planned.</param>
/// <param name="Strokes">Strokes as far as they were counted.</param>
/// <param name="WorstPain">The highest pain reported, 1–10; null where none was.</param>
public sealed record WeekFigure(
    IsoWeek Week,
    WeekCompletion Completion,
    MeanRatings Ratings,
    double MinutesPractised,
    Strokes Strokes,
    int? WorstPain
)
{
    /// <summary>Adds up one week from its published sessions.</summary>
    /// <param name="week">The week.</param>
    /// <param name="sessions">Its sessions.</param>
    /// <param name="figures">The figures of those that were practised.</param>
    /// <param name="today">The day by which something is due or not.</param>
    public static WeekFigure Of(
        IsoWeek week,
        IReadOnlyCollection<AssignedSession> sessions,
        IReadOnlyCollection<SessionFigures> figures,
        DateOnly today
    ) =>
        new(
            week,
            WeekCompletion.Of(sessions, today),
            MeanRatings.Of([.. figures.SelectMany(f => f.Ratings)]),
            figures.Sum(f => f.Minutes),
            new Strokes(
                figures.Sum(f => f.Strokes.Counted),
                figures.Sum(f => f.Strokes.RangeBalls),
                figures.Any(f => f.Strokes.SomeUnknown)
            ),
            figures.Max(f => f.WorstPain)
        );
}
