using System.Text.Json.Serialization;
using MorningRound.Core.Canonical;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Who says how many attempts a drill has.</summary>
public enum CountBy
{
    /// <summary>Neither: its own condition or the segment's exit rule ends it.</summary>
    ExitRule,

    /// <summary>The segment, by its balls and minutes.</summary>
    Segment,

    /// <summary>The drill, which needs its own number of strokes.</summary>
    Drill,

    /// <summary>The drill asks for something within a cap, which is no more than the segment's balls.</summary>
    Cap,
}

/// <summary>
/// How a drill is counted. Each protocol validates its parameters, says what it asks for and when it ends, scores recorded
/// inputs, and compiles itself into a flow for the phone. Immutable.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(Repetitions), "repetitions")]
[JsonDerivedType(typeof(TimedSteps), "timedSteps")]
[JsonDerivedType(typeof(MakeRate), "makeRate")]
[JsonDerivedType(typeof(Streak), "streak")]
[JsonDerivedType(typeof(Compass), "compass")]
[JsonDerivedType(typeof(StepLadder), "stepLadder")]
[JsonDerivedType(typeof(ZoneSets), "zoneSets")]
[JsonDerivedType(typeof(ParGame), "parGame")]
[JsonDerivedType(typeof(CarryGrid), "carryGrid")]
[JsonDerivedType(typeof(BallRating), "ballRating")]
[JsonDerivedType(typeof(GuessAndCheck), "guessAndCheck")]
[JsonDerivedType(typeof(Window), "window")]
[JsonDerivedType(typeof(CalledShots), "calledShots")]
[JsonDerivedType(typeof(ProximityLevels), "proximityLevels")]
[JsonDerivedType(typeof(MeasuredShots), "measuredShots")]
[JsonDerivedType(typeof(RehearsedScenario), "rehearsedScenario")]
[JsonDerivedType(typeof(UpAndDown), "upAndDown")]
[JsonDerivedType(typeof(ApproachShots), "approachShots")]
[JsonDerivedType(typeof(PlayedHoles), "playedHoles")]
public abstract record ScoringProtocol
{
    /// <summary>More than any drill asks for; keeps flows small enough for a phone.</summary>
    public const int MostAttempts = 300;

    /// <summary>Characters of a label.</summary>
    public const int LongestLabel = 120;

    /// <summary>What it is called: "Step ladder".</summary>
    public abstract string Title { get; }

    /// <summary>The attempts it takes to its end, where that is a set number; null where its own condition decides.</summary>
    public abstract int? PlannedAttempts { get; }

    /// <summary>The parts of its result, in the order in which they decide; those without a better direction last.</summary>
    public abstract IReadOnlyList<MeasureKind> MeasureKinds { get; }

    /// <summary>The measures a goal can be stated in.</summary>
    public IEnumerable<MeasureKind> GoalMeasures => MeasureKinds.Where(m => m.Better != Better.None);

    /// <summary>The next step up on this protocol's natural scale; null at the top, or where there is no such scale.</summary>
    public virtual ScoringProtocol? Harder() => null;

    /// <summary>The next step down; null at the bottom, or where there is no such scale.</summary>
    public virtual ScoringProtocol? Easier() => null;

    /// <summary>
    /// How likely a goal is met, 0 to 1, by somebody whose every attempt succeeds with the same share, 0 to 1, whatever the
    /// one before did. Null where the goal's measure does not follow from successes alone.
    /// </summary>
    public virtual double? ChanceOf(DrillGoal goal, double share) => null;

    /// <summary>
    /// Whether another protocol is of the same kind with the same parameters. Lists are compared by what they hold.
    /// </summary>
    public bool IsSameAs(ScoringProtocol other) => CanonicalText.Of(this) == CanonicalText.Of(other);

    /// <summary>Everything wrong with the parameters, each with its path.</summary>
    public IReadOnlyList<FieldError> Check(string path)
    {
        var errors = new FieldErrors();
        Check(errors, path);
        return errors.Found;
    }

    /// <summary>
    /// The protocol with what it leaves to the student filled in: numbers of the wedge grid, clubs of the bag. What the student's
    /// file lacks stays open; <see cref="WhatIsMissing"/> says so.
    /// </summary>
    public virtual ScoringProtocol For(PlayerNumbers player) => this;

