namespace MorningRound.Core.Weeks.Placing;

/// <summary>
/// The best placements under a choice of rules: every way to divide up to <see cref="Most"/> sessions over the days is weighed,
/// day by day, because what a day costs depends only on the day before it and on what is already placed.
/// </summary>
internal sealed class PlacingSearch
{
    /// <summary>The sessions that are placed together.</summary>
    public const int Most = 7;

    private readonly PlacingModel _model;
    private readonly int _all;
    private readonly int _fresh;
    private readonly long[][] _toEnd;

    public PlacingSearch(PlacingModel model)
    {
        _model = model;
        _all = (1 << model.Count) - 1;
        _fresh = model.FreshDays ?? 0;
        _toEnd = ToEnd();
    }

    /// <summary>
    /// One best placement: the sessions of each day, as bits. Of several as good, the one in which the first of the list come
    /// first.
    /// </summary>
    public IReadOnlyList<int> One()
    {
        var days = new List<int>();
        var at = Beginning;
        for (var d = 0; d < _model.Days.Count; d++)
        {
            var set = BestSets(d, at).MaxBy(FirstOnes);
            at = After(d, at, set);
            days.Add(set);
        }

        return days;
    }

    /// <summary>For each day, the sessions that some best placement has there, as bits.</summary>
    public IReadOnlyList<int> Any()
    {
        var found = new int[_model.Days.Count];
        var states = new HashSet<State> { Beginning };
        for (var d = 0; d < _model.Days.Count; d++)
        {
            var next = new HashSet<State>();
            foreach (var at in states)
            {
                foreach (var set in BestSets(d, at))
                {
                    found[d] |= set;
                    next.Add(After(d, at, set));
                }
            }

            states = next;
        }

        return found;
    }

    private State Beginning => new(0, 0, _model.HasRestBefore, _fresh);

    /// <summary>The sets of sessions that a day has in some best placement from a state on.</summary>
    private IEnumerable<int> BestSets(int d, State at) =>
        Subsets(_all & ~at.Placed).Where(set => Fits(d, at, set) && CostFrom(_toEnd, d, at, set) == _toEnd[d][IndexOf(at)]);

    /// <summary>From each day and state on, what the best way to the end of the week costs.</summary>
    private long[][] ToEnd()
    {
        var days = _model.Days.Count;
        var toEnd = new long[days + 1][];
        for (var d = days; d >= 0; d--)
        {
            toEnd[d] = new long[(_all + 1) * (_all + 1) * 2 * (_fresh + 1)];
            for (var placed = 0; placed <= _all; placed++)
            {
                foreach (var before in Subsets(placed))
                {
                    for (var fresh = 0; fresh <= _fresh; fresh++)
                    {
                        Weigh(new State(placed, before, HasRest: false, fresh));
                        Weigh(new State(placed, before, HasRest: true, fresh));
                    }
                }
            }

            void Weigh(State at) => toEnd[d][IndexOf(at)] = Lowest(toEnd, d, at);
        }

        return toEnd;
    }

    private long Lowest(long[][] toEnd, int d, State at)
    {
        var left = _all & ~at.Placed;
        if (d == _model.Days.Count)
            return _model.CostOfEnd(left, at.HasRest);
        var lowest = long.MaxValue;
        for (var set = left; ; set = (set - 1) & left)
        {
            if (Fits(d, at, set))
                lowest = Math.Min(lowest, CostFrom(toEnd, d, at, set));
            if (set == 0)
                return lowest;
        }
    }

    private bool Fits(int d, State at, int set) =>
        _model.Fits(d, set, at.Placed) && (at.Fresh > 0 || _model.FreshDays is null || !_model.TakesFreshDay(d, set));

    private long CostFrom(long[][] toEnd, int d, State at, int set) =>
        _model.CostOf(d, at.Before, set) + toEnd[d + 1][IndexOf(After(d, at, set))];

    private State After(int d, State at, int set) =>
        new(
            at.Placed | set,
            set,
            at.HasRest || _model.IsRest(d, set),
            _model.FreshDays is not null && _model.TakesFreshDay(d, set) ? at.Fresh - 1 : at.Fresh
        );

    private int IndexOf(State at) =>
        (((((at.Placed * (_all + 1)) + at.Before) * 2) + (at.HasRest ? 1 : 0)) * (_fresh + 1)) + at.Fresh;

    /// <summary>The parts of a set, the empty one and itself included.</summary>
    private static IEnumerable<int> Subsets(int set)
    {
        for (var part = set; ; part = (part - 1) & set)
        {
            yield return part;
            if (part == 0)
                yield break;
        }
    }

    /// <summary>A number that is the larger, the more of the first of the list are in a set.</summary>
    private static int FirstOnes(int set) => PlacingModel.In(set).Sum(i => 1 << (Most - i));

    /// <summary>What the rest of a week depends on.</summary>
    /// <param name="Placed">The sessions that have a day, as bits.</param>
    /// <param name="Before">Those of the day before.</param>
    /// <param name="HasRest">Whether a day of rest is behind.</param>
    /// <param name="Fresh">How many more days without practice may get some; 0 throughout where that has no limit.</param>
    private readonly record struct State(int Placed, int Before, bool HasRest, int Fresh);
}
