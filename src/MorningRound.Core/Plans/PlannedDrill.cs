using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans;

/// <summary>
/// A drill as it stands in a plan: a copy from the shelf, with the step of its ladder, what is laid over it and what is asked
/// of it. Changing the drill on the shelf changes nothing here.
/// </summary>
public sealed record PlannedDrill
{
    public required Guid DrillId { get; init; }

    public required Drill Drill { get; init; }

    /// <summary>The step of the drill's ladder, from 0; 0 where there is none.</summary>
    public int Rung { get; init; }

    public Modifiers Modifiers { get; init; } = Modifiers.None;

    public DrillGoal? Goal { get; init; }

    /// <summary>How it is scored at its rung, before the student's own numbers are filled in.</summary>
    public ScoringProtocol Protocol() => Drill.ProtocolAt(Rung);

    /// <summary>The drill as it is set: only its own step of the ladder is left, because the others can no longer be chosen.</summary>
    public PlannedDrill AsSet() => this with { Drill = Drill with { Protocol = Protocol(), Ladder = [] } };

    /// <summary>Everything wrong, added under the path.</summary>
    public IReadOnlyList<FieldError> Check(string path)
    {
        var errors = new FieldErrors()
            .Require(DrillId != Guid.Empty, $"{path}.drillId", "An id is needed.")
            .RequireBetween(Rung, 0, Math.Max(0, Drill.Ladder.Count - 1), $"{path}.rung", "steps")
            .Require(Goal is not { } goal || Protocol().GoalMeasures.Any(m => m.Name == goal.Measure), $"{path}.goal.measure", "No goal can be stated in this for this drill.")
            .Require(Goal is not { } asked || Math.Abs(asked.Limit) <= 1000, $"{path}.goal.limit", "A goal lies between −1000 and 1000.");
        Modifiers.Check(errors, $"{path}.modifiers");
        return [.. errors.Found, .. DrillRules.Check(Drill).Select(e => e with { Path = $"{path}.drill.{e.Path}" })];
    }
}

/// <summary>
/// A drill as it was published to one student: scored with that student's own numbers and a seed of its own, and the flow the
/// phone walks. Kept with the assignment, so that what was set can always be read as it was set.
/// </summary>
public sealed record SetDrill
{
    /// <summary>
    /// The questions that all drills of a session can have between them: three lists of sixty called shots, and more than anybody
    /// practises in one visit. Keeps what a phone has to fetch small.
    /// </summary>
    public const int MostQuestions = 600;

    public required Guid SegmentId { get; init; }

    public required ScoringProtocol Protocol { get; init; }

    public required ulong Seed { get; init; }

    public required AttemptFlow Flow { get; init; }

    /// <summary>Results with equal keys are comparable.</summary>
    public required string ComparabilityKey { get; init; }

    /// <summary>
    /// Compiles every drill of a plan for a student. The seed of each comes from the assignment and the segment, so that
    /// publishing again draws the same calls. What a drill lacks in the student's file is an error at its segment, and so is a
    /// drill with which the session holds more than <see cref="MostQuestions"/>.
    /// </summary>
    public static (IReadOnlyList<SetDrill> Drills, IReadOnlyList<FieldError> Errors) Of(SessionPlan plan, StudentFile student, Guid assignmentId)
    {
        var drills = new List<SetDrill>();
        var errors = new List<FieldError>();
        var questions = 0;
        for (var i = 0; i < plan.Segments.Count; i++)
        {
            if (plan.Segments[i] is not PracticeSegment { Drill: { } planned } segment) continue;
            var protocol = planned.Protocol().For(student);
            if (protocol.WhatIsMissing() is { } missing)
            {
                errors.Add(new FieldError($"segments[{i}].drill", $"{segment.Title}: {missing}"));
                continue;
            }

            var seed = SeedOf(assignmentId, segment.Id);
            var flow = protocol.Compile(seed);
            questions += flow.States.Count;
            if (questions > MostQuestions)
            {
                errors.Add(new FieldError($"segments[{i}].drill", $"{segment.Title}: with this drill the session asks for more than a phone should carry. Fewer calls or putts, please, or two sessions."));
                continue;
            }

            drills.Add(new SetDrill
            {
                SegmentId = segment.Id,
                Protocol = protocol,
                Seed = seed,
                Flow = flow,
                ComparabilityKey = Drills.ComparabilityKey.Of(planned.DrillId, protocol, planned.Rung, planned.Modifiers, segment.Phase),
            });
        }

        return (drills, errors);
    }

    /// <summary>A seed that fits into a whole number every JSON reader can hold.</summary>
    private static ulong SeedOf(Guid assignmentId, Guid segmentId)
    {
        Span<byte> bytes = stackalloc byte[32];
        assignmentId.TryWriteBytes(bytes);
        segmentId.TryWriteBytes(bytes[16..]);
        return BitConverter.ToUInt64(System.Security.Cryptography.SHA256.HashData(bytes)) >> 12;
    }
}
