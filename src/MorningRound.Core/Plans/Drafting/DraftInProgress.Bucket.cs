using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Range balls run out: what is left of the bucket decides what is worth beginning, and how long it lasts.</summary>
internal sealed partial class DraftInProgress
{
    /// <summary>
    /// No more balls than are left in the bucket, and then no more minutes than they last at the slowest usual pace.
    /// </summary>
    private PracticeSegment WithinBucket(PracticeSegment segment)
    {
        if (!segment.Place.BallsAreBought() || segment.Balls <= _ballsLeft)
            return segment;
        var minutes = UsualPace.Of(segment) is { Least: > 0 } usual
            ? Math.Min(segment.Minutes, (int)(_ballsLeft / usual.Least))
            : segment.Minutes;
        var shorter = WithHolesIn(segment with { Minutes = Math.Max(1, minutes) }, minutes);
        return shorter.WithBalls(Math.Min(_ballsLeft, BallsFor(shorter)));
    }

    /// <summary>The fewest balls a drill is worth taking out for.</summary>
    private int LeastBalls(Drill drill, Slot slot) =>
        drill.ProtocolAt(drill.BeginningRung(_context.Level)).OwnStrokes
        ?? (
            IsHoles(drill) ? 2 * BallsAHole
            : IsSlow(drill, slot) ? 4
            : Math.Min(drill.UsualBalls, Math.Max(5, drill.UsualBalls / 2))
        );

    /// <summary>Minutes that no part could use go to whatever bears them.</summary>
    private void Spread(int left)
    {
        for (var i = _segments.Count - 1; i >= 0 && left > 0; i--)
        {
            if (_segments[i] is not PracticeSegment { Drill: { } planned, Phase: not Phase.WarmUp } segment)
                continue;
            var slot = new Slot(segment.Phase, segment.Intent, segment.Minutes, DraftSentences.PutIn.Of());
            left -= Grow(i, segment, Lengths(planned.Drill, slot).Most, left);
        }
    }

    /// <summary>Makes a segment longer by at most so many minutes, up to a length and as far as the balls last.</summary>
    private int Grow(int at, PracticeSegment segment, int most, int by)
    {
        var minutes = Math.Min(segment.Minutes + by, most);
        if (minutes <= segment.Minutes)
            return 0;
        var longer = Resized(segment, minutes);
        if (segment.Place.BallsAreBought())
        {
            if (longer.Balls - segment.Balls > _ballsLeft)
                return 0;
            _ballsLeft -= longer.Balls - segment.Balls;
        }

        _segments[at] = longer;
        return minutes - segment.Minutes;
    }
}
