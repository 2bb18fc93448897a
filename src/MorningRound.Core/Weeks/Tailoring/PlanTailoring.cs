using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks.Tailoring;

/// <summary>
/// Makes a plan that is set for many one student's own, where it must be: clubs of the bag, the student's unit, drills that load
/// what hurts or need what is lacking exchanged for the nearest that fits, steps of a ladder by the last results. Every change is
/// listed.
/// </summary>
public static class PlanTailoring
{
    /// <summary>How far apart in the bag two clubs may be for one to stand in for the other: two steps.</summary>
    private const int NearestClubs = 2;

    /// <summary>The plan for one student.</summary>
    /// <param name="plan">The plan as it was written.</param>
    /// <param name="context">The student, and the day it is for.</param>
    /// <param name="shelf">The drills there are.</param>
    /// <param name="standings">Where the student stands on the ladders of drills; those without results are missing.</param>
    /// <param name="settled">Segments whose step was set on purpose and stays; none where nobody did.</param>
    public static TailoredPlan For(
        SessionPlan plan,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf,
        IReadOnlyCollection<LadderStanding> standings,
        IReadOnlySet<Guid>? settled = null
    )
    {
        if (context.Student is null)
            return new TailoredPlan(plan, []);
        var changes = new List<PlanChange>();
        var tailored = plan;
        foreach (var id in plan.Practice().Select(s => s.Id))
        {
            tailored = Exchanged(tailored, id, context, shelf, changes);
            if (settled?.Contains(id) != true)
                tailored = Change(tailored, id, s => WithRung(s, context, standings, changes));
            tailored = Change(tailored, id, s => WithClubs(s, context, changes));
        }

        if (NeedsUnit(tailored, context))
            changes.Add(new PlanChange(PlanChangeKind.Unit, WeekSentences.InTheirUnit.Of(context.Student.Own.Units)));
        return new TailoredPlan(tailored, changes);
    }

    private static SessionPlan Change(SessionPlan plan, Guid id, Func<PracticeSegment, PracticeSegment> change) =>
        plan with
        {
            Segments = [.. plan.Segments.Select(s => s.Id == id && s is PracticeSegment practice ? change(practice) : s)],
        };

    /// <summary>With another drill where the segment cannot be practised by this student as it stands.</summary>
    private static SessionPlan Exchanged(
        SessionPlan plan,
        Guid id,
        PlanContext context,
        IReadOnlyList<ShelvedDrill> shelf,
        List<PlanChange> changes
    )
    {
        var segment = plan.Practice().Single(s => s.Id == id);
        if (Obstacle(segment, context) is not { } obstacle)
            return plan;
        foreach (var other in shelf.Where(d => IsAlike(d, segment)).OrderBy(d => Distance(d, segment, plan, context)))
        {
            var exchanged = WithDrill(segment, other, other.Drill.BeginningRung(context.Level));
            if (Obstacle(exchanged, context) is not null)
                continue;
            changes.Add(
                new PlanChange(
                    PlanChangeKind.Drill,
                    WeekSentences.Exchanged.Of(segment.Drill?.Drill.Name ?? segment.Title, other.Drill.Name, obstacle),
                    id
                )
            );
            return Change(plan, id, _ => exchanged);
        }

        changes.Add(new PlanChange(PlanChangeKind.NothingFits, WeekSentences.NothingInstead.Of(segment.Title, obstacle), id));
        return plan;
    }

