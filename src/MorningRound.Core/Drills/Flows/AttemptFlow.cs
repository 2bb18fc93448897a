using System.Text.Json.Serialization;
using MorningRound.Core.Drills.Scoring;

namespace MorningRound.Core.Drills.Flows;

/// <summary>
/// How a drill is counted, compiled into a small machine that a phone can walk without a signal and without knowing anything
/// of golf: states that ask for something, transitions that are tried in order, and whole-number registers.
/// </summary>
/// <remarks>
/// Numbers are fixed-point: tenths of the unit on the screen. Every register stays below 2^53, which is what a phone can count
/// exactly. A flow only shows counts; results come from the protocol, which
/// does not use the flow.
/// </remarks>
public sealed record AttemptFlow
{
    /// <summary>The newest format. A walker refuses a flow of a format that it does not know.</summary>
    public const int CurrentVersion = 3;

    /// <summary>
    /// The format without offers, proposed numbers, rows of registers, tables with values of their own and numbers shown with
    /// something added. A flow is written in the oldest format that has all it uses, so that a phone that has not been renewed
    /// goes on walking it.
    /// </summary>
    public const int JudgingVersion = 2;

    /// <summary>
    /// The format that besides has no states that ask nothing, products, lookups, comparisons of registers, things said and words
    /// for numbers.
    /// </summary>
    public const int PlainVersion = 1;

    /// <summary>
    /// The registers from which a flow with a set number of attempts reads it: less the rounds still to come, the rounds to start
    /// anew with, the attempts of all of them for what is shown, and the attempts of a round where it has more than one. A flow
    /// without them ends in another way.
    /// </summary>
    internal const string LeftRegister = "_left";

    internal const string AgainRegister = "_again";

    internal const string CountRegister = "_of";

    internal const string EachRegister = "_each";

    /// <summary>The version of the format.</summary>
    public required int Version { get; init; }

    /// <summary>The numbers it counts with, and where they start.</summary>
    public required IReadOnlyList<FlowRegister> Registers { get; init; }

    /// <summary>The name of the state it begins in.</summary>
    public required string Start { get; init; }

    /// <summary>Everything it can ask.</summary>
    public required IReadOnlyList<FlowState> States { get; init; }

    /// <summary>Lines that can be shown at any time: counts, and results as far as they are plain arithmetic.</summary>
    public required IReadOnlyList<FlowText> Displays { get; init; }

    /// <summary>
    /// Lists of answers that are offered before the others, each in the order in which it is offered; null where none is.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<IReadOnlyList<FlowOffer>>? Offers { get; init; }

    /// <summary>What is said of answers that are offered; null where nothing is.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<FlowText>? Notes { get; init; }

    /// <summary>Whether it reads its number of attempts where it starts, so that it can be shortened.</summary>
    public bool ReadsItsCount() => Registers.Any(r => r.Name == LeftRegister);

    /// <summary>
    /// The same flow with another number of attempts, as a trimmed session has it: only the start of those registers differs. The
    /// flow itself where it has no such number.
    /// </summary>
    public AttemptFlow WithCount(int attempts)
    {
        var rounds = Math.Max(1, attempts / (Registers.FirstOrDefault(r => r.Name == EachRegister)?.Initial ?? 1));
        return this with
        {
            Registers =
            [
                .. Registers.Select(r =>
                    r.Name switch
                    {
                        LeftRegister or AgainRegister => r with { Initial = -rounds },
                        CountRegister => r with { Initial = attempts },
                        _ => r,
                    }
                ),
            ],
        };
    }
}

/// <summary>A named whole number. Names that begin with an underscore are the flow's own and no count of the drill.</summary>
public sealed record FlowRegister(string Name, int Initial);

/// <summary>A point at which the student is asked for something.</summary>
public sealed record FlowState
{
    /// <summary>Unique in the flow. Nothing is to be read out of it.</summary>
    public required string Name { get; init; }

    /// <summary>What is asked.</summary>
    public required FlowText Prompt { get; init; }

    /// <summary>What kind of answer it takes.</summary>
    public required FlowQuestion Question { get; init; }

    /// <summary>Where in the drill it is asked, for a picture; null where it is asked of the whole.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FlowPosition? At { get; init; }

    /// <summary>
    /// Tried in order; the first whose guards all hold is taken. If none does, the input does not fit. Those of a state that asks
    /// nothing are tried as soon as it is reached, and end no attempt.
    /// </summary>
    public required IReadOnlyList<FlowTransition> Transitions { get; init; }
}

