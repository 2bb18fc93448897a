using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Drills;

/// <summary>A drill on the shelf at a glance.</summary>
public sealed record DrillSummary(
    Guid Id,
    int Version,
    string Name,
    string Purpose,
    Area Area,
    string Skill,
    IReadOnlyList<Phase> Phases,
    IReadOnlyList<Intent> Intents,
    IReadOnlyList<PlaceKind> Places,
    int UsualMinutes,
    int UsualBalls,
    string Scoring,
    string Protocol,
    int Steps,
    DrillPicture Picture
)
{
    public static DrillSummary Of(DrillRow row, string kind)
    {
        var drill = row.Document;
        return new DrillSummary(
            row.Id,
            row.Version,
            drill.Name,
            drill.Purpose,
            drill.Area,
            drill.Skill,
            drill.Phases,
            drill.Intents,
            drill.Places,
            drill.UsualMinutes,
            drill.UsualBalls,
            drill.Protocol.Title,
            kind,
            drill.Ladder.Count,
            DrillPicture.Of(drill)
        );
    }
}

/// <summary>As much of a drill as its set-up is drawn from.</summary>
/// <param name="Drawing">How it is drawn.</param>
/// <param name="GateMillimetres">The width of its gate; null without one.</param>
/// <param name="GateCentimetresAhead">How far the gate stands in front of the ball; null without one.</param>
/// <param name="Items">What it needs.</param>
/// <param name="Protocol">The parameters that the drawing shows; null where it shows none.</param>
public sealed record DrillPicture(
    SetUpDrawing Drawing,
    int? GateMillimetres,
    int? GateCentimetresAhead,
    IReadOnlyList<Equipment> Items,
    ScoringProtocol? Protocol
)
{
    public static DrillPicture Of(Drill drill) =>
        new(
            drill.Drawing,
            drill.GateMillimetres,
            drill.GateCentimetresAhead,
            [.. drill.Equipment.Select(e => e.Item)],
            drill.Drawing is SetUpDrawing.AroundTheHole or SetUpDrawing.Ladder or SetUpDrawing.Zones or SetUpDrawing.Stations
                ? drill.Protocol
                : null
        );
}

/// <summary>A drill's page. The version goes back as <c>If-Match</c>.</summary>
public sealed record DrillView(Guid Id, int Version, DateTimeOffset UpdatedAt, Drill Drill, DrillAnalysis Analysis) : IVersioned;

/// <summary>How far a step of a ladder is within reach.</summary>
/// <param name="Goal">What is usually asked on it, in words; null where nobody said.</param>
/// <param name="Chances">
/// How likely that is, in percent, for somebody who makes 40, 60, 80 and 90 of a hundred attempts; empty where it does not follow
/// from successes alone.
/// </param>
public sealed record StepReach(string? Goal, IReadOnlyList<ChanceAt> Chances)
{
    private static readonly int[] Shares = [40, 60, 80, 90];

    public static StepReach Of(Rung rung) =>
        rung.Goal is not { } goal
            ? new StepReach(null, [])
            : new StepReach(
                rung.Protocol.InWords(goal),
                [
                    .. from share in Shares
                    let chance = rung.Protocol.ChanceOf(goal, share / 100.0)
                    where chance is not null
                    select new ChanceAt(share, (int)Math.Round(100 * chance.Value, MidpointRounding.AwayFromZero)),
                ]
            );
}

/// <summary>A chance at a share of successes, both in percent.</summary>
public sealed record ChanceAt(int Share, int Percent);

/// <summary>What the core makes of a drill.</summary>
/// <param name="Scoring">How it is scored: "Step ladder".</param>
/// <param name="PlannedAttempts">The attempts to its end; null where its own condition decides.</param>
/// <param name="Measures">The parts of its result, in the order in which they decide.</param>
/// <param name="OwnRung">Which step of its ladder it stands on; null without a ladder.</param>
/// <param name="RoomInGate">Room on each side of the ball in its gate, in millimetres; null without a gate.</param>
/// <param name="GateDegrees">
/// How far off the line a ball still gets through its gate, in degrees; null without a gate or its distance.
/// </param>
/// <param name="Steps">How far each step of its ladder is within reach; empty without a ladder, or while it is wrong.</param>
/// <param name="SuggestedLadder">
/// A ladder made from the protocol's natural scale; empty where it has none, or while the parameters are wrong.
/// </param>
/// <param name="Beginning">What a segment starts as that is to be done with it.</param>
public sealed record DrillAnalysis(
    string Scoring,
    int? PlannedAttempts,
    IReadOnlyList<MeasureKind> Measures,
    int? OwnRung,
    double? RoomInGate,
    double? GateDegrees,
    IReadOnlyList<StepReach> Steps,
    IReadOnlyList<Rung> SuggestedLadder,
    SegmentBeginning Beginning
)
{
    public static DrillAnalysis Of(Drill drill) =>
        new(
            drill.Protocol.Title,
            drill.Protocol.PlannedAttempts,
            drill.Protocol.MeasureKinds,
            drill.OwnRung(),
            drill.RoomInGate(),
            drill.GateAngle()?.Degrees,
            DrillRules.Check(drill).Count == 0 ? [.. drill.Ladder.Select(StepReach.Of)] : [],
            drill.Protocol.Check("protocol").Count == 0 ? drill.SuggestedLadder() : [],
            SegmentBeginning.Of(drill)
        );
}

/// <summary>A drill to try out, on a step of its ladder, with a student's own numbers if one is named.</summary>
public sealed record DrillTrial
{
    public required Drill Drill { get; init; }

    public int Rung { get; init; }

    public ulong Seed { get; init; }

    public Guid? StudentId { get; init; }
}

/// <summary>What is wrong with a drill being written, and when nothing is, how it is walked.</summary>
/// <param name="Missing">What keeps it from being tried out, such as a number of the wedge grid; null when nothing does.</param>
public sealed record DrillCheckView
{
    public required IReadOnlyList<FieldError> Errors { get; init; }

    public required DrillAnalysis Analysis { get; init; }

    public required string? Missing { get; init; }

    /// <summary>The calls of called shots, in order; empty for any other drill.</summary>
    public required IReadOnlyList<ShotCall> Calls { get; init; }

    /// <summary>The protocol with the student's numbers filled in; it goes back for scoring.</summary>
    public required ScoringProtocol Protocol { get; init; }

    public required AttemptFlow? Flow { get; init; }
}

/// <summary>Inputs of a trial, to be scored.</summary>
public sealed record ScoreInput
{
    public const int MostInputs = 2000;

    public required ScoringProtocol Protocol { get; init; }

    public ulong Seed { get; init; }

    public required IReadOnlyList<DrillInput> Inputs { get; init; }
}
