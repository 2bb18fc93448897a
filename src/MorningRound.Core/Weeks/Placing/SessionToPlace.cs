using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>A session as far as its day depends on it.</summary>
public sealed record SessionToPlace
{
    /// <summary>Effort × minutes from which a session, or all sessions of a day together, are heavy: 75 minutes at an effort
    /// of 6. The product's own number.</summary>
    public const double HeavyFrom = 450;

    /// <summary>The effort of somebody who never rated one. The product's own number.</summary>
    public const double EffortUnrated = 6;

    /// <summary>More minutes than this make no difference to what is placed: eight hours and a half.</summary>
    internal const int MostMinutes = 511;

    /// <summary>Its id, unique in the week.</summary>
    public required Guid Id { get; init; }

    /// <summary>What it is called.</summary>
    public required string Title { get; init; }

    /// <summary>Whether it belongs to the week's work or comes on top.</summary>
    public Requirement Requirement { get; init; } = Requirement.Must;

    /// <summary>How long the visit lasts, pauses and walks included.</summary>
    public required int Minutes { get; init; }

    /// <summary>Planned minutes × the student's usual effort.</summary>
    public required double Load { get; init; }

    /// <summary>The drills in it, each once.</summary>
    public IReadOnlyList<Guid> Drills { get; init; } = [];

    /// <summary>Where most of it is done; null where that is left open.</summary>
    public PlaceKind? Place { get; init; }

    /// <summary>
    /// Its place in a stated order: one with a lower number is never later. Null where the order does not matter.
    /// </summary>
    public int? Order { get; init; }

    /// <summary>Whether it is nothing but a warm-up, which a competition day allows.</summary>
    public bool IsOnlyWarmUp { get; init; }

    /// <summary>A session of a plan.</summary>
    /// <param name="id">Its id.</param>
    /// <param name="plan">What is done in it.</param>
    /// <param name="context">The student, whose effort and whose walks count.</param>
    /// <param name="requirement">Whether it counts.</param>
    /// <param name="order">Its place in a stated order; null where there is none.</param>
    public static SessionToPlace Of(Guid id, SessionPlan plan, PlanContext context, Requirement requirement, int? order)
    {
        var input = new PlanInput(plan, context);
        return new SessionToPlace
        {
            Id = id,
            Title = plan.Title,
            Requirement = requirement,
            Minutes = input.Minutes + input.WalkMinutes,
            Load = input.Minutes * (context.Load?.MeanEffort ?? EffortUnrated),
            Drills = [.. input.Practice.Select(s => s.Drill?.DrillId).OfType<Guid>().Distinct()],
            Place = WhatToBring.MainPlace(plan),
            Order = order,
            IsOnlyWarmUp = input.IsOnlyWarmUp,
        };
    }

    /// <summary>
    /// The minutes that a session may have on a day before a competition: an hour on the two days before the student gets
    /// there, half an hour from then on; null for any other day. The product's own numbers.
    /// </summary>
    public static int? LongestBefore(Competition competition, DateOnly day)
    {
        var there = competition.GetsThere;
        return day >= competition.FirstDay || day < there.Plus(-TaperDays) ? null
            : day < there ? LongestInTaper
            : LongestOnArrival;
    }

    private const int TaperDays = 2;
    private const int LongestInTaper = 60;
    private const int LongestOnArrival = 30;

    /// <summary>Whether a time of the student's is long enough for it, and at a ground where it can be done.</summary>
    public bool FitsInto(PracticeWindow time) => Minutes <= time.Minutes && CanBeDoneAt(time.Place);

    /// <summary>
    /// Whether it can be done by somebody who is at a kind of ground: greens and bunkers lie beside range and course, and what is
    /// done at home can be done anywhere.
    /// </summary>
    private bool CanBeDoneAt(PlaceKind place) =>
        Place is null or PlaceKind.Home
        || Place == place
        || (place != PlaceKind.Home && Place is PlaceKind.PuttingGreen or PlaceKind.ChippingGreen or PlaceKind.Bunker);
}

/// <summary>
/// A session that stands where it is: one that was published, begun or held, of this week or the days around it.
/// </summary>
/// <param name="Session">The session.</param>
/// <param name="Day">Its day.</param>
public sealed record StandingSession(SessionToPlace Session, DateOnly Day);
