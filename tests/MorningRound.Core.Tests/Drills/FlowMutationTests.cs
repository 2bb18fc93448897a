using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Statistics;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Tests.Drills;

/// <summary>
/// Shows that the agreement tests have teeth: every single change of a guard, an effect or a target of a compiled flow is
/// noticed by them, unless it changes nothing that could ever be seen.
/// </summary>
public class FlowMutationTests
{
    private const ulong Seed = 5;
    private const int Sequences = 600;

    /// <summary>
    /// Holes are long to play, and what they offer is held against the choices at every shot. Of their flow every effect but a
    /// constant is left out in turn, every row and table made a plain one, every end of an attempt and every way on changed;
    /// which number exactly a bound or a table has is held by the agreement of offers after every input.
    /// </summary>
    private const int SequencesOfHoles = 200;

    public static TheoryData<string> Names => FlowAgreementTests.Names;

    [Theory]
    [MemberData(nameof(Names))]
    public void Every_change_of_a_flow_is_noticed(string name)
    {
        var protocol = GivenDrills.Every.Single(e => e.Name == name).Protocol;
        var flow = protocol.Compile(Seed);
        var calls = FlowAgreementTests.CallsOf(protocol, Seed);
        var offered = OfferedShots.Of(protocol);
        // Most changes are noticed by the first few: the others are played once one is not.
        using var more = Enumerable
            .Range(1, offered is null ? Sequences : SequencesOfHoles)
            .Select(i => Play.Through(flow, new SplitMix64((ulong)i), constancy: i % 6 / 5.2, mayStop: false))
            .Concat(AimGames.AtEveryEdge(protocol))
            .Concat(HoleGames.WithEveryAnswer(protocol, flow))
            .Select(inputs => new Game(
                inputs,
                [.. Enumerable.Range(0, inputs.Count + 1).Select(n => protocol.Score([.. inputs.Take(n)], Seed))],
                [.. StatesPassed(flow, inputs), .. flow.States.Where(s => s.Question is FlowQuestionNothing).Select(s => s.Name)]
            ))
            .GetEnumerator();
        var played = new List<Game>();
        var unnoticed = Mutants(flow)
            .Where((m, number) => Samples.Holds(number + name.Length) && (offered is null || m.IsOfHoles))
            .Where(m =>
                !Games().Any(g => g.States.Contains(m.State) && Notices(m.Flow, g, calls, offered))
                && (offered is not null || !IsEquivalent(flow, m.Flow))
            )
            .Select(m => $"{m.State}, {m.Change}");
        Assert.Equal("", string.Join("\n", unnoticed));

        IEnumerable<Game> Games()
        {
            for (var i = 0; i < played.Count || more.MoveNext(); i++)
            {
                if (i == played.Count)
                    played.Add(more.Current);
                yield return played[i];
            }
        }
    }

    private static IEnumerable<string> StatesPassed(AttemptFlow flow, IReadOnlyList<DrillInput> inputs)
    {
        var walk = FlowWalk.Of(flow);
        foreach (var input in inputs)
        {
            yield return walk.State!.Name;
            walk = walk.Take(input);
        }
    }

    /// <summary>
    /// A drill as it was played: its inputs, what the scorer makes of every beginning of them, and the states passed, those
    /// that ask nothing always.
    /// </summary>
    private sealed record Game(IReadOnlyList<DrillInput> Inputs, IReadOnlyList<ProtocolResult> Scores, HashSet<string> States);

    private static bool Notices(AttemptFlow mutant, Game game, IReadOnlyList<ShotCall>? calls, OfferedShots? offered)
    {
        var walk = FlowWalk.Of(mutant);
        for (var i = 0; i < game.Inputs.Count; i++)
        {
            walk = walk.Take(game.Inputs[i]);
            if (
                FlowAgreementTests.Difference(walk, game.Scores[i + 1], calls) is not null
                || offered?.Difference(walk, game.Scores[i + 1], [.. game.Inputs.Take(i + 1)]) is not null
            )
                return true;
        }

        return false;
    }

