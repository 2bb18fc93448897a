using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Flows;

/// <summary>Puts a flow together, state by state. Protocols compile with it.</summary>
internal sealed class FlowBuilder
{
    private readonly List<FlowRegister> _registers = [];
    private readonly List<FlowState> _states = [];
    private readonly List<FlowText> _displays = [];
    private IReadOnlyList<IReadOnlyList<FlowOffer>>? _offers;
    private IReadOnlyList<FlowText>? _notes;

    public FlowBuilder Registers(params string[] names)
    {
        _registers.AddRange(names.Select(n => new FlowRegister(n, 0)));
        return this;
    }

    public FlowBuilder Register(string name, int initial)
    {
        _registers.Add(new FlowRegister(name, initial));
        return this;
    }

    /// <summary>A set number of attempts, which the flow reads where it starts.</summary>
    public FlowBuilder Counted(int attempts) =>
        Register(AttemptFlow.LeftRegister, -attempts).Register(AttemptFlow.CountRegister, attempts);

    /// <summary>A fixed number of rounds with a number of attempts each, which the flow reads at its start.</summary>
    public FlowBuilder CountedInRounds(int attempts, int each) =>
        Register(AttemptFlow.LeftRegister, -attempts / each)
            .Register(AttemptFlow.CountRegister, attempts)
            .Register(AttemptFlow.EachRegister, each);

    public FlowBuilder Display(string text, params FlowValue[] values)
    {
        _displays.Add(new FlowText(text, values));
        return this;
    }

    public FlowBuilder State(string name, FlowText prompt, FlowQuestion ask, params IEnumerable<FlowTransition>[] transitions)
    {
        _states.Add(
            new FlowState
            {
                Name = name,
                Prompt = prompt,
                Question = ask,
                Transitions = [.. transitions.SelectMany(t => t)],
            }
        );
        return this;
    }

    public FlowBuilder State(string name, string prompt, FlowQuestion ask, params IEnumerable<FlowTransition>[] transitions) =>
        State(name, new FlowText(prompt), ask, transitions);

    /// <summary>Says where the state added last stands in the drill.</summary>
    public FlowBuilder At(int station, int ball = 0, FlowStep step = FlowStep.Play, int? hour = null, double? distance = null)
    {
        _states[^1] = _states[^1] with
        {
            At = new FlowPosition
            {
                Station = station,
                Ball = ball,
                Step = step,
                Hour = hour,
                Distance = distance,
            },
        };
        return this;
    }

    /// <summary>Lists of answers that are offered first, and what is said of them.</summary>
    public FlowBuilder Offers(IReadOnlyList<IReadOnlyList<FlowOffer>> lists, IReadOnlyList<FlowText> notes)
    {
        (_offers, _notes) = (lists, notes);
        return this;
    }

    /// <summary>The flow.</summary>
    /// <param name="start">The state in which it begins; null begins in the first.</param>
    public AttemptFlow Build(string? start = null) =>
        new()
        {
            Version =
                IsPlain ? AttemptFlow.PlainVersion
                : HasOffersAndRows ? AttemptFlow.CurrentVersion
                : AttemptFlow.JudgingVersion,
            Registers = _registers,
            Start = start ?? _states[0].Name,
            Offers = _offers,
            Notes = _notes,
            States = _states,
            Displays = _displays,
        };

    private bool IsPlain =>
        _states.TrueForAll(s =>
            s.Question is not FlowQuestionNothing
            && s.Transitions.All(t =>
                t.Says is null
                && !(t.When ?? []).OfType<RegisterReaches>().Any()
                && (t.Then ?? []).All(e => e.Kind is not (FlowOperand.Product or FlowOperand.Lookup))
            )
        )
        && Values.All(v => v.Words is null)
        && !HasOffersAndRows;

    /// <summary>Whether it has anything that only the newest format has.</summary>
    private bool HasOffersAndRows =>
        _offers is not null
        || _states.Exists(s =>
            s.Question is FlowQuestionNumber { Proposed: not null }
            || s.Transitions.SelectMany(t => t.Then ?? [])
                .Any(e => e.Values is not null || e.RegisterAt is not null || e.FromAt is not null)
        )
        || Values.Any(v => v.Plus != 0 || v.WithoutSign);

    private IEnumerable<FlowValue> Values =>
        _displays
            .Concat(_states.Select(s => s.Prompt))
            .Concat(_states.SelectMany(s => s.Transitions).Select(t => t.Says).OfType<FlowText>())
            .SelectMany(t => t.Values ?? []);
}

/// <summary>The vocabulary of <see cref="FlowBuilder"/>.</summary>
internal static class Flow
{
    public static readonly FlowQuestionChoice MadeOrMissed = new([
        new FlowOption("made", "Made"),
        new FlowOption("missed", "Missed"),
    ]);

    public static readonly FlowQuestionChoice YesOrNo = new([new FlowOption("yes", "Yes"), new FlowOption("no", "No")]);

    public static FlowGuard[] Choice(string value) => [new ChoiceIs(value)];

    public static FlowGuard[] Number(int least, int most) => [new NumberIs(least, most)];

    public static readonly FlowGuard[] Always = [];

    public static FlowGuard[] And(this FlowGuard[] guards, string register, int atLeast) =>
        [.. guards, new RegisterIs(register, atLeast)];

