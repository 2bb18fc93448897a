using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Students;

/// <summary>
/// What is being changed, as a chain: the fault, what is measured of it, where that is now, and where it should be.
/// </summary>
public sealed record FocusChain
{
    /// <summary>What is wrong; empty where nobody said.</summary>
    public string Fault { get; init; } = "";

    /// <summary>What is measured of it; empty where nothing is.</summary>
    public string Measured { get; init; } = "";

    /// <summary>Where it stands; empty where nobody said.</summary>
    public string Now { get; init; } = "";

    /// <summary>Where it should be; empty where nobody said.</summary>
    public string Goal { get; init; } = "";

    /// <summary>The area it belongs to; null where nobody said.</summary>
    public Area? Area { get; init; }

    /// <summary>The finer thing inside the area, such as "start line"; empty where nobody said.</summary>
    public string Skill { get; init; } = "";

    /// <summary>What is measured, as drills measure it; null where it is no number.</summary>
    public FocusQuantity? Quantity { get; init; }

    /// <summary>
    /// Deliberate repetitions asked for in all; null where they are not counted.
    /// </summary>
    public int? RepetitionsAsked { get; init; }

    /// <summary>
    /// Where it should be. What begins with a small letter is no sentence and gets before it what it is about: "Low point: at the
    /// ball or after it". Empty where nobody said.
    /// </summary>
    public string AimInWords()
    {
        var about = Skill.Length > 0 ? Skill : Measured;
        return Goal.Length == 0 || about.Length == 0 || !char.IsLower(Goal[0])
            ? Goal
            : $"{char.ToUpperInvariant(about[0])}{about[1..]}: {Goal}";
    }
}

/// <summary>
/// The goal of a focus, as a number: what a drill measures, where it started, the band it should come to, and by when. Every
/// comparable result feeds it.
/// </summary>
public sealed record FocusQuantity
{
    /// <summary>What is measured, in the words of the drill that measures it: "club path", "share made".</summary>
    public required string What { get; init; }

    /// <summary>Its unit; empty for a plain number.</summary>
    public string Unit { get; init; } = "";

    /// <summary>
    /// The drill whose results feed it; null where every drill that measures <see cref="What"/> ball by ball does.
    /// </summary>
    public Guid? DrillId { get; init; }

    /// <summary>The step of that drill's ladder, from 0; null without a drill.</summary>
    public int? Rung { get; init; }

    /// <summary>
    /// The measure of that drill by its name: "share", "best", "score"; empty for the mean of <see cref="What"/>.
    /// </summary>
    public string Measure { get; init; } = "";

    /// <summary>
    /// Whether results of random practice and holes feed it, or those of block practice; null leaves it to the newest result.
    /// </summary>
    public PracticeGroup? Group { get; init; }

    /// <summary>Where it stood when the change began; null where nobody measured.</summary>
    public double? Start { get; init; }

    /// <summary>From how many attempts or balls that start is; null where nobody counted.</summary>
    public int? StartCount { get; init; }

    /// <summary>The lower end of where the start lay with 95 % confidence; null where that is not known.</summary>
    public double? StartLow { get; init; }

    /// <summary>The upper end of it; null where that is not known.</summary>
    public double? StartHigh { get; init; }

    /// <summary>The day the change began; results before it do not feed the goal. Null lets all of them.</summary>
    public DateOnly? StartedOn { get; init; }

    /// <summary>The lower end of the band; null where it has none.</summary>
    public double? Least { get; init; }

    /// <summary>The upper end of the band; null where it has none.</summary>
    public double? Most { get; init; }

    /// <summary>The day by which it should be there; null where none was named.</summary>
    public DateOnly? By { get; init; }

    /// <summary>Whether a number lies in the band.</summary>
    public bool Contains(double value) =>
        value >= (Least ?? double.NegativeInfinity) && value <= (Most ?? double.PositiveInfinity);

    /// <summary>How far a number is from the band: below zero under it, above zero over it, zero inside.</summary>
    public double OutsideBy(double value) =>
        value < Least ? value - Least.Value
        : value > Most ? value - Most.Value
        : 0;
}

/// <summary>Which practice feeds a goal; the two are never mixed.</summary>
public enum PracticeGroup
{
    /// <summary>Block.</summary>
    Block,

    /// <summary>Random and on-course together.</summary>
    RandomOrOnCourse,
}

