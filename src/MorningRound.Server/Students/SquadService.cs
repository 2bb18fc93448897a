using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>A squad as it is read.</summary>
/// <param name="Id">The squad.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Version">Its version, which goes back as <c>If-Match</c>.</param>
/// <param name="Members">The students in it, by id.</param>
public sealed record SquadView(Guid Id, string Name, int Version, IReadOnlyList<Guid> Members) : IVersioned;

/// <summary>What a coach writes of a squad.</summary>
public sealed record SquadInput
{
    public required string Name { get; init; }

    /// <summary>The students in it, each once; none leaves it empty.</summary>
    public IReadOnlyList<Guid> Members { get; init; } = [];
}

/// <summary>The squads of an academy.</summary>
public sealed class SquadService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>Characters of a name.</summary>
    public const int LongestName = 80;

    /// <summary>More squads than any academy has.</summary>
    public const int MostSquads = 100;

    /// <summary>The most students of one squad.</summary>
    public const int MostMembers = 200;

    /// <summary>All squads by name, with their members.</summary>
    public async Task<IReadOnlyList<SquadView>> ListAsync(Caller caller, CancellationToken cancel) =>
        await db
            .Squads.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && s.RemovedAt == null)
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .Select(s => new SquadView(s.Id, s.Name, s.Version, s.Members.Select(m => m.StudentId).ToList()))
            .ToListAsync(cancel);

    /// <summary>Makes or changes a squad. Who joins, joins today; who was in it stays from the day they came.</summary>
    public async Task<SquadView> SaveAsync(
        Caller caller,
        Guid id,
        SquadInput input,
        RowVersion expected,
        CancellationToken cancel
    )
    {
        var errors = new FieldErrors()
            .Require(id != Guid.Empty, "id", "An id is needed.")
            .RequireText(input.Name, "name", LongestName)
            .RequireOnce(input.Members, "members")
            .RequireAtMost(input.Members.Count, MostMembers, "members");
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        var known = await db.Students.CountAsync(s => s.AcademyId == caller.AcademyId && input.Members.Contains(s.Id), cancel);
        if (known < input.Members.Count)
            throw ApiProblemException.NotFound("student");
        var today = clock.Today(caller.TimeZone);
        return View(
            await db.SaveAsync(
                expected,
                Guarded(caller, id, cancel) with
                {
                    Create = async () =>
                        await db.Squads.CountAsync(s => s.AcademyId == caller.AcademyId && s.RemovedAt == null, cancel)
                        >= MostSquads
                            ? throw ApiProblemException.Invalid("id", $"At most {MostSquads} squads fit here.")
                            : new SquadRow
                            {
                                AcademyId = caller.AcademyId,
                                Id = id,
                                Name = "",
                                WrittenBy = caller.AccountId,
                            },
                    IsSame = row =>
                        row.Name == input.Name.Trim()
                        && row.Members.Select(m => m.StudentId).ToHashSet().SetEquals(input.Members),
                    Change = row =>
                    {
                        row.Name = input.Name.Trim();
                        db.SquadMembers.RemoveRange(row.Members.Where(m => !input.Members.Contains(m.StudentId)));
                        var before = row.Members.Select(m => m.StudentId).ToHashSet();
                        db.SquadMembers.AddRange(
                            input
                                .Members.Where(student => !before.Contains(student))
                                .Select(student => new SquadMemberRow
                                {
                                    AcademyId = caller.AcademyId,
                                    SquadId = id,
                                    StudentId = student,
                                    JoinedOn = today,
                                })
                        );
                    },
                },
                cancel
            )
        ) with
        {
            Members = input.Members,
        };
    }

    /// <summary>
    /// Takes a squad away, and lets its programmes rest. Its students and what was set for them stay. Restored it goes on as if
    /// it had never been away.
    /// </summary>
    public Task RemoveAsync(Caller caller, Guid id, RowVersion expected, CancellationToken cancel) =>
        db.RemoveAsync(expected, clock.GetUtcNow(), caller.AccountId, Guarded(caller, id, cancel), cancel);

    private GuardedRow<SquadRow> Guarded(Caller caller, Guid id, CancellationToken cancel) =>
        new()
        {
            What = "squad",
            Find = () =>
                db
                    .Squads.Include(s => s.Members)
                    .SingleOrDefaultAsync(s => s.AcademyId == caller.AcademyId && s.Id == id, cancel),
            View = row => Task.FromResult<object>(View(row)),
        };

    private static SquadView View(SquadRow row) => new(row.Id, row.Name, row.Version, [.. row.Members.Select(m => m.StudentId)]);
}
