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
    /// The segments of a plan that fall out because a part hurts: those that load it heavily where it is only a little sore, all
    /// that load it otherwise. What loads a paired part without naming a side loads both.
    /// </summary>
    public static IReadOnlyList<Guid> SegmentsLoading(SessionPlan plan, HurtPart hurt) =>
        [.. plan.Practice().Where(s => LeavesOut(s, hurt)).Select(s => s.Id)];

    /// <summary>Whether a segment falls out because a part hurts.</summary>
    public static bool LeavesOut(PracticeSegment segment, HurtPart hurt) =>
        segment.LoadOn(hurt.Part, hurt.Side) is { } load && hurt.Forbids(load);

    /// <summary>
    /// For every part and side that some segment loads heavily, which segments those are: worked out beforehand, so that a phone
    /// without a signal knows what falls out for pain that does not end the session.
    /// </summary>
    public static IReadOnlyList<PainDrop> Drops(SessionPlan plan) =>
        [
            .. from part in Enum.GetValues<BodyPart>()
            from side in part.IsPaired() ? new BodySide?[] { BodySide.Lead, BodySide.Trail } : [null]
            let segments = SegmentsLoading(plan, new HurtPart(part, side, Mild: true))
            where segments.Count > 0
            select new PainDrop(part, side, segments),
        ];

    /// <summary>Four or more of ten, or any sharp pain, ends the session.</summary>
    public static bool EndsSession(int level, bool sharp) => level >= EndsSessionFrom || sharp;
}