/// <summary>What is done at a position.</summary>
public enum FlowStep
{
    /// <summary>The only thing there is to do there.</summary>
    Play,

    /// <summary>A number is guessed.</summary>
    Guess,

    /// <summary>A number is measured.</summary>
    Measure,

    /// <summary>What counted as a hit is looked at more closely.</summary>
    Hit,

    /// <summary>What counted as a miss is looked at more closely.</summary>
    Missed,

    /// <summary>The situation is written down.</summary>
    Write,

    /// <summary>Breathing.</summary>
    Breathe,

    /// <summary>The routine is walked through.</summary>
    WalkIn,

    /// <summary>A putt is played.</summary>
    Putt,

    /// <summary>It is judged how it went.</summary>
    Judge,

    /// <summary>A club is chosen.</summary>
    Choose,

    /// <summary>It is said where the ball came to rest.</summary>
    Finish,
}

/// <summary>Where in a drill something is asked, so that a picture need not read it out of names or prompts.</summary>
public sealed record FlowPosition
{
    /// <summary>
    /// Which of the things that the drill goes through in order: step, putt, cell, call, club, set, level. From 0.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Station { get; init; }

    /// <summary>Which ball or number of that station, from 0.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Ball { get; init; }

    /// <summary>What is done there.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public FlowStep Step { get; init; }

    /// <summary>On the clock around the hole, 1 to 12; null where there is none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public int? Hour { get; init; }

    /// <summary>From where, in the unit of the drill; null where it has no distance.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double? Distance { get; init; }
}

/// <summary>The input a state takes. Stopping and "time up" fit every state besides.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(FlowQuestionChoice), "choice")]
[JsonDerivedType(typeof(FlowQuestionNumber), "number")]
[JsonDerivedType(typeof(FlowQuestionText), "text")]
[JsonDerivedType(typeof(FlowQuestionTap), "tap")]
[JsonDerivedType(typeof(FlowQuestionTimer), "timer")]
[JsonDerivedType(typeof(FlowQuestionNothing), "nothing")]
public abstract record FlowQuestion;

/// <summary>One of a few named answers.</summary>
public sealed record FlowQuestionChoice(IReadOnlyList<FlowOption> Options) : FlowQuestion
{
    /// <summary>
    /// The register that says which list of <see cref="AttemptFlow.Offers"/> is offered first; a number beyond them offers
    /// nothing. Null where all answers stand side by side. Every answer is taken all the same.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? OffersAt { get; init; }
}

/// <summary>An answer that is offered, and what is said of it.</summary>
/// <param name="Value">The answer's value.</param>
/// <param name="Notes">Which of the flow's notes are said of it, one after another; null where none is.</param>
public sealed record FlowOffer(
    string Value,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<int>? Notes = null
);

/// <summary>An answer: what is recorded, and what is on the button.</summary>
public sealed record FlowOption(string Value, string Label);

/// <summary>A number from least to most, both included and in tenths; a multiple of the step (10 for whole numbers).</summary>
public sealed record FlowQuestionNumber(string Label, string Unit, int Least, int Most, int Step) : FlowQuestion
{
    /// <summary>
    /// What a negative number means and what a positive one, such as left and right; null where the sign says it all.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FlowSides? Sides { get; init; }

    /// <summary>
    /// Numbers outside these are taken, but asked about first: a slip of the thumb is likelier. Null where any is usual.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FlowUsual? Usual { get; init; }

    /// <summary>
    /// The register that holds a number to begin from, in tenths; a number that does not fit the question proposes nothing. Null
    /// where nothing is proposed.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Proposed { get; init; }

    /// <summary>By how much, in tenths, one tap changes the number; null where it is typed.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<int>? Nudges { get; init; }
}

/// <summary>The two sides of a signed number.</summary>
public sealed record FlowSides(string Negative, string Positive);

/// <summary>The numbers that are usual, in tenths, both ends included.</summary>
public sealed record FlowUsual(int Least, int Most);

/// <summary>Words of the student's own.</summary>
public sealed record FlowQuestionText(int Longest) : FlowQuestion;

/// <summary>One tap when it is done.</summary>
public sealed record FlowQuestionTap(string Label) : FlowQuestion;

/// <summary>A timer; its running out is the input.</summary>
public sealed record FlowQuestionTimer(int Seconds) : FlowQuestion;

/// <summary>Nothing is asked: the state only decides where it goes on, by the registers as they are then.</summary>
public sealed record FlowQuestionNothing : FlowQuestion;

/// <summary>What happens on an input.</summary>
public sealed record FlowTransition
{
    /// <summary>All must hold; empty always holds.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<FlowGuard>? When { get; init; }

