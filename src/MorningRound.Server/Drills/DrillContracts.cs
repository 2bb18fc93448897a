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
    int Steps
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
            drill.Ladder.Count
        );
    }
}

/// <summary>A drill's page. The version goes back as <c>If-Match</c>.</summary>
public sealed record DrillView(Guid Id, int Version, DateTimeOffset UpdatedAt, Drill Drill, DrillAnalysis Analysis) : IVersioned;

/// <summary>What the core makes of a drill.</summary>
/// <param name="Scoring">How it is scored: "Step ladder".</param>
/// <param name="PlannedAttempts">The attempts to its end; null where its own condition decides.</param>
/// <param name="Measures">The parts of its result, in the order in which they decide.</param>
/// <param name="OwnRung">Which step of its ladder it stands on; null without a ladder.</param>
/// <param name="RoomInGate">Room on each side of the ball in its gate, in millimetres; null without a gate.</param>
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

/// <summary>What is asked of the aim check: offsets from the target line, right positive, in the unit of the distance.</summary>
public sealed record AimCheckInput
{
    public required double Distance { get; init; }

    public required Core.Units.LengthUnit Unit { get; init; }

    public required IReadOnlyList<double> Offsets { get; init; }
}

/// <summary>The day's aim. Right is positive; no correction when nothing is steady enough.</summary>
public sealed record AimCheckView(double OffsetDegrees, double ScatterDegrees, double? CorrectionDegrees, string Text);
