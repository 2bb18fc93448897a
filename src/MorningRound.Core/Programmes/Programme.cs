using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Weeks;

namespace MorningRound.Core.Programmes;

/// <summary>What a programme is to change: a measure of a drill, where it started, and the band it should come to.</summary>
public sealed record ProgrammeGoal
{
    /// <summary>The drill that measures it.</summary>
    public required Guid DrillId { get; init; }

    /// <summary>The name of the measure, as the drill's protocol has it.</summary>
    public required string Measure { get; init; }

    /// <summary>What it is called: "holed from six feet".</summary>
    public required string What { get; init; }

    /// <summary>Its unit; empty for a plain number.</summary>
    public string Unit { get; init; } = "";

    /// <summary>Where it starts; null takes each student's first result after the start.</summary>
    public double? Start { get; init; }

    /// <summary>The lower end of the band; null where it has none.</summary>
    public double? Least { get; init; }

    /// <summary>The upper end of the band; null where it has none.</summary>
    public double? Most { get; init; }
}

/// <summary>What is different in a slot from a week on, until another change says otherwise.</summary>
public sealed record SlotChange
{
    /// <summary>The first week it holds for, from 1.</summary>
    public required int FromWeek { get; init; }

    /// <summary>The segment of the slot's plan; null for the whole session, which then only can change its minutes.</summary>
    public Guid? SegmentId { get; init; }

    /// <summary>The step of the segment's drill, from 0; null leaves it as it was. It may go down on purpose.</summary>
    public int? Rung { get; init; }

    /// <summary>What is asked of the segment's drill; null leaves it as it was, or takes what is usual on the new step.</summary>
    public DrillGoal? Goal { get; init; }

    /// <summary>The minutes, of the segment or of the session; null leaves them as they were.</summary>
    public int? Minutes { get; init; }
}

/// <summary>A session that comes every week of a programme.</summary>
public sealed record ProgrammeSlot
{
    /// <summary>Unique in the programme.</summary>
    public required Guid Id { get; init; }

    /// <summary>The plan it is held by.</summary>
    public required Guid PlanId { get; init; }

    /// <summary>Whether it belongs to the week's work or comes on top.</summary>
    public Requirement Requirement { get; init; } = Requirement.Must;

    /// <summary>Its place in the week's order; null where the order does not matter.</summary>
    public int? Order { get; init; }

    /// <summary>The first week it comes in, from 1.</summary>
    public int FromWeek { get; init; } = 1;

    /// <summary>The last week it comes in; null for the programme's last.</summary>
    public int? ToWeek { get; init; }

    /// <summary>What changes from week to week.</summary>
    public IReadOnlyList<SlotChange> Changes { get; init; } = [];

    /// <summary>The segments whose step the programme has set by a week, whatever last results would offer.</summary>
    /// <param name="week">The week, from 1.</param>
    public IReadOnlySet<Guid> SettledBy(int week) =>
        Changes.Where(c => c.FromWeek <= week && c.Rung is not null).Select(c => c.SegmentId).OfType<Guid>().ToHashSet();
}

/// <summary>A session of one week of a programme.</summary>
/// <param name="SlotId">The slot it comes from.</param>
/// <param name="PlanId">The plan it is held by.</param>
/// <param name="Plan">The plan as it is in that week.</param>
/// <param name="Requirement">Whether it counts.</param>
/// <param name="Order">Its place in the week's order; null where there is none.</param>
public sealed record ProgrammeSession(Guid SlotId, Guid PlanId, SessionPlan Plan, Requirement Requirement, int? Order);

/// <summary>Weeks × slots of sessions, with what changes from week to week, a goal and a starting measure.</summary>
public sealed record Programme
{
    /// <summary>The share of a session's minutes that is left of it in a lighter week. The product's own number.</summary>
    public const double LighterShare = 0.6;

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>What it is for; empty where nobody said.</summary>
    public string Purpose { get; init; } = "";

    /// <summary>How many weeks it takes, 1 to 26.</summary>
    public required int Weeks { get; init; }

    /// <summary>What comes every week.</summary>
    public required IReadOnlyList<ProgrammeSlot> Slots { get; init; }

    /// <summary>The weeks that are lighter, from 1: shorter sessions, and nothing extra.</summary>
    public IReadOnlyList<int> LighterWeeks { get; init; } = [];

    /// <summary>What it is to change; null where nothing is measured.</summary>
    public ProgrammeGoal? Goal { get; init; }

    /// <summary>The sessions of a week, in the order of the slots. A slot whose plan is not there any more is left out.</summary>
    /// <param name="week">The week, from 1.</param>
    /// <param name="plans">The plans by id.</param>
    public IReadOnlyList<ProgrammeSession> SessionsOf(int week, IReadOnlyDictionary<Guid, SessionPlan> plans)
    {
        var isLighter = LighterWeeks.Contains(week);
        return
        [
            .. from slot in Slots
            where week >= slot.FromWeek && week <= (slot.ToWeek ?? Weeks) && plans.ContainsKey(slot.PlanId)
            where !isLighter || slot.Requirement == Requirement.Must
            select new ProgrammeSession(
                slot.Id,
                slot.PlanId,
                SlotChanges.In(plans[slot.PlanId], slot, week, isLighter),
                slot.Requirement,
                slot.Order
            ),
        ];
    }
}
