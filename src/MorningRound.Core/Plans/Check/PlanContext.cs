using MorningRound.Core.Places;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Check;

/// <summary>A part of the body that hurts and that nobody has cleared.</summary>
public sealed record HurtPart(BodyPart Part, BodySide? Side);

/// <summary>What a plan is checked against. Whatever is not known is not judged.</summary>
public sealed record PlanContext
{
    /// <summary>The day it is for.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>The student's file; none for a plan that is for nobody in particular.</summary>
    public StudentFile? Student { get; init; }

    public Level Level { get; init; } = Level.Improving;

    public Hand Hand { get; init; } = Hand.Right;

    /// <summary>The grounds there are.</summary>
    public IReadOnlyList<ListedPlace> Places { get; init; } = [];

    public IReadOnlyList<HurtPart> Hurt { get; init; } = [];

    /// <summary>What the student has done lately; none where it is not known.</summary>
    public Load? Load { get; init; }

    public Season Season => Student is { } file ? Seasons.On(Day, file) : Season.OffSeason;

    /// <summary>The approach by which a plan is judged: its own, or else the student's; none where neither says.</summary>
    public Approach? ApproachOf(SessionPlan plan) => plan.Frame.Approach ?? Student?.Coach.Approach;

    /// <summary>Uncleared pain of the file, and pain reported in sessions that needs clearing, each part once.</summary>
    public static IReadOnlyList<HurtPart> HurtOf(StudentFile file, IEnumerable<OpenPain> reported) =>
    [
        .. file.Coach.PainfulParts.Where(p => !p.IsCleared).Select(p => new HurtPart(p.Part, p.Side))
            .Concat(reported.Where(p => p.NeedsClearing).Select(p => new HurtPart(p.Part, p.Side)))
            .Distinct(),
    ];
}
