using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Plans;

/// <summary>
/// A drill as it was published to one student: scored with that student's own numbers and a seed of its own, and the flow the
/// phone walks. Kept with the assignment, so that what was set can always be read as it was set.
/// </summary>
public sealed record PublishedDrill
{
    /// <summary>
    /// The questions that all drills of a session can have between them: three lists of sixty called shots, and more than anybody
    /// practises in one visit. Keeps what a phone has to fetch small.
    /// </summary>
    public const int MostQuestions = 600;

    /// <summary>The segment it is done in.</summary>
    public required Guid SegmentId { get; init; }

    /// <summary>How it is scored, with the student's own numbers.</summary>
    public required ScoringProtocol Protocol { get; init; }

    /// <summary>What its calls and orders are drawn from.</summary>
    public required ulong Seed { get; init; }

    /// <summary>What the phone walks.</summary>
    public required AttemptFlow Flow { get; init; }

    /// <summary>Results with equal keys are comparable.</summary>
    public required string ComparabilityKey { get; init; }

    /// <summary>
    /// Compiles every drill of a plan for a student. The seed of each comes from the assignment and the segment, so that
    /// publishing again draws the same calls. What a drill lacks in the student's file is an error at its segment, and so is a
    /// drill with which the session holds more than <see cref="MostQuestions"/>.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="player">What drills and holes leave to the student, where a segment is done.</param>
    /// <param name="assignmentId">The session it becomes.</param>
    public static (IReadOnlyList<PublishedDrill> Drills, IReadOnlyList<FieldError> Errors) Of(
        SessionPlan plan,
        Func<PracticeSegment, PlayerNumbers> player,
        Guid assignmentId
    )
    {
        var drills = new List<PublishedDrill>();
        var errors = new List<FieldError>();
        var questions = 0;
        for (var i = 0; i < plan.Segments.Count; i++)
        {
            if (plan.Segments[i] is not PracticeSegment segment || segment.Protocol() is not { } unfilled)
                continue;
            var path = segment.Play is null ? $"segments[{i}].drill" : $"segments[{i}].play";
            var protocol = unfilled.For(player(segment));
            if (protocol.WhatIsMissing() is { } missing)
            {
                errors.Add(new FieldError(path, $"{segment.Title}: {missing}"));
                continue;
            }

            var seed = SeedOf(assignmentId, segment.Id);
            var flow = protocol.Compile(seed);
            questions += flow.States.Count;
            if (questions > MostQuestions)
            {
                errors.Add(
                    new FieldError(
                        path,
                        $"{segment.Title}: with this drill the session asks for more than a phone should carry. Fewer calls or "
                            + "putts, please, or two sessions."
                    )
                );
                continue;
            }

            drills.Add(
                new PublishedDrill
                {
                    SegmentId = segment.Id,
                    Protocol = protocol,
                    Seed = seed,
                    Flow = flow,
                    ComparabilityKey = KeyOf(segment, protocol),
                }
            );
        }

        return (drills, errors);
    }

    /// <summary>What results of a drill are compared by in a segment.</summary>
    internal static string KeyOf(PracticeSegment segment, ScoringProtocol protocol) =>
        Drills.ComparabilityKey.Of(
            segment.DrillOrCourseId,
            protocol,
            segment.Drill?.Rung ?? 0,
            segment.Drill?.Modifiers ?? Modifiers.None,
            segment.Phase
        );

    /// <summary>A seed that fits into a whole number every JSON reader can hold.</summary>
    private static ulong SeedOf(Guid assignmentId, Guid segmentId)
    {
        Span<byte> bytes = stackalloc byte[32];
        assignmentId.TryWriteBytes(bytes);
        segmentId.TryWriteBytes(bytes[16..]);
        return BitConverter.ToUInt64(System.Security.Cryptography.SHA256.HashData(bytes)) >> 12;
    }
}
