using MorningRound.Core.Drills;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Progress;

/// <summary>Where a student goes: the past weeks, oldest first, and what their results, ratings and loads say.</summary>
public sealed record ProgressView
{
    public required Guid StudentId { get; init; }

    public required string StudentName { get; init; }

    public required DateOnly Today { get; init; }

    public required IReadOnlyList<WeekFigureView> Weeks { get; init; }

    /// <summary>What was practised lately, newest first.</summary>
    public required IReadOnlyList<SessionCard> Recent { get; init; }

    /// <summary>The fault that is worked at and where it should be, in the coach's words; empty where nobody wrote any.</summary>
    public required string Focus { get; init; }

    /// <summary>The goal and how it stands; null where the focus has no number.</summary>
    public required GoalProgress? Goal { get; init; }

    /// <summary>Repetitions asked for and counted; null where none were asked for.</summary>
    public required RepetitionForecast? Repetitions { get; init; }

    /// <summary>Results by drill and kind of practice, the one practised last first.</summary>
    public required IReadOnlyList<ResultCurve> Curves { get; init; }

    /// <summary>How skills fare when the shot changes.</summary>
    public required IReadOnlyList<CarryOver> CarryOver { get; init; }

    /// <summary>Whether ratings and results go together.</summary>
    public required RatingHonesty Honesty { get; init; }

    /// <summary>What is believed weak beside what was measured, in sentences.</summary>
    public required IReadOnlyList<string> Beliefs { get; init; }

    /// <summary>Tags, the routine and misses, added up.</summary>
    public required NoticedAttempts Noticed { get; init; }

    /// <summary>Each practised session as a dot, oldest first.</summary>
    public required IReadOnlyList<SessionDot> Sessions { get; init; }

    /// <summary>Each rating beside the eight weeks before.</summary>
    public required IReadOnlyList<RatingBeside> Ratings { get; init; }

    /// <summary>The load of each week with its band, oldest first.</summary>
    public required IReadOnlyList<LoadOfWeekView> Loads { get; init; }

    /// <summary>Between which ratios a week's load is usual, and above which it is a reason to look.</summary>
    public required LoadBounds LoadBounds { get; init; }

    /// <summary>What the minutes went into.</summary>
    public required PractisedMinutes Minutes { get; init; }

    /// <summary>Competitions whose days lie in the weeks shown or ahead, by day.</summary>
    public required IReadOnlyList<CompetitionDays> Competitions { get; init; }

    /// <summary>What was agreed to look at first, in the last lesson that agreed on something; null without one.</summary>
    public required CheckpointView? Checkpoint { get; init; }
}

/// <summary>One week for the charts. Ratings are means; null where nobody answered.</summary>
public sealed record WeekFigureView(
    string Week,
    DateOnly Monday,
    Completed Completion,
    int Sessions,
    int SessionsDone,
    int ExtrasDone,
    int Excused,
    MeanRatings Ratings,
    double MinutesPractised,
    Strokes Strokes,
    int? WorstPain
)
{
    public static WeekFigureView Of(WeekFigure figure, int excused) =>
        new(
            figure.Week.ToString(),
            figure.Week.Monday,
            Completed.Of(figure.Completion),
            figure.Completion.Sessions,
            figure.Completion.SessionsDone,
            figure.Completion.ExtrasDone,
            excused,
            figure.Ratings,
            figure.MinutesPractised,
            figure.Strokes,
            figure.WorstPain
        );
}

