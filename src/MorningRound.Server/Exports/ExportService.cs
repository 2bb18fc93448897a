using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using CsvHelper.TypeConversion;
using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.OnCourse;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Exports;

/// <summary>Days and students that go out.</summary>
/// <param name="From">The first day.</param>
/// <param name="To">The last day.</param>
/// <param name="StudentId">One student alone; null for all of the academy.</param>
public sealed record ExportSpan(DateOnly From, DateOnly To, Guid? StudentId)
{
    /// <summary>All there is of a student.</summary>
    public static ExportSpan Always(Guid studentId) => new(new DateOnly(1900, 1, 1), new DateOnly(2199, 12, 31), studentId);
}

/// <summary>What is kept, out as tables, and everything of one student as one document.</summary>
public sealed class ExportService(MorningRoundDb db, DomainClock clock)
{
    /// <summary>The longest span of one table: two years and a bit.</summary>
    private const int MostDays = 800;

    /// <summary>The days that go out where nobody says which: twelve weeks.</summary>
    private const int UsualDays = 84;

    /// <summary>A span as it was asked for, or the last twelve weeks.</summary>
    /// <exception cref="ApiProblemException">400 where the days are the wrong way round or too far apart.</exception>
    public ExportSpan Span(Caller caller, DateOnly? from, DateOnly? to, Guid? studentId)
    {
        var last = to ?? clock.Today(caller.TimeZone);
        var first = from ?? last.Plus(-UsualDays);
        if (first > last)
            throw ApiProblemException.Invalid("from", "The first day comes before the last.");
        if (last.DayNumber - first.DayNumber > MostDays)
            throw ApiProblemException.Invalid("from", $"At most {MostDays} days at once, please.");
        return new ExportSpan(first, last, studentId);
    }

    /// <summary>Writes a table, line by line as the database gives it.</summary>
    public async Task WriteAsync(Caller caller, ExportTable table, ExportSpan span, Stream to, CancellationToken cancel)
    {
        await using var text = new StreamWriter(to, leaveOpen: true);
        await using var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" });
        csv.Context.TypeConverterCache.AddConverter<string>(new SafeText());
        csv.Context.TypeConverterOptionsCache.AddOptions<DateOnly>(new TypeConverterOptions { Formats = ["yyyy-MM-dd"] });
        csv.Context.TypeConverterOptionsCache.AddOptions<DateOnly?>(new TypeConverterOptions { Formats = ["yyyy-MM-dd"] });
        await (
            table switch
            {
                ExportTable.Students => csv.WriteRecordsAsync(Students(caller, span), cancel),
                ExportTable.Sessions => csv.WriteRecordsAsync(Sessions(caller, span), cancel),
                ExportTable.Segments => csv.WriteRecordsAsync(Segments(caller, span), cancel),
                ExportTable.Results => csv.WriteRecordsAsync(Results(caller, span), cancel),
                ExportTable.Ratings => csv.WriteRecordsAsync(Ratings(caller, span), cancel),
                _ => csv.WriteRecordsAsync(Rounds(caller, span), cancel),
            }
        );
    }

    /// <summary>A student's name; null where there is none of this id.</summary>
    public Task<string?> NameAsync(Caller caller, Guid studentId, CancellationToken cancel) =>
        db
            .Students.Where(s => s.AcademyId == caller.AcademyId && s.Id == studentId)
            .Select(s => s.Name)
            .SingleOrDefaultAsync(cancel);

