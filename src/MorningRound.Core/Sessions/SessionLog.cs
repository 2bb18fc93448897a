using System.Text.Json.Serialization;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Sessions;

/// <summary>What happened in one segment, as far as the log knows.</summary>
public sealed record SegmentLog
{
    public required Guid SegmentId { get; init; }

    /// <summary>How it was left; none while it is open.</summary>
    public SegmentOutcome? Outcome { get; init; }

    /// <summary>Balls counted; none when nothing was counted, which is not the same as zero.</summary>
    public int? Balls { get; init; }

    /// <summary>Time the clock ran for this segment.</summary>
    public TimeSpan Spent { get; init; }

    /// <summary>
    /// The inputs of its drill that stand, attempts taken back left out. Kept whatever becomes of them, but in the entries only:
    /// a stored reading does not hold them a second time.
    /// </summary>
    [JsonIgnore]
    public IReadOnlyList<DrillInput> Inputs { get; init; } = [];

    /// <summary>How the drill's inputs read; none without inputs.</summary>
    public DrillReading? DrillReading { get; init; }

    /// <summary>Attempts of the drill that were completed.</summary>
    public int DrillAttempts { get; init; }

    /// <summary>
    /// What the drill's protocol makes of the inputs; none without inputs, and like them not in a stored reading. Where they do not fit the drill that was set, or no
    /// drill was set, they are not scored, and it says so.
    /// </summary>
    [JsonIgnore]
    public ProtocolResult? Result { get; init; }
}

/// <summary>The segment the clock runs for, and since when.</summary>
public sealed record RunningClock(Guid SegmentId, DateTimeOffset Since);

/// <summary>
/// What really happened: the state that a log's entries add up to. The entries are the record; this is their reading, and it
/// can be made again at any time.
/// </summary>
public sealed record SessionLog
{
    /// <summary>The longest stretch without any sign of life that still counts as practice: a phone left running is not.</summary>
    public static readonly TimeSpan LongestStretch = TimeSpan.FromHours(4);

    /// <summary>The time of the first entry; none in an empty log.</summary>
    public DateTimeOffset? StartedAt { get; init; }

    /// <summary>When it was finished; none while it is under way.</summary>
    public DateTimeOffset? FinishedAt { get; init; }

    /// <summary>The segment the clock is running for, and since when; none while it stands still.</summary>
    public RunningClock? Running { get; init; }

    /// <summary>Segments that were touched, in the order of their first entry.</summary>
    public required IReadOnlyList<SegmentLog> Segments { get; init; }

    /// <summary>How it was kept.</summary>
    public Recording Recording { get; init; }

    /// <summary>What was left of it when it was made to fit; none where it was practised as set.</summary>
    public SessionTrimmed? Trim { get; init; }

    /// <summary>What was agreed, where it was a lesson; the last said counts.</summary>
    public LessonNoted? Agreed { get; init; }

    /// <summary>All pain that was reported, in order.</summary>
    public required IReadOnlyList<PainReported> Pain { get; init; }

    /// <summary>How the student came; none where nothing was said.</summary>
    public SessionReadied? Ready { get; init; }

    /// <summary>The last rating given; none before that.</summary>
    public SessionRated? Rating { get; init; }

    /// <summary>Time the clock ran, over all segments.</summary>
    public TimeSpan Spent => Segments.Aggregate(TimeSpan.Zero, (sum, s) => sum + s.Spent);

    /// <summary>Balls counted, over all segments.</summary>
    public int Balls => Segments.Sum(s => s.Balls ?? 0);

    /// <summary>Whether reported pain ended the session.</summary>
    public bool EndedByPain => Pain.Any(p => PainRule.EndsSession(p.Level, p.Sharp));

    /// <summary>
    /// Reads a log's entries in the order of their numbers, whatever order they come in. Clocks that run backwards add no
    /// time, and one stretch counts for at most <see cref="LongestStretch"/>.
    /// </summary>
    /// <param name="entries">The entries.</param>
    /// <param name="drills">The drills of the session as they were set, by which inputs are scored.</param>
    public static SessionLog From(IEnumerable<SessionEntry> entries, IReadOnlyList<SetDrill>? drills = null)
    {
        var ordered = entries.OrderBy(e => e.Sequence).ToList();
        var undone = ordered.OfType<EntryUndone>().Select(e => e.Undoes).ToHashSet();
        var reading = new Reading(drills ?? []);
        foreach (var entry in ordered.Where(e => e is not EntryUndone && !undone.Contains(e.Sequence))) reading.Take(entry);
        return reading.Result(ordered.Count == 0 ? null : ordered[0].At);
    }

