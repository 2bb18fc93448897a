using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Sessions;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Plans;

/// <summary>
/// What the bench asks while a coach writes: the check and its fixes, drafts, templates, calls. Nothing of it is stored.
/// </summary>
public sealed class PlanWorkbenchService(
    MorningRoundDb db,
    DomainClock clock,
    PlanContextService contexts,
    IPracticeHistory history,
    StudentService students,
    RoundService rounds
)
{
    public async Task<PlanCheckView> CheckAsync(Caller caller, PlanCheckInput input, CancellationToken cancel)
    {
        var context = await contexts.OfAsync(caller, input.StudentId, input.Day, cancel);
        var everybody = input.IsForSquad ? await contexts.SquadAsync(caller, input.Day, null, cancel) : [];
        IReadOnlyList<(string Name, PlanContext Context)> squad = [.. everybody.Select(s => (s.Name, s.Context))];
        var approach = context.ApproachOf(input.Plan);
        var after = input.Plan.Practice().Where(s => s.Phase != Phase.WarmUp).ToList();
        var minutes = after.Sum(s => Math.Max(0, s.Minutes));
        // A plan that only lacks its title is checked like any other.
        var isChecked = PlanRules.ToKeep(input.Plan).All(e => e.Path == "title");
        return new PlanCheckView
        {
            Analysis = PlanAnalysis.Of(input.Plan),
            IsChecked = isChecked,
            Findings =
                !isChecked ? []
                : input.IsForSquad ? PlanCheck.RunForSquad(input.Plan, context, squad)
                : PlanCheck.Run(input.Plan, context),
            Squad = input.IsForSquad ? SquadInWords(squad) : null,
            Approach = approach,
            Season = context.Student is null ? null : context.Season,
            Shares =
                approach is null || minutes == 0
                    ? []
                    :
                    [
                        .. Approaches
                            .Bands(approach.Value, context.Season, context.Level)
                            .Select(b => new ShareView(
                                b.Share.InWords(),
                                b.Least,
                                b.Most,
                                100.0 * after.Where(s => b.Share.Counts(s)).Sum(s => Math.Max(0, s.Minutes)) / minutes
                            )),
                    ],
            Areas =
            [
                .. input
                    .Plan.Practice()
                    .Where(s => s.EffectiveArea is not null)
                    .GroupBy(s => s.EffectiveArea!.Value)
                    .Select(g => new AreaMinutes(g.Key, g.Sum(s => Math.Max(0, s.Minutes))))
                    .OrderBy(a => a.Area),
            ],
            MinutesLeft = input.Plan.Constraints.Minutes - input.Plan.Segments.Sum(s => Math.Max(0, s.Minutes)),
            BallsLeft = input.Plan.Constraints.Balls - PlanTotals.Of(input.Plan).BallsBought,
        };
    }

    private static string SquadInWords(IReadOnlyList<(string Name, PlanContext Context)> squad)
    {
        var levels = squad
            .GroupBy(s => s.Context.Level)
            .OrderBy(g => g.Key)
            .Select(g => $"{g.Count()} {(g.Key == Level.SingleFigure ? "single figure" : g.Key.ToString().ToLowerInvariant())}");
        var left = squad.Count(s => s.Context.Hand == Hand.Left);
        var hurt = squad
            .Select(s => (s.Name, Hurt: s.Context.Hurt.Where(h => !h.Mild).ToList()))
            .Where(s => s.Hurt.Count > 0)
            .Select(s => $"{s.Name} ({string.Join(", ", s.Hurt.Select(h => BodyParts.InWords(h.Part, h.Side)))})")
            .ToList();
        var leftHanded = left > 0 ? $"; {left} left-handed" : "";
        var notCleared = hurt.Count > 0 ? $". Not cleared: {string.Join(", ", hurt)}" : "";
        return $"{squad.Count} students: {string.Join(", ", levels)}{leftHanded}{notCleared}.";
    }

    /// <summary>The plan with one finding's fix applied; as it was when that is no longer offered.</summary>
    public async Task<SessionPlan> FixAsync(Caller caller, PlanFixInput input, CancellationToken cancel)
    {
        var errors = PlanRules.ToKeep(input.Plan);
        if (errors.Count > 0)
            throw ApiProblemException.Invalid([.. errors.Select(e => e with { Path = $"plan.{e.Path}" })]);
        return PlanCheck.Fix(
            input.Plan,
            await contexts.OfAsync(caller, input.StudentId, input.Day, cancel),
            input.Finding,
            input.SegmentId
        );
    }

    public async Task<Drafted> DraftAsync(Caller caller, PlanDraftInput input, CancellationToken cancel)
    {
        var errors = input.Request.Check();
        if (errors.Count > 0)
            throw ApiProblemException.Invalid([.. errors.Select(e => e with { Path = $"request.{e.Path}" })]);
        IReadOnlyList<Guid> asked =
            input.StudentIds.Count > 0 ? [.. input.StudentIds.Distinct()] : [.. new[] { input.StudentId }.OfType<Guid>()];
        if (asked.Count > DraftRequest.MostStudents)
            throw ApiProblemException.Invalid("studentIds", $"At most {DraftRequest.MostStudents} students together, please.");
        var together = asked.Count > 1 ? await contexts.SquadAsync(caller, input.Day, asked, cancel) : [];
        var (context, request) = asked.Count switch
        {
            0 => (await contexts.OfAsync(caller, null, input.Day, cancel), input.Request),
            1 => await ForOneAsync(caller, asked[0], input, cancel),
            _ => (PlanDraft.Together([.. together.Select(one => one.Context)]), input.Request),
        };
        var shelf = await db.ShelfAsync(caller.AcademyId, cancel);
        return PlanDraft.Of(request, context, shelf).ForAll([.. together.Select(one => one.Name)]);
    }

    private async Task<(PlanContext Context, DraftRequest Request)> ForOneAsync(
        Caller caller,
        Guid studentId,
        PlanDraftInput input,
        CancellationToken cancel
    )
    {
        var context = await contexts.OfAsync(caller, studentId, input.Day, cancel);
        var record = await history.RecordAsync(caller, studentId, context.Day, cancel);
        return (
            context with
            {
                Losses = record.Losses,
                Lost = (await rounds.LostAsync(caller, new Dictionary<Guid, Level> { [studentId] = context.Level }, cancel))[
                    studentId
                ],
                RecentAreas = record.RecentAreas,
            },
            input.Request with
            {
                Recent = [.. input.Request.Recent.Concat(record.RecentDrills).Distinct()],
                Known = record.KnownDrills,
            }
        );
    }

    public IReadOnlyList<TemplateView> Templates(Caller caller) =>
        [
            .. PlanTemplates
                .On(clock.Today(caller.TimeZone))
                .Select(t => new TemplateView(t, PlanTotals.Of(t), SessionStrip.Planned(t))),
        ];

    /// <summary>A list of calls with how much it changes.</summary>
    public static ShotCallsView Calls(ShotCallsInput input)
    {
        var errors = input.Protocol.Check("protocol");
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        var calls = input.Protocol.List(input.Seed);
        return new ShotCallsView(calls, CallVariety.Of(calls));
    }

    /// <summary>Holes as they would lie for a student, or, without one, as far as the ground alone says.</summary>
    public async Task<HolesView> HolesAsync(Caller caller, HolesInput input, CancellationToken cancel)
    {
        var errors = input.Play.Check("play");
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        var context = await contexts.OfAsync(caller, input.StudentId, null, cancel);
        var player = context.PlayerOn(input.Play);
        var missing = LaidHoles.WhatIsMissing(input.Play, player);
        var laid = missing is null ? LaidHoles.Of(input.Play, player) : null;
        return new HolesView
        {
            Laid = laid,
            Lies = laid is null ? [] : [.. laid.Holes.Select(h => HoleWords.HowItLies(h, laid).In())],
            Missing = missing,
            Name = input.Play.Name,
            UsualMinutes = input.Play.UsualMinutes,
            UsualBalls = input.Play.UsualBalls,
        };
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
            Hurt = [.. context.Hurt.Where(h => !h.Mild).Select(h => BodyParts.InWords(h.Part, h.Side))],
            Load = context.Load?.Band,
            LoadRatio = context.Load?.Ratio,
            Windows = file.Own.Windows,
            DislikedClubs = file.Own.DislikedClubs,
            DislikedSides = file.Own.DislikedSides,
        };
    }
}
