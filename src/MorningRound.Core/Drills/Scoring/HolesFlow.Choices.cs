using MorningRound.Core.Courses;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>What is offered for the next shot: tables by kind of hole, lie and what is left.</summary>
internal sealed partial class HolesFlow
{
    /// <summary>
    /// Leads to the next club with what is offered for it: what was offered before where the tee shot is played again, from
    /// trouble always the same, otherwise by hole, lie and what is left.
    /// </summary>
    private IEnumerable<FlowTransition>[] Choosing()
    {
        var recovery = _clubs.Add(_choices.For(_laid.Holes[0], Lie.Recovery, 1), 1);
        List<IEnumerable<FlowTransition>> transitions =
        [
            Flow.Part([new RegisterIs("lie", (int)Lie.Recovery)], [Flow.Set("_offers", recovery)], Ask),
        ];
        // A ball can be hit further past a hole than the hole is long.
        var longest = Math.Max(Went.Most / 10, _laid.Holes.Max(h => h.Length));
        foreach (var lie in new[] { Lie.Sand, Lie.Rough, Lie.Fairway })
        {
            FlowGuard[] lies = [new RegisterIs("lie", (int)lie)];
            FlowGuard[] isFar = [.. lies, new RegisterIs("left", 10 * _choices.MayLayUpFrom)];
            transitions.AddRange(
                ByHole(isFar, "_farKind", _farKinds.Kinds, h => ByDistance(h, lie, _choices.MayLayUpFrom, longest))
            );
            transitions.AddRange(
                ByHole(
                    lies,
                    "_nearKind",
                    _nearKinds.Kinds,
                    h => ByDistance(h, lie, ShotRules.LeastLeft, _choices.MayLayUpFrom - 1)
                )
            );
        }

        transitions.Add(Flow.Part(Flow.Always, [], Ask));
        return [.. transitions];
    }

    /// <summary>
    /// A transition for each kind of hole, from the last to the first, so that the first that fits is the one.
    /// </summary>
    private static IEnumerable<IEnumerable<FlowTransition>> ByHole(
        FlowGuard[] when,
        string register,
        IReadOnlyList<LaidHole> kinds,
        Func<LaidHole, FlowEffect> then
    )
    {
        for (var kind = kinds.Count - 1; kind >= 0; kind--)
            yield return Flow.Part(
                [.. when, .. kind > 0 ? [new RegisterIs(register, kind)] : Array.Empty<FlowGuard>()],
                [then(kinds[kind])],
                Ask
            );
    }

    /// <summary>Says of which kind the hole is, where there are several.</summary>
    private static FlowEffect[] OfItsKind(string register, (IReadOnlyList<LaidHole> Kinds, IReadOnlyList<int> OfHoles) kinds) =>
        kinds.Kinds.Count > 1 ? [Flow.Nth(register, "hole", kinds.OfHoles)] : [];

    /// <summary>The kinds of holes, each once, and of which kind each hole is.</summary>
    private (IReadOnlyList<LaidHole> Kinds, IReadOnlyList<int> OfHoles) KindsOf(Func<LaidHole, LaidHole> alike)
    {
        var kinds = _laid.Holes.Select(alike).Distinct().ToList();
        return (kinds, [.. _laid.Holes.Select(h => kinds.IndexOf(alike(h)))]);
    }

    /// <summary>What of a hole the choices near the green depend on; holes that share it share their tables.</summary>
    private static LaidHole AsNear(LaidHole hole)
    {
        var (front, back) = (hole.Green.Front, hole.Green.Back);
        return AsFar(hole) with
        {
            Left = null,
            Right = null,
            Fairway = null,
            Green = new Green
            {
                Front = front,
                Back = back,
                Depth = front is null ? 0 : hole.Green.Depth,
            },
            Pin = new Pin(PinSide.Middle, front is null ? PinDepth.Middle : hole.Pin.Depth),
        };
    }

    /// <summary>What of a hole the choices from further away depend on.</summary>
    private static LaidHole AsFar(LaidHole hole) =>
        hole with
        {
            Number = 0,
            Par = 0,
            Bend = default,
            SafeSide = null,
            Length = hole.Across is null ? 0 : hole.Length,
            Pin = hole.Pin with { Side = PinSide.Middle },
            Fairway = hole.Fairway is { } fairway ? new LaidFairway { Width = fairway.Width, Wanted = 0 } : null,
        };

    private FlowEffect ByDistance(LaidHole hole, Lie lie, int from, int to)
    {
        List<int> table = [];
        List<int> values = [];
        for (var left = from; left <= to; left++)
        {
            if (values.Count > 0 && _choices.Judged(lie, left) == _choices.Judged(lie, left - 1))
                continue;
            var list = _clubs.Add(_choices.For(hole, lie, left), left);
            if (values.Count > 0 && values[^1] == list)
                continue;
            if (values.Count > 0)
                table.Add(10 * left);
            values.Add(list);
        }

        return Flow.Found("_offers", "left", table, values);
    }
}