    public static FlowEffect Add(string register, int number = 1) =>
        new()
        {
            Register = register,
            Do = FlowChange.Add,
            Kind = FlowOperand.Constant,
            Number = number,
        };

    public static FlowEffect Set(string register, int number) =>
        new()
        {
            Register = register,
            Do = FlowChange.Set,
            Kind = FlowOperand.Constant,
            Number = number,
        };

    public static FlowEffect SetRegister(string register, string from) =>
        new()
        {
            Register = register,
            Do = FlowChange.Set,
            Kind = FlowOperand.Register,
            From = from,
        };

    public static FlowEffect AddInput(string register, bool negative = false) =>
        new()
        {
            Register = register,
            Do = FlowChange.Add,
            Kind = FlowOperand.Input,
            Negative = negative,
        };

    public static FlowEffect SetInput(string register, bool negative = false) =>
        new()
        {
            Register = register,
            Do = FlowChange.Set,
            Kind = FlowOperand.Input,
            Negative = negative,
        };

    public static FlowEffect AddRegister(string register, string from) =>
        new()
        {
            Register = register,
            Do = FlowChange.Add,
            Kind = FlowOperand.Register,
            From = from,
        };

    public static FlowEffect Max(string register, string from) =>
        new()
        {
            Register = register,
            Do = FlowChange.Max,
            Kind = FlowOperand.Register,
            From = from,
        };

    /// <summary>A register set to the product of two others, or with it added.</summary>
    public static FlowEffect Product(string register, string from, string by, FlowChange change = FlowChange.Set) =>
        new()
        {
            Register = register,
            Do = change,
            Kind = FlowOperand.Product,
            From = from,
            By = by,
        };

    /// <summary>A register set to how many of ascending numbers another one has reached.</summary>
    public static FlowEffect Lookup(string register, string from, IReadOnlyList<int> table) =>
        new()
        {
            Register = register,
            Do = FlowChange.Set,
            Kind = FlowOperand.Lookup,
            From = from,
            Table = table,
        };

    /// <summary>A register set to a value by how many of ascending numbers another one has reached.</summary>
    public static FlowEffect Found(string register, string from, IReadOnlyList<int> table, IReadOnlyList<int> values) =>
        Lookup(register, from, table) with
        {
            Values = values,
        };

    /// <summary>A register set to a value by another one that counts from 0.</summary>
    public static FlowEffect Nth(string register, string from, IReadOnlyList<int> values) =>
        Found(register, from, [.. Enumerable.Range(1, values.Count - 1)], values);

    /// <summary>The effect with the sign of its operand turned.</summary>
    public static FlowEffect Negative(this FlowEffect effect) => effect with { Negative = true };

    /// <summary>Says something and leads to a state, or with none to the drill's own end.</summary>
    public static IEnumerable<FlowTransition> Say(FlowGuard[] when, FlowText says, FlowEffect[] then, string? to) =>
        [Step(when, then, to, ends: false) with { Says = says }];

    /// <summary>The input completes an attempt and leads to a state, or with none to the drill's own end.</summary>
    public static IEnumerable<FlowTransition> Done(FlowGuard[] when, FlowEffect[] then, string? to) =>
        [Step(when, then, to, ends: true)];

    /// <summary>
    /// The input is part of an attempt, or none was asked for; leads to a state, or with none to the drill's own end.
    /// </summary>
    public static IEnumerable<FlowTransition> Part(FlowGuard[] when, FlowEffect[] then, string? to) =>
        [Step(when, then, to, ends: false)];

    /// <summary>
    /// Completes an attempt; the drill ends with it once a register has reached a number, otherwise it goes on.
    /// </summary>
    public static IEnumerable<FlowTransition> DoneUntil(
        FlowGuard[] when,
        string register,
        int? atLeast,
        FlowEffect[] then,
        string to
    ) => atLeast is { } last ? [.. Done(when.And(register, last), then, null), .. Done(when, then, to)] : Done(when, then, to);

    /// <summary>
    /// Completes an attempt; the drill ends with it when it was the last of the number that the flow started with.
    /// </summary>
    public static IEnumerable<FlowTransition> DoneWhenCounted(FlowGuard[] when, FlowEffect[] then, string to)
    {
        FlowEffect[] counted = [.. then, Add(AttemptFlow.LeftRegister)];
        return [.. Done(when.And(AttemptFlow.LeftRegister, -1), counted, null), .. Done(when, counted, to)];
    }

    /// <summary>The number of attempts the flow started with.</summary>
    public static FlowValue Count => Value(AttemptFlow.CountRegister);

    public static FlowValue Value(string register) => new() { Register = register };

    /// <summary>A mean, shown with decimals.</summary>
    public static FlowValue Mean(string sum, string of, int decimals, bool inTenths = true) =>
        new()
        {
            Register = sum,
            DividedBy = of,
            InTenths = inTenths,
            Decimals = decimals,
        };

    private static FlowTransition Step(FlowGuard[] when, FlowEffect[] then, string? to, bool ends) =>
        new()
        {
            When = when.Length == 0 ? null : when,
            Then = then.Length == 0 ? null : then,
            To = to,
            EndsAttempt = ends,
        };
}
