using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core.Places;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Places;

/// <summary>The grounds of an academy. Everybody in it may read them, coaches change them.</summary>
public sealed class PlaceService(MorningRoundDb db, DomainClock clock)
{
    public async Task<IReadOnlyList<PlaceView>> ListAsync(Caller caller, CancellationToken cancel) =>
        [
            .. (await Rows(caller).AsNoTracking().ToListAsync(cancel))
                .Select(ViewOf)
                .OrderBy(p => p.Place.Kind)
                .ThenBy(p => p.Place.Name, StringComparer.Ordinal),
        ];

    public async Task<PlaceView> GetAsync(Caller caller, Guid id, CancellationToken cancel) =>
        ViewOf(
            await Rows(caller).AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel)
                ?? throw ApiProblemException.NotFound("place")
        );

    public async Task<PlaceView> SaveAsync(Caller caller, Guid id, Place place, RowVersion expected, CancellationToken cancel)
    {
        var known = await Rows(caller).Select(p => p.Id).ToListAsync(cancel);
        // A place is checked as the only one of a file, so that saving and importing refuse the same things in the same words.
        var errors = PlaceFile
            .Of([new ListedPlace { Id = id, Place = place }])
            .Check(known, clock.Today(caller.TimeZone))
            .Select(e => e.Within("places[0].place.", "places[0]."))
            .ToList();
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);

        return ViewOf(
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = () => Task.FromResult(RowOf(caller, id, place)),
                    IsSame = row => StoredDocuments.Same(row.Document, place),
                    Change = row => row.Document = place,
                },
                cancel
            )
        );
    }

    /// <summary>Takes a place off the list, and the walks to it.</summary>
    public async Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel)
    {
        List<PlaceRow> rows = [];
        await db.RemoveAsync(
            expected,
            clock.GetUtcNow(),
            caller.AccountId,
            Guarded(caller, id, cancel) with
            {
                Find = async () => (rows = await All(caller).ToListAsync(cancel)).SingleOrDefault(p => p.Id == id),
                Change = row =>
                {
                    foreach (var other in rows.Where(p => p.Document.Walks.Any(w => w.Place == id)))
                    {
                        // The walk goes with the place, and comes back with it.
                        var walk = other.Document.Walks.First(w => w.Place == id);
                        if (row.Document.Walks.All(w => w.Place != other.Id))
                            row.Document = row.Document with { Walks = [.. row.Document.Walks, walk with { Place = other.Id }] };
                        other.Document = other.Document with { Walks = [.. other.Document.Walks.Where(w => w.Place != id)] };
                        other.Version++;
                    }
                },
            },
            cancel
        );
    }

    private GuardedRow<PlaceRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "place",
            Find = () => All(caller).SingleOrDefaultAsync(p => p.Id == id, cancel),
            View = row => Task.FromResult<object>(ViewOf(row)),
        };

    public async Task<PlaceFile> ExportAsync(Caller caller, CancellationToken cancel) =>
        PlaceFile.Of([.. (await ListAsync(caller, cancel)).Select(p => new ListedPlace { Id = p.Id, Place = p.Place })]);

    /// <summary>Takes over all places of a file, or none: one error anywhere imports nothing.</summary>
    public async Task<ImportView> ImportAsync(Caller caller, PlaceFile file, CancellationToken cancel)
    {
        // One that was removed comes back with its file.
        var rows = await All(caller).ToDictionaryAsync(p => p.Id, cancel);
        var errors = file.Check(rows.Keys, clock.Today(caller.TimeZone));
        if (errors.Count > 0)
            throw ApiProblemException.Invalid(errors);
        return await db.ImportAsync(
                rows,
                [.. file.Places.Select(l => (l.Id, l.Place))],
                (id, place) => RowOf(caller, id, place),
                cancel
            ) ?? await ImportAsync(caller, file, cancel);
    }

    private static PlaceRow RowOf(Caller caller, Guid id, Place place) =>
        new()
        {
            AcademyId = caller.AcademyId,
            Id = id,
            Document = place,
            WrittenBy = caller.AccountId,
        };

    private IQueryable<PlaceRow> Rows(Caller caller) => All(caller).Where(p => p.RemovedAt == null);

    private IQueryable<PlaceRow> All(Caller caller) => db.Places.Where(p => p.AcademyId == caller.AcademyId);

    private static PlaceView ViewOf(PlaceRow row) => new(row.Id, row.Version, row.Document);
}