    /// <summary>What keeps this student from a segment; null where nothing does.</summary>
    internal static Message? Obstacle(PracticeSegment segment, PlanContext context)
    {
        var hurting = context.Hurt.FirstOrDefault(h => segment.LoadOn(h.Part, h.Side) is { } load && h.Forbids(load));
        if (hurting is not null)
            return WeekSentences.LoadsHurt.Of(hurting);
        if (segment.Drill is not { } planned)
            return null;
        var input = new PlanInput(new SessionPlan { Title = "", Segments = [segment] }, context);
        var lacking = planned
            .Drill.Equipment.Where(e => !e.IsMetBy(item => input.HasEquipment(item, segment.Place)))
            .Select(e => e.Item)
            .ToList();
        if (lacking.Count > 0)
            return WeekSentences.Lacks.Of(lacking);
        return segment.Protocol()!.For(context.PlayerAt(segment.Place)).WhatIsMissing() is { } missing
            ? WeekSentences.Misses.Of(missing.TrimEnd('.'))
            : null;
    }

    /// <summary>Whether a drill can stand in for a segment: the same part of the game, phase, intent and ground.</summary>
    private static bool IsAlike(ShelvedDrill shelved, PracticeSegment segment) =>
        shelved.Id != segment.Drill?.DrillId
        && shelved.Drill.Area == segment.EffectiveArea
        && shelved.Drill.Phases.Contains(segment.Phase)
        && shelved.Drill.Intents.Contains(segment.Intent)
        && shelved.Drill.Places.Contains(segment.Place);

    /// <summary>
    /// How near a drill comes: what it trains first, then how it is counted, then who it is for and how long it takes.
    /// </summary>
    private static (int, int, int, int, int, string) Distance(
        ShelvedDrill shelved,
        PracticeSegment segment,
        SessionPlan plan,
        PlanContext context
    )
    {
        var drill = shelved.Drill;
        return (
            plan.Practice().Any(s => s.Drill?.DrillId == shelved.Id) ? 1 : 0,
            drill.Skill == segment.EffectiveSkill ? 0 : 1,
            drill.Protocol.GetType() == segment.Drill?.Drill.Protocol.GetType() ? 0 : 1,
            drill.Suits(context.Level, context.Student!.Coach.Age) ? 0 : 1,
            Math.Abs(drill.UsualMinutes - segment.Minutes),
            drill.Name
        );
    }

    /// <summary>The segment with another drill: its minutes, ground and focus stay, the rest is the drill's.</summary>
    /// <param name="segment">The segment.</param>
    /// <param name="other">The drill.</param>
    /// <param name="rung">The step of its ladder, from 0.</param>
    public static PracticeSegment WithDrill(PracticeSegment segment, ShelvedDrill other, int rung)
    {
        var drill = other.Drill;
        var exchanged = segment with
        {
            Title = drill.Name,
            Instruction = "",
            Area = null,
            Skill = "",
            Criterion = "",
            Cue = drill.Cues.Count > 0 ? drill.Cues[0] : "",
            Feedback = null,
            Swing = null,
            Aids = [],
            HideStages = [],
            Calls = [],
            Parts = [],
            Clubs = drill.ClubGroup switch
            {
                ClubGroup.None => [],
                ClubGroup.Putter => [Club.Putter],
                _ => segment.Clubs,
            },
            Drill = new PlannedDrill
            {
                DrillId = other.Id,
                Drill = drill,
                Rung = rung,
                Goal = drill.UsualGoal(rung),
            },
            Exit = drill.UsualBalls > 0 ? new AfterBalls() : new AfterMinutes(),
        };
        // As many balls as before, unless the drill has its own number; never faster than it is made for.
        var usual = (int)Math.Round((double)drill.UsualBalls * segment.Minutes / drill.UsualMinutes);
        var balls = drill.ProtocolAt(rung).OwnStrokes ?? (segment.Balls > 0 ? Math.Min(segment.Balls, usual) : usual);
        return exchanged.WithBalls(drill.UsualBalls == 0 ? 0 : Math.Max(1, balls));
    }

