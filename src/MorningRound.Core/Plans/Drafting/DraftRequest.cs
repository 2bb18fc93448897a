using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>The few answers a draft is made from.</summary>
public sealed record DraftRequest
{
    /// <summary>The most students a draft is made for together.</summary>
    public const int MostStudents = 12;

    /// <summary>Minutes for the whole visit, 5 to 180.</summary>
    public required int Minutes { get; init; }

    /// <summary>Range balls there are, 0 to 200.</summary>
    public int Balls { get; init; }

    /// <summary>Where it can be held; the first is where it mostly is.</summary>
    public required IReadOnlyList<PlaceKind> Places { get; init; }

    /// <summary>The school; null takes "sharpen" in a competition's week, else the student's, or else "three parts".</summary>
    public Approach? Approach { get; init; }

    /// <summary>
    /// What it is mostly about; null takes the focus, then results, then beliefs, then what was not done lately.
    /// </summary>
    public Area? Area { get; init; }

    /// <summary>How the warm-up goes up the bag; null takes two a club.</summary>
    public WarmUpSchool? WarmUp { get; init; }

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

    /// <summary>Drills the student has done before: in a competition's week nothing new is begun.</summary>
    public IReadOnlyCollection<Guid> Known { get; init; } = [];

    /// <summary>Everything wrong, each with its path; empty when a draft can be made.</summary>
    public IReadOnlyList<FieldError> Check() =>
        new FieldErrors()
            .RequireIn(Minutes, FieldRanges.DraftMinutes, "minutes", "minutes")
            .RequireIn(Balls, FieldRanges.DraftBalls, "balls", "balls")
            .Require(Places.Count is >= 1 and <= 6, "places", "Name at least one place.")
            .RequireOnce(Places, "places")
            .Require(
                WindFromDegrees is null or (>= 0 and <= 359),
                "windFromDegrees",
                "A direction lies between 0 and 359 degrees."
            )
            .RequireBetween(Variant, 0, 1000, "variant", "drafts")
            .RequireAtMost(Recent.Count, 200, "recent")
            .RequireAtMost(Known.Count, 500, "known")
            .RequireAtMost(Pinned.Count, 40, "pinned")
            .Found;
}

/// <summary>Why a segment is in a draft.</summary>
public sealed record SegmentReason(Guid SegmentId, string Why);

/// <summary>What would work where the answers do not.</summary>
/// <param name="Place">The ground.</param>
/// <param name="Text">What there would be, in a sentence.</param>
public sealed record DraftOffer(PlaceKind Place, string Text);

/// <summary>A drafted plan with its reasons; or, where nothing honest fits, no plan but the reason and what would work.</summary>
/// <param name="Plan">The plan; null where nothing honest can be drafted.</param>
/// <param name="Reasons">A line for every segment, in order.</param>
/// <param name="Compromises">What kept the draft from being whole, each in a sentence; empty when nothing did.</param>
/// <param name="Offers">What would work instead; empty where there is a plan.</param>
/// <param name="HasMoreVariants">Whether the same answers give a different plan too.</param>
public sealed record Drafted(
    SessionPlan? Plan,
    IReadOnlyList<SegmentReason> Reasons,
    IReadOnlyList<string> Compromises,
    IReadOnlyList<DraftOffer> Offers,
    bool HasMoreVariants = false
)
{
    /// <summary>The draft with a line that says whom it is for together; unchanged for fewer than two.</summary>
    public Drafted ForAll(IReadOnlyList<string> names) =>
        names.Count < 2
            ? this
            : this with
            {
                Compromises =
                [
                    DraftSentences.ForSeveral.Of($"{string.Join(", ", names.SkipLast(1))} and {names[^1]}").In(),
                    .. Compromises,
                ],
            };
}
