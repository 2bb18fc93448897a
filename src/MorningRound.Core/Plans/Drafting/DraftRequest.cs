using MorningRound.Core.Golf;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>The few answers a draft is made from.</summary>
public sealed record DraftRequest
{
    /// <summary>The fewest minutes of a draft.</summary>
    public const int LeastMinutes = 5;

    /// <summary>The most minutes of a draft.</summary>
    public const int MostMinutes = 180;

    /// <summary>The most range balls of a draft.</summary>
    public const int MostBalls = 200;

    /// <summary>Minutes for the whole visit, 5 to 180.</summary>
    public required int Minutes { get; init; }

    /// <summary>Range balls there are, 0 to 200.</summary>
    public int Balls { get; init; }

    /// <summary>Where it can be held; the first is where it mostly is.</summary>
    public required IReadOnlyList<PlaceKind> Places { get; init; }

    /// <summary>The school; null takes the student's, or else "three parts".</summary>
    public Approach? Approach { get; init; }

    /// <summary>What it is mostly about; null takes what the student believes is weak, or else what the place is for.</summary>
    public Area? Area { get; init; }

    /// <summary>Whether the day is hot, which asks for pauses twice as often.</summary>
    public bool Hot { get; init; }

    /// <summary>Where the wind comes from, 0 to 359 degrees, north is 0; null where that does not matter.</summary>
    public int? WindFromDegrees { get; init; }

    /// <summary>Whether the student comes warmed up.</summary>
    public bool WarmedUpBefore { get; init; }

    /// <summary>0 for the first draft, 1 for another, and so on: the same number always gives the same draft.</summary>
    public int Variant { get; init; }

    /// <summary>Drills of the last two sessions; others are preferred.</summary>
    public IReadOnlyCollection<Guid> Recent { get; init; } = [];

    /// <summary>Drills that must be in it where they can be.</summary>
    public IReadOnlyCollection<Guid> Pinned { get; init; } = [];

    /// <summary>Everything wrong, each with its path; empty when a draft can be made.</summary>
    public IReadOnlyList<FieldError> Check() =>
        new FieldErrors()
            .RequireBetween(Minutes, LeastMinutes, MostMinutes, "minutes", "minutes")
            .RequireBetween(Balls, 0, MostBalls, "balls", "balls")
            .Require(Places.Count is >= 1 and <= 6, "places", "Name at least one place.")
            .RequireOnce(Places, "places")
            .Require(
                WindFromDegrees is null or (>= 0 and <= 359),
                "windFromDegrees",
                "A direction lies between 0 and 359 degrees."
            )
            .RequireBetween(Variant, 0, 1000, "variant", "drafts")
            .RequireAtMost(Recent.Count, 200, "recent")
            .RequireAtMost(Pinned.Count, 40, "pinned")
            .Found;
}

/// <summary>Why a segment is in a draft.</summary>
public sealed record SegmentReason(Guid SegmentId, string Why);

/// <summary>A drafted plan with its reasons.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Reasons">A line for every segment, in order.</param>
/// <param name="Compromises">What kept the draft from being whole, each in a sentence; empty when nothing did.</param>
/// <param name="HasMoreVariants">Whether the same answers give a different plan too.</param>
public sealed record Drafted(
    SessionPlan Plan,
    IReadOnlyList<SegmentReason> Reasons,
    IReadOnlyList<string> Compromises,
    bool HasMoreVariants = false
);
