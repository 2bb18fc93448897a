using System.Numerics;
using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>
/// Puts the sessions of a week on its days, and on no more days than are usual. First as many as can be, must before extra; then
/// a day of rest, heavy days apart, a drill not on the same or the next day again, little before a competition; then as early as
/// can be, and of what cannot all be placed the longer ones. Up to seven sessions are placed together, in the best way there is;
/// more are placed seven at a time.
/// </summary>
public static class WeekPlacing
{
    /// <summary>Where each session goes, in the order of the week's list, and why.</summary>
    public static IReadOnlyList<PlacedSession> Of(WeekToPlace week)
    {
        var placed = new Dictionary<Guid, PlacedSession>();
        var standing = week.Standing.ToList();
        // What must be done, and what comes first, is placed first.
        var inTurn = week.Sessions.OrderBy(s => s.Requirement).ThenBy(s => s.Order ?? int.MaxValue).Chunk(PlacingSearch.Most);
        foreach (
            var some in week.Sessions.Count <= PlacingSearch.Most
                ?
                [
                    [.. week.Sessions],
                ]
                : inTurn
        )
        {
            foreach (var one in new PlacingOfSeven(week with { Sessions = some, Standing = [.. standing] }).Placed())
                placed[one.Id] = one;
            standing.AddRange(
                from session in some
                where placed[session.Id].Day is not null
                select new StandingSession(session, placed[session.Id].Day!.Value)
            );
        }

        return [.. week.Sessions.Select(s => placed[s.Id])];
    }
}

/// <summary>Up to seven sessions placed together, each with what kept it from a better day.</summary>
internal sealed class PlacingOfSeven(WeekToPlace week)
{
    private static readonly PlacingRule[] OfOneDay = [PlacingRule.Absence, PlacingRule.CompetitionDay, PlacingRule.Times];

    private readonly Dictionary<int, IReadOnlyList<int>> _best = [];

    public IEnumerable<PlacedSession> Placed()
    {
        var model = new PlacingModel(week, RuleSet.All);
        var days = new PlacingSearch(model).One();
        for (var i = 0; i < week.Sessions.Count; i++)
        {
            var session = week.Sessions[i];
            var at = days.ToList().FindIndex(set => (set & (1 << i)) != 0);
            var day = at < 0 ? (DateOnly?)null : model.Days[at];
            var time = at < 0 ? null : model.TimesOf(at, days[at])[i];
            if (model.Days.Count == 0)
            {
                yield return new PlacedSession { Id = session.Id, Why = WeekSentences.WeekIsOver.Of().In() };
                continue;
            }

            var (better, keptBy) = Better(i, session, model.Days, day);
            yield return new PlacedSession
            {
                Id = session.Id,
                Day = day,
                Time = time,
                BetterDay = better,
                KeptBy = keptBy,
                Why = (
                    better is { } missed ? Why(session, day, missed, keptBy) : WeekSentences.FirstDay.Of(Name(day!.Value))
                ).In(),
            };
        }
    }

    /// <summary>
    /// The first earlier day that something kept the session from: of those that are open to it, one on which it would be as good
    /// only where there is no other, and only then one that is not open. Null where it has the first day.
    /// </summary>
    private (DateOnly? Day, IReadOnlyList<PlacingRule> KeptBy) Better(
        int i,
        SessionToPlace session,
        IReadOnlyList<DateOnly> days,
        DateOnly? day
    )
    {
        foreach (
            var some in days.Where(d => day is null || d < day).GroupBy(d => Forbidding(session, d).Any()).OrderBy(g => g.Key)
        )
        {
            (DateOnly?, IReadOnlyList<PlacingRule>)? asGood = null;
            foreach (var other in some)
            {
                if (KeptFrom(i, session, other.DayNumber - days[0].DayNumber, other) is not { } keptBy)
                    continue;
                if (keptBy.Count > 0)
                    return (other, keptBy);
                asGood ??= (other, keptBy);
            }

            if (asGood is { } found)
                return found;
        }

        return (null, []);
    }

    private IEnumerable<PlacingRule> Forbidding(SessionToPlace session, DateOnly day) =>
        OfOneDay.Where(rule => PlacingModel.Forbids(week, rule, session, day));

