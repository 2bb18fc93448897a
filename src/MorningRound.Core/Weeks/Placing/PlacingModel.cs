using MorningRound.Core.Calendar;
using MorningRound.Core.Students;

namespace MorningRound.Core.Weeks.Placing;

/// <summary>
/// What a choice of sessions for each day costs, under a choice of rules. Sessions of a day are the bits of a number. A cost is
/// one number in which what weighs more stands in front, so that costs add up and compare as the rules do.
/// </summary>
internal sealed class PlacingModel
{
    // Each part of a cost has room for more than a week can add up to.
    private const long UnplacedMinute = 1;
    private const long Day = UnplacedMinute << 12;
    private const long MustDay = Day << 8;
    private const long Taper = MustDay << 8;
    private const long DrillPair = Taper << 6;
    private const long HeavyPair = DrillPair << 13;
    private const long NoRest = HeavyPair << 4;
    private const long UnplacedExtra = NoRest << 1;
    private const long UnplacedMust = UnplacedExtra << 4;

    private const int MostShared = 12;

    private readonly WeekToPlace _week;
    private readonly RuleSet _rules;
    private readonly IReadOnlyList<SessionToPlace> _sessions;
    private readonly int[] _laterThanAny;
    private readonly int[] _sooner;
    private readonly int[,] _sharedDrills;
    private readonly long[,] _dayCosts;
    private readonly bool[,] _fits;
    private readonly bool[,] _isHeavy;
    private readonly bool[] _isUsed;
    private readonly bool[] _isPractised;
    private readonly bool _isHeavyBefore;
    private readonly bool _isHeavyAfter;

    public PlacingModel(WeekToPlace week, RuleSet rules)
    {
        (_week, _rules, _sessions) = (week, rules, week.Sessions);
        Days = DaysOf(week);
        var later = _sessions.Select(s => BitsOf(other => IsInOrder(s, other))).ToList();
        _laterThanAny = [.. Enumerable.Range(0, 1 << Count).Select(set => In(set).Aggregate(0, (all, i) => all | later[i]))];
        _sooner = [.. _sessions.Select(s => BitsOf(other => IsInOrder(other, s)))];
        _sharedDrills = SharedDrills();
        _dayCosts = new long[Days.Count, 1 << Count];
        _fits = new bool[Days.Count, 1 << Count];
        _isHeavy = new bool[Days.Count, 1 << Count];
        _isUsed = [.. Days.Select(IsTaken)];
        _isPractised = [.. Days.Select(day => week.Standing.Any(s => s.Day == day))];
        FreshDays = CountFreshDays();
        for (var d = 0; d < Days.Count; d++)
            Fill(d);
        _isHeavyBefore = Days.Count > 0 && IsHeavy(LoadStanding(Days[0].Plus(-1)));
        _isHeavyAfter = IsHeavy(LoadStanding(week.Week.Sunday.Plus(1)));
        HasRestBefore = Enumerable
            .Range(0, 7)
            .Select(n => week.Week.Monday.Plus(n))
            .Where(day => !Days.Contains(day))
            .Any(day => !IsTaken(day));
    }

    /// <summary>The days that are left of the week.</summary>
    public IReadOnlyList<DateOnly> Days { get; }

    /// <summary>How many sessions are to be placed.</summary>
    public int Count => _sessions.Count;

    /// <summary>Whether a day that is over was one of rest.</summary>
    public bool HasRestBefore { get; }

    /// <summary>
    /// How many days without practice may get some; null where more days than could be used may.
    /// </summary>
    public int? FreshDays { get; }

    /// <summary>The days of a week from the first on which something can still be put.</summary>
    public static IReadOnlyList<DateOnly> DaysOf(WeekToPlace week) =>
        [.. Enumerable.Range(0, 7).Select(n => week.Week.Monday.Plus(n)).Where(day => day >= week.From)];

    /// <summary>Whether a set of sessions can be held on a day after others were placed before it.</summary>
    public bool Fits(int day, int set, int placed) => _fits[day, set] && (_laterThanAny[set] & placed) == 0;

    /// <summary>What a set of sessions on a day costs beside what stands on the day before.</summary>
    public long CostOf(int day, int before, int set)
    {
        var cost = _dayCosts[day, set];
        if (_rules.Has(PlacingRule.DrillApart))
            cost += DrillPair * _sharedDrills[set, before];
        if (_rules.Has(PlacingRule.HeavyApart))
        {
            var wasHeavy = day == 0 ? _isHeavyBefore : _isHeavy[day - 1, before];
            if (wasHeavy && _isHeavy[day, set])
                cost += HeavyPair;
            if (day == Days.Count - 1 && _isHeavyAfter && _isHeavy[day, set])
                cost += HeavyPair;
        }

        return cost;
    }

    /// <summary>Whether a day with a set of sessions is one of rest.</summary>
    public bool IsRest(int day, int set) => set == 0 && !_isUsed[day];

