using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core;
using MorningRound.Core.Places;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Places;

public sealed class PlaceRow
{
    public Guid AcademyId { get; init; }

    public Guid Id { get; init; }

    public required Place Document { get; set; }

    public int Version { get; set; }
}

internal sealed class PlaceMapping : IEntityTypeConfiguration<PlaceRow>
{
    public void Configure(EntityTypeBuilder<PlaceRow> builder)
    {
        builder.ToTable("places");
        builder.HasKey(p => new { p.AcademyId, p.Id });
        builder.HasOne<Academy>().WithMany().HasForeignKey(p => p.AcademyId);
        builder.Property(p => p.Document).IsDocument();
        builder.Property(p => p.Version).IsConcurrencyToken();
    }
}

/// <summary>The grounds of an academy. Everybody in it may read them, coaches change them.</summary>
public sealed class PlaceBook(MorningRoundDb db, DomainClock clock)
{
    public async Task<IReadOnlyList<PlaceView>> ListAsync(Caller caller, CancellationToken cancel) =>
        [.. (await Rows(caller).AsNoTracking().ToListAsync(cancel)).Select(ViewOf).OrderBy(p => p.Place.Kind).ThenBy(p => p.Place.Name, StringComparer.Ordinal)];

    public async Task<PlaceView> GetAsync(Caller caller, Guid id, CancellationToken cancel) =>
        ViewOf(await Rows(caller).AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, cancel) ?? throw Refusal.NotFound("place"));

    public async Task<PlaceView> SaveAsync(Caller caller, Guid id, Place place, RowVersion expected, CancellationToken cancel)
    {
        var known = await Rows(caller).Select(p => p.Id).ToListAsync(cancel);
        // A place is checked as the only one of a file, so that saving and importing refuse the same things in the same words.
        var errors = PlaceFile.Of([new ListedPlace { Id = id, Place = place }]).Check(known, clock.Today(caller.TimeZone))
            .Select(e => e with { Path = e.Path.Replace("places[0].place.", "", StringComparison.Ordinal).Replace("places[0].", "", StringComparison.Ordinal) }).ToList();
        if (errors.Count > 0) throw Refusal.Invalid(errors);

        var row = await Rows(caller).SingleOrDefaultAsync(p => p.Id == id, cancel);
        if (row is null && !expected.IsNew) throw Refusal.NotFound("place");
        if (row is null) db.Places.Add(row = new PlaceRow { AcademyId = caller.AcademyId, Id = id, Document = place });
        else if (row.Version != expected.Number) return StoredDocuments.Same(row.Document, place) ? ViewOf(row) : throw Refusal.Stale(ViewOf(row));

        row.Document = place;
        row.Version++;
        return await db.SavedAsync(cancel) ? ViewOf(row) : await SaveAsync(caller, id, place, expected, cancel);
    }

    /// <summary>Takes a place off the list, and the walks to it. Removing twice is removing once.</summary>
    public async Task RemoveAsync(Caller caller, Guid id, CancellationToken cancel)
    {
        var rows = await Rows(caller).ToListAsync(cancel);
        var removed = rows.SingleOrDefault(p => p.Id == id) ?? throw Refusal.NotFound("place");
        db.Places.Remove(removed);
        foreach (var other in rows.Where(p => p.Document.Walks.Any(w => w.Place == id)))
        {
            other.Document = other.Document with { Walks = [.. other.Document.Walks.Where(w => w.Place != id)] };
            other.Version++;
        }

        if (!await db.SavedAsync(cancel)) await RemoveAsync(caller, id, cancel);
    }

    public async Task<PlaceFile> ExportAsync(Caller caller, CancellationToken cancel) =>
        PlaceFile.Of([.. (await ListAsync(caller, cancel)).Select(p => new ListedPlace { Id = p.Id, Place = p.Place })]);

    /// <summary>Takes over all places of a file, or none: one error anywhere imports nothing.</summary>
    public async Task<ImportView> ImportAsync(Caller caller, PlaceFile file, CancellationToken cancel)
    {
        var rows = await Rows(caller).ToDictionaryAsync(p => p.Id, cancel);
        var errors = file.Check(rows.Keys, clock.Today(caller.TimeZone));
        if (errors.Count > 0) throw Refusal.Invalid(errors);
        var (added, changed) = (0, 0);
        foreach (var listed in file.Places)
        {
            if (!rows.TryGetValue(listed.Id, out var row))
            {
                db.Places.Add(new PlaceRow { AcademyId = caller.AcademyId, Id = listed.Id, Document = listed.Place, Version = 1 });
                added++;
            }
            else if (!StoredDocuments.Same(row.Document, listed.Place))
            {
                row.Document = listed.Place;
                row.Version++;
                changed++;
            }
        }

        if (!await db.SavedAsync(cancel)) return await ImportAsync(caller, file, cancel);
        return new ImportView(added, changed, file.Places.Count - added - changed);
    }

    private IQueryable<PlaceRow> Rows(Caller caller) => db.Places.Where(p => p.AcademyId == caller.AcademyId);

    private static PlaceView ViewOf(PlaceRow row) => new(row.Id, row.Version, row.Document);
}

/// <summary>A place. The version goes back as <c>If-Match</c>.</summary>
public sealed record PlaceView(Guid Id, int Version, Place Place);

/// <summary>What an import did.</summary>
public sealed record ImportView(int Added, int Changed, int Unchanged);

public static class PlaceEndpoints
{
    public static void MapPlaces(this IEndpointRouteBuilder api)
    {
        var places = api.MapGroup("/places").WithTags("Places");
        places.MapGet("/", (Caller caller, PlaceBook book, CancellationToken cancel) => book.ListAsync(caller, cancel));
        places.MapGet("/{id:guid}", async (Guid id, Caller caller, PlaceBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.GetAsync(caller, id, cancel), response));
        places.MapPut("/{id:guid}", async (
                Guid id, Place place, RowVersion expected, Caller caller, PlaceBook book, HttpResponse response, CancellationToken cancel) =>
            Tagged(await book.SaveAsync(caller, id, place, expected, cancel), response)).RequireAuthorization(Policies.Coach);
        places.MapDelete("/{id:guid}", async (Guid id, Caller caller, PlaceBook book, CancellationToken cancel) =>
        {
            await book.RemoveAsync(caller, id, cancel);
            return TypedResults.NoContent();
        }).RequireAuthorization(Policies.Coach);
        places.MapGet("/file", (Caller caller, PlaceBook book, CancellationToken cancel) => book.ExportAsync(caller, cancel))
            .RequireAuthorization(Policies.Coach);
        places.MapPost("/file", (PlaceFile file, Caller caller, PlaceBook book, CancellationToken cancel) => book.ImportAsync(caller, file, cancel))
            .RequireAuthorization(Policies.Coach);
    }

    private static PlaceView Tagged(PlaceView place, HttpResponse response)
    {
        response.Headers.ETag = RowVersion.ETag(place.Version);
        return place;
    }
}
