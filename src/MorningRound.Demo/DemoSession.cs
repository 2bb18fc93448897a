using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;
using MorningRound.Server.Storage;

namespace MorningRound.Demo;

/// <summary>Makes up how one session went: the entries a phone would have sent.</summary>
internal sealed class DemoSession(
    SessionPlan plan,
    IReadOnlyList<PublishedDrill> drills,
    DateTimeOffset began,
    DemoStudent student,
    SplitMix64 random,
    int weeksAgo
)
{
    private readonly List<SessionEntry> _entries = [];
    private DateTimeOffset _now = began;
    private Trimmed? _trimmed;

    /// <summary>The pain that ends it after its second part; null where nothing hurts.</summary>
    public DemoPain? Pain { get; init; }

    /// <summary>How it can be cut to less time; null where it cannot be.</summary>
    public PlanTrim? Trim { get; init; }

    /// <summary>No drill has more attempts than these; null where each has its own.</summary>
    public int? MostAttempts { get; init; }

    /// <summary>Repetitions of a swing change that were made in it.</summary>
    public int Repetitions { get; private set; }

    /// <summary>A lesson: everything done beside the coach, one thing agreed, and something to do at home.</summary>
    public IReadOnlyList<SessionEntry> Lesson()
    {
        Add(n => new SessionOpened
        {
            Sequence = n,
            At = _now,
            Recording = Recording.Lesson,
        });
        foreach (var segment in plan.Segments)
            Practise(segment, partly: false);
        Add(n => new LessonNoted
        {
            Sequence = n,
            At = _now,
            Checkpoint = "Hold the finish until the ball has stopped",
            Notes = "Good hands, in a hurry. Liked the putting most.",
            Homework = new Homework
            {
                SegmentId = DerivedId.Of("demo homework"),
                Title = "Finishes before the window",
                Instruction = "Ten slow swings without a ball, each held until you have counted to three.",
                Phase = Phase.Block,
                Place = PlaceKind.Home,
                Minutes = 8,
            },
        });
        Add(n => new SessionFinished { Sequence = n, At = _now });
        return _entries;
    }

    /// <summary>Drill by drill with the coach who scores it, and nothing said about it.</summary>
    public IReadOnlyList<SessionEntry> Tested()
    {
        Add(n => new SessionOpened
        {
            Sequence = n,
            At = _now,
            Recording = Recording.Test,
        });
        return Alone();
    }

    /// <summary>Something practised alone, without a word about it afterwards.</summary>
    public IReadOnlyList<SessionEntry> Alone()
    {
        foreach (var segment in plan.Segments)
            Practise(segment, partly: false);
        Add(n => new SessionFinished { Sequence = n, At = _now });
        return _entries;
    }

    public IReadOnlyList<SessionEntry> Entries()
    {
        if (student.HasNoTime)
            Arrive();
        var planned = plan.Segments.Where(s => _trimmed is null || _trimmed.Kept.Any(k => k.SegmentId == s.Id)).ToList();
        // Whoever practises less also stops sooner.
        var stopsEarly = random.NextDouble() > 0.35 + (0.6 * student.Diligence);
        var last = stopsEarly ? Math.Max(1, planned.Count - 1 - random.NextInt(2)) : planned.Count;
        for (var i = 0; i < planned.Count; i++)
        {
            if (Pain is { } pain && i == 2)
            {
                Add(n => new PainReported
                {
                    Sequence = n,
                    At = _now,
                    Part = pain.Part,
                    Side = pain.Side,
                    Level = 4,
                    Sharp = false,
                });
                break;
            }

            if (i >= last && Pain is null)
                Settle(planned[i].Id, SegmentOutcome.Skipped);
            else
                Practise(Left(planned[i]), partly: Pain is null && stopsEarly && i == last - 1);
        }

        Rate();
        Add(n => new SessionFinished { Sequence = n, At = _now });
        return _entries;
    }

    private void Practise(Segment segment, bool partly)
    {
        Add(n => new SegmentEntered
        {
            Sequence = n,
            At = _now,
            SegmentId = segment.Id,
        });
        var share = partly ? 0.3 + (0.5 * random.NextDouble()) : 1;
        var minutes = segment.Minutes * share * (0.9 + (0.2 * random.NextDouble()));
        var end = _now.AddMinutes(minutes);
        if (drills.FirstOrDefault(d => d.SegmentId == segment.Id) is { } drill)
        {
            var inputs = DemoDrill.Play(Left(drill), SkillIn((PracticeSegment)segment), StartNow(segment), random);
            inputs = [.. inputs.Take(Math.Max(1, MostAttempts ?? (int)(inputs.Count * share)))];
            if (segment is PracticeSegment { Drill.Drill.CountsTowardsSwingChange: true })
                Repetitions += inputs[^1].Attempt;
            foreach (var input in inputs)
            {
                _now = _now.AddSeconds(minutes * 60 / (inputs.Count + 1));
                Add(n => new DrillAnswered
                {
                    Sequence = n,
                    At = _now,
                    SegmentId = segment.Id,
                    FlowVersion = drill.Flow.Version,
                    Input = input,
                });
            }

            if (segment is PracticeSegment { Balls: > 0 })
                Add(n => new BallsCounted
                {
                    Sequence = n,
                    At = _now,
                    SegmentId = segment.Id,
                    Balls = inputs[^1].Attempt,
                });
            if (_now < end)
                _now = end;
        }
        else if (segment is PracticeSegment { Balls: > 0 } practice)
        {
            var balls = (int)Math.Round(practice.Balls * share);
            for (var counted = 0; counted < balls; )
            {
                var next = Math.Min(10, balls - counted);
                counted += next;
                _now = _now.AddSeconds((int)(minutes * 60 * next / balls));
                Add(n => new BallsCounted
                {
                    Sequence = n,
                    At = _now,
                    SegmentId = segment.Id,
                    Balls = next,
                });
            }
        }
        else
        {
            _now = _now.AddSeconds((int)(minutes * 60));
        }

        Settle(segment.Id, partly ? SegmentOutcome.PartDone : SegmentOutcome.Done);
        _now = _now.AddSeconds(20 + random.NextInt(60));
    }

    /// <summary>With an hour that became less, or with a card from a hotel's putting carpet.</summary>
    private void Arrive()
    {
        if (weeksAgo % 3 == 1 && Pain is null)
        {
            Add(n => new SessionOpened
            {
                Sequence = n,
                At = _now,
                Recording = Recording.Paper,
            });
            return;
        }

        var minutes = Math.Max(20, plan.Segments.Sum(s => s.Minutes) - 15);
        Add(n => new SessionReadied
        {
            Sequence = n,
            At = _now,
            MinutesAtHand = minutes,
        });
        _trimmed = Trim?.At(minutes, null, new HashSet<Guid>());
        if (_trimmed is { } trimmed)
            Add(n => new SessionTrimmed
            {
                Sequence = n,
                At = _now,
                Kept = trimmed.Kept,
            });
    }

    /// <summary>What is left of a segment in the time there is.</summary>
    private Segment Left(Segment segment) =>
        _trimmed?.Kept.FirstOrDefault(k => k.SegmentId == segment.Id) is not { } left ? segment
        : segment is PracticeSegment practice ? practice.WithBalls(left.Balls) with { Minutes = left.Minutes }
        : segment with { Minutes = left.Minutes };

    /// <summary>A drill with the attempts that are left of it.</summary>
    private PublishedDrill Left(PublishedDrill drill) =>
        _trimmed?.Kept.FirstOrDefault(k => k.SegmentId == drill.SegmentId)?.Attempts is { } attempts
            ? drill with
            {
                Flow = drill.Flow.WithCount(attempts),
            }
            : drill;

    private void Rate()
    {
        var areas = plan.Practice().Where(s => s.Phase != Phase.WarmUp).Select(s => s.Area).OfType<Area>().ToList();
        var notes = areas.SelectMany(a => DemoSquad.Notes.GetValueOrDefault(a, [])).Distinct().ToList();
        var note = random.NextInt(6) == 0 && notes.Count > 0 ? notes[random.NextInt(notes.Count)] : "";
        if (Pain is not null)
            note = Pain.Note;
        Add(n => new SessionRated
        {
            Sequence = n,
            At = _now,
            Focus = Around(student.Mood),
            Quality = Around(student.Mood),
            Confidence = Around(student.Mood - (Pain is null ? 0 : 2)),
            Enjoyment = Around(student.Mood + 1),
            Effort = Math.Clamp(2 + random.NextInt(3) + (plan.Segments.Sum(s => s.Minutes) / 45), 0, 10),
            PurposeMet = random.NextDouble() < 0.35 + (0.4 * student.Diligence) && Pain is null,
            NothingHurt = Pain is null,
            Note = note,
        });
    }

    /// <summary>How far between the first week and this one, 0 to 1.</summary>
    private double Along => 1 - (Math.Clamp(weeksAgo, 0, 11) / 11.0);

    /// <summary>How often an attempt comes off in a part of a session, 0 to 1.</summary>
    private double SkillIn(PracticeSegment segment)
    {
        var (begin, now, lag) = student.Form;
        var apart = segment.EffectiveArea is { } area ? student.Form.Apart.GetValueOrDefault(area) : 0;
        return Math.Clamp(begin + ((now - begin) * Along) - (segment.Phase == Phase.Block ? 0 : lag) + apart, 0.05, 0.95);
    }

    /// <summary>
    /// Where the irons start, in degrees, left negative; a degree worse once the club changes. Null where unknown.
    /// </summary>
    private double? StartNow(Segment segment) =>
        student.Form.StartsLeft is var (begin, now) && segment is PracticeSegment practice
            ? -(begin + ((now - begin) * Along) + (practice.Phase == Phase.Block ? 0 : 1))
            : null;

    private int Around(int mood) => Math.Clamp(mood - 1 + random.NextInt(4) - random.NextInt(2), 1, 10);

    private void Settle(Guid segmentId, SegmentOutcome outcome) =>
        Add(n => new SegmentSettled
        {
            Sequence = n,
            At = _now,
            SegmentId = segmentId,
            Outcome = outcome,
        });

    private void Add(Func<int, SessionEntry> entry) => _entries.Add(entry(_entries.Count + 1));
}
