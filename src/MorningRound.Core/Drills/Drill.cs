using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills;

/// <summary>A thing a drill needs, and what does in its place at home. None means nothing does.</summary>
public sealed record EquipmentNeed
{
    /// <summary>The thing.</summary>
    public required Equipment Item { get; init; }

    /// <summary>Other things that serve as well: tees or coins. Empty where only the thing itself will do.</summary>
    public IReadOnlyList<Equipment> Or { get; init; } = [];

    /// <summary>What does in its place; empty where nothing does.</summary>
    public string Substitute { get; init; } = "";

    /// <summary>Whether what is at hand will do: the thing, another one that serves, or a substitute.</summary>
    public bool IsMetBy(Func<Equipment, bool> isAtHand) => Substitute.Length > 0 || isAtHand(Item) || Or.Any(isAtHand);
}

/// <summary>A part of the body that a drill loads.</summary>
public sealed record BodyLoad
{
    /// <summary>The part that is loaded.</summary>
    public required BodyPart Part { get; init; }

    /// <summary>None for a part without sides, and where both sides are loaded.</summary>
    public BodySide? Side { get; init; }

    /// <summary>How much it asks of the part; heavy where nobody said.</summary>
    public LoadWeight Weight { get; init; }

    /// <summary>Whether it loads a part on a side; a side that is not named, here or there, means either.</summary>
    public bool Touches(BodyPart part, BodySide? side) => Part == part && (Side is null || side is null || Side == side);

    /// <summary>How much loads ask of a part: the heaviest that touches it; null where none does.</summary>
    public static LoadWeight? On(IReadOnlyList<BodyLoad> loads, BodyPart part, BodySide? side)
    {
        LoadWeight? heaviest = null;
        foreach (var load in loads)
            if (load.Touches(part, side) && (heaviest is null || load.Weight < heaviest))
                heaviest = load.Weight;
        return heaviest;
    }
}

/// <summary>What the student should not look at while practising.</summary>
public enum Hidden
{
    /// <summary>Where the ball went.</summary>
    Result,

    /// <summary>The numbers of a launch monitor.</summary>
    Numbers,

    /// <summary>The video of the swing.</summary>
    Video,
}

/// <summary>How the set-up is drawn. The measures come from the drill's parameters.</summary>
public enum SetUpDrawing
{
    /// <summary>No drawing.</summary>
    None,

    /// <summary>Putts from points around a hole.</summary>
    AroundTheHole,

    /// <summary>Steps away from a hole.</summary>
    Ladder,

    /// <summary>Zones around a hole where the ball may finish.</summary>
    Zones,

    /// <summary>A gate in front of the ball.</summary>
    Gate,

    /// <summary>Sticks along the target line and the feet.</summary>
    Sticks,

    /// <summary>Two edges of a fairway, or a window, down the range.</summary>
    Corridor,

    /// <summary>Landing spots or carries up the range.</summary>
    Carries,

    /// <summary>A landing spot on a green, and the run to the hole.</summary>
    Landing,

    /// <summary>A bunker from the side: the lip, the ball, where the club enters the sand.</summary>
    Sand,

    /// <summary>Balls in several lies around a green.</summary>
    Stations,

    /// <summary>A player seen from the front, for the body and the mirror.</summary>
    Figure,

    /// <summary>How far the lead arm goes back, as on a clock.</summary>
    ArmClock,

    /// <summary>Where on the face the ball is met.</summary>
    Face,

    /// <summary>Breathing in a square.</summary>
    Breath,

    /// <summary>A hole from above.</summary>
    Hole,
}

/// <summary>One step of a drill's own ladder from easy to hard: a name and a set of its parameters.</summary>
public sealed record Rung
{
    /// <summary>What the step is called.</summary>
    public required string Name { get; init; }

    /// <summary>How the drill is scored on this step.</summary>
    public required ScoringProtocol Protocol { get; init; }

    /// <summary>What is usually asked on this step; null where nobody said.</summary>
    public DrillGoal? Goal { get; init; }
}

/// <summary>A reusable exercise on the shelf. Immutable: what was assigned or logged keeps the drill as it was.</summary>
public sealed record Drill
{
    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>What it is for, in a sentence.</summary>
    public required string Purpose { get; init; }

    /// <summary>The part of the game it is for.</summary>
    public required Area Area { get; init; }

    /// <summary>The finer thing inside the area: start line, pace, reading.</summary>
    public required string Skill { get; init; }

    /// <summary>What counts as a success.</summary>
    public required string Criterion { get; init; }

    /// <summary>The phases it suits, at least one; the first is the usual one.</summary>
    public required IReadOnlyList<Phase> Phases { get; init; }

    /// <summary>What it can be for, at least one; the first is the usual one.</summary>
    public required IReadOnlyList<Intent> Intents { get; init; }

    /// <summary>The kinds of ground it can be done on, at least one.</summary>
    public required IReadOnlyList<PlaceKind> Places { get; init; }

    /// <summary>The things it needs.</summary>
    public IReadOnlyList<EquipmentNeed> Equipment { get; init; } = [];

    /// <summary>Parts of the body it loads.</summary>
    public IReadOnlyList<BodyLoad> Loads { get; init; } = [];

    /// <summary>The clubs it is for.</summary>
    public ClubGroup ClubGroup { get; init; } = ClubGroup.Any;

    /// <summary>The size of its swings; null where it does not matter.</summary>
    public SwingSize? Swing { get; init; }

    /// <summary>Minutes it usually takes, 1 to 180.</summary>
    public required int UsualMinutes { get; init; }

    /// <summary>Zero where no ball is hit.</summary>
    public int UsualBalls { get; init; }

    /// <summary>How to set it up and what to do.</summary>
    public required string SetUp { get; init; }