/// <summary>A practised session as the charts of ratings and pain draw it.</summary>
/// <param name="AssignmentId">The session.</param>
/// <param name="Day">The day it was practised.</param>
/// <param name="Focus">1 to 10; null where nobody said, and so for the others.</param>
/// <param name="Quality">How good it was.</param>
/// <param name="Confidence">How confident.</param>
/// <param name="Enjoyment">How much it was enjoyed.</param>
/// <param name="Effort">0 to 10.</param>
/// <param name="Pain">The highest pain that was reported; null where none was.</param>
/// <param name="IsHollow">Whether it is drawn hollow: a lesson, or ticked off in seconds.</param>
/// <param name="IsPaper">Whether it was typed in from a card.</param>
public sealed record SessionDot(
    Guid AssignmentId,
    DateOnly Day,
    int? Focus,
    int? Quality,
    int? Confidence,
    int? Enjoyment,
    int? Effort,
    int? Pain,
    bool IsHollow,
    bool IsPaper
)
{
    public static SessionDot Of(Guid assignmentId, DateOnly day, SessionFigures figures)
    {
        var rating = figures.LastRating;
        return new SessionDot(
            assignmentId,
            day,
            rating?.Focus,
            rating?.Quality,
            rating?.Confidence,
            rating?.Enjoyment,
            rating?.Effort,
            figures.WorstPain,
            figures.Recording == Recording.Lesson || figures.IsMostlyReported,
            figures.Recording == Recording.Paper
        );
    }
}

/// <summary>One kind of rating.</summary>
public enum RatingKind
{
    /// <summary>Focus.</summary>
    Focus,

    /// <summary>Quality.</summary>
    Quality,

    /// <summary>Confidence.</summary>
    Confidence,

    /// <summary>Enjoyment.</summary>
    Enjoyment,

    /// <summary>Effort.</summary>
    Effort,
}

/// <summary>A rating now, beside the eight weeks before.</summary>
public sealed record RatingBeside(RatingKind Kind, RatingChange Change)
{
    public static IReadOnlyList<RatingBeside> Of(IReadOnlyCollection<SessionDot> dots, DateOnly today) =>
        [
            .. Enum.GetValues<RatingKind>()
                .Select(kind => new RatingBeside(
                    kind,
                    RatingChange.Of(
                        dots.Select(d => (d.Day, Rating: In(d, kind)))
                            .Where(d => d.Rating is not null)
                            .Select(d => (d.Day, d.Rating!.Value)),
                        today
                    )
                )),
        ];

    private static int? In(SessionDot dot, RatingKind kind) =>
        kind switch
        {
            RatingKind.Focus => dot.Focus,
            RatingKind.Quality => dot.Quality,
            RatingKind.Confidence => dot.Confidence,
            RatingKind.Enjoyment => dot.Enjoyment,
            _ => dot.Effort,
        };
}

/// <summary>The load of one week.</summary>
public sealed record LoadOfWeekView(DateOnly Monday, double Load, double? Usual, double? Ratio, LoadBand? Band)
{
    public static LoadOfWeekView Of(LoadOfWeek load) => new(load.Week.Monday, load.Load, load.Usual, load.Ratio, load.Band);
}

/// <summary>The bounds that a week's load is read by.</summary>
public sealed record LoadBounds(double UsualFrom, double UsualTo, double CautionAbove);

/// <summary>A competition on a time axis.</summary>
/// <param name="Id">The competition.</param>
/// <param name="Name">Its name.</param>
/// <param name="FirstDay">Its first day.</param>
/// <param name="LastDay">Its last day.</param>
/// <param name="WantsDebrief">Whether it was over lately, and nobody has said yet what held.</param>
public sealed record CompetitionDays(Guid Id, string Name, DateOnly FirstDay, DateOnly LastDay, bool WantsDebrief);

/// <summary>All results of one drill in one kind of practice, as far as they are kept and shown at once.</summary>
/// <param name="StudentName">Whose.</param>
/// <param name="Curve">The curve; null where nothing was practised of it.</param>
/// <param name="Competitions">Competitions in its days.</param>
public sealed record CurveView(string StudentName, ResultCurve? Curve, IReadOnlyList<CompetitionDays> Competitions);

/// <summary>What a goal can begin from.</summary>
/// <param name="Now">The last comparable results together; null where nothing feeds it.</param>
public sealed record GoalStartView(GoalPoint? Now);
