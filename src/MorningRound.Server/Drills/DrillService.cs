using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Serialization;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Drills;

/// <summary>The drill shelf of an academy.</summary>
public sealed class DrillService(MorningRoundDb db, DomainClock clock, StudentFileService files) : IAcademySetUp
{
    /// <summary>The drills every shelf begins with.</summary>
    public static DrillFile StartingShelf { get; } = ReadStartingShelf();

    public async Task<IReadOnlyList<DrillSummary>> FindAsync(Caller caller, DrillSearch search, CancellationToken cancel)
    {
        var rows = await Shelf(caller)
            .AsNoTracking()
            .Where(d => search.Area == null || d.Area == search.Area)
            .ToListAsync(cancel);
        return
        [
            .. rows.Select(r => (Row: r, Kind: Protocols.KindOf(r.Document.Protocol)))
                .Where(r => search.Finds(r.Row.Document, r.Kind))
                .OrderBy(r => r.Row.Area)
                .ThenBy(r => r.Row.Name, StringComparer.OrdinalIgnoreCase)
                .Select(r => DrillSummary.Of(r.Row, r.Kind)),
        ];
    }

    public async Task<DrillView> GetAsync(Caller caller, Guid id, CancellationToken cancel) =>
        ViewOf(
            await Shelf(caller).AsNoTracking().SingleOrDefaultAsync(d => d.Id == id, cancel)
                ?? throw ApiProblemException.NotFound("drill")
        );

    /// <summary>Makes or changes a drill. What was assigned or logged before keeps the drill as it was.</summary>
    public async Task<DrillView> SaveAsync(Caller caller, Guid id, Drill drill, RowVersion expected, CancellationToken cancel)
    {
        var errors = DrillRules.Check(drill);
        if (id == Guid.Empty)
            errors = [.. errors, new FieldError("id", "An id is needed.")];
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);

        return ViewOf(
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = () =>
                        Task.FromResult(
                            new DrillRow
                            {
                                AcademyId = caller.AcademyId,
                                Id = id,
                                Name = drill.Name,
                                Document = drill,
                                WrittenBy = caller.AccountId,
                            }
                        ),
                    IsSame = row => StoredDocuments.Same(row.Document, drill),
                    Change = row => Write(row, drill),
                },
                cancel
            )
        );
    }

    /// <summary>Takes a drill off the shelf.</summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    private GuardedRow<DrillRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "drill",
            Find = () => db.Drills.SingleOrDefaultAsync(d => d.AcademyId == caller.AcademyId && d.Id == id, cancel),
            View = row => Task.FromResult<object>(ViewOf(row)),
        };

    public async Task<DrillFile> ExportAsync(Caller caller, CancellationToken cancel) =>
        DrillFile.Of(
            await Shelf(caller)
                .AsNoTracking()
                .OrderBy(d => d.Area)
                .ThenBy(d => d.Id)
                .Select(d => new ShelvedDrill { Id = d.Id, Drill = d.Document })
                .ToListAsync(cancel)
        );

    /// <summary>
    /// Takes over all drills of a file, or none: one error anywhere imports nothing. A drill that was taken off the shelf comes
    /// back with its file.
    /// </summary>
    public async Task<ImportView> ImportAsync(Caller caller, DrillFile file, CancellationToken cancel)
    {
        var errors = file.Check();
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        var ids = file.Drills.Select(d => d.Id).ToList();
        var rows = await db
            .Drills.Where(d => d.AcademyId == caller.AcademyId && ids.Contains(d.Id))
            .ToDictionaryAsync(d => d.Id, cancel);
        var (added, changed) = (0, 0);
        foreach (var (id, drill) in file.Drills.Select(d => (d.Id, d.Drill)))
        {
            var row = rows.GetValueOrDefault(id);
            if (row is { RemovedAt: null } && StoredDocuments.Same(row.Document, drill))
                continue;
            if (row is { RemovedAt: null })
                changed++;
            else
                added++;
            if (row is null)
                db.Drills.Add(
                    row = new DrillRow
                    {
                        AcademyId = caller.AcademyId,
                        Id = id,
                        Name = drill.Name,
                        Document = drill,
                        // The starting shelf is nobody's.
                        WrittenBy = caller.AccountId == Guid.Empty ? null : caller.AccountId,
                    }
                );
            Write(row, drill);
            ((IRestorableRow)row).Restore();
            row.Version++;
        }

        if (!await db.SavedAsync(cancel))
            return await ImportAsync(caller, file, cancel);
        return new ImportView(added, changed, file.Drills.Count - added - changed);
    }

    /// <summary>What the shelf makes of a drill that is being written, with a flow to try it out by where it is sound.</summary>
    public async Task<DrillCheckView> CheckAsync(Caller caller, DrillTrial trial, CancellationToken cancel)
    {
        var errors = DrillRules.Check(trial.Drill);
        var protocol = trial.Drill.ProtocolAt(trial.Rung);
        if (trial.StudentId is { } student)
            protocol = protocol.For(await files.PlayerAsync(caller, student, cancel));
        var missing = errors.Count == 0 ? protocol.WhatIsMissing() : null;
        return new DrillCheckView
        {
            Errors = errors,
            Analysis = DrillAnalysis.Of(trial.Drill),
            Missing = missing,
            Calls = errors.Count == 0 && missing is null && protocol is CalledShots called ? called.List(trial.Seed) : [],
            Protocol = protocol,
            Flow = errors.Count == 0 && missing is null ? protocol.Compile(trial.Seed) : null,
        };
    }

    /// <summary>Puts the starting shelf up where an academy has none.</summary>
    public async Task SetUpAsync(Guid academyId, CancellationToken cancel)
    {
        if (await db.Drills.AnyAsync(d => d.AcademyId == academyId, cancel))
            return;
        var caller = new Caller(academyId, AcademyRole.Owner, null, "UTC", Guid.Empty);
        await ImportAsync(caller, StartingShelf, cancel);
    }

    private void Write(DrillRow row, Drill drill)
    {
        row.Name = drill.Name;
        row.Area = drill.Area;
        row.Document = drill;
        row.UpdatedAt = clock.GetUtcNow();
    }

    private IQueryable<DrillRow> Shelf(Caller caller) =>
        db.Drills.Where(d => d.AcademyId == caller.AcademyId && d.RemovedAt == null);

    private static DrillView ViewOf(DrillRow row) =>
        new(row.Id, row.Version, row.UpdatedAt, row.Document, DrillAnalysis.Of(row.Document));

    private static DrillFile ReadStartingShelf()
    {
        using var file = typeof(DrillService).Assembly.GetManifestResourceStream("starting-shelf.json")!;
        return JsonSerializer.Deserialize<DrillFile>(file, CoreJson.Options)!;
    }
}
