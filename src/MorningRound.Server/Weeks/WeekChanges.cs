using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Weeks;

/// <summary>What is done to a session of the sheet.</summary>
public enum WeekChangeKind
{
    /// <summary>It goes to another day, or counts otherwise.</summary>
    Move,

    /// <summary>It is taken out of the week.</summary>
    TakeOut,

    /// <summary>It is put back as it was, after it was taken out.</summary>
    Restore,

    /// <summary>Publishing it is taken back.</summary>
    Withdraw,

    /// <summary>It counts for nothing, or with no excuse counts again.</summary>
    Excuse,
}

/// <summary>One change of a session.</summary>
public sealed record WeekChangeInput
{
    public required WeekChangeKind Kind { get; init; }

    public required Guid Id { get; init; }

    /// <summary>The version that is changed.</summary>
    public required int Version { get; init; }

    /// <summary>Of a move: the day; none for "any day".</summary>
    public DateOnly? Day { get; init; }

    /// <summary>Of a move: whether it counts.</summary>
    public Requirement Requirement { get; init; } = Requirement.Must;

    /// <summary>Of a move: its place in a stated order of the week; none where the order does not matter.</summary>
    public int? Order { get; init; }

    /// <summary>Of an excuse: why; none takes it back.</summary>
    public Excuse? Excuse { get; init; }

    /// <summary>Of a move: whether placing is to leave it on that day.</summary>
    public bool IsDayChosen { get; init; } = true;
}

/// <summary>Changes of several sessions, made one after another.</summary>
public sealed record WeekChangesInput(IReadOnlyList<WeekChangeInput> Changes);

/// <summary>What became of one change.</summary>
/// <param name="Id">The session.</param>
/// <param name="Card">How it stands now; null where it is gone, and where the change was refused.</param>
/// <param name="Refused">Why it was refused, in a sentence; null where it was not.</param>
/// <param name="Current">How it stands, where somebody else had changed it before; null otherwise.</param>
public sealed record WeekChanged(Guid Id, SessionCard? Card, string? Refused, SessionCard? Current);

/// <summary>Changes many sessions in one call. Each is made or refused by itself, and says so.</summary>
public sealed class WeekChangesService(
    MorningRoundDb db,
    DomainClock clock,
    WeekService weeks,
    PublishingService publishing,
    IStandings standings
)
{
    /// <summary>The most changes of one call.</summary>
    public const int Most = 200;

    public async Task<IReadOnlyList<WeekChanged>> ApplyAsync(
        Caller caller,
        IReadOnlyList<WeekChangeInput> changes,
        CancellationToken cancel
    )
    {
        if (changes.Count is 0 or > Most)
            throw ApiProblemException.Invalid("changes", $"Between 1 and {Most} changes, please.");
        var changed = new List<WeekChanged>();
        foreach (var change in changes)
        {
            try
            {
                changed.Add(new WeekChanged(change.Id, await ApplyAsync(caller, change, cancel), null, null));
            }
            catch (ApiProblemException e)
            {
                db.ChangeTracker.Clear();
                var why = e.Errors.Count > 0 ? $"{e.Message} {e.Errors[0].Message}" : e.Message;
                changed.Add(new WeekChanged(change.Id, null, why, e.Current as SessionCard));
            }
        }

        var refused = changed.Where(c => c.Refused is not null).Select(c => c.Id).ToHashSet();
        await RefreshStandingsAsync(
            caller,
            [.. changes.Where(c => c.Kind != WeekChangeKind.Move && !refused.Contains(c.Id)).Select(c => c.Id)],
            cancel
        );
        return changed;
    }

    /// <summary>What was excused, taken out or put back changes how much of a week was done.</summary>
    internal async Task RefreshStandingsAsync(Caller caller, IReadOnlyList<Guid> sessions, CancellationToken cancel)
    {
        if (sessions.Count == 0)
            return;
        var today = clock.Today(caller.TimeZone);
        var thisMonday = IsoWeek.Of(today).Monday;
        var students = await db
            .Assignments.IgnoreQueryFilters()
            .Where(a =>
                a.AcademyId == caller.AcademyId && sessions.Contains(a.Id) && a.PublishedAt != null && a.Monday <= thisMonday
            )
            .Select(a => a.StudentId)
            .Distinct()
            .ToListAsync(cancel);
        foreach (var student in students)
            await standings.RefreshAsync(caller.AcademyId, student, today, cancel);
    }

    private async Task<SessionCard?> ApplyAsync(Caller caller, WeekChangeInput change, CancellationToken cancel)
    {
        var expected = new RowVersion(change.Version);
        switch (change.Kind)
        {
            case WeekChangeKind.Move:
                return await weeks.MoveAsync(caller, change, expected, cancel);
            case WeekChangeKind.TakeOut:
                await weeks.RemoveAsync(caller, change.Id, expected, cancel);
                return null;
            case WeekChangeKind.Restore:
                return await weeks.RestoreAsync(caller, change.Id, expected, cancel);
            case WeekChangeKind.Excuse:
                return await weeks.ExcuseAsync(caller, change.Id, change.Excuse, expected, cancel);
            default:
                return await publishing.WithdrawAsync(caller, change.Id, expected, cancel);
        }
    }
}