    /// <summary>Carried out in order, before the next state asks.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<FlowEffect>? Then { get; init; }

    /// <summary>The next state; null when the drill has come to its own end.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? To { get; init; }

    /// <summary>
    /// What is said once it is taken, with the registers as they are then; it stands until something else is said. Null says
    /// nothing.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public FlowText? Says { get; init; }

    /// <summary>Whether one attempt (a ball, a putt, a rating, a guess) is complete with this input.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool EndsAttempt { get; init; }
}

/// <summary>A condition of a transition.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(ChoiceIs), "choice")]
[JsonDerivedType(typeof(NumberIs), "number")]
[JsonDerivedType(typeof(RegisterIs), "register")]
[JsonDerivedType(typeof(RegisterReaches), "registers")]
public abstract record FlowGuard;

/// <summary>The choice made equals a value.</summary>
public sealed record ChoiceIs(string Value) : FlowGuard;

/// <summary>The number given lies between two numbers, both included, in tenths.</summary>
public sealed record NumberIs(int Least, int Most) : FlowGuard;

/// <summary>A register has reached a number or more.</summary>
public sealed record RegisterIs(string Register, int AtLeast) : FlowGuard;

/// <summary>A register has reached another one or is above it.</summary>
public sealed record RegisterReaches(string Register, string Other) : FlowGuard;

/// <summary>Changes one register.</summary>
public sealed record FlowEffect
{
    /// <summary>The register that is changed.</summary>
    public required string Register { get; init; }

    /// <summary>How it is changed.</summary>
    public required FlowChange Do { get; init; }

    /// <summary>What it is changed by.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public FlowOperand Kind { get; init; }

    /// <summary>The constant, where the operand is one.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Number { get; init; }

    /// <summary>The register read, where the operand is one, is a product or is looked up.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? From { get; init; }

    /// <summary>The other register of a product.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? By { get; init; }

    /// <summary>What is looked up in: ascending numbers. Found is how many of them the register has reached.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<int>? Table { get; init; }

    /// <summary>
    /// What is found in the table instead of how many of its numbers were reached: one value more than it has numbers, for none
    /// reached, one, and so on.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<int>? Values { get; init; }

    /// <summary>
    /// The register that says which of a row is changed: the row's name is <see cref="Register"/>, and its registers have their
    /// number, from 0, behind it. Null where a single one is changed.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? RegisterAt { get; init; }

    /// <summary>Likewise which of the row <see cref="From"/> is read.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? FromAt { get; init; }

    /// <summary>Whether the operand is taken with its sign turned.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Negative { get; init; }
}

/// <summary>How a register is changed.</summary>
public enum FlowChange
{
    /// <summary>The register becomes the operand.</summary>
    Set,

    /// <summary>The operand is added.</summary>
    Add,

    /// <summary>The larger of the register and the operand.</summary>
    Max,
}

/// <summary>What a register is changed by.</summary>
public enum FlowOperand
{
    /// <summary>A number of the effect itself.</summary>
    Constant,

    /// <summary>The number that was given, in tenths.</summary>
    Input,

    /// <summary>Another register.</summary>
    Register,

    /// <summary>The product of two registers.</summary>
    Product,

    /// <summary>What a register finds in a small table.</summary>
    Lookup,
}

/// <summary>A line with registers in it: "run {0}, best {1}".</summary>
public sealed record FlowText(
    string Text,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] IReadOnlyList<FlowValue>? Values = null
);

/// <summary>
/// A register as it is shown: divided by another where one is named, by ten where it counts tenths, and rounded half away from
/// zero to so many decimals. A division by zero is shown as a dash.
/// </summary>
public sealed record FlowValue
{
    /// <summary>The register that is shown.</summary>
    public required string Register { get; init; }

    /// <summary>The register it is divided by; null where it is shown as it is.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? DividedBy { get; init; }

    /// <summary>Whether the register counts tenths.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool InTenths { get; init; }

    /// <summary>What is added before it is divided or shown, in the register's own unit.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Plus { get; init; }

    /// <summary>Whether it is shown without its sign, where the words around it say the side.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool WithoutSign { get; init; }

    /// <summary>How many decimals are shown.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Decimals { get; init; }

    /// <summary>
    /// Where words are shown: ascending numbers, of which so many as the register has reached say which word. Null takes the
    /// register itself.
    /// </summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<int>? Table { get; init; }

    /// <summary>The words shown for 0, 1 and so on, the last for all above; null where it is shown as a number.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<string>? Words { get; init; }
}