    /// <summary>Who says how many attempts there are: the segment, the drill, or neither.</summary>
    public virtual CountBy CountBy => CountBy.ExitRule;

    /// <summary>The strokes it takes to its own end, where the drill says how many; null otherwise.</summary>
    public virtual int? OwnStrokes => CountBy == CountBy.Drill ? PlannedAttempts : null;

    /// <summary>
    /// The protocol with as many attempts as a segment has room for: as many as asked for where the segment says so, a cap that
    /// is no more than they are, and unchanged otherwise. Never fewer than make sense.
    /// </summary>
    /// <param name="attempts">At least one.</param>
    public virtual ScoringProtocol FittedTo(int attempts) => this;

    /// <summary>
    /// The protocol as results are compared: without its number of attempts where its result is a share, a mean or a spread,
    /// which compare whatever their number, and without what only words its result.
    /// </summary>
    internal virtual ScoringProtocol AsCompared() => CountBy == CountBy.Segment && IsRelative ? FittedTo(1) : this;

    /// <summary>Whether the result is a share, a mean or a spread.</summary>
    private bool IsRelative => MeasureKinds[0].Unit == "%" || this is GuessAndCheck or BallRating;

    /// <summary>
    /// The protocol with another number of attempts, as a trimmed session has it; null where its own condition or its stations
    /// decide, or where the result is a sum, which would compare with nothing. Those are not shortened.
    /// </summary>
    /// <param name="attempts">At least one; a multiple of <see cref="AttemptsEach"/>.</param>
    public virtual ScoringProtocol? WithCount(int attempts) => null;

    /// <summary>The attempts of a round, where it goes round: only whole rounds are left out when it is shortened.</summary>
    public virtual int AttemptsEach => 1;

    /// <summary>Why it cannot be practised yet, in words; null when it can.</summary>
    public virtual string? WhatIsMissing() => null;

    /// <summary>
    /// The flow for the phone. The same parameters and seed give the same flow. Throws <see cref="InvalidOperationException"/>
    /// while something is missing.
    /// </summary>
    public AttemptFlow Compile(ulong seed) =>
        WhatIsMissing() is { } missing ? throw new InvalidOperationException(missing) : CompileWith(seed);

    /// <summary>
    /// Scores recorded inputs. Inputs this drill could not have asked for are not scored; the result says where they stop
    /// fitting. Throws <see cref="InvalidOperationException"/> while something is missing.
    /// </summary>
    public ProtocolResult Score(IReadOnlyList<DrillInput> inputs, ulong seed)
    {
        if (WhatIsMissing() is { } missing)
            throw new InvalidOperationException(missing);
        var tally = new Tally();
        var taken = 0;
        var isStopped = false;
        var isComplete = true;
        IReadOnlyDictionary<string, int>? atFirst = null;
        foreach (var ask in Play(seed, tally))
        {
            isComplete = false;
            atFirst ??= tally.Counts.ToDictionary(c => c.Key, c => c.Value);
            if (taken == inputs.Count)
                break;
            var input = inputs[taken];
            if (input.Attempt != tally.Attempts + 1)
                return ProtocolResult.Unfitting(MeasureKinds, taken);
            if (input is DrillStopped or TimeUp)
            {
                isStopped = true;
                taken++;
                break;
            }

            if (!ask.Takes(input))
                return ProtocolResult.Unfitting(MeasureKinds, taken);
            taken++;
            isComplete = true;
        }

        if (taken < inputs.Count)
            return ProtocolResult.Unfitting(MeasureKinds, taken);
        var reading =
            tally.Attempts == 0 && tally.Counts.All(c => c.Value == atFirst?.GetValueOrDefault(c.Key)) ? ResultStatus.Nothing
            : isComplete ? ResultStatus.Complete
            : isStopped ? ResultStatus.Stopped
            : ResultStatus.UnderWay;
        return new ProtocolResult
        {
            Status = reading,
            Attempts = tally.Attempts,
            Counts = tally.Counts,
            Samples = tally.Samples,
            Measures = [.. MeasureKinds.Select(m => m.With(reading == ResultStatus.Nothing ? null : Value(m.Name, tally)))],
            Card = reading == ResultStatus.Nothing ? null : tally.Card,
            Said = reading == ResultStatus.Nothing ? DrillSentences.NothingAttempted.Of() : Say(tally),
        };
    }

