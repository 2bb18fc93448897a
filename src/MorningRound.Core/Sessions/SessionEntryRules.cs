using MorningRound.Core.Drills;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>What an entry must satisfy to be taken into a log.</summary>
public static class SessionEntryRules
{
    public const int MostEntriesInLog = 5000;
    public const int LongestNote = 2000;
    private const int LongestChoice = 40;

    /// <summary>How far a phone's clock may run ahead of the server's before its entries are refused.</summary>
    public static readonly TimeSpan ClockTolerance = TimeSpan.FromHours(26);

    private static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    /// <summary>Everything wrong with an entry of a session of this plan; empty when it can be taken.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="plan">The plan as it was set.</param>
    /// <param name="now">The time at the server.</param>
    /// <param name="path">Where the entry stands in what was sent, such as <c>entries[3]</c>.</param>
    public static IReadOnlyList<FieldError> Check(SessionEntry entry, SessionPlan plan, DateTimeOffset now, string path)
    {
        var errors = new FieldErrors()
            .RequireBetween(entry.Sequence, 1, MostEntriesInLog, $"{path}.sequence", "")
            .Require(entry.At >= Earliest && entry.At <= now + ClockTolerance, $"{path}.at", "The time lies too far from now.");
        switch (entry)
        {
            case SessionReadied readied:
                RequireRating(readied.Nerves, 1, "nerves");
                if (readied.MinutesAtHand is { } minutes) errors.RequireBetween(minutes, 1, PlanRules.MostMinutesInPlan, $"{path}.minutesAtHand", "minutes");
                if (readied.BallsAtHand is { } balls) errors.RequireBetween(balls, 0, 1000, $"{path}.ballsAtHand", "balls");
                break;
            case SegmentEntered entered:
                RequireSegment(entered.SegmentId);
                break;
            case SessionTrimmed trimmed:
                errors.RequireAtMost(trimmed.Kept.Count, PlanRules.MostSegments, $"{path}.kept");
                for (var i = 0; i < Math.Min(trimmed.Kept.Count, PlanRules.MostSegments); i++)
                {
                    var (kept, at) = (trimmed.Kept[i], $"{path}.kept[{i}]");
                    errors.Require(plan.Segments.Any(s => s.Id == kept.SegmentId), $"{at}.segmentId", "This session has no such segment.")
                        .RequireBetween(kept.Minutes, 1, PlanRules.MostMinutesInSegment, $"{at}.minutes", "minutes")
                        .RequireBetween(kept.Balls, 0, PlanRules.MostBallsInSegment, $"{at}.balls", "balls");
                }

                break;
            case BallsCounted counted:
                RequireSegment(counted.SegmentId);
                errors.RequireBetween(counted.Balls, -PlanRules.MostBallsInSegment, PlanRules.MostBallsInSegment, $"{path}.balls", "balls");
                break;
            case DrillAnswered answered:
                RequireSegment(answered.SegmentId);
                errors.RequireBetween(answered.Input.Attempt, 1, MostEntriesInLog, $"{path}.input.attempt", "attempts")
                    .AllowText((answered.Input as TextWritten)?.Text, $"{path}.input.text", LongestNote)
                    .AllowText((answered.Input as ChoiceMade)?.Value, $"{path}.input.value", LongestChoice);
                break;
            case AttemptDropped dropped:
                RequireSegment(dropped.SegmentId);
                break;
            case SegmentSettled settled:
                RequireSegment(settled.SegmentId);
                break;
            case PainReported pain:
                errors.RequireBetween(pain.Level, 1, 10, $"{path}.level", "of 10").RequireSide(pain.Part, pain.Side, $"{path}.side");
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
                errors.AllowText(noted.Checkpoint, $"{path}.checkpoint", PlanRules.LongestSentence);
                if (noted.Homework is { } homework) errors.Include(PlanRules.Check(homework.ToSegment(), $"{path}.homework"));
                break;
            case EntryUndone undone:
                errors.Require(undone.Undoes >= 1 && undone.Undoes < entry.Sequence, $"{path}.undoes", "Only an earlier entry can be undone.");
                break;
        }

        return errors.Found;

        void RequireSegment(Guid id) =>
            errors.Require(plan.Segments.Any(s => s.Id == id), $"{path}.segmentId", "This session has no such segment.");

        void RequireRating(int? value, int least, string name)
        {
            if (value is { } given) errors.RequireBetween(given, least, 10, $"{path}.{name}", "of 10");
        }
    }
}