    /// <summary>Whether a set of sessions makes a day without practice one of practice.</summary>
    public bool TakesFreshDay(int day, int set) => set != 0 && !_isPractised[day];

    /// <summary>What it costs in the end that some sessions found no day, and that there was no day of rest.</summary>
    public long CostOfEnd(int unplaced, bool hasRest)
    {
        var cost = !hasRest && _rules.Has(PlacingRule.RestDay) ? NoRest : 0;
        foreach (var i in In(unplaced))
            cost +=
                (IsSecond(i) ? UnplacedExtra : UnplacedMust)
                + (UnplacedMinute * Math.Min(_sessions[i].Minutes, SessionToPlace.MostMinutes));
        return cost;
    }

    /// <summary>The times that the sessions of a day take, by session; no value where no times are on record.</summary>
    public IReadOnlyDictionary<int, PracticeWindow?> TimesOf(int day, int set)
    {
        var taken = new Dictionary<int, PracticeWindow?>();
        var slots = FreeSlots(Days[day]);
        var (at, left) = (0, set);
        while (left != 0)
        {
            var next = In(left)
                .Cast<int?>()
                .FirstOrDefault(i => CanTake(slots[at], i!.Value, left) && Holds(slots, at + 1, left & ~(1 << i.Value)));
            if (next is { } found)
            {
                taken[found] = slots[at].Time;
                left &= ~(1 << found);
            }

            at++;
        }

        return taken;
    }

    /// <summary>The positions of a set's sessions in the list.</summary>
    public static IEnumerable<int> In(int set)
    {
        for (var i = 0; set != 0; i++, set >>= 1)
            if ((set & 1) != 0)
                yield return i;
    }

    /// <summary>Whether a rule that never gives way forbids a session a day by itself.</summary>
    public static bool Forbids(WeekToPlace week, PlacingRule rule, SessionToPlace session, DateOnly day) =>
        rule switch
        {
            PlacingRule.Absence => week.Absences.Any(a => a.Contains(day)),
            PlacingRule.CompetitionDay => !session.IsOnlyWarmUp && week.Competitions.Any(c => c.IsPlayedOn(day)),
            PlacingRule.Times => week.Times.Count > 0 && !week.Times.Any(t => t.Weekday == day.DayOfWeek && session.FitsInto(t)),
            _ => false,
        };

    private int? CountFreshDays()
    {
        if (_week.UsualDays is not { } usual || !_rules.Has(PlacingRule.UsualDays))
            return null;
        var practised = _week.Standing.Select(s => s.Day).Where(_week.Week.Contains).Distinct().Count();
        var left = Math.Max(0, usual - practised);
        return left < Math.Min(Count, _isPractised.Count(p => !p)) ? left : null;
    }

    private void Fill(int d)
    {
        var day = Days[d];
        var slots = FreeSlots(day);
        var standing = LoadStanding(day);
        var held = new Dictionary<(int, int), bool>();
        for (var set = 0; set < 1 << Count; set++)
        {
            var sessions = In(set).ToList();
            _fits[d, set] = sessions.TrueForAll(i => MayBeOn(_sessions[i], day)) && Holds(slots, 0, set, held);
            _isHeavy[d, set] = IsHeavy(standing + sessions.Sum(i => _sessions[i].Load));
            _dayCosts[d, set] = sessions.Sum(i => CostAlone(i, d)) + SameDayCost(sessions);
        }
    }

    private long SameDayCost(List<int> sessions)
    {
        if (!_rules.Has(PlacingRule.DrillApart))
            return 0;
        var pairs = 0;
        for (var a = 0; a < sessions.Count; a++)
        for (var b = a + 1; b < sessions.Count; b++)
            pairs += _sharedDrills[1 << sessions[a], 1 << sessions[b]];
        return DrillPair * pairs;
    }

    /// <summary>The drills that two sets of sessions share, each pair of sessions for itself.</summary>
    private int[,] SharedDrills()
    {
        var all = 1 << Count;
        var shared = new int[all, all];
        for (var i = 0; i < Count; i++)
        for (var j = 0; j < Count; j++)
            shared[1 << i, 1 << j] = i == j ? 0 : Shared(_sessions[i], _sessions[j]);
        for (var a = 1; a < all; a++)
        {
            for (var b = 1; b < all; b++)
            {
                // A set is its first session and the rest.
                var (first, other) = (a & -a, b & -b);
                if (a != first)
                    shared[a, b] = shared[first, b] + shared[a & ~first, b];
                else if (b != other)
                    shared[a, b] = shared[a, other] + shared[a, b & ~other];
            }
        }

        return shared;
    }

