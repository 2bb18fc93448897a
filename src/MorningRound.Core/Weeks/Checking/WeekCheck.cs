using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks.Checking;

/// <summary>
/// Looks a student's week over: every session by the plan check, for this student on its real day, and the week as a whole. A
/// stop holds back the session it is found in, and nothing else.
/// </summary>
public static class WeekCheck
{
    /// <summary>From how many results on an area's losses say something. The product's own number.</summary>
    private const int LeastResults = 3;

    /// <summary>The share missing to goals from which an area loses much. The product's own number.</summary>
    private const double MuchMissing = 0.25;

    /// <summary>Everything there is to say.</summary>
    public static CheckedWeek Run(WeekToCheck week)
    {
        var open = week.Sessions.Where(s => !s.IsOver).ToList();
        var minutes = open.Sum(s => PlanTotals.Of(s.Plan).Minutes);
        var areas = AreasOf(week);
        return new CheckedWeek(
            [.. week.Sessions.Select(s => s.IsOver ? new SessionFindings(s.Id, null, []) : FindingsOf(week, s))],
            [.. new Found(week, open, areas, minutes).All().OrderByDescending(f => f.Level).ThenBy(f => f.Id)],
            areas,
            minutes,
            week.Context.Load?.RatioWith(minutes)
        );
    }

    /// <summary>
    /// What the plan check says of a plan on a day; for "any day" on the day that is left of the week on which it is mildest, the
    /// earliest of several.
    /// </summary>
    public static (DateOnly Day, IReadOnlyList<Finding> Findings) On(
        SessionPlan plan,
        DateOnly? day,
        IsoWeek week,
        DateOnly today,
        PlanContext context
    )
    {
        if (day is { } set)
            return (set, PlanCheck.Run(plan, context with { Day = set }));
        var days = Enumerable.Range(0, 7).Select(n => week.Monday.Plus(n)).Where(d => d >= today || week.Sunday < today);
        return days.Select(d => (Day: d, Findings: PlanCheck.Run(plan, context with { Day = d })))
            .MinBy(d => d.Findings.Sum(f => Math.Pow(100, (int)f.Level)));
    }

    private static SessionFindings FindingsOf(WeekToCheck week, SessionToCheck session)
    {
        // The load is the week's: said once, for all of it.
        var (day, findings) = On(session.Plan, session.Day, week.Week, week.Today, week.Context with { Load = null });
        return new SessionFindings(session.Id, day, findings);
    }

    private static List<AreaOfWeek> AreasOf(WeekToCheck week)
    {
        var planned = week
            .Sessions.Where(s => !s.IsExcused)
            .SelectMany(s => s.Plan.Practice())
            .Where(s => s.Phase != Phase.WarmUp && s.EffectiveArea is not null)
            .GroupBy(s => s.EffectiveArea!.Value)
            .ToDictionary(g => g.Key, g => g.Sum(s => s.Minutes));
        var weak = week.Context.Student?.Own.BelievedWeaknesses ?? [];
        var lost = (week.Context.Lost?.Areas() ?? []).ToLookup(l => l.Area, l => (double?)l.Strokes);
        // Of several areas that serve one part of the game the nearest stands for it, where none of them has minutes.
        var nearest = (week.Context.Lost?.Areas() ?? []).DistinctBy(l => l.Part).Select(l => l.Area).ToHashSet();
        return
        [
            .. Enum.GetValues<Area>()
                .Select(area => new AreaOfWeek(
                    area,
                    planned.GetValueOrDefault(area),
                    week.Context.Losses.FirstOrDefault(l => l.Area == area && l.Results >= LeastResults)?.Shortfall,
                    lost[area].FirstOrDefault(),
                    weak.Contains(area)
                ))
                .Where(a => a.Minutes > 0 || a.Shortfall is not null || nearest.Contains(a.Area) || a.IsBelievedWeak),
        ];
    }

    /// <summary>The rules of a week, each with what it finds.</summary>
    private sealed class Found(WeekToCheck week, List<SessionToCheck> open, List<AreaOfWeek> areas, int minutes)
    {
        private readonly StudentFile _file = week.Context.Student ?? new StudentFile();

        private readonly List<(SessionToCheck Session, SessionToPlace Facts)> _all =
        [
            .. week.Sessions.Select(s => (s, SessionToPlace.Of(s.Id, s.Plan, week.Context, s.Requirement, s.Order))),
        ];