    private sealed class Reading(IReadOnlyList<SetDrill> drills)
    {
        private readonly HashSet<Guid> _foreignFlows = [];
        private readonly List<Guid> _order = [];
        private readonly Dictionary<Guid, SegmentLog> _segments = [];
        private readonly List<PainReported> _pain = [];
        private RunningClock? _running;
        private SessionRated? _rating;
        private SessionReadied? _ready;
        private LessonNoted? _agreed;
        private SessionTrimmed? _trim;
        private Recording _recording;
        private DateTimeOffset? _finished;

        public void Take(SessionEntry entry)
        {
            switch (entry)
            {
                case SegmentEntered entered:
                    StopClock(entered.At);
                    Change(entered.SegmentId, s => s);
                    _running = new RunningClock(entered.SegmentId, entered.At);
                    break;
                case ClockStopped:
                    StopClock(entry.At);
                    break;
                case BallsCounted counted:
                    Change(counted.SegmentId, s => s with { Balls = Math.Max(0, (s.Balls ?? 0) + counted.Balls) });
                    break;
                case DrillAnswered answered:
                    if (drills.FirstOrDefault(d => d.SegmentId == answered.SegmentId)?.Flow.Version != answered.FlowVersion) _foreignFlows.Add(answered.SegmentId);
                    Change(answered.SegmentId, s => s with { Inputs = [.. s.Inputs, answered.Input] });
                    break;
                case AttemptDropped dropped:
                    Change(dropped.SegmentId, s => s with { Inputs = DrillInput.WithoutLastAttempt(s.Inputs) });
                    break;
                case SegmentSettled settled:
                    if (_running?.SegmentId == settled.SegmentId) StopClock(settled.At);
                    Change(settled.SegmentId, s => s with { Outcome = settled.Outcome });
                    break;
                case PainReported pain:
                    _pain.Add(pain);
                    if (PainRule.EndsSession(pain.Level, pain.Sharp)) StopClock(pain.At);
                    break;
                case SessionOpened opened:
                    _recording = opened.Recording;
                    break;
                case SessionTrimmed trimmed:
                    _trim = trimmed;
                    break;
                case LessonNoted noted:
                    _agreed = noted;
                    break;
                case SessionReadied readied:
                    _ready = readied;
                    break;
                case SessionRated rated:
                    _rating = rated;
                    break;
                case SessionFinished:
                    StopClock(entry.At);
                    _finished = entry.At;
                    break;
            }
        }

        public SessionLog Result(DateTimeOffset? startedAt) => new()
        {
            StartedAt = startedAt,
            FinishedAt = _finished,
            Running = _running,
            Segments = [.. _order.Select(id => _segments[id]).Select(Scored)],
            Pain = _pain,
            Rating = _rating,
            Ready = _ready,
            Recording = _recording,
            Agreed = _agreed,
            Trim = _trim,
        };

        private SegmentLog Scored(SegmentLog segment)
        {
            if (segment.Inputs.Count == 0) return segment;
            var drill = _foreignFlows.Contains(segment.SegmentId) ? null : drills.FirstOrDefault(d => d.SegmentId == segment.SegmentId);
            var result = drill is null ? ProtocolResult.NotScored : drill.Protocol.Score(segment.Inputs, drill.Seed);
            return segment with { Result = result, DrillReading = result.Reading, DrillAttempts = result.Attempts };
        }

        private void StopClock(DateTimeOffset at)
        {
            if (_running is not { } running) return;
            var stretch = at - running.Since;
            if (stretch < TimeSpan.Zero) stretch = TimeSpan.Zero;
            if (stretch > LongestStretch) stretch = LongestStretch;
            Change(running.SegmentId, s => s with { Spent = s.Spent + stretch });
            _running = null;
        }

        private void Change(Guid segmentId, Func<SegmentLog, SegmentLog> change)
        {
            if (!_segments.TryGetValue(segmentId, out var segment))
            {
                segment = new SegmentLog { SegmentId = segmentId };
                _order.Add(segmentId);
            }

            _segments[segmentId] = change(segment);
        }
    }
}
