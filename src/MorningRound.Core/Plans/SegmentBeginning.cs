using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;

namespace MorningRound.Core.Plans;

/// <summary>What a pause starts as.</summary>
/// <param name="Title">What it is called.</param>
/// <param name="Minutes">Its minutes.</param>
/// <param name="Instruction">What to do in it.</param>
public sealed record PauseBeginning(string Title, int Minutes, string Instruction)
{
    /// <summary>Something to drink. [own default]</summary>
    public static PauseBeginning Usual { get; } = new("Water", 3, WordsFor(isHot: false));

    /// <summary>What to do in a pause; shade is only looked for where it is hot.</summary>
    public static string WordsFor(bool isHot) =>
        isHot ? "Drink something, and step into the shade." : "Drink something, and let your hands rest.";
}

/// <summary>What a segment starts as, before a coach changes it.</summary>
/// <param name="Phase">The phase; of a drill the first that suits it.</param>
/// <param name="Intent">The intent; of a drill the first that suits it.</param>
/// <param name="Minutes">The minutes; of a drill its usual ones.</param>
/// <param name="Balls">The balls; of a drill its usual ones.</param>
/// <param name="Holes">The holes, 1 to 18; null where no holes are counted.</param>
/// <param name="Exit">After its balls where it has any, otherwise after its minutes.</param>
public sealed record SegmentBeginning(Phase Phase, Intent Intent, int Minutes, int Balls, int? Holes, ExitRule Exit)
{
    /// <summary>The beginning of a segment without a drill, in each phase. [own defaults]</summary>
    public static IReadOnlyDictionary<Phase, SegmentBeginning> ByPhase { get; } =
        new Dictionary<Phase, SegmentBeginning>
        {
            [Phase.WarmUp] = new(Phase.WarmUp, Intent.Body, 10, 0, null, new AfterMinutes()),
            [Phase.Block] = new(Phase.Block, Intent.Technique, 15, 20, null, new AfterMinutes()),
            [Phase.Random] = new(Phase.Random, Intent.Skill, 15, 15, null, new AfterMinutes()),
            [Phase.OnCourse] = new(Phase.OnCourse, Intent.Performance, 15, 12, 3, new AfterMinutes()),
        };

    /// <summary>The beginning for a drill. What the drill leaves open starts as a block of skill.</summary>
    public static SegmentBeginning Of(Drill drill)
    {
        var phase = drill.Phases.Count > 0 ? drill.Phases[0] : Phase.Block;
        return new SegmentBeginning(
            phase,
            drill.Intents.Count > 0 ? drill.Intents[0] : Intent.Skill,
            drill.UsualMinutes,
            drill.UsualBalls,
            phase == Phase.OnCourse && drill.Protocol is Repetitions { Count: { } holes } ? holes : null,
            drill.UsualBalls > 0 ? new AfterBalls() : new AfterMinutes()
        );
    }
}