    /// <summary>On the step where the last results put the student, or where somebody of the level begins.</summary>
    private static PracticeSegment WithRung(
        PracticeSegment segment,
        PlanContext context,
        IReadOnlyCollection<LadderStanding> standings,
        List<PlanChange> changes
    )
    {
        if (segment.Drill is not { Drill: { Ladder.Count: > 1 } drill } planned)
            return segment;
        var standing = standings.FirstOrDefault(s => s.DrillId == planned.DrillId);
        var last = drill.Ladder.Count - 1;
        var isRaised = standing is { IsNextStepDue: true } && standing.Rung < last;
        var rung = standing is null
            ? drill.BeginningRung(context.Level)
            : Math.Clamp(standing.Rung + (isRaised ? 1 : 0), 0, last);
        if (rung == planned.Rung)
            return segment;
        var name = drill.Ladder[rung].Name;
        // A drill that was exchanged a moment ago says all there is to say.
        if (changes.All(c => c.SegmentId != segment.Id))
        {
            changes.Add(
                new PlanChange(
                    PlanChangeKind.Rung,
                    standing is null ? WeekSentences.RungOfLevel.Of(drill.Name, name, context.Level)
                        : isRaised ? WeekSentences.RungRaised.Of(drill.Name, name, standing.MetInARow)
                        : WeekSentences.RungOfLast.Of(drill.Name, name),
                    segment.Id
                )
            );
        }

        return segment with
        {
            Drill = planned with { Rung = rung, Goal = drill.UsualGoal(rung) },
        };
    }

    /// <summary>With clubs of the bag in place of those that are not in it.</summary>
    private static PracticeSegment WithClubs(PracticeSegment segment, PlanContext context, List<PlanChange> changes)
    {
        var bag = context.Student!.Coach.Bag.Select(b => b.Club).ToHashSet();
        var named = segment.Clubs.Concat(segment.Parts.SelectMany(p => p.Clubs)).Concat(segment.Calls.Select(c => c.Club));
        var missing = named.Distinct().Where(c => !bag.Contains(c)).ToList();
        if (bag.Count == 0 || missing.Count == 0)
            return segment;
        var instead = missing.ToDictionary(c => c, c => Nearest(c, bag, segment.Clubs));
        foreach (var club in missing)
        {
            changes.Add(
                new PlanChange(
                    PlanChangeKind.Clubs,
                    instead[club] is { } other
                        ? WeekSentences.ClubInstead.Of(segment.Title, other, club)
                        : WeekSentences.ClubLeftOut.Of(segment.Title, club),
                    segment.Id
                )
            );
        }

        IReadOnlyList<Club> InBag(IReadOnlyList<Club> clubs) =>
            [.. clubs.Select(c => instead.TryGetValue(c, out var other) ? other : c).OfType<Club>().Distinct()];
        return segment with
        {
            Clubs = InBag(segment.Clubs),
            Parts = [.. segment.Parts.Select(p => p with { Clubs = InBag(p.Clubs) })],
            Calls = [.. segment.Calls.Where(c => InBag([c.Club]).Count > 0).Select(c => c with { Club = InBag([c.Club])[0] })],
        };
    }

    /// <summary>
    /// The club of the bag next to one that is not in it, one that is not in use yet before others; null where none is near.
    /// </summary>
    private static Club? Nearest(Club club, IEnumerable<Club> bag, IReadOnlyList<Club> inUse) =>
        bag.Where(c => c != Club.Putter && Math.Abs(c - club) <= NearestClubs && club != Club.Putter)
            .OrderBy(c => inUse.Contains(c))
            .ThenBy(c => Math.Abs(c - club))
            .ThenByDescending(c => c)
            .Cast<Club?>()
            .FirstOrDefault();

    /// <summary>Whether numbers of the plan come out differently in the student's unit.</summary>
    private static bool NeedsUnit(SessionPlan plan, PlanContext context) =>
        context.Student!.Own.Units == LengthUnit.Metres
        && plan.Practice()
            .Any(s =>
                s.FairwayYards is not null
                || (
                    s.Protocol() is { } protocol
                    && context.PlayerAt(s.Place) is var player
                    && !protocol.For(player).IsSameAs(protocol.For(player with { Unit = LengthUnit.Yards }))
                )
            );
}
