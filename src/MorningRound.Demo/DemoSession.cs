using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
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
    bool hurts,
    int weeksAgo
)
{
    /// <summary>Before that, the squad only counted balls.</summary>
    private const int WeeksWithDrills = 6;

    private readonly List<SessionEntry> _entries = [];
    private DateTimeOffset _now = began;

    public IReadOnlyList<SessionEntry> Entries()
    {
        // Whoever practises less also stops sooner.
        var stopsEarly = random.NextDouble() > 0.35 + (0.6 * student.Diligence);
        var practised = plan.Segments.ToList();
        var last = stopsEarly ? Math.Max(1, practised.Count - 1 - random.NextInt(2)) : practised.Count;
        for (var i = 0; i < practised.Count; i++)
        {
            if (hurts && i == 2)
            {
                Add(n => new PainReported
                {
                    Sequence = n,
                    At = _now,
                    Part = BodyPart.WristOrHand,
                    Side = BodySide.Trail,
                    Level = 5,
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
        if (weeksAgo < WeeksWithDrills && drills.FirstOrDefault(d => d.SegmentId == segment.Id) is { } drill)
        {
            var inputs = DemoDrill.Play(drill, SkillNow, random);
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

    private void Rate()
    {
        var note = random.NextInt(7) == 0 ? DemoSquad.Notes[random.NextInt(DemoSquad.Notes.Count)] : "";
        if (hurts)
            note = "The wrist was fine until the last putts. I left the rest alone.";
        Add(n => new SessionRated
        {
            Sequence = n,
            At = _now,
            Focus = Around(student.Mood),
            Quality = Around(student.Mood),
            Confidence = Around(student.Mood - (hurts ? 2 : 0)),
            Enjoyment = Around(student.Mood + 1),
            Effort = Math.Clamp(2 + random.NextInt(3) + (plan.Segments.Sum(s => s.Minutes) / 45), 0, 10),
            PurposeMet = random.NextDouble() < 0.35 + (0.4 * student.Diligence) && !hurts,
            NothingHurt = !hurts,
            Note = note,
        });
    }

    /// <summary>How often a shot comes off, 0 to 1: by level, and a little more with the weeks for those who practise.</summary>
    private double SkillNow =>
        student.Level switch
        {
            Level.New => 0.35,
            Level.Improving => 0.5,
            Level.SingleFigure => 0.62,
            _ => 0.72,
        } + (student.Diligence * 0.012 * (11 - weeksAgo));

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
