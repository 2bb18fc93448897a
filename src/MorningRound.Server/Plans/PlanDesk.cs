using Microsoft.EntityFrameworkCore;
using MorningRound.Core;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Check;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>What the bench asks while a coach writes: the check and its fixes, drafts, templates, calls. Nothing of it is stored.</summary>
public sealed class PlanDesk(MorningRoundDb db, DomainClock clock, PlanContextBook contexts, StudentBook students)
{
    public async Task<PlanCheckView> CheckAsync(Caller caller, PlanCheckInput input, CancellationToken cancel)
    {
        var context = await contexts.OfAsync(caller, input.StudentId, input.Day, cancel);
        var squad = input.Squad ? await contexts.SquadAsync(caller, input.Day, cancel) : [];
        var approach = context.ApproachOf(input.Plan);
        var after = input.Plan.Practice().Where(s => s.Phase != Phase.WarmUp).ToList();
        var minutes = after.Sum(s => Math.Max(0, s.Minutes));
        // A plan that only lacks its title is checked like any other.
        var isChecked = PlanRules.ToKeep(input.Plan).All(e => e.Path == "title");
        return new PlanCheckView
        {
            Reading = PlanReading.Of(input.Plan),
            IsChecked = isChecked,
            Findings = !isChecked ? [] : input.Squad ? PlanCheck.RunForSquad(input.Plan, context, squad) : PlanCheck.Run(input.Plan, context),
            Squad = input.Squad ? SquadInWords(squad) : null,
            Approach = approach,
            Season = context.Student is null ? null : context.Season,
            Shares = approach is null || minutes == 0 ? [] :
            [
                .. Approaches.Bands(approach.Value, context.Season, context.Level)
                    .Select(b => new ShareView(b.Of.InWords(), b.Least, b.Most, 100.0 * after.Where(s => b.Of.Counts(s)).Sum(s => Math.Max(0, s.Minutes)) / minutes)),
            ],
            Areas =
            [
                .. input.Plan.Practice().Where(s => s.AreaOrDrills is not null).GroupBy(s => s.AreaOrDrills!.Value)
                    .Select(g => new AreaMinutes(g.Key, g.Sum(s => Math.Max(0, s.Minutes)))).OrderBy(a => a.Area),
            ],
            MinutesLeft = input.Plan.Frame.Minutes - input.Plan.Segments.Sum(s => Math.Max(0, s.Minutes)),
            BallsLeft = input.Plan.Frame.Balls - PlanTotals.Of(input.Plan).BallsBought,
        };
    }

    private static string SquadInWords(IReadOnlyList<(string Name, PlanContext Context)> squad)
    {
        var levels = squad.GroupBy(s => s.Context.Level).OrderBy(g => g.Key)
            .Select(g => $"{g.Count()} {(g.Key == Level.SingleFigure ? "single figure" : g.Key.ToString().ToLowerInvariant())}");
        var left = squad.Count(s => s.Context.Hand == Hand.Left);
        var hurt = squad.Where(s => s.Context.Hurt.Count > 0).Select(s => $"{s.Name} ({string.Join(", ", s.Context.Hurt.Select(h => BodyParts.InWords(h.Part, h.Side)))})").ToList();
        return $"{squad.Count} students: {string.Join(", ", levels)}{(left > 0 ? $"; {left} left-handed" : "")}{(hurt.Count > 0 ? $". Not cleared: {string.Join(", ", hurt)}" : "")}.";
    }

    /// <summary>The plan with one finding's fix applied; as it was when that is no longer offered.</summary>
    public async Task<SessionPlan> FixAsync(Caller caller, PlanFixInput input, CancellationToken cancel)
    {
        var errors = PlanRules.ToKeep(input.Plan);
        if (errors.Count > 0) throw Refusal.Invalid([.. errors.Select(e => e with { Path = $"plan.{e.Path}" })]);
        return PlanCheck.Fix(input.Plan, await contexts.OfAsync(caller, input.StudentId, input.Day, cancel), input.Finding, input.SegmentId);
    }

    public async Task<Drafted> DraftAsync(Caller caller, PlanDraftInput input, CancellationToken cancel)
    {
        var errors = input.Request.Check();
        if (errors.Count > 0) throw Refusal.Invalid([.. errors.Select(e => e with { Path = $"request.{e.Path}" })]);
        var context = await contexts.OfAsync(caller, input.StudentId, input.Day, cancel);
        var recent = input.StudentId is { } id ? await contexts.RecentDrillsAsync(caller, id, cancel) : [];
        var shelf = (await db.Drills.AsNoTracking().Where(d => d.AcademyId == caller.AcademyId && d.RemovedAt == null).Select(d => new { d.Id, d.Document }).ToListAsync(cancel))
            .Select(d => new ShelvedDrill { Id = d.Id, Drill = d.Document });
        return PlanDraft.Of(input.Request with { Recent = [.. input.Request.Recent.Concat(recent).Distinct()] }, context, [.. shelf]);
    }

    public IReadOnlyList<TemplateView> Templates(Caller caller) =>
        [.. PlanTemplates.On(clock.Today(caller.TimeZone)).Select(t => new TemplateView(t, PlanTotals.Of(t), Strip.Planned(t)))];

