using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Made to fit: minutes, walks, pauses, balls, order, and what the check still offers.</summary>
internal sealed partial class DraftInProgress
{
    private const int MostFixes = 30;
    private const int MinutesAHole = 4;
    private const int BallsAHole = 3;
    private const int LongestWhole = 90;

    /// <summary>From so many minutes on a visit with a range and a green uses both. The product's own number.</summary>
    private const int HoldsBothFrom = 60;
    private const int OtherPlaceMinutes = 8;

    /// <summary>
    /// Where a visit of an hour or more has a range and a green, both are used: the part that is split for it keeps its phase and
    /// intent, so that the shares stay as they are.
    /// </summary>
    private IEnumerable<Slot> WithBothPlaces(IReadOnlyList<Slot> slots)
    {
        PlaceKind[] greens = [PlaceKind.PuttingGreen, PlaceKind.ChippingGreen];
        var other =
            _main == PlaceKind.Range ? greens.Cast<PlaceKind?>().FirstOrDefault(g => _request.Places.Contains(g!.Value))
            : !greens.Contains(_main) ? null
            : _request.Places.Contains(PlaceKind.Range) && _request.Balls >= 10 ? PlaceKind.Range
            : greens.Cast<PlaceKind?>().FirstOrDefault(g => g != _main && _request.Places.Contains(g!.Value));
        if (other is not { } place || _request.Minutes < HoldsBothFrom)
            return slots;
        var split =
            slots.LastOrDefault(s => s is { Phase: Phase.OnCourse, Minutes: >= 2 * OtherPlaceMinutes })
            ?? slots.LastOrDefault(s => s is { Phase: not Phase.Block, Minutes: >= 2 * OtherPlaceMinutes })
            ?? slots.LastOrDefault(s => s.Minutes >= 2 * OtherPlaceMinutes);
        if (split is null || (_approach == Approach.Sharpen && place == PlaceKind.PuttingGreen))
            return slots;
        return slots.SelectMany(s =>
            s != split
                ? [s]
                : new[]
                {
                    s with
                    {
                        Minutes = s.Minutes - OtherPlaceMinutes,
                    },
                    s with
                    {
                        Minutes = OtherPlaceMinutes,
                        Only = place,
                    },
                }
        );
    }

    /// <summary>
    /// One place after the other, the main one first, so that nobody walks twice; within each part of the game, block before what
    /// changes.
    /// </summary>
    private void PutInOrder()
    {
        PlaceKind[] order =
        [
            _main,
            PlaceKind.Range,
            PlaceKind.ChippingGreen,
            PlaceKind.Bunker,
            PlaceKind.PuttingGreen,
            PlaceKind.Home,
            PlaceKind.Course,
        ];
        var sorted = _segments
            .Select((s, i) => (Segment: s, At: i))
            .OrderBy(s =>
                s.Segment is PracticeSegment { Phase: Phase.WarmUp }
                    ? -1
                    : Array.IndexOf(order, ((PracticeSegment)s.Segment).Place)
            )
            .ThenBy(s => s.At)
            .Select(s => s.Segment)
            .ToList();
        _segments.Clear();
        _segments.AddRange(sorted);
        for (var i = 0; i < _segments.Count; i++)
        {
            if (_segments[i] is not PracticeSegment { Phase: Phase.Block } block || block.Part() is not { } part)
                continue;
            var first = _segments.FindIndex(s =>
                s is PracticeSegment { Phase: Phase.Random or Phase.OnCourse } p && p.Part() == part
            );
            if (first < 0 || first > i)
                continue;
            _segments.RemoveAt(i);
            _segments.Insert(first, block);
        }
    }

    /// <summary>Walks and rounding taken off, or given to, the longest part, so that it all fits.</summary>
    private void FitToTime(int pauses)
    {
        var walks = new PlanInput(new SessionPlan { Title = "", Segments = _segments }, _context).WalkMinutes;
        var over = _segments.Sum(s => s.Minutes) + walks + pauses - _request.Minutes;
        while (
            over > 0
            && _segments
                .OfType<PracticeSegment>()
                .Where(s => s.Minutes > 1)
                // A drill with a number of its own takes what it takes, as long as something else can give way.
                .OrderBy(s => s.Drill?.Protocol().OwnStrokes is null || s.Minutes > MostSegment ? 0 : 1)
                .ThenByDescending(s => s.Minutes)
                .FirstOrDefault()
                is { } longest
        )
        {
            var less = Math.Min(over, Math.Max(1, longest.Minutes / 8));
            var at = _segments.IndexOf(longest);
            _segments[at] = Resized(longest, longest.Minutes - less);
            over -= less;
        }
    }

    private void PlacePauses(int most)
    {
        for (var i = 0; i < 12; i++)
        {
            var plan = new SessionPlan
            {
                Title = "",
                Segments = _segments,
                Constraints = new PlanConstraints { Hot = most == MinutesWithoutBreakWhenHot },
            };
            var mended = PlanCheck.FindAll(plan, _context).FirstOrDefault(f => f.Id == FindingId.NoBreak)?.Mend?.Invoke();
            if (mended is null)
                return;
            _segments.Clear();
            _segments.AddRange(mended.Segments);
        }
    }

    /// <summary>
    /// Range balls within the bucket: taken first where the pace allows fewer, warm-up and holes among them; only then, and
    /// said so, below the usual pace.
    /// </summary>
    private SessionPlan WithinBalls(SessionPlan plan)
    {
        var bought = plan.Practice().Where(s => s.Place.BallsAreBought()).Sum(s => s.Balls);
        var over = bought - _request.Balls;
        if (over <= 0)
            return plan;
        var slack = plan.Practice()
            .Where(s => s.Place.BallsAreBought())
            .ToDictionary(s => s.Id, s => Math.Max(0, s.Balls - LeastBalls(s)));
        var all = slack.Values.Sum();
        if (all > 0)
        {
            var left = Math.Min(over, all);
            plan = plan with
            {
                Segments =
                [
                    .. plan.Segments.Select(s =>
                    {
                        if (s is not PracticeSegment p || !slack.TryGetValue(p.Id, out var room) || room == 0)
                            return s;
                        var less = Math.Min(left, (int)Math.Ceiling((double)Math.Min(over, all) * room / all));
                        left -= less;
                        return p.WithBalls(p.Balls - less);
                    }),
                ],
            };
        }

        if (over <= all)
            return plan;
        Compromise(null, DraftSentences.FewBalls.Of(_request.Balls, bought - all));
        return PlanEdits.ToBalls(plan, _request.Balls);
    }

    private static int LeastBalls(PracticeSegment segment) =>
        segment switch
        {
            { Phase: Phase.WarmUp } => 0,
            { Holes: { } holes } => 2 * holes,
            _ when UsualPace.Of(segment) is { } usual => (int)Math.Ceiling(usual.Least * segment.Minutes),
            _ => Math.Min(segment.Balls, 1),
        };

    /// <summary>What can still be put right is put right, the heaviest first.</summary>
    private SessionPlan Mended(SessionPlan plan)
    {
        for (var i = 0; i < MostFixes; i++)
        {
            var found = PlanCheck.Run(plan, _context);
            if (found.FirstOrDefault(f => f.Level > FindingLevel.Note && f.Fix is not null) is not { } offered)
                break;
            plan = PlanCheck.Fix(plan, _context, offered.Id, offered.SegmentId);
        }

        return plan;
    }
}
