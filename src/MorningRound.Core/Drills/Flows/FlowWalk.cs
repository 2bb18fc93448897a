using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Flows;

/// <summary>
/// Where a walk of a flow stands. The phone has a twin of this walker; both must agree on every sequence of inputs.
/// </summary>
public sealed record FlowWalk
{
    /// <summary>More states than these are never passed with one input.</summary>
    private const int MostPassed = 1_000;

    private readonly AttemptFlow _flow;
    private readonly IReadOnlyDictionary<string, FlowState> _states;

    private FlowWalk(AttemptFlow flow)
    {
        _flow = flow;
        _states = flow.States.ToDictionary(s => s.Name);
        State = _states[flow.Start];
        Registers = flow.Registers.ToDictionary(r => r.Name, r => (long)r.Initial);
    }

    /// <summary>The state that asks now; null when the drill is over.</summary>
    public FlowState? State { get; private init; }

    /// <summary>The registers by name.</summary>
    public IReadOnlyDictionary<string, long> Registers { get; private init; }

    /// <summary>Attempts completed.</summary>
    public int Attempts { get; private init; }

    /// <summary>Whether the drill came to its own end, rather than being stopped.</summary>
    public bool IsComplete { get; private init; }

    /// <summary>The index of the first input that did not fit; null while all did. Nothing is taken after it.</summary>
    public int? MisfitAt { get; private init; }

    /// <summary>Inputs taken.</summary>
    public int Taken { get; private init; }

    /// <summary>What was said last; null while nothing was.</summary>
    public string? Said { get; private init; }

    /// <summary>The lines the flow shows, with their numbers.</summary>
    public IEnumerable<string> Displays => _flow.Displays.Select(Filled);

    /// <summary>What is offered first of the answers a state takes, and what is said of each; empty where nothing is.</summary>
    public IReadOnlyList<(string Value, string Note)> Offers =>
        State?.Question is FlowQuestionChoice { OffersAt: { } register }
        && Registers[register] is >= 0 and var list
        && list < _flow.Offers?.Count
            ?
            [
                .. _flow
                    .Offers[(int)list]
                    .Select(o => (o.Value, string.Join(' ', (o.Notes ?? []).Select(n => Filled(_flow.Notes![n]))))),
            ]
            : [];

    /// <summary>The number that a question begins from, in tenths; null where none is proposed.</summary>
    public int? Proposed =>
        State?.Question is FlowQuestionNumber { Proposed: { } register } asked
        && Registers[register] is var number
        && number >= asked.Least
        && number <= asked.Most
        && number % asked.Step == 0
            ? (int)number
            : null;

    /// <summary>What the state asks, with its numbers; empty when the drill is over.</summary>
    public string Prompt => State is null ? "" : Filled(State.Prompt);

    /// <summary>The beginning of a walk. Throws <see cref="NotSupportedException"/> for a flow of another format.</summary>
    public static FlowWalk Of(AttemptFlow flow) =>
        flow.Version is >= AttemptFlow.PlainVersion and <= AttemptFlow.CurrentVersion
            ? new FlowWalk(flow)
            : throw new NotSupportedException(
                $"This flow has format {flow.Version}; this release walks up to {AttemptFlow.CurrentVersion}."
            );

    /// <summary>Walks inputs from the start, as resuming and undoing do.</summary>
    public static FlowWalk Of(AttemptFlow flow, IEnumerable<DrillInput> inputs) =>
        inputs.Aggregate(Of(flow), (walk, input) => walk.Take(input));

    /// <summary>
    /// The walk after one more input. An input that does not fit is noted, and everything after it passed over.
    /// </summary>
    public FlowWalk Take(DrillInput input)
    {
        if (MisfitAt is not null)
            return this;
        if (State is null || input.Attempt != Attempts + 1)
            return this with { MisfitAt = Taken };
        if (input is DrillStopped or TimeUp)
            return this with { State = null, Taken = Taken + 1 };
        if (!Fits(State.Question, input))
            return this with { MisfitAt = Taken };
        return Through(State, input) is { } walk ? walk with { Taken = Taken + 1 } : this with { MisfitAt = Taken };
    }

