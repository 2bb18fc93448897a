using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;

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

    /// <summary>Whether pain ends it after its second part.</summary>
    public bool Hurts { get; init; }

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
                SegmentId = Guid.CreateVersion7(),
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

    public IReadOnlyList<SessionEntry> Entries()
    {
        if (student.HasNoTime)
            Arrive();
        // Whoever practises less also stops sooner.
        var stopsEarly = random.NextDouble() > 0.35 + (0.6 * student.Diligence);
        var practised = plan.Segments.ToList();
        var last = stopsEarly ? Math.Max(1, practised.Count - 1 - random.NextInt(2)) : practised.Count;
        for (var i = 0; i < practised.Count; i++)
        {
            if (Hurts && i == 2)
            {
                Add(n => new PainReported
                {
                    Sequence = n,
                    At = _now,
                    Part = BodyPart.WristOrHand,
                    Side = BodySide.Trail,
                    Level = 4,
                    Sharp = false,
                });
                break;
            }

            if (i >= last)
                Settle(practised[i].Id, SegmentOutcome.Skipped);
            else
                Practise(practised[i], partly: stopsEarly && i == last - 1);
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
            var inputs = DemoDrill.Play(drill, SkillIn((PracticeSegment)segment), StartNow(segment), random);
            inputs = [.. inputs.Take(Math.Max(1, (int)(inputs.Count * share)))];
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
        if (weeksAgo % 3 == 1)
            Add(n => new SessionOpened
            {
                Sequence = n,
                At = _now,
                Recording = Recording.Paper,
            });
        else
            Add(n => new SessionReadied
            {
                Sequence = n,
                At = _now,
                MinutesAtHand = Math.Max(20, plan.Segments.Sum(s => s.Minutes) - 15),
            });
    }

    private void Rate()
    {
        var areas = plan.Practice().Where(s => s.Phase != Phase.WarmUp).Select(s => s.Area).OfType<Area>().ToList();
        var notes = areas.SelectMany(a => DemoSquad.Notes.GetValueOrDefault(a, [])).Distinct().ToList();
        var note = random.NextInt(6) == 0 && notes.Count > 0 ? notes[random.NextInt(notes.Count)] : "";
        if (Hurts)
            note = "The wrist was fine until the long putts. I left the rest alone.";
        Add(n => new SessionRated
        {
            Sequence = n,
            At = _now,
            Focus = Around(student.Mood),
            Quality = Around(student.Mood),
            Confidence = Around(student.Mood - (Hurts ? 2 : 0)),
            Enjoyment = Around(student.Mood + 1),
            Effort = Math.Clamp(2 + random.NextInt(3) + (plan.Segments.Sum(s => s.Minutes) / 45), 0, 10),
            PurposeMet = random.NextDouble() < 0.35 + (0.4 * student.Diligence) && !Hurts,
            NothingHurt = !Hurts,
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
