using System.Text.Json.Serialization;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;

namespace MorningRound.Core.Sessions;

/// <summary>What happened in one segment, as far as the log knows.</summary>
public sealed record SegmentLog
{
    /// <summary>The segment.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>How it was left; null while it is open.</summary>
    public SegmentOutcome? Outcome { get; init; }

    /// <summary>How much of it was done in percent, where the student said so of a part; null otherwise.</summary>
    public int? Percent { get; init; }

    /// <summary>Balls counted; null when nothing was counted, which is not the same as zero.</summary>
    public int? Balls { get; init; }

    /// <summary>Time the clock ran for this segment.</summary>
    public TimeSpan Spent { get; init; }

    /// <summary>
    /// The inputs of its drill that stand, attempts taken back left out. Kept whatever becomes of them, but in the entries only:
    /// a stored reading does not hold them a second time.
    /// </summary>
    [JsonIgnore]
    public IReadOnlyList<DrillInput> Inputs { get; init; } = [];

    /// <summary>How the drill's inputs read; null without inputs.</summary>
    public ResultStatus? ResultStatus { get; init; }

    /// <summary>Attempts of the drill that were completed.</summary>
    public int DrillAttempts { get; init; }

    /// <summary>
    /// What the drill's protocol makes of the inputs; null without inputs, and like them not in a stored reading. Where they do
    /// not fit the drill that was set, or no drill was set, they are not scored, and it says so.
    /// </summary>
    [JsonIgnore]
    public ProtocolResult? Result { get; init; }
}

/// <summary>Pain that was reported otherwise first. A coach sees both.</summary>
/// <param name="First">What was reported.</param>
/// <param name="Now">What counts; null where nothing hurt.</param>
public sealed record MendedPain(PainReported First, PainReported? Now);

/// <summary>The segment the clock runs for, and since when.</summary>
public sealed record RunningClock(Guid SegmentId, DateTimeOffset Since);

/// <summary>What has to be known of a running clock to go on reading a log.</summary>
/// <param name="SeenAt">The time of the last entry.</param>
/// <param name="Counted">How much of the running stretch counts so far.</param>
public sealed record ClockState(DateTimeOffset SeenAt, TimeSpan Counted);

/// <summary>
/// What really happened: the state that a log's entries add up to. The entries are the record; this is their reading, and it
/// can be made again at any time.
/// </summary>
public sealed record SessionLog
{
    /// <summary>
    /// The longest stretch without any entry that still counts as practice: a phone left running overnight is not.
    /// </summary>
    public static readonly TimeSpan LongestStretch = TimeSpan.FromHours(2);

    /// <summary>After so long without any entry the phone asks how much of it was practice.</summary>
    public static readonly TimeSpan AskAfter = TimeSpan.FromHours(1);

    /// <summary>The time of the first entry; null in an empty log.</summary>
    public DateTimeOffset? StartedAt { get; init; }

    /// <summary>When it was finished; null while it is under way.</summary>
    public DateTimeOffset? FinishedAt { get; init; }

    /// <summary>The segment the clock is running for, and since when; null while it stands still.</summary>
    public RunningClock? Running { get; init; }

    /// <summary>Where the running clock stands; null while it stands still.</summary>
    public ClockState? ClockState { get; init; }

    /// <summary>The numbers of the entries that were taken back.</summary>
    public IReadOnlyList<int> Undone { get; init; } = [];

    /// <summary>Segments that were touched, in the order of their first entry.</summary>
    public required IReadOnlyList<SegmentLog> Segments { get; init; }

    /// <summary>How it was kept.</summary>
    public Recording Recording { get; init; }

    /// <summary>What was left of it when it was made to fit; null where it was practised as set.</summary>
    public SessionTrimmed? Trim { get; init; }

    /// <summary>What was agreed, where it was a lesson; the last said counts.</summary>
    public LessonNoted? Agreed { get; init; }

    /// <summary>
    /// All pain that was reported, in order, as it counts: mended where it was mended, left out where it was a slip.
    /// </summary>
    public required IReadOnlyList<PainReported> Pain { get; init; }

    /// <summary>The reports that were mended, in order.</summary>
    public IReadOnlyList<MendedPain> MendedPain { get; init; } = [];

    /// <summary>How pain of earlier sessions was when this one began; of one part, the last said counts.</summary>
    public IReadOnlyList<PainFollowedUp> FollowUps { get; init; } = [];

    /// <summary>Whether the student felt unwell, and how; the first said counts.</summary>
    public Unwell? Unwell { get; init; }

    /// <summary>The weather that ended the session; null where none did, the first said counts.</summary>
    public BadWeather? Weather { get; init; }

    /// <summary>Whether the rating was given or changed after the session was finished.</summary>
    public bool RatedAfterwards { get; init; }

    /// <summary>Whether a clock ran longer than counts, because nobody stopped it.</summary>
    public bool ClockLeftRunning { get; init; }

    /// <summary>How the student came; null where nothing was said.</summary>
    public SessionReadied? Ready { get; init; }

    /// <summary>The last rating given; null before that.</summary>
    public SessionRated? Rating { get; init; }