    /// <summary>
    /// Whether no input can ever tell two flows apart: walks both side by side through everything reachable, with every choice
    /// and every number at, inside and outside a bound. A register that no guard reads and that is only ever added to decides
    /// nothing later; it is compared at every step, but two places that differ in it alone are one place.
    /// </summary>
    private static bool IsEquivalent(AttemptFlow flow, AttemptFlow mutant)
    {
        const int mostPlaces = 50_000;
        var transitions = new[] { flow, mutant }.SelectMany(f => f.States).SelectMany(s => s.Transitions).ToList();
        var guards = transitions.SelectMany(t => t.When ?? []).ToList();
        var effects = transitions.SelectMany(t => t.Then ?? []).ToList();
        var read = guards
            .OfType<RegisterIs>()
            .Select(r => r.Register)
            .Concat(guards.OfType<RegisterReaches>().SelectMany(r => new[] { r.Register, r.Other }))
            .Concat(effects.Where(e => e.Do != FlowChange.Add).Select(e => e.Register))
            .Concat(effects.SelectMany(e => new[] { e.From, e.By, e.RegisterAt, e.FromAt }).OfType<string>())
            .ToHashSet();
        var seen = new HashSet<string>();
        var open = new Queue<(FlowWalk A, FlowWalk B)>([(FlowWalk.Of(flow), FlowWalk.Of(mutant))]);
        while (open.TryDequeue(out var pair))
        {
            if (Shown(pair.A) != Shown(pair.B))
                return false;
            if (pair.A.State is null || !seen.Add($"{pair.A.State.Name} {Read(pair.A)} {Read(pair.B)}"))
                continue;
            if (seen.Count > mostPlaces)
                return false;
            foreach (var input in Alphabet(flow, mutant, pair.A))
                open.Enqueue((pair.A.Take(input), pair.B.Take(input)));
        }

        return true;

        static string Shown(FlowWalk walk) =>
            $"{walk.State?.Name} {walk.Attempts} {walk.IsComplete} {walk.MisfitAt} {walk.Said} "
            + $"{string.Join(',', walk.Registers.Where(r => r.Key[0] != '_').Select(r => r.Value))}";
        string Read(FlowWalk walk) => string.Join(',', walk.Registers.Where(r => read.Contains(r.Key)).Select(r => r.Value));
    }

    private static IEnumerable<DrillInput> Alphabet(AttemptFlow flow, AttemptFlow mutant, FlowWalk walk)
    {
        var attempt = walk.Attempts + 1;
        switch (walk.State!.Question)
        {
            case FlowQuestionChoice choice:
                return choice.Options.Select(o => new ChoiceMade { Attempt = attempt, Value = o.Value });
            case FlowQuestionNumber number:
                var bounds = new[] { flow, mutant }
                    .SelectMany(f => f.States.First(s => s.Name == walk.State.Name).Transitions)
                    .SelectMany(t => t.When ?? [])
                    .OfType<NumberIs>()
                    .SelectMany(n => new[] { n.Least, n.Most })
                    .ToList();
                if (bounds.Count == 0)
                    return new[] { -75, 0, 75, 76 }.Select(n => new NumberGiven { Attempt = attempt, Tenths = n });
                bounds.Add(number.Least + number.Step);
                return bounds
                    .SelectMany(b => new[] { b - number.Step, b, b + number.Step })
                    .Where(n => n >= number.Least && n <= number.Most && n % number.Step == 0)
                    .Distinct()
                    .Select(n => new NumberGiven { Attempt = attempt, Tenths = n });
            case FlowQuestionText:
                return [new TextWritten { Attempt = attempt, Text = "Words" }];
            case FlowQuestionTap:
                return [new Tapped { Attempt = attempt }];
            default:
                return [new TimerRanOut { Attempt = attempt }];
        }
    }

    private static IEnumerable<(string State, string Change, bool IsOfHoles, AttemptFlow Flow)> Mutants(AttemptFlow flow)
    {
        for (var s = 0; s < flow.States.Count; s++)
        {
            var state = flow.States[s];
            for (var t = 0; t < state.Transitions.Count; t++)
            {
                foreach (var (change, isOfHoles, transition) in Mutants(state, t, flow))
                {
                    var transitions = state.Transitions.ToArray();
                    transitions[t] = transition;
                    var states = flow.States.ToArray();
                    states[s] = state with { Transitions = transitions };
                    yield return (state.Name, $"transition {t}: {change}", isOfHoles, flow with { States = states });
                }
            }
        }
    }