        public IEnumerable<WeekFinding> All() =>
            [
                .. Load(),
                .. DrillRepeated(),
                .. AreaForgotten(),
                .. SwingWork(),
                .. OverTimes(),
                .. Absence(),
                .. NoRestDay(),
                .. HeavyTogether(),
                .. OutOfOrder(),
                .. Taper(),
            ];

        private IEnumerable<(SessionToCheck Session, SessionToPlace Facts)> Open => _all.Where(s => !s.Session.IsOver);

        private IEnumerable<WeekFinding> Load()
        {
            if (week.Context.Load?.RatioWith(minutes) is not { } ratio)
                yield break;
            if (WeekLoad.BandOf(ratio) == LoadBand.Caution)
                yield return new WeekFinding(
                    WeekFindingId.Load,
                    FindingLevel.Caution,
                    WeekSentences.TooMuchLoad.Of(ratio, WeekLoad.CautionAbove)
                );
            else if (WeekLoad.BandOf(ratio) == LoadBand.Busy)
                yield return new WeekFinding(WeekFindingId.Load, FindingLevel.Note, WeekSentences.BusyWeek.Of(ratio));
        }

        private IEnumerable<WeekFinding> DrillRepeated() =>
            from drill in Open.SelectMany(s =>
                s.Session.Plan.Practice()
                    .Where(p => p.Drill is not null && s.Session.Day is not null)
                    .Select(p => (p.Drill!.DrillId, p.Drill.Drill.Name, Day: s.Session.Day!.Value, s.Session.Id))
            )
            group drill by drill.DrillId into uses
            let sessions = uses.DistinctBy(u => u.Id).OrderBy(u => u.Day).ToList()
            let again = sessions.Zip(sessions.Skip(1)).FirstOrDefault(p => p.Second.Day.DayNumber - p.First.Day.DayNumber < 2)
            where again != default
            select new WeekFinding(
                WeekFindingId.DrillRepeated,
                FindingLevel.Advice,
                again.First.Day == again.Second.Day
                    ? WeekSentences.DrillTwiceADay.Of(again.First.Name, Name(again.First.Day))
                    : WeekSentences.DrillNextDay.Of(again.First.Name, Name(again.First.Day), Name(again.Second.Day)),
                again.Second.Id
            );

        private IEnumerable<WeekFinding> AreaForgotten()
        {
            if (open.Count == 0 || _all.All(s => s.Facts.IsOnlyWarmUp))
                yield break;
            var most = areas.Where(a => a.Shortfall >= MuchMissing).MaxBy(a => a.Shortfall);
            if (most is { Minutes: 0 })
                yield return new WeekFinding(
                    WeekFindingId.AreaForgotten,
                    FindingLevel.Advice,
                    WeekSentences.LossForgotten.Of(most.Area, 100 * most.Shortfall!.Value)
                );
            // A part of the game that several areas serve is served by any of them.
            var inRounds =
                week.Context.Lost?.Areas().GroupBy(l => l.Part, l => (l.Area, l.Strokes)).FirstOrDefault()?.ToList() ?? [];
            var isServed = areas.Any(a => a.Minutes > 0 && inRounds.Any(l => l.Area == a.Area));
            if (inRounds.Count > 0 && !isServed && inRounds[0].Area != most?.Area)
                yield return new WeekFinding(
                    WeekFindingId.AreaForgotten,
                    FindingLevel.Advice,
                    WeekSentences.RoundsForgotten.Of(inRounds[0].Area, inRounds[0].Strokes)
                );
            foreach (
                var area in areas.Where(a =>
                    a is { IsBelievedWeak: true, Minutes: 0 } && a != most && !(inRounds.Count > 0 && inRounds[0].Area == a.Area)
                )
            )
                yield return new WeekFinding(
                    WeekFindingId.AreaForgotten,
                    FindingLevel.Note,
                    WeekSentences.BeliefForgotten.Of(area.Area)
                );
        }

        private IEnumerable<WeekFinding> SwingWork() =>
            from session in open
            where session.Day is not null
            let played = _file.Own.Competitions.FirstOrDefault(c =>
                c.IsPlayedOn(session.Day!.Value) || c.ArrivalDay == session.Day
            )
            where played is not null
            let technique = session.Plan.Practice().FirstOrDefault(IsSwingWork)
            where technique is not null
            select new WeekFinding(
                WeekFindingId.SwingWork,
                FindingLevel.Caution,
                WeekSentences.SwingWork.Of(technique.Title, Name(session.Day!.Value), played.Name),
                session.Id
            );

        private static bool IsSwingWork(PracticeSegment segment) =>
            segment is { Intent: Intent.Technique, Phase: not Phase.WarmUp } && segment.EffectiveArea is not Area.Putting;