    /// <summary>Time the clock ran, over all segments.</summary>
    public TimeSpan Spent => Segments.Aggregate(TimeSpan.Zero, (sum, s) => sum + s.Spent);

    /// <summary>Whether reported pain ended the session.</summary>
    public bool EndedByPain => Pain.Any(p => PainRule.EndsSession(p.Level, p.Sharp));

    /// <summary>Whether pain, feeling unwell or the weather ended the session.</summary>
    public bool EndedForCare => EndedByPain || Unwell is not null || Weather is not null;

    /// <summary>
    /// Reads a log's entries in the order of their numbers, whatever order they come in. Clocks that run backwards add no
    /// time, and what lies between two entries counts for at most <see cref="LongestStretch"/>, unless it was typed in from
    /// paper.
    /// </summary>
    /// <param name="entries">The entries.</param>
    /// <param name="drills">The drills of the session as they were set, by which inputs are scored.</param>
    public static SessionLog From(IEnumerable<SessionEntry> entries, IReadOnlyList<PublishedDrill>? drills = null)
    {
        var ordered = entries.OrderBy(e => e.Sequence).ToList();
        var undone = ordered.OfType<EntryUndone>().Select(e => e.Undoes).ToHashSet();
        var reading = new Reading(drills ?? []);
        foreach (var entry in ordered.Where(e => e is not EntryUndone && !undone.Contains(e.Sequence)))
            reading.Take(entry);
        return reading.Result(ordered.Count == 0 ? null : ordered[0].At) with { Undone = [.. undone.Order()] };
    }

    /// <summary>
    /// Whether a log can go on with an entry without being read anew: so it is with all that is tapped while practising. What can
    /// change something earlier (an undo, anything mended, a rating, pain) asks for the whole log.
    /// </summary>
    public static bool CanContinueWith(SessionEntry entry) =>
        entry is SegmentEntered or ClockStopped or BallsCounted or DrillAnswered or AttemptDropped or SegmentSettled;

    /// <summary>The segment whose drill an entry says something of; null for any other entry.</summary>
    public static Guid? DrillSegmentOf(SessionEntry entry) =>
        entry switch
        {
            DrillAnswered answered => answered.SegmentId,
            AttemptDropped dropped => dropped.SegmentId,
            TagsMended mended => mended.SegmentId,
            _ => null,
        };

    /// <summary>
    /// This log with more entries at its end: the same as reading the whole log anew, for the price of the new entries and of the
    /// drills they belong to.
    /// </summary>
    /// <param name="added">The new entries, in order; <see cref="CanContinueWith"/> holds for each.</param>
    /// <param name="drills">The drills of the session as they were set.</param>
    /// <param name="drillEntries">The log's earlier entries of the drills that the new entries belong to, in any order.</param>
    public SessionLog Continue(
        IReadOnlyList<SessionEntry> added,
        IReadOnlyList<PublishedDrill> drills,
        IEnumerable<SessionEntry> drillEntries
    )
    {
        var reading = new Reading(drills, this);
        var undone = Undone.ToHashSet();
        foreach (var earlier in drillEntries.Where(e => !undone.Contains(e.Sequence)).OrderBy(e => e.Sequence))
            reading.TakeInput(earlier);
        foreach (var entry in added)
            reading.Take(entry);
        var read = reading.Result(StartedAt);
        return this with
        {
            Segments = read.Segments,
            Running = read.Running,
            ClockState = read.ClockState,
            ClockLeftRunning = read.ClockLeftRunning,
        };
    }

    private sealed class Reading(IReadOnlyList<PublishedDrill> drills)
    {
        private readonly HashSet<Guid> _foreignFlows = [];
        private readonly HashSet<Guid> _scored = [];
        private readonly List<Guid> _order = [];
        private readonly Dictionary<Guid, SegmentLog> _segments = [];
        private readonly List<PainReported> _pain = [];
        private RunningClock? _running;
        private SessionRated? _rating;
        private SessionReadied? _ready;
        private LessonNoted? _agreed;
        private SessionTrimmed? _trim;
        private Recording _recording;
        private readonly Dictionary<int, PainMended> _mended = [];
        private readonly List<PainFollowedUp> _followUps = [];
        private DateTimeOffset? _finished;
        private DateTimeOffset _seen;
        private TimeSpan _stretch;
        private Unwell? _unwell;
        private BadWeather? _weather;
        private bool _ratedAfterwards;
        private bool _clockLeftRunning;

        /// <summary>Goes on from what was read before.</summary>
        public Reading(IReadOnlyList<PublishedDrill> drills, SessionLog before)
            : this(drills)
        {
            foreach (var segment in before.Segments)
            {
                _order.Add(segment.SegmentId);
                _segments[segment.SegmentId] = segment;
            }

            _running = before.Running;
            if (before.ClockState is { } clock)
                (_seen, _stretch) = (clock.SeenAt, clock.Counted);
            _recording = before.Recording;
            _trim = before.Trim;
            _clockLeftRunning = before.ClockLeftRunning;
        }

