using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>Pain that was reported and still counts, and what was practised since.</summary>
public sealed class PainService(MorningRoundDb db)
{
    /// <summary>One student's open pain as it was when a day began or, without a day, now.</summary>
    public async Task<IReadOnlyList<OpenPain>> OpenAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        CancellationToken cancel,
        Guid? exceptAssignment = null
    )
    {
        var logs = await WithPain(caller)
            .Where(l => l.StudentId == studentId && l.AssignmentId != exceptAssignment)
            .Select(l => new { l.Day, l.Log })
            .ToListAsync(cancel);
        return OpenPain.Of(logs.Select(l => new PainOnDay(l.Day, l.Log)), file);
    }

    /// <summary>The logs of the whole squad that say something of pain.</summary>
    public async Task<ILookup<Guid, PainOnDay>> OfSquadAsync(Caller caller, CancellationToken cancel) =>
        (
            await WithPain(caller)
                .Select(l => new
                {
                    l.StudentId,
                    l.Day,
                    l.Log,
                })
                .ToListAsync(cancel)
        ).ToLookup(l => l.StudentId, l => new PainOnDay(l.Day, l.Log));

    /// <summary>Open pain with the sessions and minutes practised since it was last reported: two queries.</summary>
    public async Task<IReadOnlyList<OpenPainView>> ViewAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        CancellationToken cancel
    )
    {
        var open = await OpenAsync(caller, studentId, file, cancel);
        if (open.Count == 0)
            return [];
        var oldest = open.Min(p => p.LastOn);
        var since = await db
            .SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day > oldest)
            .Select(l => new { l.Day, l.Minutes })
            .ToListAsync(cancel);
        return
        [
            .. open.Select(p =>
                OpenPainView.Of(p, [], since.Count(l => l.Day > p.LastOn), since.Where(l => l.Day > p.LastOn).Sum(l => l.Minutes))
            ),
        ];
    }

    private IQueryable<SessionLogRow> WithPain(Caller caller) =>
        db.SessionLogs.AsNoTracking().Where(l => l.AcademyId == caller.AcademyId && l.HasPain);
}