        private IEnumerable<WeekFinding> OverTimes()
        {
            var times = _file.Own.Windows;
            if (times.Count == 0)
                yield break;
            foreach (var (session, facts) in Open.Where(s => s.Session.Day is not null))
            {
                if (!times.Any(t => t.Weekday == session.Day!.Value.DayOfWeek && facts.FitsInto(t)))
                    yield return new WeekFinding(
                        WeekFindingId.OverTimes,
                        FindingLevel.Advice,
                        WeekSentences.NoTimeOnDay.Of(session.Plan.Title, facts.Minutes, Name(session.Day!.Value)),
                        session.Id
                    );
            }

            var open = Enumerable
                .Range(0, 7)
                .Select(n => week.Week.Monday.Plus(n))
                .Where(d => d >= week.Today && !_file.Own.Absences.Any(a => a.Contains(d)))
                .Where(d => !_file.Own.Competitions.Any(c => c.IsPlayedOn(d)))
                .Sum(d => times.Where(t => t.Weekday == d.DayOfWeek).Sum(t => t.Minutes));
            var asked = Open.Where(s => s.Session.Requirement == Requirement.Must).Sum(s => s.Facts.Minutes);
            if (asked > open)
                yield return new WeekFinding(
                    WeekFindingId.OverTimes,
                    FindingLevel.Advice,
                    WeekSentences.MoreThanTimes.Of(asked, open)
                );
        }

        private IEnumerable<WeekFinding> Absence() =>
            from session in open
            where session.Day is { } day && _file.Own.Absences.Any(a => a.Contains(day))
            select new WeekFinding(
                WeekFindingId.Absence,
                FindingLevel.Caution,
                WeekSentences.OnAbsence.Of(session.Plan.Title, Name(session.Day!.Value)),
                session.Id
            );

        private IEnumerable<WeekFinding> NoRestDay()
        {
            var days = Enumerable.Range(0, 7).Select(n => week.Week.Monday.Plus(n));
            if (days.All(d => _all.Any(s => s.Session.Day == d) || _file.Own.Competitions.Any(c => c.IsPlayedOn(d))))
                yield return new WeekFinding(WeekFindingId.NoRestDay, FindingLevel.Advice, WeekSentences.NoRestDay.Of());
        }

        private IEnumerable<WeekFinding> HeavyTogether()
        {
            var heavy = _all.Where(s => s.Session.Day is not null)
                .GroupBy(s => s.Session.Day!.Value)
                .Where(g => g.Sum(s => s.Facts.Load) >= SessionToPlace.HeavyFrom)
                .Select(g => (Day: g.Key, IsOver: g.All(s => s.Session.IsOver)))
                .OrderBy(d => d.Day)
                .ToList();
            var pairs = heavy.Zip(heavy.Skip(1)).Where(p => p.Second.Day.DayNumber - p.First.Day.DayNumber == 1);
            foreach (var ((day, _), (next, _)) in pairs.Where(p => !p.First.IsOver || !p.Second.IsOver))
                yield return new WeekFinding(
                    WeekFindingId.HeavyTogether,
                    FindingLevel.Advice,
                    WeekSentences.HeavyTogether.Of(Name(day), Name(next))
                );
        }

        private IEnumerable<WeekFinding> Taper() =>
            from session in Open
            where session.Session.Day is not null
            let near = _file.Own.Competitions.FirstOrDefault(c =>
                SessionToPlace.LongestBefore(c, session.Session.Day!.Value) < session.Facts.Minutes
            )
            where near is not null
            select new WeekFinding(
                WeekFindingId.Taper,
                FindingLevel.Advice,
                WeekSentences.TooLongBefore.Of(
                    session.Session.Plan.Title,
                    session.Facts.Minutes,
                    Name(session.Session.Day!.Value),
                    near.Name,
                    SessionToPlace.LongestBefore(near, session.Session.Day!.Value)!.Value
                ),
                session.Session.Id
            );

        private IEnumerable<WeekFinding> OutOfOrder() =>
            from second in open
            where second.Day is not null
            let first = week.Sessions.FirstOrDefault(s => s.Order < second.Order && s.Day > second.Day)
            where first is not null
            select new WeekFinding(
                WeekFindingId.OutOfOrder,
                FindingLevel.Advice,
                WeekSentences.OutOfOrder.Of(second.Plan.Title, first.Plan.Title),
                second.Id
            );

        private static string Name(DateOnly day) => day.DayOfWeek.ToString();
    }
}