    /// <summary>Whether a result meets a goal; null when it has no such value.</summary>
    public bool? Meets(DrillGoal goal, ProtocolResult result)
    {
        var kind = GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure);
        if (kind is null || result.Value(goal.Measure) is not { } value)
            return null;
        return kind.Better == Better.Higher ? value >= goal.Limit : value <= goal.Limit;
    }

    /// <summary>
    /// How many attempts of a result were successes, by what this protocol calls one: putts made, targets hit, shots in the
    /// band. Null where an attempt is neither, and where nothing was attempted.
    /// </summary>
    public CountOf? SuccessesOf(ProtocolResult result) =>
        result.IsScored && Successes is { } names && result.Counts.GetValueOrDefault(names.Of) is var all and > 0
            ? new CountOf(result.Counts.GetValueOrDefault(names.Count), all)
            : null;

    /// <summary>
    /// Where the leading figure of a result lies with 95 % confidence: of a share by its counts, of a mean by its spread. Null
    /// where one result says nothing of that, as a best run does not.
    /// </summary>
    public Interval? DoubtOf(ProtocolResult result) =>
        MeasureKinds[0].Unit == "%" && SuccessesOf(result) is { } made ? Rate.Wilson(made.Count, made.Of).Times(100) : null;

    /// <summary>
    /// Which of two results of this protocol is better: above zero when the first is, below when the second is, zero when they
    /// are level. Null where no direction is better or a value is missing. Parts decide in the order named.
    /// </summary>
    public int? Compare(PastResult first, PastResult second)
    {
        int? level = null;
        foreach (var kind in GoalMeasures)
        {
            if (first.Value(kind.Name) is not { } a || second.Value(kind.Name) is not { } b)
                return level;
            level = kind.Better == Better.Higher ? a.CompareTo(b) : b.CompareTo(a);
            if (level != 0)
                return level;
        }

        return level;
    }

    /// <summary>A goal in words: "best run at least 10".</summary>
    public string InWords(DrillGoal goal) =>
        GoalMeasures.FirstOrDefault(m => m.Name == goal.Measure) is { } kind
            ? $"{kind.Label} {(kind.Better == Better.Higher ? "at least" : "at most")} "
                + $"{Written.Number(goal.Limit, kind.Decimals)}{Written.Unit(kind.Unit)}"
            : "";

    /// <summary>Adds everything that is wrong with the parameters under the path.</summary>
    protected abstract void Check(FieldErrors errors, string path);

    /// <summary>Compiles the flow; nothing is missing when it is called.</summary>
    protected abstract AttemptFlow CompileWith(ulong seed);

    /// <summary>
    /// The rules as they are played: asks in order, and counts what was answered. Ends by itself when the drill has come to its
    /// own end; is left where it stands when the inputs end.
    /// </summary>
    private protected abstract IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally);

    private protected abstract double? Value(string measure, Tally tally);

    /// <summary>The names of the counts of successes and of what could have been one; null where an attempt is neither.</summary>
    private protected virtual (string Count, string Of)? Successes => null;

    /// <summary>The result in one line, with its doubt where that matters; asked only when something was attempted.</summary>
    private protected abstract Message Say(Tally tally);
}

/// <summary>Numbers as they are written for people.</summary>
internal static class Written
{
    public static readonly System.Globalization.CultureInfo Culture = System.Globalization.CultureInfo.InvariantCulture;

    public static string Number(double value, int decimals)
    {
        var rounded = Math.Round(value, decimals, MidpointRounding.AwayFromZero);
        var text = Math.Abs(rounded).ToString($"F{decimals}", Culture);
        return rounded < 0 ? $"−{text}" : text;
    }

    /// <summary>A number without decimals that say nothing: 75, 77.5.</summary>
    public static string Plain(double value) => Number(value, value == Math.Floor(value) ? 0 : 1);

    /// <summary>A unit behind its number: " yd", and without a gap "°".</summary>
    public static string Unit(string unit) => unit is "" or "°" ? unit : $" {unit}";
}