    private long CostAlone(int i, int d)
    {
        var (session, day) = (_sessions[i], Days[d]);
        var cost = (IsSecond(i) ? Day : MustDay) * d;
        if (_rules.Has(PlacingRule.DrillApart))
            cost +=
                DrillPair
                * _week.Standing.Where(s => Math.Abs(s.Day.DayNumber - day.DayNumber) <= 1).Sum(s => Shared(session, s.Session));
        if (_rules.Has(PlacingRule.Taper) && _week.Competitions.Any(c => SessionToPlace.LongestBefore(c, day) < session.Minutes))
            cost += Taper;
        return cost;
    }

    private bool MayBeOn(SessionToPlace session, DateOnly day)
    {
        if (_rules.Has(PlacingRule.Absence) && Forbids(_week, PlacingRule.Absence, session, day))
            return false;
        if (_rules.Has(PlacingRule.CompetitionDay) && Forbids(_week, PlacingRule.CompetitionDay, session, day))
            return false;
        return !_rules.Has(PlacingRule.Order)
            || _week
                .Standing.Where(s => _week.Week.Contains(s.Day))
                .All(s => !(IsBefore(s.Session, session) && day < s.Day) && !(IsBefore(session, s.Session) && day > s.Day));
    }

    private bool IsSecond(int i) => _rules.Has(PlacingRule.MustFirst) && _sessions[i].Requirement == Requirement.Extra;

    private bool IsTaken(DateOnly day) => _week.Standing.Any(s => s.Day == day) || _week.Competitions.Any(c => c.IsPlayedOn(day));

    private double LoadStanding(DateOnly day) => _week.Standing.Where(s => s.Day == day).Sum(s => s.Session.Load);

    private static bool IsHeavy(double load) => load >= SessionToPlace.HeavyFrom;

    /// <summary>The drills two sessions share; more than a dozen weigh no more than that.</summary>
    private static int Shared(SessionToPlace a, SessionToPlace b) => Math.Min(MostShared, a.Drills.Count(b.Drills.Contains));

    private bool IsInOrder(SessionToPlace first, SessionToPlace then) => _rules.Has(PlacingRule.Order) && IsBefore(first, then);

    private static bool IsBefore(SessionToPlace first, SessionToPlace then) => first.Order < then.Order;

    private int BitsOf(Func<SessionToPlace, bool> of) =>
        Enumerable.Range(0, Count).Where(i => of(_sessions[i])).Aggregate(0, (set, i) => set | (1 << i));

    /// <summary>
    /// The times of a day that no standing session takes; one that is open for anything where none are on record.
    /// </summary>
    private List<Slot> FreeSlots(DateOnly day)
    {
        List<Slot> slots = [.. _week.Times.Where(t => t.Weekday == day.DayOfWeek).OrderBy(t => t.From).Select(t => new Slot(t))];
        if (slots.Count == 0 && (_week.Times.Count == 0 || !_rules.Has(PlacingRule.Times)))
            slots.Add(new Slot(null));
        if (!_rules.Has(PlacingRule.TimeTaken))
            return slots;
        foreach (var standing in _week.Standing.Where(s => s.Day == day).OrderBy(s => s.Session.Order ?? int.MaxValue))
        {
            var taken = slots.FindIndex(s => s.Time is null || standing.Session.FitsInto(s.Time));
            if (taken >= 0)
                slots.RemoveAt(taken);
        }

        return slots;
    }

    private bool CanTake(Slot slot, int i, int left) =>
        (left & _sooner[i]) == 0 && (slot.Time is null || !_rules.Has(PlacingRule.Times) || _sessions[i].FitsInto(slot.Time));

    /// <summary>Whether the times from one on hold a set of sessions, those that come first in order in earlier times.</summary>
    private bool Holds(List<Slot> slots, int from, int left, Dictionary<(int, int), bool>? known = null)
    {
        if (left == 0)
            return true;
        if (from >= slots.Count)
            return false;
        known ??= [];
        if (known.TryGetValue((from, left), out var holds))
            return holds;
        holds =
            Holds(slots, from + 1, left, known)
            || In(left)
                .Any(i =>
                    CanTake(slots[from], i, left)
                    && Holds(slots, _rules.Has(PlacingRule.TimeTaken) ? from + 1 : from, left & ~(1 << i), known)
                );
        return known[(from, left)] = holds;
    }

    /// <summary>A stretch of a day that holds one session; without a time, whatever it is.</summary>
    private readonly record struct Slot(PracticeWindow? Time);
}

/// <summary>The rules in force.</summary>
internal readonly record struct RuleSet(int Bits)
{
    public static RuleSet All { get; } = new((1 << Enum.GetValues<PlacingRule>().Length) - 1);

    public bool Has(PlacingRule rule) => (Bits & (1 << (int)rule)) != 0;

    public RuleSet Without(IEnumerable<PlacingRule> rules) =>
        new(rules.Aggregate(Bits, (bits, rule) => bits & ~(1 << (int)rule)));
}