    /// <summary>How its set-up is drawn.</summary>
    public SetUpDrawing Drawing { get; init; } = SetUpDrawing.None;

    /// <summary>The inner width of the gate in the drawing, in millimetres; null without a gate.</summary>
    public int? GateMillimetres { get; init; }

    /// <summary>How far in front of the ball the gate stands, in centimetres; null where nobody said.</summary>
    public int? GateCentimetresAhead { get; init; }

    /// <summary>In lead and trail words, one thought each.</summary>
    public IReadOnlyList<string> Cues { get; init; } = [];

    /// <summary>Where the answer to every repetition comes from; null leaves it to the segment.</summary>
    public FeedbackSource? Feedback { get; init; }

    /// <summary>What should not be looked at while it is practised.</summary>
    public IReadOnlyList<Hidden> Hide { get; init; } = [];

    /// <summary>What to take care of, a sentence each.</summary>
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>What to do instead when the place is crowded.</summary>
    public string WhenCrowded { get; init; } = "";

    /// <summary>How it is scored.</summary>
    public required ScoringProtocol Protocol { get; init; }

    /// <summary>Its own steps from easy to hard; empty when there is only the one.</summary>
    public IReadOnlyList<Rung> Ladder { get; init; } = [];

    /// <summary>The levels it suits; empty for all.</summary>
    public IReadOnlyList<Level> Levels { get; init; } = [];

    /// <summary>The ages it suits; empty for all.</summary>
    public IReadOnlyList<AgeBand> Ages { get; init; } = [];

    /// <summary>Whether its repetitions count towards a swing change.</summary>
    public bool CountsTowardsSwingChange { get; init; }

    /// <summary>Whether it suits somebody of a level and an age.</summary>
    public bool Suits(Level level, AgeBand age) =>
        (Levels.Count == 0 || Levels.Contains(level)) && (Ages.Count == 0 || Ages.Contains(age));

    /// <summary>How much it loads a part; null where it does not. The heaviest of several loads on the part.</summary>
    public LoadWeight? LoadOn(BodyPart part, BodySide? side) => BodyLoad.On(Loads, part, side);

    /// <summary>The protocol of a rung, counted from 0; the drill's own where there is no ladder.</summary>
    public ScoringProtocol ProtocolAt(int rung) =>
        Ladder.Count == 0 ? Protocol : Ladder[Math.Clamp(rung, 0, Ladder.Count - 1)].Protocol;

    /// <summary>The rung whose parameters are the drill's own; null when no rung has them.</summary>
    public int? OwnRung() =>
        Enumerable.Range(0, Ladder.Count).Where(i => Ladder[i].Protocol.IsSameAs(Protocol)).Select(i => (int?)i).FirstOrDefault();

    /// <summary>
    /// The step to begin on: the one that about half of the players of a level get through, at the share of good attempts that
    /// is usual for them. Without goals on the steps, the drill's own step, and one more or less for the other levels.
    /// </summary>
    public int BeginningRung(Level level)
    {
        if (Ladder.Count == 0)
            return 0;
        var chances = Ladder
            .Select(
                (rung, i) => (Rung: i, Chance: rung.Goal is { } goal ? rung.Protocol.ChanceOf(goal, level.UsualShare()) : null)
            )
            .Where(c => c.Chance is not null)
            .ToList();
        if (chances.Count > 0)
            return chances.MinBy(c => Math.Abs(c.Chance!.Value - 0.5)).Rung;
        var own = OwnRung() ?? 0;
        return level switch
        {
            Level.New => 0,
            Level.Improving => own,
            Level.SingleFigure => Math.Min(Ladder.Count - 1, own + 1),
            _ => Ladder.Count - 1,
        };
    }

    /// <summary>What is usually asked on a step; null where nobody said, and where there is no ladder.</summary>
    public DrillGoal? UsualGoal(int rung) => Ladder.Count == 0 ? null : Ladder[Math.Clamp(rung, 0, Ladder.Count - 1)].Goal;

    /// <summary>
    /// A ladder made from the protocol's natural scale: up to two steps down, the drill's own, up to three up. Empty where the
    /// protocol has no such scale.
    /// </summary>
    public IReadOnlyList<Rung> SuggestedLadder()
    {
        var steps = new List<ScoringProtocol> { Protocol };
        while (steps.Count < 3 && steps[0].Easier() is { } easier)
            steps.Insert(0, easier);
        var below = steps.Count - 1;
        while (steps.Count - below <= 3 && steps[^1].Harder() is { } harder)
            steps.Add(harder);
        return steps.Count == 1 ? [] : [.. steps.Select((p, i) => new Rung { Name = $"Step {i + 1}", Protocol = p })];
    }

    /// <summary>
    /// The room left on each side of a ball of the smallest allowed size, in millimetres: 6.2 in a gate of 55. Null without a
    /// gate. Ball diameter: Equipment Rules, R&amp;A and USGA.
    /// </summary>
    public double? RoomInGate() =>
        GateMillimetres is { } gate ? Math.Round((gate - BallMillimetres) / 2, 1, MidpointRounding.AwayFromZero) : null;

    /// <summary>
    /// How far off the line a ball still gets through the gate: 1.6° through 60 mm a foot ahead. Null without a gate or its
    /// distance. Arithmetic.
    /// </summary>
    public Angle? GateAngle() =>
        (GateMillimetres, GateCentimetresAhead) is ({ } gate, { } ahead)
            ? Angle.OfOffset(Length.FromMetres((gate - BallMillimetres) / 2000), Length.FromMetres(ahead / 100.0))
            : null;

    /// <summary>The smallest ball allowed. Equipment Rules, R&amp;A and USGA.</summary>
    private const double BallMillimetres = 42.67;
}