        /// <summary>An entry that was counted before, as far as its drill needs it again.</summary>
        public void TakeInput(SessionEntry entry)
        {
            switch (entry)
            {
                case DrillAnswered answered:
                    if (drills.FirstOrDefault(d => d.SegmentId == answered.SegmentId)?.Flow.Version != answered.FlowVersion)
                        _foreignFlows.Add(answered.SegmentId);
                    Change(answered.SegmentId, s => s with { Inputs = [.. s.Inputs, answered.Input] });
                    break;
                case AttemptDropped dropped:
                    Change(dropped.SegmentId, s => s with { Inputs = DrillInput.WithoutLastAttempt(s.Inputs) });
                    break;
                case TagsMended tags:
                    Change(tags.SegmentId, s => s with { Inputs = DrillInput.WithTags(s.Inputs, tags.Attempt, tags.Tags) });
                    break;
            }
        }

        public void Take(SessionEntry entry)
        {
            Advance(entry.At);
            switch (entry)
            {
                case SegmentEntered entered:
                    StopClock();
                    Change(entered.SegmentId, s => s);
                    _running = new RunningClock(entered.SegmentId, entered.At);
                    (_seen, _stretch) = (entered.At, TimeSpan.Zero);
                    break;
                case ClockStopped:
                    StopClock();
                    break;
                case BallsCounted counted:
                    Change(counted.SegmentId, s => s with { Balls = Math.Max(0, (s.Balls ?? 0) + counted.Balls) });
                    break;
                case DrillAnswered or AttemptDropped or TagsMended:
                    TakeInput(entry);
                    _scored.Add(DrillSegmentOf(entry)!.Value);
                    break;
                case SegmentSettled settled:
                    if (_running?.SegmentId == settled.SegmentId)
                        StopClock();
                    Change(settled.SegmentId, s => s with { Outcome = settled.Outcome, Percent = settled.Percent });
                    break;
                case PainReported pain:
                    _pain.Add(pain);
                    if (PainRule.EndsSession(pain.Level, pain.Sharp))
                        StopClock();
                    break;
                case PainFollowedUp followUp:
                    _followUps.RemoveAll(f => f.Part == followUp.Part && f.Side == followUp.Side);
                    _followUps.Add(followUp);
                    break;
                case PainMended mended:
                    _mended[mended.Mends] = mended;
                    break;
                case UnwellReported unwell:
                    _unwell ??= unwell.Feeling;
                    StopClock();
                    break;
                case StoppedByWeather stopped:
                    _weather ??= stopped.Weather;
                    StopClock();
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
                    _ratedAfterwards = _finished is not null;
                    break;
                case SessionFinished:
                    StopClock();
                    _finished ??= entry.At;
                    break;
            }
        }

        public SessionLog Result(DateTimeOffset? startedAt) =>
            new()
            {
                StartedAt = startedAt,
                FinishedAt = _finished,
                Running = _running,
                ClockState = _running is null ? null : new ClockState(_seen, _stretch),
                Segments = [.. _order.Select(id => _segments[id]).Select(Scored)],
                Pain = [.. _pain.Select(Mended).OfType<PainReported>()],
                MendedPain = [.. _pain.Where(p => _mended.ContainsKey(p.Sequence)).Select(p => new MendedPain(p, Mended(p)))],
                FollowUps = _followUps,
                Unwell = _unwell,
                Weather = _weather,
                RatedAfterwards = _ratedAfterwards,
                ClockLeftRunning = _clockLeftRunning,
                Rating = _rating,
                Ready = _ready,
                Recording = _recording,
                Agreed = _agreed,
                Trim = _trim,
            };

        private SegmentLog Scored(SegmentLog segment)
        {
            if (!_scored.Contains(segment.SegmentId))
                return segment;
            if (segment.Inputs.Count == 0)
                return segment with { ResultStatus = null, DrillAttempts = 0, Result = null };
            var drill = _foreignFlows.Contains(segment.SegmentId)
                ? null
                : drills.FirstOrDefault(d => d.SegmentId == segment.SegmentId);
            var result = drill is null
                ? ProtocolResult.NotScored
                : drill.ProtocolFor(_trim?.Kept).Score(segment.Inputs, drill.Seed);
            return segment with { Result = result, ResultStatus = result.Status, DrillAttempts = result.Attempts };
        }

        private PainReported? Mended(PainReported report) =>
            !_mended.TryGetValue(report.Sequence, out var mended) ? report
            : mended.Level == 0 ? null
            : report with { Level = mended.Level, Sharp = mended.Sharp };

        /// <summary>
        /// Any entry is a sign of life: the time since the one before was practice, as far as that can be believed.
        /// </summary>
        private void Advance(DateTimeOffset at)
        {
            if (_running is null)
                return;
            var since = at - _seen;
            _seen = at;
            if (since > LongestStretch && _recording != Recording.Paper)
            {
                since = LongestStretch;
                _clockLeftRunning = true;
            }

            if (since > TimeSpan.Zero)
                _stretch += since;
        }

        private void StopClock()
        {
            if (_running is not { } running)
                return;
            var stretch = _stretch;
            Change(running.SegmentId, s => s with { Spent = s.Spent + stretch });
            (_running, _stretch) = (null, TimeSpan.Zero);
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