    /// <summary>
    /// Everything of one student as one document. What coaches keep for their own eyes goes out to coaches alone.
    /// </summary>
    public async Task<StudentExport> StudentAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        var student =
            await db
                .Students.AsNoTracking()
                .SingleOrDefaultAsync(s => s.AcademyId == caller.AcademyId && s.Id == studentId, cancel)
            ?? throw ApiProblemException.NotFound("student");
        var file = await db
            .StudentFiles.AsNoTracking()
            .Where(f => f.AcademyId == caller.AcademyId && f.StudentId == studentId)
            .Select(f => f.Document)
            .SingleOrDefaultAsync(cancel);
        var sessions = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.PublishedAt != null)
            .OrderBy(a => a.Monday)
            .ThenBy(a => a.Id)
            .Select(a => new SessionExport(a.Id, a.Monday, a.Day, a.Requirement, a.Excuse, a.Document, a.Figures))
            .ToListAsync(cancel);
        var entries = await (
            from log in db.SessionLogs.AsNoTracking()
            where log.AcademyId == caller.AcademyId && log.StudentId == studentId
            join entry in db.Set<SessionEntryRow>()
                on new { log.AcademyId, log.Id } equals new { entry.AcademyId, Id = entry.LogId }
            orderby log.Day, log.Id, entry.Sequence
            select new EntryExport(log.Id, log.AssignmentId, entry.Document)
        ).ToListAsync(cancel);
        var results = await db.Set<DrillResultRow>()
            .AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && r.StudentId == studentId)
            .OrderBy(r => r.Day)
            .ThenBy(r => r.LogId)
            .ThenBy(r => r.SegmentId)
            .Select(r => new ResultExport(r.AssignmentId, r.SegmentId, r.DrillId, r.ComparabilityKey, r.Day, r.Document))
            .ToListAsync(cancel);
        var rounds = await db
            .Rounds.AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && r.StudentId == studentId && r.RemovedAt == null)
            .OrderBy(r => r.Day)
            .ThenBy(r => r.Id)
            .Select(r => r.Document)
            .ToListAsync(cancel);
        var words = await db
            .WeekWords.AsNoTracking()
            .Where(w => w.AcademyId == caller.AcademyId && w.StudentId == studentId)
            .OrderBy(w => w.Monday)
            .Select(w => new WordExport(w.Monday, w.Question, w.Word, w.Answer))
            .ToListAsync(cancel);
        return new StudentExport(
            student.Name,
            student.Level,
            student.Hand,
            caller.IsCoach ? student.CoachNote : null,
            file ?? new StudentFile(),
            sessions,
            entries,
            results,
            rounds,
            words
        );
    }

    private async IAsyncEnumerable<StudentLine> Students(Caller caller, ExportSpan span)
    {
        var files = db.StudentFiles;
        var rows = db
            .Students.AsNoTracking()
            .Where(s => s.AcademyId == caller.AcademyId && (span.StudentId == null || s.Id == span.StudentId))
            .OrderBy(s => s.Name)
            .ThenBy(s => s.Id)
            .Select(s => new
            {
                s.Id,
                s.Name,
                s.Level,
                s.Hand,
                File = files
                    .Where(f => f.AcademyId == s.AcademyId && f.StudentId == s.Id)
                    .Select(f => f.Document)
                    .FirstOrDefault(),
            });
        await foreach (var s in rows.AsAsyncEnumerable())
        {
            var coach = s.File?.Coach ?? new CoachSection();
            yield return new StudentLine(
                s.Id,
                s.Name,
                s.Level,
                s.Hand,
                coach.Age,
                coach.Approach,
                string.Join(" → ", new[] { coach.Focus.Fault, coach.Focus.AimInWords() }.Where(t => t.Length > 0))
            );
        }
    }

    private IQueryable<AssignmentRow> Published(Caller caller, ExportSpan span)
    {
        var (first, last) = (IsoWeek.Of(span.From).Monday, IsoWeek.Of(span.To).Monday);
        return db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && (span.StudentId == null || a.StudentId == span.StudentId))
            .Where(a => a.PublishedAt != null && a.Monday >= first && a.Monday <= last)
            .OrderBy(a => a.Monday)
            .ThenBy(a => a.StudentId)
            .ThenBy(a => a.Id);
    }

    private async IAsyncEnumerable<SessionLine> Sessions(Caller caller, ExportSpan span)
    {
        var today = clock.Today(caller.TimeZone);
        var rows = Published(caller, span)
            .Select(a => new
            {
                a.Id,
                a.StudentId,
                a.Monday,
                a.Day,
                a.Listing,
                a.Requirement,
                a.Excuse,
                a.HasLog,
                a.IsFinished,
                a.IsTrimmed,
                a.IsStopped,
                a.PlannedMinutes,
                a.DoneMinutes,
                a.ReportedMinutes,
                a.IsWhole,
                a.PractisedOn,
                a.Figures,
                a.SlowRepetitions,
                a.OrdinaryRepetitions,
            });
        await foreach (var a in rows.AsAsyncEnumerable())
        {
            var session = new AssignedSession
            {
                Week = IsoWeek.Of(a.Monday),
                Day = a.Day,
                Requirement = a.Requirement,
                Excuse = a.Excuse,
                HasLog = a.HasLog,
                IsFinished = a.IsFinished,
                IsTrimmed = a.IsTrimmed,
                Completion = new CompletionFigures
                {
                    PlannedMinutes = a.PlannedMinutes,
                    DoneMinutes = a.DoneMinutes,
                    ReportedMinutes = a.ReportedMinutes,
                    IsWhole = a.IsWhole,
                    IsStopped = a.IsStopped,
                },
            };
            yield return new SessionLine(
                a.Id,
                a.StudentId,
                session.Week.ToString(),
                a.Day,
                a.Listing.Title,
                a.Requirement,
                a.Excuse,
                session.StatusOn(today),
                a.PlannedMinutes,
                a.DoneMinutes,
                a.ReportedMinutes,
                a.PractisedOn,
                a.Figures?.Minutes,
                a.Figures?.Strokes.Counted,
                a.Figures?.Strokes.SomeUnknown,
                a.SlowRepetitions,
                a.OrdinaryRepetitions,
                a.Figures?.WorstPain,
                a.Figures?.Recording
            );
        }
    }

    private async IAsyncEnumerable<SegmentLine> Segments(Caller caller, ExportSpan span)
    {
        var rows = Published(caller, span)
            .Select(a => new
            {
                a.Id,
                a.StudentId,
                a.Document,
            });
        await foreach (var a in rows.AsAsyncEnumerable())
        {
            var position = 0;
            foreach (var segment in a.Document.Practice())
            {
                position++;
                yield return new SegmentLine(
                    a.Id,
                    a.StudentId,
                    segment.Id,
                    position,
                    segment.Title,
                    segment.Phase,
                    segment.Intent,
                    segment.EffectiveArea,
                    segment.EffectiveSkill,
                    segment.Place,
                    segment.Minutes,
                    segment.Balls,
                    segment.Drill?.DrillId,
                    segment.DrillName ?? "",
                    segment.Drill?.Rung,
                    segment.Drill?.Goal?.Measure ?? "",
                    segment.Drill?.Goal?.Limit
                );
            }
        }
    }

    private async IAsyncEnumerable<ResultLine> Results(Caller caller, ExportSpan span)
    {
        var rows = db.Set<DrillResultRow>()
            .AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && (span.StudentId == null || r.StudentId == span.StudentId))
            .Where(r => r.Day >= span.From && r.Day <= span.To)
            .OrderBy(r => r.Day)
            .ThenBy(r => r.StudentId)
            .ThenBy(r => r.LogId)
            .ThenBy(r => r.SegmentId);
        await foreach (var r in rows.AsAsyncEnumerable())
        {
            var kept = r.Document;
            foreach (var (measure, value) in kept.Values.OrderBy(v => v.Key != kept.Leading.Name))
            {
                var isLeading = measure == kept.Leading.Name;
                yield return new ResultLine(
                    r.AssignmentId,
                    r.StudentId,
                    r.SegmentId,
                    r.Day,
                    r.DrillId,
                    kept.Drill,
                    r.ComparabilityKey,
                    r.Rung,
                    kept.Phase,
                    r.Area,
                    kept.Skill,
                    kept.Criterion,
                    measure,
                    value,
                    isLeading,
                    isLeading ? kept.Doubt?.Low : null,
                    isLeading ? kept.Doubt?.High : null,
                    kept.Attempts,
                    kept.Successes?.Count,
                    kept.Successes?.Of,
                    kept.Goal?.Measure ?? "",
                    kept.Goal?.Limit,
                    kept.GoalMet,
                    kept.Recording
                );
            }
        }
    }

    private async IAsyncEnumerable<RatingLine> Ratings(Caller caller, ExportSpan span)
    {
        var rows = Published(caller, span)
            .Where(a => a.PractisedOn != null && a.Figures != null)
            .Select(a => new
            {
                a.Id,
                a.StudentId,
                a.PractisedOn,
                a.Figures,
            });
        await foreach (var a in rows.AsAsyncEnumerable())
        {
            foreach (var rating in a.Figures!.Ratings)
            {
                yield return new RatingLine(
                    a.Id,
                    a.StudentId,
                    a.PractisedOn!.Value,
                    rating.Focus,
                    rating.Quality,
                    rating.Confidence,
                    rating.Enjoyment,
                    rating.Effort,
                    rating.PurposeMet,
                    rating.Note
                );
            }
        }
    }

    private async IAsyncEnumerable<RoundLine> Rounds(Caller caller, ExportSpan span)
    {
        var rows = db
            .Rounds.AsNoTracking()
            .Where(r => r.AcademyId == caller.AcademyId && (span.StudentId == null || r.StudentId == span.StudentId))
            .Where(r => r.Day >= span.From && r.Day <= span.To && r.RemovedAt == null)
            .OrderBy(r => r.Day)
            .ThenBy(r => r.StudentId)
            .ThenBy(r => r.Id);
        await foreach (var r in rows.AsAsyncEnumerable())
        {
            var totals = r.Document.Totals();
            yield return new RoundLine(
                r.Id,
                r.StudentId,
                r.Day,
                r.Document.Course,
                r.Document.HolesPlayed,
                totals.Par,
                totals.Score,
                totals.Fairways?.Count,
                totals.Fairways?.Of,
                totals.Greens,
                totals.UpAndDowns?.Count,
                totals.UpAndDowns?.Of,
                totals.Putts,
                totals.Penalties
            );
        }
    }

    /// <summary>Text that a spreadsheet would take for a formula begins with an apostrophe.</summary>
    private sealed class SafeText : StringConverter
    {
        public override string? ConvertToString(object? value, IWriterRow row, MemberMapData memberMapData) =>
            value is string { Length: > 0 } text && "=+-@\t\r".Contains(text[0], StringComparison.Ordinal)
                ? $"'{text}"
                : (string?)value;
    }
}