    /// <summary>
    /// The fewest rules without which some best placement has the session on a day, those that give way first; null where
    /// there are none.
    /// </summary>
    private IReadOnlyList<PlacingRule>? KeptFrom(int i, SessionToPlace session, int at, DateOnly day)
    {
        // What forbids the day by itself is always among them.
        var needed = Forbidding(session, day).ToList();
        var others = Enum.GetValues<PlacingRule>().Where(r => !needed.Contains(r) && Matters(r)).ToList();
        return Enumerable
            .Range(0, 1 << others.Count)
            .OrderBy(bits => BitOperations.PopCount((uint)bits))
            .ThenByDescending(bits => bits)
            .Select(bits => needed.Concat(others.Where((_, n) => (bits & (1 << n)) != 0)).Order().ToList())
            .FirstOrDefault(taken => (Best(RuleSet.All.Without(taken))[at] & (1 << i)) != 0);
    }

    private IReadOnlyList<int> Best(RuleSet rules)
    {
        if (!_best.TryGetValue(rules.Bits, out var found))
            _best[rules.Bits] = found = new PlacingSearch(new PlacingModel(week, rules)).Any();
        return found;
    }

    /// <summary>Whether taking a rule away can change anything at all.</summary>
    private bool Matters(PlacingRule rule) =>
        rule switch
        {
            PlacingRule.Absence => week.Absences.Any(a => a.FirstDay <= week.Week.Sunday && a.LastDay >= week.Week.Monday),
            PlacingRule.Times => week.Times.Count > 0,
            PlacingRule.CompetitionDay or PlacingRule.Taper => week.Competitions.Any(c =>
                c.LastDay >= week.Week.Monday && c.GetsThere.Plus(-7) <= week.Week.Sunday
            ),
            PlacingRule.Order => week.Sessions.Concat(week.Standing.Select(s => s.Session)).Count(s => s.Order is not null) > 1,
            PlacingRule.UsualDays => week.UsualDays < Math.Min(7, week.Sessions.Count + week.Standing.Count),
            PlacingRule.MustFirst => week.Sessions.Select(s => s.Requirement).Distinct().Count() > 1,
            _ => true,
        };

    private Message Why(SessionToPlace session, DateOnly? day, DateOnly better, IReadOnlyList<PlacingRule> keptBy)
    {
        Message[] reasons =
            keptBy.Count == 0 ? [WeekSentences.OtherFirst.Of()] : [.. keptBy.Select(rule => Reason(rule, session, better))];
        var why = new MessageList("; ", reasons);
        return day is { } on
            ? WeekSentences.NotEarlier.Of(Name(on), Name(better), why)
            : WeekSentences.NoDay.Of(Name(better), why);
    }

    private Message Reason(PlacingRule rule, SessionToPlace session, DateOnly day) =>
        rule switch
        {
            PlacingRule.Absence => WeekSentences.KeptByAbsence.Of(),
            PlacingRule.Times => WeekSentences.KeptByTimes.Of(session.Minutes),
            PlacingRule.TimeTaken => WeekSentences.KeptByTimeTaken.Of(),
            PlacingRule.CompetitionDay => WeekSentences.KeptByCompetition.Of(
                week.Competitions.Where(c => c.IsPlayedOn(day)).Select(c => c.Name).FirstOrDefault("")
            ),
            PlacingRule.Order => WeekSentences.KeptByOrder.Of(),
            PlacingRule.UsualDays when week.UsualDays == 1 => WeekSentences.KeptByUsualDay.Of(),
            PlacingRule.UsualDays => WeekSentences.KeptByUsualDays.Of(week.UsualDays!.Value),
            PlacingRule.MustFirst => WeekSentences.KeptByMust.Of(),
            PlacingRule.RestDay => WeekSentences.KeptByRest.Of(),
            PlacingRule.HeavyApart => WeekSentences.KeptByHeavy.Of(),
            PlacingRule.DrillApart => WeekSentences.KeptByDrill.Of(),
            _ => WeekSentences.KeptByTaper.Of(),
        };

    private static string Name(DateOnly day) => day.DayOfWeek.ToString();
}
