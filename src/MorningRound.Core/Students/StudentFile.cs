using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Students;

/// <summary>What is being changed, as a chain: the fault, what is measured of it, where that is now, and where it should be.</summary>
public sealed record FocusChain
{
    public string Fault { get; init; } = "";

    public string Measured { get; init; } = "";

    public string Now { get; init; } = "";

    public string Goal { get; init; } = "";

    /// <summary>Deliberate repetitions asked for in all; none where they are not counted. A swing change takes 3,000–5,000.</summary>
    public int? RepetitionsAsked { get; init; }
}

/// <summary>A stretch of the week in which the student can practise.</summary>
public sealed record PracticeWindow
{
    public required DayOfWeek Weekday { get; init; }

    public required TimeOnly From { get; init; }

    public required int Minutes { get; init; }

    public required PlaceKind Place { get; init; }
}

/// <summary>A part that hurts, and since when. Once somebody has cleared it, who and when.</summary>
public sealed record PainfulPart
{
    public required BodyPart Part { get; init; }

    /// <summary>Lead or trail, for parts that come in pairs; none for the others.</summary>
    public BodySide? Side { get; init; }

    public required DateOnly Since { get; init; }

    /// <summary>The doctor or physiotherapist who cleared it; empty while nobody has.</summary>
    public string ClearedBy { get; init; } = "";

    public DateOnly? ClearedOn { get; init; }

    public string Note { get; init; } = "";

    public bool IsCleared => ClearedOn is not null;
}

/// <summary>Who answers for a minor, and when they consented.</summary>
public sealed record Guardian
{
    public required string Name { get; init; }

    public string Contact { get; init; } = "";

    /// <summary>None while they have not consented; nothing can be published to the student until then.</summary>
    public DateOnly? ConsentedOn { get; init; }
}

/// <summary>A competition the student prepares for.</summary>
public sealed record Competition
{
    public required Guid Id { get; init; }

    public required string Name { get; init; }

    public required DateOnly FirstDay { get; init; }

    public required DateOnly LastDay { get; init; }

    /// <summary>The day the student gets there; none when that is the first day.</summary>
    public DateOnly? ArrivalDay { get; init; }

    public string Course { get; init; } = "";

    /// <summary>The speed of its greens as measured with the usual ramp, in feet; none if not known.</summary>
    public double? GreenSpeedFeet { get; init; }

    /// <summary>A few words afterwards.</summary>
    public string Debrief { get; init; } = "";
}

/// <summary>The part of the file that is the student's own.</summary>
public sealed record StudentSection
{
    /// <summary>Yards or metres, for everything that is not painted on a board.</summary>
    public LengthUnit Units { get; init; } = LengthUnit.Yards;

    public IReadOnlyList<Area> BelievedStrengths { get; init; } = [];

    public IReadOnlyList<Area> BelievedWeaknesses { get; init; } = [];

    public IReadOnlyList<Club> DislikedClubs { get; init; } = [];

    /// <summary>The sides a target or trouble is disliked on: left, right or both.</summary>
    public IReadOnlyList<TargetSide> DislikedSides { get; init; } = [];

    /// <summary>The student's own routine before a shot, a few short steps.</summary>
    public IReadOnlyList<string> Routine { get; init; } = [];

    public IReadOnlyList<PracticeWindow> Windows { get; init; } = [];

    public IReadOnlyList<Equipment> Equipment { get; init; } = [];

    public IReadOnlyList<Competition> Competitions { get; init; } = [];
}

/// <summary>The part of the file that the coach keeps. Students read it.</summary>
public sealed record CoachSection
{
    public AgeBand Age { get; init; } = AgeBand.Adult;

    public Approach? Approach { get; init; }

    /// <summary>Overrules the season that the competitions give; none leaves it to them.</summary>
    public Season? Season { get; init; }

    public FocusChain Focus { get; init; } = new();

    /// <summary>Set-up basics to look at again: grip, stance, ball position.</summary>
    public IReadOnlyList<string> SetUpBasics { get; init; } = [];

    public IReadOnlyList<BagClub> Bag { get; init; } = [];

    public IReadOnlyList<WedgeNumber> WedgeGrid { get; init; } = [];

    public IReadOnlyList<PainfulPart> PainfulParts { get; init; } = [];

    public Guardian? Guardian { get; init; }
}

/// <summary>
/// All that planning knows of a student beyond name, hand and level. Two parts: what the student keeps and what the coach
/// keeps. A coach may change both, a student only the first.
/// </summary>
public sealed record StudentFile
{
    public StudentSection Own { get; init; } = new();

    public CoachSection Coach { get; init; } = new();

    /// <summary>The numbers that drills fill in.</summary>
    [JsonIgnore]
    public PlayerNumbers Numbers => new(Coach.WedgeGrid);

    /// <summary>Whether the student is under 18.</summary>
    public bool IsMinor => Coach.Age is AgeBand.UnderTwelve or AgeBand.TwelveToSeventeen;

    /// <summary>Whether a session may be published to the student: a minor needs a guardian who has consented.</summary>
    public bool MayBePublishedTo => !IsMinor || Coach.Guardian?.ConsentedOn is not null;
}
