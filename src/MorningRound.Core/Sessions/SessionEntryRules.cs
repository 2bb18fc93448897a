using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Sessions;

/// <summary>What an entry must satisfy to be taken into a log.</summary>
public static class SessionEntryRules
{
    /// <summary>The most entries of one log.</summary>
    public const int MostEntriesInLog = 5000;

    /// <summary>Characters of a note.</summary>
    public const int LongestNote = 2000;
    private const int LongestChoice = 40;

    private const int LongestWhere = 60;

    /// <summary>All text of a log together, in characters: notes, causes, scenarios.</summary>
    public const int MostTextInLog = 60_000;

    /// <summary>How often what was agreed in a lesson can be noted in its log.</summary>
    public const int MostLessonNotes = 20;

    /// <summary>How long after the end note, tags, ratings and pain can still be mended.</summary>
    public const int MendingDays = 7;

    /// <summary>Everything wrong with an entry of a session of this plan; empty when it can be taken.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="plan">The plan as it was set.</param>
    /// <param name="path">Where the entry stands in what was sent, such as <c>entries[3]</c>.</param>
    /// <remarks>No time is refused: what a phone's clock says is put right by <see cref="PhoneClock"/>.</remarks>
    public static IReadOnlyList<FieldError> Check(SessionEntry entry, SessionPlan plan, string path)
    {
        var errors = new FieldErrors().RequireBetween(entry.Sequence, 1, MostEntriesInLog, $"{path}.sequence", "");
        switch (entry)
        {
            case SessionReadied readied:
                RequireRating(readied.Nerves, 1, "nerves");
                if (readied.MinutesAtHand is { } minutes)
                    errors.RequireIn(minutes, FieldRanges.MinutesAtHand, $"{path}.minutesAtHand", "minutes");
                if (readied.BallsAtHand is { } balls)
                    errors.RequireIn(balls, FieldRanges.SessionBalls, $"{path}.ballsAtHand", "balls");
                break;
            case SegmentEntered entered:
                RequireSegment(entered.SegmentId);
                break;
            case SessionTrimmed trimmed:
                errors.RequireAtMost(trimmed.Kept.Count, PlanRules.MostSegments, $"{path}.kept");
                for (var i = 0; i < Math.Min(trimmed.Kept.Count, PlanRules.MostSegments); i++)
                {
                    var (kept, at) = (trimmed.Kept[i], $"{path}.kept[{i}]");
                    errors
                        .Require(
                            plan.Segments.Any(s => s.Id == kept.SegmentId),
                            $"{at}.segmentId",
                            "This session has no such segment."
                        )
                        .RequireIn(kept.Minutes, FieldRanges.SegmentMinutes, $"{at}.minutes", "minutes")
                        .RequireIn(kept.Balls, FieldRanges.SegmentBalls, $"{at}.balls", "balls");
                    if (kept.Attempts is { } attempts)
                        errors.RequireBetween(attempts, 1, ScoringProtocol.MostAttempts, $"{at}.attempts", "attempts");
                }

                break;
            case BallsCounted counted:
                RequireSegment(counted.SegmentId);
                errors.RequireBetween(
                    counted.Balls,
                    -PlanRules.MostBallsInSegment,
                    PlanRules.MostBallsInSegment,
                    $"{path}.balls",
                    "balls"
                );
                break;
            case DrillAnswered answered:
                RequireSegment(answered.SegmentId);
                errors
                    .RequireBetween(answered.Input.Attempt, 1, MostEntriesInLog, $"{path}.input.attempt", "attempts")
                    .AllowText((answered.Input as TextWritten)?.Text, $"{path}.input.text", DrillInput.LongestText)
                    .AllowText((answered.Input as ChoiceMade)?.Value, $"{path}.input.value", LongestChoice);
                break;
            case AttemptDropped dropped:
                RequireSegment(dropped.SegmentId);
                break;
            case SegmentSettled settled:
                RequireSegment(settled.SegmentId);
                if (settled.Percent is { } percent)
                    errors
                        .RequireBetween(percent, 1, 99, $"{path}.percent", "%")
                        .Require(
                            settled.Outcome == SegmentOutcome.PartDone,
                            $"{path}.percent",
                            "Only what was done in part has a share."
                        );
                break;
            case PainReported pain:
                errors
                    .RequireBetween(pain.Level, 1, 10, $"{path}.level", "of 10")
                    .RequireSide(pain.Part, pain.Side, $"{path}.side")
                    .AllowText(pain.Where, $"{path}.where", LongestWhere);
                break;
            case PainFollowedUp followUp:
                errors
                    .RequireBetween(followUp.Level, 0, 10, $"{path}.level", "of 10")
                    .RequireSide(followUp.Part, followUp.Side, $"{path}.side");
                break;
            case PainMended mended:
                errors
                    .RequireBetween(mended.Level, 0, 10, $"{path}.level", "of 10")
                    .Require(
                        mended.Mends >= 1 && mended.Mends < entry.Sequence,
                        $"{path}.mends",
                        "Only an earlier report can be mended."
                    );
                break;
            case TagsMended tags:
                RequireSegment(tags.SegmentId);
                errors.RequireBetween(tags.Attempt, 1, MostEntriesInLog, $"{path}.attempt", "attempts");
                break;
            case SessionRated rated:
                RequireRating(rated.Focus, 1, "focus");
                RequireRating(rated.Quality, 1, "quality");
                RequireRating(rated.Confidence, 1, "confidence");
                RequireRating(rated.Enjoyment, 1, "enjoyment");
                RequireRating(rated.Effort, 0, "effort");
                errors.AllowText(rated.Note, $"{path}.note", LongestNote);
                break;
            case LessonNoted noted:
                errors
                    .AllowText(noted.Checkpoint, $"{path}.checkpoint", PlanRules.LongestSentence)
                    .AllowText(noted.Notes, $"{path}.notes", LongestNote);
                if (noted.Homework is { } homework)
                    errors.Include(PlanRules.Check(homework.ToSegment(), $"{path}.homework"));
                break;
            case EntryUndone undone:
                errors.Require(
                    undone.Undoes >= 1 && undone.Undoes < entry.Sequence,
                    $"{path}.undoes",
                    "Only an earlier entry can be undone."
                );
                break;
        }

        return errors.Found;

        void RequireSegment(Guid id) =>
            errors.Require(plan.Segments.Any(s => s.Id == id), $"{path}.segmentId", "This session has no such segment.");

        void RequireRating(int? value, int least, string name)
        {
            if (value is { } given)
                errors.RequireBetween(given, least, 10, $"{path}.{name}", "of 10");
        }
    }

    /// <summary>
    /// What is wrong with mending a log that was finished; empty where it is not, or still within <see cref="MendingDays"/>.
    /// </summary>
    /// <param name="entry">The entry, with its time put right.</param>
    /// <param name="finishedAt">When the log was finished; null while it is open.</param>
    /// <param name="path">Where the entry stands in what was sent.</param>
    public static IReadOnlyList<FieldError> CheckMending(SessionEntry entry, DateTimeOffset? finishedAt, string path) =>
        finishedAt is { } end && entry.At > end.AddDays(MendingDays)
            ? [new FieldError(path, $"A session can be mended for {MendingDays} days after it was finished.")]
            : [];

    /// <summary>Characters of free text in an entry; 0 for most.</summary>
    public static int TextIn(SessionEntry entry) =>
        entry switch
        {
            SessionRated rated => rated.Note.Length,
            LessonNoted noted => noted.Checkpoint.Length
                + noted.Notes.Length
                + (noted.Homework?.Title.Length ?? 0)
                + (noted.Homework?.Instruction.Length ?? 0),
            DrillAnswered { Input: TextWritten written } => written.Text.Length,
            PainReported pain => pain.Where.Length,
            _ => 0,
        };
}
