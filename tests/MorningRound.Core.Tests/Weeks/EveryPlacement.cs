using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Core.Weeks.Placing;

namespace MorningRound.Core.Tests.Weeks;

/// <summary>
/// Every placement there is of a week's sessions, weighed one by one: the plain way, which shares nothing with the search.
/// A day is a number from 0, none is −1.
/// </summary>
internal sealed class EveryPlacement(WeekToPlace week, params IReadOnlyCollection<PlacingRule> without)
{
    private readonly DateOnly[] _days =
    [
        .. Enumerable.Range(0, 7).Select(n => week.Week.Monday.AddDays(n)).Where(d => d >= week.From),
    ];

    /// <summary>The lowest cost of all, and of those that have one session on one day; null where none may.</summary>
    public (int[] Best, int[]? With) Lowest(int session = 0, int on = -2)
    {
        int[]? best = null;
        int[]? with = null;
        foreach (var placement in All())
        {
            var cost = CostOf(placement);
            if (best is null || Compare(cost, best) < 0)
                best = cost;
            if (placement[session] == on && (with is null || Compare(cost, with) < 0))
                with = cost;
        }

        return (best!, with);
    }

    public static int Compare(int[] a, int[] b)
    {
        for (var i = 0; i < a.Length; i++)
            if (a[i] != b[i])
                return a[i].CompareTo(b[i]);
        return 0;
    }

    public int DayOf(DateOnly? day) => day is null ? -1 : Array.IndexOf(_days, day.Value);

    public bool IsAllowed(int[] placement)
    {
        for (var i = 0; i < placement.Length; i++)
        {
            if (placement[i] < 0)
                continue;
            var day = _days[placement[i]];
            if (Holds(PlacingRule.Absence) && week.Absences.Any(a => day >= a.FirstDay && day <= a.LastDay))
                return false;
            if (
                Holds(PlacingRule.CompetitionDay)
                && !week.Sessions[i].IsOnlyWarmUp
                && week.Competitions.Any(c => day >= c.FirstDay && day <= c.LastDay)
            )
                return false;
            if (!Holds(PlacingRule.Order))
                continue;
            for (var j = 0; j < placement.Length; j++)
                if (placement[j] >= 0 && week.Sessions[i].Order < week.Sessions[j].Order && placement[i] > placement[j])
                    return false;
            foreach (var standing in week.Standing.Where(s => week.Week.Contains(s.Day)))
                if (
                    (standing.Session.Order < week.Sessions[i].Order && standing.Day > day)
                    || (standing.Session.Order > week.Sessions[i].Order && standing.Day < day)
                )
                    return false;
        }

        if (Holds(PlacingRule.UsualDays) && week.UsualDays is { } usual)
        {
            var practised = week.Standing.Select(s => s.Day).Where(week.Week.Contains).ToHashSet();
            var fresh = placement.Where(d => d >= 0).Select(d => _days[d]).Where(d => !practised.Contains(d)).Distinct().Count();
            if (fresh > 0 && practised.Count + fresh > usual)
                return false;
        }

        for (var d = 0; d < _days.Length; d++)
        {
            var here = Enumerable.Range(0, placement.Length).Where(i => placement[i] == d).ToList();
            if (here.Count > 0 && !HaveTimes(here, _days[d]))
                return false;
        }

        return true;
    }

    /// <summary>Tries every way to give the sessions of a day its times.</summary>
    private bool HaveTimes(List<int> here, DateOnly day)
    {
        var times = week.Times.Where(t => t.Weekday == day.DayOfWeek).OrderBy(t => t.From).Cast<PracticeWindow?>().ToList();
        if (times.Count == 0 && (week.Times.Count == 0 || !Holds(PlacingRule.Times)))
            times.Add(null);
        if (Holds(PlacingRule.TimeTaken))
        {
            foreach (var standing in week.Standing.Where(s => s.Day == day).OrderBy(s => s.Session.Order ?? int.MaxValue))
            {
                var first = times.FindIndex(t => t is null || standing.Session.FitsInto(t));
                if (first >= 0)
                    times.RemoveAt(first);
            }
        }

        return Try(0, new int[here.Count]);

        bool Try(int n, int[] given)
        {
            if (n == here.Count)
                return true;
            for (var t = 0; t < times.Count; t++)
            {
                var session = week.Sessions[here[n]];
                if (Holds(PlacingRule.TimeTaken) && given.Take(n).Contains(t))
                    continue;
                if (Holds(PlacingRule.Times) && times[t] is { } time && !session.FitsInto(time))
                    continue;
                if (
                    Holds(PlacingRule.Order)
                    && Enumerable
                        .Range(0, n)
                        .Any(m =>
                            (week.Sessions[here[m]].Order < session.Order && given[m] > t)
                            || (week.Sessions[here[m]].Order > session.Order && given[m] < t)
                        )
                )
                    continue;
                given[n] = t;
                if (Try(n + 1, given))
                    return true;
            }

            return false;
        }
    }

