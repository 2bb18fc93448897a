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
    private readonly long[][] _toEnd;

    public PlacingSearch(PlacingModel model)
    {
        _model = model;
        _all = (1 << model.Count) - 1;
        _toEnd = ToEnd();
    }

    /// <summary>
    /// One best placement: the sessions of each day, as bits. Of several as good, the one in which the first of the list come
    /// first.
    /// </summary>
    public IReadOnlyList<int> One()
    {
        var days = new List<int>();
        var (placed, before, hasRest) = (0, 0, _model.HasRestBefore);
        for (var d = 0; d < _model.Days.Count; d++)
        {
            var set = Subsets(_all & ~placed)
                .Where(s =>
                    _model.Fits(d, s, placed) && CostFrom(d, placed, before, hasRest, s) == _toEnd[d][At(placed, before, hasRest)]
                )
                .MaxBy(FirstOnes);
            hasRest |= _model.IsRest(d, set);
            placed |= set;
            before = set;
            days.Add(set);
        }

        return days;
    }

    /// <summary>For each day, the sessions that some best placement has there, as bits.</summary>
    public IReadOnlyList<int> Any()
    {
        var found = new int[_model.Days.Count];
        var states = new HashSet<(int Placed, int Before, bool HasRest)> { (0, 0, _model.HasRestBefore) };
        for (var d = 0; d < _model.Days.Count; d++)
        {
            var next = new HashSet<(int, int, bool)>();
            foreach (var (placed, before, hasRest) in states)
            {
                foreach (var set in Subsets(_all & ~placed))
                {
                    if (
                        !_model.Fits(d, set, placed)
                        || CostFrom(d, placed, before, hasRest, set) != _toEnd[d][At(placed, before, hasRest)]
                    )
                        continue;
                    found[d] |= set;
                    next.Add((placed | set, set, hasRest || _model.IsRest(d, set)));
                }
            }

            states = next;
        }

        return found;
    }

    /// <summary>From each day and state on, what the best way to the end of the week costs.</summary>
    private long[][] ToEnd()
    {
        var days = _model.Days.Count;
        var toEnd = new long[days + 1][];
        for (var d = days; d >= 0; d--)
        {
            toEnd[d] = new long[(_all + 1) * (_all + 1) * 2];
            for (var placed = 0; placed <= _all; placed++)
            {
                foreach (var before in Subsets(placed))
                {
                    toEnd[d][At(placed, before, false)] = Lowest(toEnd, d, placed, before, hasRest: false);
                    toEnd[d][At(placed, before, true)] = Lowest(toEnd, d, placed, before, hasRest: true);
                }
            }
        }

        return toEnd;
    }

    private long Lowest(long[][] toEnd, int d, int placed, int before, bool hasRest)
    {
        var left = _all & ~placed;
        if (d == _model.Days.Count)
            return _model.CostOfEnd(left, hasRest);
        var lowest = long.MaxValue;
        for (var set = left; ; set = (set - 1) & left)
        {
            if (_model.Fits(d, set, placed))
                lowest = Math.Min(lowest, CostFrom(toEnd, d, placed, before, hasRest, set));
            if (set == 0)
                return lowest;
        }
    }

    private long CostFrom(int d, int placed, int before, bool hasRest, int set) =>
        CostFrom(_toEnd, d, placed, before, hasRest, set);

    private long CostFrom(long[][] toEnd, int d, int placed, int before, bool hasRest, int set) =>
        _model.CostOf(d, before, set) + toEnd[d + 1][At(placed | set, set, hasRest || _model.IsRest(d, set))];

    private int At(int placed, int before, bool hasRest) => (((placed * (_all + 1)) + before) * 2) + (hasRest ? 1 : 0);

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
}