    /// <param name="state">The state.</param>
    /// <param name="at">Which of its transitions.</param>
    /// <param name="flow">The flow.</param>
    private static IEnumerable<(string Change, bool IsOfHoles, FlowTransition Transition)> Mutants(
        FlowState state,
        int at,
        AttemptFlow flow
    )
    {
        var transition = state.Transitions[at];
        var guards = transition.When ?? [];
        // Without its guard the last answer of a list stands for what is left, which is the same.
        var isLastAnswer = state.Question is FlowQuestionChoice && at == state.Transitions.Count - 1 && guards is [ChoiceIs];
        for (var g = 0; g < guards.Count; g++)
        {
            if (!isLastAnswer)
                yield return (
                    $"without guard {guards[g]}",
                    false,
                    transition with
                    {
                        When = [.. guards.Where((_, i) => i != g)],
                    }
                );
            foreach (var other in Mutants(guards[g]))
                yield return (
                    $"guard {guards[g]} as {other}",
                    false,
                    transition with
                    {
                        When = [.. guards.Select((guard, i) => i == g ? other : guard)],
                    }
                );
        }

        var effects = transition.Then ?? [];
        for (var e = 0; e < effects.Count; e++)
        {
            yield return (
                $"without effect {effects[e]}",
                effects[e].Kind != FlowOperand.Constant,
                transition with
                {
                    Then = [.. effects.Where((_, i) => i != e)],
                }
            );
            foreach (var other in Mutants(effects[e]))
                yield return (
                    $"effect {effects[e]} as {other}",
                    IsOfRowsOrTables(effects[e], other),
                    transition with
                    {
                        Then = [.. effects.Select((effect, i) => i == e ? other : effect)],
                    }
                );
        }

        yield return ("attempt ends the other way round", true, transition with { EndsAttempt = !transition.EndsAttempt });
        if (transition.Says is not null)
            yield return ("says nothing", false, transition with { Says = null });
        if (transition.To is not null)
            yield return ("to the end", true, transition with { To = null });
        if (transition.To != flow.Start)
            yield return ("to the start", false, transition with { To = flow.Start });
    }

    /// <summary>Whether a change takes away what rows and tables with values of their own are.</summary>
    private static bool IsOfRowsOrTables(FlowEffect effect, FlowEffect other) =>
        effect.RegisterAt != other.RegisterAt
        || effect.FromAt != other.FromAt
        || (effect.Values is not null && other.Values is null);

    private static IEnumerable<FlowGuard> Mutants(FlowGuard guard) =>
        guard switch
        {
            ChoiceIs => [new ChoiceIs("something else")],
            NumberIs n =>
            [
                n with
                {
                    Least = n.Least - 1,
                },
                n with
                {
                    Least = n.Least + 1,
                },
                n with
                {
                    Most = n.Most - 1,
                },
                n with
                {
                    Most = n.Most + 1,
                },
            ],
            RegisterReaches r => [new RegisterReaches(r.Other, r.Register)],
            RegisterIs r => [r with { AtLeast = r.AtLeast - 1 }, r with { AtLeast = r.AtLeast + 1 }],
            _ => throw new NotSupportedException(),
        };

    private static IEnumerable<FlowEffect> Mutants(FlowEffect effect)
    {
        if (effect.Kind == FlowOperand.Constant)
            yield return effect with
            {
                Number = effect.Number + 1,
            };
        if (effect.Kind == FlowOperand.Constant)
            yield return effect with
            {
                Number = effect.Number - 1,
            };
        if (effect.Kind == FlowOperand.Product && effect.By != effect.From)
            yield return effect with
            {
                By = effect.From,
            };
        if (effect.Table is { } table)
            yield return effect with
            {
                Table = [.. table.Skip(1)],
            };
        if (effect.Values is { Count: > 1 } values)
        {
            yield return effect with
            {
                Values = [.. values.Select((v, i) => i == 0 ? v + 1 : v)],
            };
            yield return effect with
            {
                Values = [.. values.Select((v, i) => i == values.Count - 1 ? v + 1 : v)],
            };
            yield return effect with
            {
                Values = null,
            };
        }

        if (effect.RegisterAt is not null)
            yield return effect with
            {
                RegisterAt = null,
            };
        if (effect.FromAt is not null)
            yield return effect with
            {
                FromAt = null,
            };
        yield return effect with
        {
            Negative = !effect.Negative,
        };
        foreach (var change in Enum.GetValues<FlowChange>().Where(c => c != effect.Do))
            yield return effect with
            {
                Do = change,
            };
    }
}
