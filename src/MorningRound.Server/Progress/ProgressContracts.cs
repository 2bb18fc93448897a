using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Progress;

/// <summary>A student's past weeks, oldest first, and what was practised lately, newest first.</summary>
public sealed record ProgressView(
    Guid StudentId,
    string StudentName,
    IReadOnlyList<WeekFigureView> Weeks,
    IReadOnlyList<SessionCard> Recent
);

/// <summary>One week for the charts. Ratings are means; null where nobody answered.</summary>
public sealed record WeekFigureView(
    string Week,
    DateOnly Monday,
    Completed Completion,
    int Sessions,
    int SessionsDone,
    int ExtrasDone,
    MeanRatings Ratings,
    double MinutesPractised,
    Strokes Strokes,
    int? WorstPain
)
{
    public static WeekFigureView Of(WeekFigure figure) =>
        new(
            figure.Week.ToString(),
            figure.Week.Monday,
            Completed.Of(figure.Completion),
            figure.Completion.Sessions,
            figure.Completion.SessionsDone,
            figure.Completion.ExtrasDone,
            figure.Ratings,
            figure.MinutesPractised,
            figure.Strokes,
            figure.WorstPain
        );
}
