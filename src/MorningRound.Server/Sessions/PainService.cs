using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Sessions;

/// <summary>Pain that was reported and still counts, and what was practised since.</summary>
public sealed class PainService(MorningRoundDb db, StudentFileService files)
{
    /// <summary>One student's open pain as it was when a day began or, without a day, now.</summary>
    public async Task<IReadOnlyList<OpenPain>> OpenAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        CancellationToken cancel,
        Guid? exceptAssignment = null
    ) =>
        OpenPain.Of(
            await SaidAsync(WithPain(caller).Where(l => l.StudentId == studentId && l.AssignmentId != exceptAssignment), cancel),
            file
        );

    /// <summary>What the whole squad's logs say of pain.</summary>
    public async Task<ILookup<Guid, PainOnDay>> OfSquadAsync(Caller caller, CancellationToken cancel) =>
        (
            await WithPain(caller)
                .Select(l => new
                {
                    l.StudentId,
                    l.Day,
                    l.Pain,
                })
                .ToListAsync(cancel)
        ).ToLookup(l => l.StudentId, l => new PainOnDay(l.Day, l.Pain!));

    /// <summary>
    /// Open pain with the sessions and minutes practised since it was last reported: one query where none was ever reported,
    /// three where some is open.
    /// </summary>
    public async Task<IReadOnlyList<OpenPainView>> ViewAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var said = await SaidAsync(WithPain(caller).Where(l => l.StudentId == studentId), cancel);
        return said.Count == 0
            ? []
            : await ViewAsync(caller, studentId, OpenPain.Of(said, await files.FileAsync(caller, studentId, cancel)), cancel);
    }

    /// <summary>The same of pain that is known to be open: one query where there is some.</summary>
    public async Task<IReadOnlyList<OpenPainView>> ViewAsync(
        Caller caller,
        Guid studentId,
        IReadOnlyCollection<OpenPain> open,
        CancellationToken cancel
    )
    {
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

    private static Task<List<PainOnDay>> SaidAsync(IQueryable<SessionLogRow> logs, CancellationToken cancel) =>
        logs.Select(l => new PainOnDay(l.Day, l.Pain!)).ToListAsync(cancel);

    private IQueryable<SessionLogRow> WithPain(Caller caller) =>
        db.SessionLogs.AsNoTracking().Where(l => l.AcademyId == caller.AcademyId && l.Pain != null);
}
