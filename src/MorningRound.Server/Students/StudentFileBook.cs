using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using MorningRound.Core;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>What is known of a student beyond name, hand and level.</summary>
public sealed class StudentFileRow
{
    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public required StudentFile Document { get; set; }

    public int Version { get; set; }
}

/// <summary>Who changed which parts of a student's file, and when.</summary>
public sealed class StudentChangeRow
{
    public Guid Id { get; init; }

    public Guid AcademyId { get; init; }

    public Guid StudentId { get; init; }

    public Guid AccountId { get; init; }

    public DateTimeOffset At { get; init; }

    /// <summary>The fields that changed, as paths into the file.</summary>
    public required string[] Fields { get; init; }
}

internal sealed class StudentFileMappings : IEntityTypeConfiguration<StudentFileRow>, IEntityTypeConfiguration<StudentChangeRow>
{
    public void Configure(EntityTypeBuilder<StudentFileRow> builder)
    {
        builder.ToTable("student_files");
        builder.HasKey(f => new { f.AcademyId, f.StudentId });
        builder.HasOne<StudentRow>().WithOne().HasForeignKey<StudentFileRow>(f => new { f.AcademyId, f.StudentId });
        builder.Property(f => f.Document).IsDocument();
        builder.Property(f => f.Version).IsConcurrencyToken();
    }

    public void Configure(EntityTypeBuilder<StudentChangeRow> builder)
    {
        builder.ToTable("student_changes");
        builder.HasOne<StudentRow>().WithMany().HasForeignKey(c => new { c.AcademyId, c.StudentId });
        builder.HasIndex(c => new { c.AcademyId, c.StudentId, c.At });
    }
}

/// <summary>The students' files. A coach may change all of one, a student their own part of their own.</summary>
public sealed class StudentFileBook(MorningRoundDb db, DomainClock clock)
{
    private const int ChangesShown = 12;

    public async Task<StudentFileView> GetAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.MustReach(studentId, "student");
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel)) throw Refusal.NotFound("student");
        var row = await RowsOf(caller, studentId).AsNoTracking().SingleOrDefaultAsync(cancel);
        var file = row?.Document ?? new StudentFile();
        var changes = await (
            from change in db.StudentChanges
            join account in db.Users on change.AccountId equals account.Id
            where change.AcademyId == caller.AcademyId && change.StudentId == studentId
            orderby change.At descending, change.Id descending
            select new StudentChangeView(change.At, account.Name, account.Role, change.Fields)).Take(ChangesShown).ToListAsync(cancel);
        return new StudentFileView
        {
            StudentId = studentId,
            Version = row?.Version ?? 0,
            File = file,
            Season = Seasons.On(clock.Today(caller.TimeZone), file),
            GridGaps = WedgeGrid.Gaps(file.Coach.WedgeGrid),
            BodyParts = PainPart.All,
            MayBePublishedTo = file.MayBePublishedTo,
            CanChangeAll = caller.IsCoach,
            Changes = changes,
        };
    }

    /// <summary>The file for the job's own use; an empty one where nothing was written yet.</summary>
    public async Task<StudentFile> FileAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        await RowsOf(caller, studentId).Select(f => f.Document).SingleOrDefaultAsync(cancel) ?? new StudentFile();

    /// <summary>
    /// Changes a file. The first change is to version 0, which everybody's empty file has. What is compared is what is overwritten:
    /// one reading, and a write that holds only for that version. Of a student only the own part is ever written.
    /// </summary>
    public async Task<StudentFileView> SaveAsync(Caller caller, Guid studentId, StudentFile file, RowVersion expected, CancellationToken cancel)
    {
        caller.MustReach(studentId, "student");
        if (!await db.Students.AnyAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel)) throw Refusal.NotFound("student");
        var errors = StudentFileRules.Check(file, clock.Today(caller.TimeZone));
        if (errors.Count > 0) throw Refusal.Invalid(errors);

        var row = await RowsOf(caller, studentId).SingleOrDefaultAsync(cancel);
        var before = row?.Document ?? new StudentFile();
        var fields = Changed(before, file);
        if (fields.Length == 0) return await GetAsync(caller, studentId, cancel);
        if ((row?.Version ?? 0) != (expected.Number ?? 0)) throw Refusal.Stale(await GetAsync(caller, studentId, cancel));
        if (!caller.IsCoach && fields.FirstOrDefault(f => f.StartsWith("coach.", StringComparison.Ordinal)) is { } notTheirs)
            throw Refusal.Forbidden(notTheirs, "Your coach keeps this part of the file.");

        if (row is null) db.StudentFiles.Add(row = new StudentFileRow { AcademyId = caller.AcademyId, StudentId = studentId, Document = before });
        row.Document = caller.IsCoach ? file : before with { Own = file.Own };
        row.Version++;
        db.StudentChanges.Add(new StudentChangeRow
        {
            Id = Guid.CreateVersion7(),
            AcademyId = caller.AcademyId,
            StudentId = studentId,
            AccountId = caller.AccountId,
            At = clock.GetUtcNow(),
            Fields = fields,
        });
        return await db.SavedAsync(cancel)
            ? await GetAsync(caller, studentId, cancel)
            : await SaveAsync(caller, studentId, file, expected, cancel);
    }

    private IQueryable<StudentFileRow> RowsOf(Caller caller, Guid studentId) =>
        db.StudentFiles.Where(f => f.AcademyId == caller.AcademyId && f.StudentId == studentId);

    private static string[] Changed(StudentFile before, StudentFile after) =>
        [.. Differing("own", before.Own, after.Own), .. Differing("coach", before.Coach, after.Coach)];

    private static IEnumerable<string> Differing<T>(string path, T before, T after)
    {
        var (was, now) = (AsObject(before), AsObject(after));
        return was.Select(p => p.Key).Where(name => !JsonNode.DeepEquals(was[name], now[name])).Select(name => $"{path}.{name}");

        static JsonObject AsObject(T part) => JsonSerializer.SerializeToNode(part, CoreJson.Options)!.AsObject();
    }
}

public sealed record StudentChangeView(DateTimeOffset At, string Name, AcademyRole Role, IReadOnlyList<string> Fields);

/// <summary>A student's file as it is read.</summary>
public sealed record StudentFileView
{
    public required Guid StudentId { get; init; }

    /// <summary>0 while nothing was written.</summary>
    public required int Version { get; init; }

    public required StudentFile File { get; init; }

    /// <summary>The season today, from the competitions or the coach's own word.</summary>
    public required Season Season { get; init; }

    /// <summary>Distances that no number of the wedge grid covers.</summary>
    public required IReadOnlyList<GridGap> GridGaps { get; init; }

    /// <summary>The parts that can hurt, and whether there is a lead and a trail one.</summary>
    public required IReadOnlyList<PainPart> BodyParts { get; init; }

    public required bool MayBePublishedTo { get; init; }

    /// <summary>Whether the caller may change the coach's part too.</summary>
    public required bool CanChangeAll { get; init; }

    /// <summary>The latest changes, newest first.</summary>
    public required IReadOnlyList<StudentChangeView> Changes { get; init; }
}
