using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Plans;
using MorningRound.Core.Programmes;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Programmes;

/// <summary>The programmes of an academy.</summary>
public sealed class ProgrammeService(MorningRoundDb db, DomainClock clock, ProgrammeRunService runs)
{
    /// <summary>More programmes than any academy has.</summary>
    public const int MostProgrammes = 100;

    /// <summary>All programmes by name, with those they run for: two queries.</summary>
    public async Task<IReadOnlyList<ProgrammeSummary>> ListAsync(Caller caller, CancellationToken cancel)
    {
        var rows = await db
            .Programmes.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null)
            .OrderBy(p => p.Name)
            .ThenBy(p => p.Id)
            .Take(MostProgrammes)
            .ToListAsync(cancel);
        var running = await runs.OfAsync(caller, rows.ConvertAll(r => r.Id), cancel);
        return
        [
            .. rows.Select(r => new ProgrammeSummary(
                r.Id,
                r.Name,
                r.Document.Purpose,
                r.Weeks,
                r.Document.Slots.Count,
                [.. running[r.Id]]
            )),
        ];
    }

    public async Task<ProgrammeView> GetAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var row =
            await db
                .Programmes.AsNoTracking()
                .SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id && p.RemovedAt == null, cancel)
            ?? throw ApiProblemException.NotFound("programme");
        return await ViewAsync(caller, row, cancel);
    }

    /// <summary>
    /// Makes or changes a programme. What was set from it stays as it is; what is set from now on follows the new text.
    /// </summary>
    public async Task<ProgrammeView> SaveAsync(
        Caller caller,
        Guid id,
        Programme programme,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var errors = ProgrammeRules.Check(programme).ToList();
        if (id == Guid.Empty)
            errors.Add(new FieldError("id", "An id is needed."));
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        var plans = programme.Slots.Select(s => s.PlanId).Distinct().ToList();
        if (await db.Plans.CountAsync(p => p.AcademyId == caller.AcademyId && plans.Contains(p.Id), cancel) < plans.Count)
            throw ApiProblemException.NotFound("plan");
        return await ViewAsync(
            caller,
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = async () =>
                        await db.Programmes.CountAsync(p => p.AcademyId == caller.AcademyId && p.RemovedAt == null, cancel)
                        >= MostProgrammes
                            ? throw ApiProblemException.Invalid("id", $"At most {MostProgrammes} programmes fit here.")
                            : new ProgrammeRow
                            {
                                AcademyId = caller.AcademyId,
                                Id = id,
                                Name = "",
                                Document = programme,
                                GoalMeasure = "",
                                WrittenBy = caller.AccountId,
                            },
                    IsSame = row => StoredDocuments.Same(row.Document, programme),
                    Change = row => row.Write(programme),
                },
                cancel
            ),
            cancel
        );
    }

    /// <summary>Takes a programme off the list; it runs for nobody any more. What was set from it stays.</summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    /// <summary>A programme while it is written: its weeks as they would be. Nothing is stored.</summary>
    public async Task<ProgrammeDrawing> DrawAsync(Caller caller, Programme programme, CancellationToken cancel)
    {
        if (programme.Slots.Count > ProgrammeRules.MostSlots)
            throw ApiProblemException.Invalid("slots", $"At most {ProgrammeRules.MostSlots} sessions a week, please.");
        var plans = await PlansAsync(caller, programme, cancel);
        var weeks = Enumerable.Range(1, Math.Clamp(programme.Weeks, 1, ProgrammeRules.MostWeeks)).ToList();
        var sessions = weeks.ToDictionary(w => w, w => programme.SessionsOf(w, plans));
        return new ProgrammeDrawing(
            [
                .. weeks.Select(w => new DrawnWeek(
                    w,
                    sessions[w].Sum(s => PlanTotals.Of(s.Plan).Minutes),
                    [
                        .. sessions[w]
                            .Select(s => Drawn(s, sessions.GetValueOrDefault(w - 1)?.FirstOrDefault(b => b.SlotId == s.SlotId))),
                    ]
                )),
            ],
            [
                .. programme.Slots.Select(slot =>
                    plans.TryGetValue(slot.PlanId, out var plan)
                        ? new DrawnSlot(slot.Id, plan.Title, [.. plan.Segments.Select(Changeable)])
                        : new DrawnSlot(slot.Id, "", [])
                ),
            ],
            ProgrammeRules.Check(programme)
        );
    }

    /// <summary>The plans of a programme's slots, by id; those that are gone are missing. One query.</summary>
    public async Task<IReadOnlyDictionary<Guid, SessionPlan>> PlansAsync(
        Caller caller,
        Programme programme,
        CancellationToken cancel
    )
    {
        var ids = programme.Slots.Select(s => s.PlanId).Distinct().ToList();
        return await db
            .Plans.AsNoTracking()
            .Where(p => p.AcademyId == caller.AcademyId && ids.Contains(p.Id) && p.RemovedAt == null)
            .ToDictionaryAsync(p => p.Id, p => p.Document, cancel);
    }

    private static DrawnSession Drawn(ProgrammeSession session, ProgrammeSession? before) =>
        new(
            session.SlotId,
            PlanTotals.Of(session.Plan).Minutes,
            session.Requirement,
            SessionStrip.Planned(session.Plan).InList(),
            before is null ? [] : ProgrammeWords.Changed(before.Plan, session.Plan)
        );

    private static ChangeableSegment Changeable(Segment segment)
    {
        var drill = (segment as PracticeSegment)?.Drill;
        return new ChangeableSegment(
            segment.Id,
            segment.Title,
            segment.Minutes,
            drill?.DrillId,
            drill is null ? [] : [.. drill.Drill.Ladder.Select(r => r.Name)],
            drill?.Rung ?? 0,
            drill?.Goal,
            drill is null ? [] : [.. drill.Protocol().GoalMeasures]
        );
    }

    private GuardedRow<ProgrammeRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "programme",
            Find = () => db.Programmes.SingleOrDefaultAsync(p => p.AcademyId == caller.AcademyId && p.Id == id, cancel),
            View = async row => await ViewAsync(caller, row, cancel),
        };

    private async Task<ProgrammeView> ViewAsync(Caller caller, ProgrammeRow row, CancellationToken cancel) =>
        new(row.Id, row.Version, row.Document, [.. (await runs.OfAsync(caller, [row.Id], cancel))[row.Id]]);
}