    public int[] CostOf(int[] placement)
    {
        var sessions = week.Sessions;
        bool IsSecond(int i) => Holds(PlacingRule.MustFirst) && sessions[i].Requirement == Requirement.Extra;
        var mustOut = 0;
        var extraOut = 0;
        var mustDays = 0;
        var extraDays = 0;
        for (var i = 0; i < placement.Length; i++)
        {
            if (placement[i] < 0)
                _ = IsSecond(i) ? extraOut++ : mustOut++;
            else if (IsSecond(i))
                extraDays += placement[i];
            else
                mustDays += placement[i];
        }

        var everything = week
            .Standing.Concat(
                Enumerable
                    .Range(0, placement.Length)
                    .Where(i => placement[i] >= 0)
                    .Select(i => new StandingSession(sessions[i], _days[placement[i]]))
            )
            .ToList();
        var all = Enumerable.Range(0, 7).Select(n => week.Week.Monday.AddDays(n)).ToList();
        var hasRest = all.Any(d =>
            everything.TrueForAll(s => s.Day != d) && week.Competitions.All(c => d < c.FirstDay || d > c.LastDay)
        );
        double LoadOn(DateOnly day) => everything.Where(s => s.Day == day).Sum(s => s.Session.Load);
        var heavy = 0;
        // From the day before the first that is left to the Monday after: what was over before that cannot be changed.
        for (var d = _days.Length == 0 ? week.Week.Sunday : _days[0].AddDays(-1); d <= week.Week.Sunday; d = d.AddDays(1))
            if (LoadOn(d) >= SessionToPlace.HeavyFrom && LoadOn(d.AddDays(1)) >= SessionToPlace.HeavyFrom)
                heavy++;
        var drills = 0;
        for (var a = 0; a < everything.Count; a++)
        for (var b = Math.Max(a + 1, week.Standing.Count); b < everything.Count; b++)
            if (Math.Abs(everything[a].Day.DayNumber - everything[b].Day.DayNumber) < 2)
                drills += everything[a].Session.Drills.Intersect(everything[b].Session.Drills).Count();
        var taper = 0;
        for (var i = 0; i < placement.Length; i++)
        {
            if (placement[i] < 0)
                continue;
            var day = _days[placement[i]];
            if (
                week.Competitions.Any(c =>
                {
                    var there = c.ArrivalDay ?? c.FirstDay;
                    return day < c.FirstDay
                        && (day >= there ? sessions[i].Minutes > 30 : day >= there.AddDays(-2) && sessions[i].Minutes > 60);
                })
            )
                taper++;
        }

        return
        [
            mustOut,
            extraOut,
            hasRest || !Holds(PlacingRule.RestDay) ? 0 : 1,
            Holds(PlacingRule.HeavyApart) ? heavy : 0,
            Holds(PlacingRule.DrillApart) ? drills : 0,
            Holds(PlacingRule.Taper) ? taper : 0,
            mustDays,
            extraDays,
            Enumerable.Range(0, placement.Length).Where(i => placement[i] < 0).Sum(i => sessions[i].Minutes),
        ];
    }

    private bool Holds(PlacingRule rule) => !without.Contains(rule);

    private IEnumerable<int[]> All()
    {
        // A day on which a session may not be even alone, it may not be with others.
        var alone = Enumerable
            .Range(0, week.Sessions.Count)
            .Select(i =>
                Enumerable
                    .Range(0, _days.Length)
                    .Where(d =>
                    {
                        var only = Enumerable.Repeat(-1, week.Sessions.Count).ToArray();
                        only[i] = d;
                        return IsAllowed(only);
                    })
                    .Append(-1)
                    .ToArray()
            )
            .ToArray();
        var placement = new int[week.Sessions.Count];
        return From(0);

        IEnumerable<int[]> From(int i)
        {
            if (i == placement.Length)
            {
                if (IsAllowed(placement))
                    yield return placement;
                yield break;
            }

            foreach (var d in alone[i])
            {
                placement[i] = d;
                foreach (var found in From(i + 1))
                    yield return found;
            }
        }
    }
}