    /// <summary>A list of calls with how much it changes.</summary>
    public static ShotCallsView Calls(ShotCallsInput input)
    {
        var errors = input.Protocol.Check("protocol");
        if (errors.Count > 0) throw Refusal.Invalid(errors);
        var calls = input.Protocol.List(input.Seed);
        return new ShotCallsView(calls, CallVariety.Of(calls));
    }

    /// <summary>Who a plan is written for, in the few lines that stand above the bench.</summary>
    public async Task<PlanContextView> ContextAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var student = await students.GetAsync(caller, studentId, cancel);
        var context = await contexts.OfAsync(caller, studentId, null, cancel);
        var file = context.Student!;
        var next = file.Own.Competitions.Where(c => c.LastDay >= context.Day).MinBy(c => c.FirstDay);
        return new PlanContextView
        {
            StudentId = studentId,
            Name = student.Name,
            Level = context.Level,
            Hand = context.Hand,
            Season = context.Season,
            Approach = file.Coach.Approach,
            Focus = file.Coach.Focus,
            NextCompetition = next?.Name,
            DaysToCompetition = next is null ? null : next.FirstDay.DayNumber - context.Day.DayNumber,
            Equipment = file.Own.Equipment,
            Hurt = [.. context.Hurt.Select(h => BodyParts.InWords(h.Part, h.Side))],
            Load = context.Load?.Standing,
            LoadRatio = context.Load?.Ratio,
            Windows = file.Own.Windows,
            DislikedClubs = file.Own.DislikedClubs,
            DislikedSides = file.Own.DislikedSides,
        };
    }
}

/// <summary>A plan to be checked, for whom and for which day; without a student or the squad it is checked by itself.</summary>
public sealed record PlanCheckInput
{
    public required SessionPlan Plan { get; init; }

    public Guid? StudentId { get; init; }

    /// <summary>Whether the whole squad is to practise it.</summary>
    public bool Squad { get; init; }

    public DateOnly? Day { get; init; }
}

/// <summary>A share that an approach asks for, in percent of the minutes after warm-up, and what the plan has.</summary>
public sealed record ShareView(string Of, double Least, double Most, double Percent);

public sealed record AreaMinutes(Area Area, int Minutes);

/// <summary>What the bench shows beside a plan while it is written.</summary>
public sealed record PlanCheckView
{
    public required PlanReading Reading { get; init; }

    /// <summary>Whether it was checked: not while a field of it, its title apart, keeps it from being saved.</summary>
    public required bool IsChecked { get; init; }

    /// <summary>The heaviest first; empty while it was not checked.</summary>
    public required IReadOnlyList<Finding> Findings { get; init; }

    /// <summary>The approach it is judged by; none where neither plan nor student names one.</summary>
    public required Approach? Approach { get; init; }

    /// <summary>The student's season on the day; none without a student.</summary>
    public required Season? Season { get; init; }

    public required IReadOnlyList<ShareView> Shares { get; init; }

    /// <summary>Minutes by area of the game.</summary>
    public required IReadOnlyList<AreaMinutes> Areas { get; init; }

    /// <summary>Below zero when there are too many; none where no minutes were said.</summary>
    public required int? MinutesLeft { get; init; }

    public required int? BallsLeft { get; init; }

    /// <summary>Who the squad is, in a line; none unless it was asked for.</summary>
    public required string? Squad { get; init; }
}

public sealed record PlanFixInput
{
    public required SessionPlan Plan { get; init; }

    public Guid? StudentId { get; init; }

    public DateOnly? Day { get; init; }

    public required FindingId Finding { get; init; }

    public Guid? SegmentId { get; init; }
}

public sealed record PlanDraftInput
{
    public required DraftRequest Request { get; init; }

    public Guid? StudentId { get; init; }

    public DateOnly? Day { get; init; }
}

public sealed record ShotCallsInput
{
    public required CalledShots Protocol { get; init; }

    public required ulong Seed { get; init; }
}

public sealed record ShotCallsView(IReadOnlyList<ShotCall> Calls, CallVariety Variety);

public sealed record TemplateView(SessionPlan Plan, PlanTotals Totals, IReadOnlyList<StripSegment> Strip);

/// <summary>Who a plan is for.</summary>
public sealed record PlanContextView
{
    public required Guid StudentId { get; init; }

    public required string Name { get; init; }

    public required Level Level { get; init; }

    public required Hand Hand { get; init; }

    public required Season Season { get; init; }

    public required Approach? Approach { get; init; }

    public required FocusChain Focus { get; init; }

    public required string? NextCompetition { get; init; }

    /// <summary>Below zero while it is under way.</summary>
    public required int? DaysToCompetition { get; init; }

    /// <summary>What the student carries.</summary>
    public required IReadOnlyList<Equipment> Equipment { get; init; }

    /// <summary>What hurts and nobody has cleared, in lead and trail words.</summary>
    public required IReadOnlyList<string> Hurt { get; init; }

    /// <summary>None with under four weeks of history.</summary>
    public required LoadStanding? Load { get; init; }

    public required double? LoadRatio { get; init; }

    public required IReadOnlyList<PracticeWindow> Windows { get; init; }

    /// <summary>Clubs that belong among the calls because they are awkward.</summary>
    public required IReadOnlyList<Club> DislikedClubs { get; init; }

    /// <summary>Sides on which a target or trouble is disliked, and so belongs among the calls.</summary>
    public required IReadOnlyList<TargetSide> DislikedSides { get; init; }
}