/// <summary>A stretch of the week in which the student can practise.</summary>
public sealed record PracticeWindow
{
    /// <summary>The day of the week.</summary>
    public required DayOfWeek Weekday { get; init; }

    /// <summary>When it begins.</summary>
    public required TimeOnly From { get; init; }

    /// <summary>How long it is, 5 to 480 minutes.</summary>
    public required int Minutes { get; init; }

    /// <summary>The kind of ground.</summary>
    public required PlaceKind Place { get; init; }
}

/// <summary>Days on which the student cannot practise, such as a journey or an examination.</summary>
public sealed record Absence
{
    /// <summary>The first day.</summary>
    public required DateOnly FirstDay { get; init; }

    /// <summary>The last day, the first one included; the same day for a single one.</summary>
    public required DateOnly LastDay { get; init; }

    /// <summary>A few words; empty where there are none.</summary>
    public string Note { get; init; } = "";

    /// <summary>Whether a day is one of them.</summary>
    public bool Contains(DateOnly day) => day >= FirstDay && day <= LastDay;
}

/// <summary>A part that hurts, and since when. Once somebody has cleared it, who and when.</summary>
public sealed record PainfulPart
{
    /// <summary>The part.</summary>
    public required BodyPart Part { get; init; }

    /// <summary>Lead or trail, for parts that come in pairs; null for the others.</summary>
    public BodySide? Side { get; init; }

    /// <summary>The day it began.</summary>
    public required DateOnly Since { get; init; }

    /// <summary>The doctor or physiotherapist who cleared it; empty while nobody has.</summary>
    public string ClearedBy { get; init; } = "";

    /// <summary>The day it was cleared; null while it is not.</summary>
    public DateOnly? ClearedOn { get; init; }

    /// <summary>A few words; empty where there are none.</summary>
    public string Note { get; init; } = "";

    /// <summary>Whether somebody has cleared it.</summary>
    public bool IsCleared => ClearedOn is not null;
}

/// <summary>Who answers for a minor, and when they consented.</summary>
public sealed record Guardian
{
    /// <summary>The guardian's name.</summary>
    public required string Name { get; init; }

    /// <summary>How to reach them; empty where nobody noted it.</summary>
    public string Contact { get; init; } = "";

    /// <summary>None while they have not consented; nothing can be published to the student until then.</summary>
    public DateOnly? ConsentedOn { get; init; }

    /// <summary>When they took their consent back; null where they did not. Whoever took it back has not consented.</summary>
    public DateOnly? WithdrewOn { get; init; }
}

/// <summary>A competition the student prepares for.</summary>
public sealed record Competition
{
    /// <summary>Unique in the file.</summary>
    public required Guid Id { get; init; }

    /// <summary>What it is called.</summary>
    public required string Name { get; init; }

    /// <summary>Its first day.</summary>
    public required DateOnly FirstDay { get; init; }

    /// <summary>Its last day.</summary>
    public required DateOnly LastDay { get; init; }

    /// <summary>The day the student gets there; null when that is the first day.</summary>
    public DateOnly? ArrivalDay { get; init; }

    /// <summary>Where it is played; empty where nobody noted it.</summary>
    public string Course { get; init; } = "";

    /// <summary>The speed of its greens as measured with the usual ramp, in feet; null if not known.</summary>
    public double? GreenSpeedFeet { get; init; }

    /// <summary>A few words afterwards.</summary>
    public string Debrief { get; init; } = "";

    /// <summary>What held when it counted, said afterwards.</summary>
    public IReadOnlyList<Area> Held { get; init; } = [];

    /// <summary>What did not hold, said afterwards. It is evidence for the weeks that follow.</summary>
    public IReadOnlyList<Area> DidNotHold { get; init; } = [];

    /// <summary>The day the student gets there: the day of arrival, or else the first day.</summary>
    [JsonIgnore]
    public DateOnly GetsThere => ArrivalDay is { } day && day < FirstDay ? day : FirstDay;

    /// <summary>For so many days what is said after a competition is evidence. [own default]</summary>
    internal const int DaysOfEvidence = 28;

    /// <summary>Whether it is over, not long ago, and nobody has said yet what held.</summary>
    public bool WantsDebriefOn(DateOnly day) =>
        LastDay < day
        && day.DayNumber - LastDay.DayNumber <= DaysOfEvidence
        && this is { Held.Count: 0, DidNotHold.Count: 0, Debrief.Length: 0 };

