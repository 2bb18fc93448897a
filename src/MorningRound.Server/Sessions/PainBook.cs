using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Sessions;

/// <summary>Pain that was reported and still counts, and what was practised since.</summary>
public sealed class PainBook(MorningRoundDb db)
{
    /// <summary>One student's open pain as it was when a day began or, without a day, now.</summary>
    public async Task<IReadOnlyList<OpenPain>> OpenAsync(Caller caller, Guid studentId, StudentFile file, CancellationToken cancel, Guid? exceptAssignment = null)
    {
        var logs = await WithPain(caller).Where(l => l.StudentId == studentId && l.AssignmentId != exceptAssignment)
            .Select(l => new { l.Day, l.Reading }).ToListAsync(cancel);
        return OpenPain.Of(logs.Select(l => new PainOnDay(l.Day, l.Reading)), file);
    }

    /// <summary>The logs of the whole squad that say something of pain.</summary>
    public async Task<ILookup<Guid, PainOnDay>> OfSquadAsync(Caller caller, CancellationToken cancel) =>
        (await WithPain(caller).Select(l => new { l.StudentId, l.Day, l.Reading }).ToListAsync(cancel))
            .ToLookup(l => l.StudentId, l => new PainOnDay(l.Day, l.Reading));

    /// <summary>Open pain with the sessions and minutes practised since it was last reported: two queries.</summary>
    public async Task<IReadOnlyList<OpenPainView>> ViewAsync(Caller caller, Guid studentId, StudentFile file, CancellationToken cancel)
    {
        var open = await OpenAsync(caller, studentId, file, cancel);
        if (open.Count == 0) return [];
        var oldest = open.Min(p => p.LastOn);
        var since = await db.SessionLogs.AsNoTracking()
            .Where(l => l.AcademyId == caller.AcademyId && l.StudentId == studentId && l.Day > oldest)
            .Select(l => new { l.Day, l.Reading }).ToListAsync(cancel);
        return [.. open.Select(p => OpenPainView.Of(p, [], since.Where(l => l.Day > p.LastOn).Select(l => l.Reading).ToList()))];
    }

    private IQueryable<SessionLogRow> WithPain(Caller caller) => db.SessionLogs.AsNoTracking().Where(l => l.AcademyId == caller.AcademyId && l.HasPain);
}

/// <summary>Pain that still counts, as it is shown and asked about.</summary>
public sealed record OpenPainView
{
    public required BodyPart Part { get; init; }

    public required BodySide? Side { get; init; }

    /// <summary>Where, for a part without a name of its own; empty otherwise.</summary>
    public required string Where { get; init; }

    public required int Level { get; init; }

    public required bool Sharp { get; init; }

    public required DateOnly Since { get; init; }

    public required DateOnly LastOn { get; init; }

    /// <summary>Whether only the file can end it; otherwise the student can say that it is gone.</summary>
    public required bool NeedsClearing { get; init; }

    /// <summary>Where and how bad, in lead and trail words.</summary>
    public required string Words { get; init; }

    /// <summary>The segments of the session in question that load the part; empty where no session is.</summary>
    public required IReadOnlyList<Guid> SegmentIds { get; init; }

    /// <summary>Sessions practised after it was last reported.</summary>
    public required int SessionsSince { get; init; }

    public required double MinutesSince { get; init; }

    public static OpenPainView Of(OpenPain pain, IReadOnlyList<Guid> segments, IReadOnlyCollection<SessionLog> since) => new()
    {
        Part = pain.Part,
        Side = pain.Side,
        Where = pain.Where,
        Level = pain.Level,
        Sharp = pain.Sharp,
        Since = pain.Since,
        LastOn = pain.LastOn,
        NeedsClearing = pain.NeedsClearing,
        Words = pain.InWords(),
        SegmentIds = segments,
        SessionsSince = since.Count,
        MinutesSince = since.Sum(l => l.Spent.TotalMinutes),
    };
}
