using Microsoft.EntityFrameworkCore;
using MorningRound.Core.Calendar;
using MorningRound.Core.Competitions;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Progress;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Tailoring;
using MorningRound.Server.Accounts;
using MorningRound.Server.Drills;
using MorningRound.Server.Hosting;
using MorningRound.Server.Plans;
using MorningRound.Server.Progress;
using MorningRound.Server.Sessions;
using MorningRound.Server.Storage;
using MorningRound.Server.Weeks;

namespace MorningRound.Server.Review;

/// <summary>
/// One stop of the walk: what happened, what was said, what is suggested, and the next week with the changes in.
/// </summary>
public sealed class StopService(
    MorningRoundDb db,
    DomainClock clock,
    TeeLineService teeLine,
    PlanContextService contexts,
    ResultHistory history,
    ProgressService progress,
    WordService words,
    DraftTexts texts,
    WeekSettingService setting,
    PublishingService publishing
)
{
    private const int DaysOfSaid = 14;
    private const int MostSaid = 8;

    /// <summary>Everything at the stop behind a student.</summary>
    public async Task<StopView> GetAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var looked = await teeLine.OneAsync(caller, studentId, cancel);
        var weeks = await WeeksAsync(caller, studentId, cancel);
        var context = await contexts.OfAsync(caller, studentId, weeks.Planned.Monday, cancel);
        var shelf = await db.ShelfAsync(caller.AcademyId, cancel);
        var drills = shelf.ToDictionary(d => d.Id, d => d.Drill);
        var since = weeks.This.Plus(1 - ProgressService.WeeksOfResults).Monday;
        var results = await history.SinceAsync(caller.AcademyId, studentId, since, cancel);
        var decisions = await DecisionsAsync(caller, studentId, weeks.Planned, cancel);
        var suggestions = WeekJudgement.Of(
            [
                .. weeks
                    .OfJudged()
                    .Where(a => a.PublishedAt is not null)
                    .Select(a => new SessionToJudge(a.Id, NextSteps.ForNextWeek(a.Document, drills))),
            ],
            results,
            context,
            shelf
        );
        var focus = context.Student?.Coach.Focus.Quantity;
        return new StopView
        {
            Looked = looked,
            Judged = weeks.Judged.ToString(),
            Planned = weeks.Planned.ToString(),
            PlannedMonday = weeks.Planned.Monday,
            Sessions = [.. weeks.OfJudged().Where(a => a.PublishedAt is not null).Select(a => SessionCard.Of(a, weeks.Today))],
            Said = await SaidAsync(caller, studentId, weeks.Today, cancel),
            Ahead = context.Student?.Own.Competitions.Where(c => c.LastDay >= weeks.Today).MinBy(c => c.FirstDay) is { } next
                ? $"{next.Name}: {CompetitionStanding.InWords(next, weeks.Today).In()}"
                : "",
            Debriefed = context.Student?.DebriefedBefore(weeks.Planned.Monday),
            Goal = focus is null
                ? ""
                : GoalProgress
                    .Of(focus, await progress.FeedingAsync(caller, studentId, focus, results, since, cancel), weeks.Today)
                    .Text,
            Suggestions = [.. suggestions.Select(s => Decided(s, decisions, drills))],
            Word = await WordAsync(caller, studentId, weeks, cancel),
            Next = await NextAsync(caller, weeks, Changes(decisions.Values), drills, cancel),
        };
    }

    /// <summary>
    /// Makes the planned week, with the changes that were taken in it and nothing else changed, and publishes it. Doing it
    /// twice is doing it once.
    /// </summary>
    public async Task<IReadOnlyList<PublishedWeek>> PublishAsync(
        Caller caller,
        Guid studentId,
        IsoWeek planned,
        CancellationToken cancel
    )
    {
        await teeLine.OneAsync(caller, studentId, cancel);
        var weeks = await WeeksAsync(caller, studentId, cancel);
        if (planned < weeks.This)
            throw ApiProblemException.Invalid("week", "This week is over.");
        if (!await Drafts(caller, studentId, planned).AnyAsync(cancel))
            await setting.CopyAsync(caller, planned, planned.Plus(-1), [studentId], onlyEmpty: false, cancel);
        var shelf = (await db.ShelfAsync(caller.AcademyId, cancel)).ToDictionary(d => d.Id, d => d.Drill);
        var changes = Changes((await DecisionsAsync(caller, studentId, planned, cancel)).Values);
        do
        {
            db.ChangeTracker.Clear();
            var drafts = await Drafts(caller, studentId, planned).Where(a => a.PublishedAt == null).ToListAsync(cancel);
            var read = await texts.OfAsync(caller, drafts, cancel);
            foreach (var draft in drafts)
            {
                var text = NextSteps.ForNextWeek(read[draft.Id].Document, shelf);
                var changed = NextWeek.With(text, changes, shelf);
                var said = changed.Said.Select(m => m.In()).Except(draft.Notes.Tailored).ToList();
                draft.Notes = draft.Notes with { Offers = [], Tailored = [.. draft.Notes.Tailored, .. said] };
                if (changed.Said.Count == 0 || StoredDocuments.Same(changed.Plan, draft.Document))
                    continue;
                (draft.Document, draft.PlanVersion, draft.HasOwnText) = (changed.Plan, read[draft.Id].PlanVersion, true);
                draft.Summarize([]);
                draft.Version++;
            }
        } while (!await db.SavedAsync(cancel));

        return await publishing.PublishAsync(caller, planned, [studentId], cancel);
    }

    private IQueryable<AssignmentRow> Drafts(Caller caller, Guid studentId, IsoWeek week) =>
        db.Assignments.Where(a =>
            a.AcademyId == caller.AcademyId
            && a.StudentId == studentId
            && a.Monday == week.Monday
            && a.Requirement != Requirement.Own
        );

    /// <summary>
    /// Which week is judged and which is planned: the first from this one on for which nothing is published, else the next;
    /// judged is the week before it.
    /// </summary>
    private async Task<StopWeeks> WeeksAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        var today = clock.Today(caller.TimeZone);
        var thisWeek = IsoWeek.Of(today);
        var (from, to) = (thisWeek.Plus(-1).Monday, thisWeek.Plus(1).Monday);
        var sessions = await db
            .Assignments.AsNoTracking()
            .Where(a => a.AcademyId == caller.AcademyId && a.StudentId == studentId && a.Monday >= from && a.Monday <= to)
            .OrderBy(a => a.Day == null)
            .ThenBy(a => a.Day)
            .ThenBy(a => a.Id)
            .ToListAsync(cancel);
        var isSet = sessions.Any(a =>
            a.Monday == thisWeek.Monday && a is { PublishedAt: not null, Requirement: not Requirement.Own }
        );
        return new StopWeeks(today, thisWeek, isSet ? thisWeek.Plus(1) : thisWeek, sessions);
    }

    private async Task<IReadOnlyDictionary<string, SuggestionDecisionRow>> DecisionsAsync(
        Caller caller,
        Guid studentId,
        IsoWeek planned,
        CancellationToken cancel
    ) =>
        await db
            .SuggestionDecisions.AsNoTracking()
            .Where(d => d.AcademyId == caller.AcademyId && d.StudentId == studentId && d.Monday == planned.Monday)
            .OrderBy(d => d.DecidedAt)
            .ToDictionaryAsync(d => d.SuggestionId, cancel);

    private static IReadOnlyList<WeekChange> Changes(IEnumerable<SuggestionDecisionRow> decisions) =>
        [.. decisions.OrderBy(d => d.DecidedAt).Select(d => d.Change).OfType<WeekChange>()];

    private static DecidedSuggestion Decided(
        Suggestion suggestion,
        IReadOnlyDictionary<string, SuggestionDecisionRow> decisions,
        IReadOnlyDictionary<Guid, Drill> shelf
    )
    {
        var decided = decisions.GetValueOrDefault(suggestion.Id);
        return new DecidedSuggestion(
            suggestion,
            decided?.Decision,
            decided is { Decision: Decision.Other, Change: { } change }
                ? NextWeek.InWords(change, suggestion.Drill, shelf)?.In() ?? ""
                : ""
        );
    }

    /// <summary>What was written and rated with the sessions of the last fortnight, newest first.</summary>
    private async Task<IReadOnlyList<SaidInSession>> SaidAsync(
        Caller caller,
        Guid studentId,
        DateOnly today,
        CancellationToken cancel
    )
    {
        var since = today.Plus(-DaysOfSaid);
        var assignments = db.Assignments.IgnoreQueryFilters();
        var logs = await (
            from log in db.SessionLogs.AsNoTracking()
            where log.AcademyId == caller.AcademyId && log.StudentId == studentId && log.Day >= since
            join assignment in assignments
                on new { log.AcademyId, Id = log.AssignmentId } equals new { assignment.AcademyId, assignment.Id }
            orderby log.Day descending, log.Id descending
            select new
            {
                assignment.Id,
                assignment.Listing,
                log.Day,
                log.Log,
            }
        )
            .Take(MostSaid)
            .ToListAsync(cancel);
        return
        [
            .. logs.Where(l => l.Log.Rating is not null || l.Log.Ready is not null)
                .Select(l => new SaidInSession
                {
                    AssignmentId = l.Id,
                    Title = l.Listing.Title,
                    Day = l.Day,
                    Note = l.Log.Rating?.Note.Trim() ?? "",
                    Nerves = l.Log.Ready?.Nerves,
                    Rating = l.Log.Rating,
                }),
        ];
    }

    /// <summary>The week that waits for an answer comes before the one that is judged.</summary>
    private async Task<WeekWordView> WordAsync(Caller caller, Guid studentId, StopWeeks weeks, CancellationToken cancel)
    {
        var judged = await words.GetAsync(caller, studentId, weeks.Judged, cancel);
        if (weeks.Judged == weeks.This || judged is { Question.Length: > 0, Word.Length: 0 })
            return judged;
        var current = await words.GetAsync(caller, studentId, weeks.This, cancel);
        return current is { Question.Length: > 0, Word.Length: 0 } ? current : judged;
    }

    /// <summary>The planned week with the changes in: its drafts, or what would be copied into it.</summary>
    private async Task<IReadOnlyList<NextSession>> NextAsync(
        Caller caller,
        StopWeeks weeks,
        IReadOnlyList<WeekChange> changes,
        IReadOnlyDictionary<Guid, Drill> shelf,
        CancellationToken cancel
    )
    {
        var there = weeks.Of(weeks.Planned).Where(a => a.Requirement != Requirement.Own).ToList();
        if (there.Count > 0)
        {
            var read = await texts.OfAsync(caller, there, cancel);
            return
            [
                .. there.Select(a =>
                    a.PublishedAt is not null
                        ? Drawn(a.Id, a.Day, new ChangedPlan(a.Document, []), a.Notes.Tailored, isPublished: true)
                        : Drawn(
                            a.Id,
                            a.Day,
                            NextWeek.With(NextSteps.ForNextWeek(read[a.Id].Document, shelf), changes, shelf),
                            [],
                            isPublished: false
                        )
                ),
            ];
        }

        var sources = weeks.OfJudged().ToList();
        var latest = await texts.LatestAsync(caller, sources, cancel);
        return
        [
            .. sources.Select(a =>
                Drawn(
                    a.Id,
                    a.Day?.Plus(7 * (weeks.Planned.Monday.DayNumber - a.Monday.DayNumber) / 7),
                    NextWeek.With(WeekSettingService.TextOf(a, latest, shelf).Document, changes, shelf),
                    [],
                    isPublished: false
                )
            ),
        ];
    }

    private static NextSession Drawn(
        Guid id,
        DateOnly? day,
        ChangedPlan changed,
        IReadOnlyList<string> before,
        bool isPublished
    ) =>
        new(
            id,
            changed.Plan.Title,
            day,
            PlanTotals.Of(changed.Plan).Minutes,
            SessionStrip.Done(changed.Plan, SessionCompletion.Of(changed.Plan, [])).InList(),
            [.. before, .. changed.Said.Select(m => m.In())],
            isPublished
        );

    /// <summary>The weeks at a stop, and what stands in them.</summary>
    private sealed record StopWeeks(DateOnly Today, IsoWeek This, IsoWeek Planned, IReadOnlyList<AssignmentRow> Sessions)
    {
        public IsoWeek Judged => Planned.Plus(-1);

        public IEnumerable<AssignmentRow> Of(IsoWeek week) => Sessions.Where(a => a.Monday == week.Monday);

        public IEnumerable<AssignmentRow> OfJudged() => Of(Judged).Where(a => a.Requirement != Requirement.Own);
    }
}