    /// <summary>Whether it is played on a day.</summary>
    public bool IsPlayedOn(DateOnly day) => day >= FirstDay && day <= LastDay;
}

/// <summary>The part of the file that is the student's own.</summary>
public sealed record StudentSection
{
    /// <summary>Yards or metres, for everything that is not painted on a board.</summary>
    public LengthUnit Units { get; init; } = LengthUnit.Yards;

    /// <summary>What the student thinks is strong.</summary>
    public IReadOnlyList<Area> BelievedStrengths { get; init; } = [];

    /// <summary>What the student thinks is weak.</summary>
    public IReadOnlyList<Area> BelievedWeaknesses { get; init; } = [];

    /// <summary>Clubs the student does not like to hit.</summary>
    public IReadOnlyList<Club> DislikedClubs { get; init; } = [];

    /// <summary>The sides a target or trouble is disliked on: left, right or both.</summary>
    public IReadOnlyList<TargetSide> DislikedSides { get; init; } = [];

    /// <summary>The student's own routine before a shot, a few short steps.</summary>
    public IReadOnlyList<string> Routine { get; init; } = [];

    /// <summary>When the student can practise.</summary>
    public IReadOnlyList<PracticeWindow> Windows { get; init; } = [];

    /// <summary>The days on which the student cannot practise.</summary>
    public IReadOnlyList<Absence> Absences { get; init; } = [];

    /// <summary>What the student owns.</summary>
    public IReadOnlyList<Equipment> Equipment { get; init; } = [];

    /// <summary>The competitions the student prepares for.</summary>
    public IReadOnlyList<Competition> Competitions { get; init; } = [];
}

/// <summary>The part of the file that the coach keeps. Students read it.</summary>
public sealed record CoachSection
{
    /// <summary>How old the student is.</summary>
    public AgeBand Age { get; init; } = AgeBand.Adult;

    /// <summary>The school of dividing a session; null leaves it to the plan.</summary>
    public Approach? Approach { get; init; }

    /// <summary>Overrules the season that the competitions give; null leaves it to them.</summary>
    public Season? Season { get; init; }

    /// <summary>What is being changed.</summary>
    public FocusChain Focus { get; init; } = new();

    /// <summary>Set-up basics to look at again: grip, stance, ball position.</summary>
    public IReadOnlyList<string> SetUpBasics { get; init; } = [];

    /// <summary>The clubs, each once.</summary>
    public IReadOnlyList<BagClub> Bag { get; init; } = [];

    /// <summary>The numbers of the wedges, one for each club and swing.</summary>
    public IReadOnlyList<WedgeNumber> WedgeGrid { get; init; } = [];

    /// <summary>The side most shots miss on; null where nobody said.</summary>
    public TargetSide? UsualMiss { get; init; }

    /// <summary>What hurts or hurt.</summary>
    public IReadOnlyList<PainfulPart> PainfulParts { get; init; } = [];

    /// <summary>Who answers for a minor; null where nobody was named.</summary>
    public Guardian? Guardian { get; init; }
}

/// <summary>
/// All that planning knows of a student beyond name, hand and level. Two parts: what the student keeps and what the coach
/// keeps. A coach may change both, a student only the first.
/// </summary>
public sealed record StudentFile
{
    /// <summary>What the student keeps.</summary>
    public StudentSection Own { get; init; } = new();

    /// <summary>What the coach keeps.</summary>
    public CoachSection Coach { get; init; } = new();

    /// <summary>
    /// The last competition that was over before a day, not long ago, and of which it was said what held; null without one.
    /// </summary>
    public Competition? DebriefedBefore(DateOnly day) =>
        Own
            .Competitions.Where(c => c.LastDay < day && day.DayNumber - c.LastDay.DayNumber <= Competition.DaysOfEvidence)
            .Where(c => c.Held.Count + c.DidNotHold.Count > 0)
            .MaxBy(c => c.LastDay);

    /// <summary>Whether the student is under 18.</summary>
    public bool IsMinor => Coach.Age is AgeBand.UnderTwelve or AgeBand.TwelveToSeventeen;

    /// <summary>Whether a session may be published to the student: a minor needs a guardian who has consented.</summary>
    public bool MayBePublishedTo => !IsMinor || Coach.Guardian?.ConsentedOn is not null;

    /// <summary>Whether a guardian took consent back, and nobody gave it since: then the student is not let in.</summary>
    public bool IsConsentWithdrawn => IsMinor && Coach.Guardian?.WithdrewOn is not null;
}