/// <summary>Everything of one student.</summary>
/// <param name="Name">The name.</param>
/// <param name="Level">The level.</param>
/// <param name="Hand">The hand.</param>
/// <param name="CoachNote">A line for coaches' own eyes; null where a student asks.</param>
/// <param name="File">The file.</param>
/// <param name="Sessions">Published sessions, oldest first.</param>
/// <param name="Entries">What phones noted, in order.</param>
/// <param name="Results">What came of drills.</param>
/// <param name="Rounds">Real rounds.</param>
/// <param name="Words">What was said about weeks.</param>
public sealed record StudentExport(
    string Name,
    Core.Golf.Level Level,
    Core.Golf.Hand Hand,
    string? CoachNote,
    StudentFile File,
    IReadOnlyList<SessionExport> Sessions,
    IReadOnlyList<EntryExport> Entries,
    IReadOnlyList<ResultExport> Results,
    IReadOnlyList<Round> Rounds,
    IReadOnlyList<WordExport> Words
);

/// <summary>A published session.</summary>
public sealed record SessionExport(
    Guid SessionId,
    DateOnly Monday,
    DateOnly? Day,
    Requirement Requirement,
    Excuse? Excuse,
    SessionPlan Plan,
    SessionFigures? Figures
);

/// <summary>An entry of a log.</summary>
public sealed record EntryExport(Guid LogId, Guid SessionId, SessionEntry Entry);

/// <summary>A result of a drill.</summary>
public sealed record ResultExport(
    Guid SessionId,
    Guid SegmentId,
    Guid DrillId,
    string Comparable,
    DateOnly Day,
    KeptResult Result
);

/// <summary>What was said about a week.</summary>
public sealed record WordExport(DateOnly Monday, string Question, string Word, string Answer);
