using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>Pain that still counts, as it is shown and asked about.</summary>
public sealed record OpenPainView
{
    public required BodyPart Part { get; init; }

    public required BodySide? Side { get; init; }

    /// <summary>Where, for a part without a name of its own; empty otherwise.</summary>
    public required string Where { get; init; }

    public required int Level { get; init; }

    public required bool Sharp { get; init; }

    public required DateOnly Since { get; init; }

    public required DateOnly LastOn { get; init; }

    /// <summary>Whether only the file can end it; otherwise the student can say that it is gone.</summary>
    public required bool NeedsClearing { get; init; }

    /// <summary>Where and how bad, in lead and trail words.</summary>
    public required string Text { get; init; }

    /// <summary>The segments of the session in question that load the part; empty where no session is.</summary>
    public required IReadOnlyList<Guid> SegmentIds { get; init; }

    /// <summary>Sessions practised after it was last reported.</summary>
    public required int SessionsSince { get; init; }

    public required double MinutesSince { get; init; }

    public static OpenPainView Of(OpenPain pain, IReadOnlyList<Guid> segments, int sessionsSince, double minutesSince) =>
        new()
        {
            Part = pain.Part,
            Side = pain.Side,
            Where = pain.Where,
            Level = pain.Level,
            Sharp = pain.Sharp,
            Since = pain.Since,
            LastOn = pain.LastOn,
            NeedsClearing = pain.NeedsClearing,
            Text = pain.InWords(),
            SegmentIds = segments,
            SessionsSince = sessionsSince,
            MinutesSince = minutesSince,
        };
}

/// <summary>What is asked about pain, and what each answer leads to, so that the phone decides nothing itself.</summary>
/// <param name="Parts">Where it can hurt, and whether there is a lead and a trail one.</param>
/// <param name="Scale">The levels, and which of them end the session.</param>
/// <param name="SharpEndsSession">Whether sharp pain ends it at any level.</param>
/// <param name="Advice">What a student reads when pain ends the session.</param>
public sealed record PainForm(IReadOnlyList<PainPart> Parts, IReadOnlyList<PainStep> Scale, bool SharpEndsSession, string Advice)
{
    public static PainForm Asked { get; } =
        new(PainPart.All, PainRule.Scale, PainRule.EndsSession(level: 1, sharp: true), PainRule.Advice.In());
}
