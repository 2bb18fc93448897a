using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Sessions;

/// <summary>One step of the pain scale as it is offered to a student.</summary>
/// <param name="Level">0 (none) to 10.</param>
/// <param name="EndsSession">Whether pain of this level, even when it is not sharp, ends the session.</param>
public sealed record PainStep(int Level, bool EndsSession);

/// <summary>The segments that fall out when a part hurts.</summary>
public sealed record PainDrop(BodyPart Part, BodySide? Side, IReadOnlyList<Guid> SegmentIds);

/// <summary>
/// When pain ends a session. Coaching is not medicine: the rule only stops the practice and sends people to somebody who can
/// judge. Common practice, no source.
/// </summary>
public static class PainRule
{
    /// <summary>The lowest level, 0–10, at which practice stops.</summary>
    public const int EndsSessionFrom = 4;

    /// <summary>What a student reads when pain ends the session.</summary>
    public static Message Advice { get; } = SessionSentences.StopForToday.Of();

    /// <summary>The whole scale with what each step leads to, so that a screen needs no rule of its own.</summary>
    public static IReadOnlyList<PainStep> Scale { get; } =
    [.. Enumerable.Range(0, 11).Select(level => new PainStep(level, EndsSession(level, sharp: false)))];

    /// <summary>
    /// The segments of a plan that load a part which hurts without ending the session: they fall out. What loads a paired part
    /// without naming a side loads both.
    /// </summary>
    public static IReadOnlyList<Guid> SegmentsLoading(SessionPlan plan, BodyPart part, BodySide? side) =>
        [.. plan.Practice().Where(s => s.Loads(part, side)).Select(s => s.Id)];

    /// <summary>
    /// For every part and side that some segment loads, which segments those are: worked out beforehand, so that a phone without
    /// a signal knows what falls out.
    /// </summary>
    public static IReadOnlyList<PainDrop> Drops(SessionPlan plan) =>
        [
            .. from part in Enum.GetValues<BodyPart>()
            from side in part.IsPaired() ? new BodySide?[] { BodySide.Lead, BodySide.Trail } : [null]
            let segments = SegmentsLoading(plan, part, side)
            where segments.Count > 0
            select new PainDrop(part, side, segments),
        ];

    /// <summary>Four or more of ten, or any sharp pain, ends the session.</summary>
    public static bool EndsSession(int level, bool sharp) => level >= EndsSessionFrom || sharp;
}
