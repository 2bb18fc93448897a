using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.OnCourse;

/// <summary>A sensible choice for a shot, with the numbers behind it and the rule that decided.</summary>
public sealed record ShotOffer
{
    /// <summary>What it is played with, as it is recorded.</summary>
    public required string With { get; init; }

    /// <summary>How far that goes, in whole units of the play; null where no number stands behind it.</summary>
    public int? Carry { get; init; }

    /// <summary>Whether the number was measured under other conditions than these, and is only about right here.</summary>
    public bool IsAbout { get; init; }

    /// <summary>Whether it is played from rough, which takes some of its length.</summary>
    public bool IsFromRough { get; init; }

    /// <summary>Whether it goes for the hole, rather than leaving a distance.</summary>
    public bool IsForTheHole { get; init; }

    /// <summary>
    /// Of ten such shots, how many about stay between the edges of the fairway; null where there is none in play.
    /// </summary>
    public int? OnFairwayOfTen { get; init; }

    /// <summary>The side of the fairway to aim at, away from what costs most there; null where the middle is best.</summary>
    public TargetSide? Aim { get; init; }

    /// <summary>Why it is offered.</summary>
    public required Message Why { get; init; }

    /// <summary>The offer with its numbers, for what is left in whole units.</summary>
    public Message Say(int left, LengthUnit unit) =>
        Carry is { } carry
            ? OnCourseSentences.Offer.Of(Numbers(Math.Abs(left - carry), SideOf(carry, left), unit.Sign())!, Reason)
            : Reason;

    /// <summary>Why it is offered, and where to aim it.</summary>
    internal Message Reason => Aim is { } side ? OnCourseSentences.Offer.Of(Why, OnCourseSentences.AimAtSide.Of(side)) : Why;

    /// <summary>The numbers behind it; null where there are none.</summary>
    /// <param name="difference">
    /// What it leaves, or by how much it is short or past, in whole units; or a place for it in a text that is filled in later.
    /// </param>
    /// <param name="side">One of <see cref="Sides"/>, or a place for it.</param>
    /// <param name="unit">The sign of the unit.</param>
    internal Message? Numbers(object difference, object side, string unit)
    {
        if (Carry is not { } number)
            return null;
        object carry =
            IsFromRough ? OnCourseSentences.FromRough.Of(number)
            : IsAbout ? OnCourseSentences.MeasuredElsewhere.Of(number)
            : number;
        return IsForTheHole ? OnCourseSentences.ToTheHole.Of(carry, difference, unit, side)
            : OnFairwayOfTen is { } often ? OnCourseSentences.LeavesOnFairway.Of(carry, difference, unit, often)
            : OnCourseSentences.Leaves.Of(carry, difference, unit);
    }

    /// <summary>Where a ball comes to rest seen from the hole: past it, as far, short of it.</summary>
    internal static readonly IReadOnlyList<string> Sides = ["past", "from", "short of"];

    private static string SideOf(int carry, int left) => Sides[Math.Sign(left - carry) + 1];
}

/// <summary>Where to aim at a green.</summary>
/// <param name="AtTheMiddle">Whether the middle of the green is better than the hole.</param>
/// <param name="Why">What decided.</param>
public sealed record GreenAim(bool AtTheMiddle, Message Why)
{
    /// <summary>
    /// At the middle of the green when the hole, the trouble beside it and the player's own miss lie on the same side; otherwise
    /// at the hole, with what is to be said.
    /// </summary>
    public static GreenAim Of(LaidHole hole, TargetSide? usualMiss)
    {
        if (hole.Pin.Side == Courses.PinSide.Middle)
            return new GreenAim(false, OnCourseSentences.AimPinInMiddle.Of());
        var side = hole.Pin.Side == Courses.PinSide.Left ? TargetSide.Left : TargetSide.Right;
        if ((side == TargetSide.Left ? hole.Green.Left : hole.Green.Right) is not { } trouble)
            return new GreenAim(false, OnCourseSentences.AimNothingThere.Of(side));
        return usualMiss switch
        {
            null => new GreenAim(false, OnCourseSentences.AimMissUnknown.Of(trouble, side)),
            { } miss when miss == side => new GreenAim(true, OnCourseSentences.AimAtMiddle.Of(trouble, side)),
            { } miss => new GreenAim(false, OnCourseSentences.AimOtherMiss.Of(trouble, side, miss)),
        };
    }
}