    /// <summary>
    /// The walk after a state's transition, and after those of the states behind it that ask nothing; null where none holds, or
    /// where so many ask nothing that they must go round in a circle.
    /// </summary>
    private FlowWalk? Through(FlowState state, DrillInput input)
    {
        var registers = new Dictionary<string, long>(Registers);
        var (attempts, said) = (Attempts, Said);
        FlowState? at = state;
        for (var passed = 0; passed < MostPassed; passed++)
        {
            if (
                at.Transitions.FirstOrDefault(t => t.When is null || t.When.All(g => Holds(g, input, registers))) is not { } taken
            )
                return null;
            foreach (var effect in taken.Then ?? [])
                Carry(effect, input, registers);
            attempts += taken.EndsAttempt ? 1 : 0;
            if (taken.Says is { } says)
                said = Filled(says, registers);
            at = taken.To is null ? null : _states[taken.To];
            if (at?.Question is not FlowQuestionNothing)
            {
                return this with { State = at, Registers = registers, Attempts = attempts, IsComplete = at is null, Said = said };
            }
        }

        return null;
    }

    private static bool Fits(FlowQuestion ask, DrillInput input) =>
        (ask, input) switch
        {
            (FlowQuestionChoice choice, ChoiceMade made) => choice.Options.Any(o => o.Value == made.Value),
            (FlowQuestionNumber number, NumberGiven given) => given.Tenths >= number.Least
                && given.Tenths <= number.Most
                && given.Tenths % number.Step == 0,
            (FlowQuestionText text, TextWritten written) => written.Text.Length <= text.Longest,
            (FlowQuestionTap, Tapped) => true,
            (FlowQuestionTimer, TimerRanOut) => true,
            _ => false,
        };

    private static bool Holds(FlowGuard guard, DrillInput input, Dictionary<string, long> registers) =>
        guard switch
        {
            ChoiceIs choice => input is ChoiceMade made && made.Value == choice.Value,
            NumberIs number => input is NumberGiven given && given.Tenths >= number.Least && given.Tenths <= number.Most,
            RegisterIs register => registers[register.Register] >= register.AtLeast,
            RegisterReaches both => registers[both.Register] >= registers[both.Other],
            _ => throw new InvalidOperationException($"Unknown guard {guard.GetType().Name}."),
        };

    private static void Carry(FlowEffect effect, DrillInput input, Dictionary<string, long> registers)
    {
        var operand = effect.Kind switch
        {
            FlowOperand.Constant => effect.Number,
            FlowOperand.Register => registers.GetValueOrDefault(InRow(effect.From!, effect.FromAt, registers)),
            FlowOperand.Product => registers[effect.From!] * registers[effect.By!],
            FlowOperand.Lookup => LookedUp(effect, registers[effect.From!]),
            _ => input is NumberGiven given ? given.Tenths : 0,
        };
        if (effect.Negative)
            operand = -operand;
        var changed = InRow(effect.Register, effect.RegisterAt, registers);
        registers[changed] = effect.Do switch
        {
            FlowChange.Set => operand,
            FlowChange.Add => registers.GetValueOrDefault(changed) + operand,
            _ => Math.Max(registers.GetValueOrDefault(changed), operand),
        };
    }

    /// <summary>The name of a register, or of one of a row. One that a row does not have counts as 0, like on a phone.</summary>
    private static string InRow(string register, string? at, Dictionary<string, long> registers) =>
        at is null ? register : $"{register}{registers[at]}";

    private static long LookedUp(FlowEffect effect, long number)
    {
        var reached = effect.Table!.Count(n => number >= n);
        return effect.Values is { } values ? values[reached] : reached;
    }

    private string Filled(FlowText text) => Filled(text, Registers);

    private static string Filled(FlowText text, IReadOnlyDictionary<string, long> registers)
    {
        var filled = text.Text;
        foreach (var (i, value) in (text.Values ?? []).Index())
            filled = filled.Replace($"{{{i}}}", Shown(value, registers), StringComparison.Ordinal);
        return filled;
    }

    /// <summary>Whole-number arithmetic only, so that every walker shows the same digits.</summary>
    private static string Shown(FlowValue value, IReadOnlyDictionary<string, long> registers)
    {
        if (value.Words is { } words)
        {
            var number = registers[value.Register];
            return words[(int)Math.Clamp(value.Table?.Count(n => number >= n) ?? number, 0, words.Count - 1)];
        }

        var divisor = (value.DividedBy is { } by ? registers[by] : 1L) * (value.InTenths ? 10 : 1);
        if (divisor == 0)
            return "–";
        var scale = (long)Math.Pow(10, value.Decimals);
        var numerator = (registers[value.Register] + value.Plus) * scale;
        var isNegative = !value.WithoutSign && numerator < 0 != divisor < 0;
        var (n, d) = (Math.Abs(numerator), Math.Abs(divisor));
        var rounded = ((2 * n) + d) / (2 * d);
        var sign = isNegative && rounded != 0 ? "−" : "";
        var fraction = value.Decimals == 0 ? "" : $".{(rounded % scale).ToString($"D{value.Decimals}", null)}";
        return $"{sign}{rounded / scale}{fraction}";
    }
}
