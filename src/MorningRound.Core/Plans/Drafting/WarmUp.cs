using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What a warm-up leads to.</summary>
public enum WarmUpBefore
{
    /// <summary>The first tee: the minutes are those left until then.</summary>
    Round,

    /// <summary>A block on the range.</summary>
    Block,
}

/// <summary>The schools of warming up with a club; coaches disagree.</summary>
public enum WarmUpSchool
{
    /// <summary>Two balls a club up the bag, never a third.</summary>
    TwoAClub,

    /// <summary>No longer swing before contact is centred.</summary>
    UntilCentred,

    /// <summary>Fixed fives, with an aim check.</summary>
    FixedFives,

    /// <summary>Odd shapes, to move differently.</summary>
    Free,
}

/// <summary>Who warms up, for what, and for how long.</summary>
public sealed record WarmUpRequest
{
    private static readonly Club[] UsualBag =
    [
        Club.Driver,
        Club.Wood3,
        Club.Hybrid,
        Club.Iron4,
        Club.Iron5,
        Club.Iron6,
        Club.Iron7,
        Club.Iron8,
        Club.Iron9,
        Club.PitchingWedge,
        Club.SandWedge,
        Club.Putter,
    ];

    /// <summary>
    /// What is known of a student and of the range: no club that it forbids or that the student does not like, and before
    /// practice no driver for whoever is coming back from something.
    /// </summary>
    /// <param name="context">The student, the day, the grounds.</param>
    /// <param name="minutes">At least <see cref="WarmUps.Shortest"/>.</param>
    /// <param name="before">What it leads to.</param>
    /// <param name="school">The school.</param>
    public static WarmUpRequest Of(PlanContext context, int minutes, WarmUpBefore before, WarmUpSchool school)
    {
        var student = context.Student ?? new StudentFile();
        var ranges = context.Places.Where(p => p.Place.Kind == PlaceKind.Range).Select(p => p.Place.ForbiddenClubs).ToList();
        return new WarmUpRequest
        {
            Minutes = minutes,
            Before = before,
            Day = context.Day,
            School = school,
            Bag = [.. student.Coach.Bag.Select(b => b.Club)],
            Without =
            [
                .. ranges.Count == 0 ? [] : ranges[0].Where(c => ranges.TrueForAll(r => r.Contains(c))),
                .. student.Own.DislikedClubs,
                .. before == WarmUpBefore.Block && DoseRules.IsComingBack(context) ? [Club.Driver] : Array.Empty<Club>(),
            ],
            Level = context.Level,
            Age = student.Coach.Age,
            Hurt = context.Hurt,
        };
    }

    /// <summary>At least <see cref="WarmUps.Shortest"/>.</summary>
    public required int Minutes { get; init; }

    /// <summary>What it leads to.</summary>
    public required WarmUpBefore Before { get; init; }

    /// <summary>The day, which decides the irons.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>The school.</summary>
    public WarmUpSchool School { get; init; }

    /// <summary>The bag; a usual one where it is empty.</summary>
    public IReadOnlyCollection<Club> Bag { get; init; } = [];

    /// <summary>Clubs that are left out: the place forbids them, or the player does not like them.</summary>
    public IReadOnlyCollection<Club> Without { get; init; } = [];

    /// <summary>How far the player has come.</summary>
    public Level Level { get; init; } = Level.Improving;

    /// <summary>How old the player is.</summary>
    public AgeBand Age { get; init; } = AgeBand.Adult;

    /// <summary>What hurts.</summary>
    public IReadOnlyList<HurtPart> Hurt { get; init; } = [];

    /// <summary>A beginner and a junior have a warm-up of their own, whatever the school: few clubs, no hurry.</summary>
    internal bool HasOwnWarmUp => Level == Level.New || Age is AgeBand.UnderTwelve or AgeBand.TwelveToSeventeen;

    /// <summary>The clubs there are to warm up with.</summary>
    internal IReadOnlyList<Club> Clubs() =>
        [.. (Bag.Count == 0 ? UsualBag : Bag).Where(c => c != Club.Putter && !Without.Contains(c))];

    /// <summary>
    /// The club to begin with: the sand wedge, else the gap, the lob, the pitching wedge, or the shortest there is.
    /// </summary>
    internal Club FirstClub()
    {
        var clubs = Clubs();
        return new[] { Club.SandWedge, Club.GapWedge, Club.LobWedge, Club.PitchingWedge }
                .Cast<Club?>()
                .FirstOrDefault(c => clubs.Contains(c!.Value))
            ?? (clubs.Count > 0 ? clubs.Max() : Club.PitchingWedge);
    }

    /// <summary>Whether swings of a size spare what hurts.</summary>
    internal bool MaySwing(SwingSize size) =>
        !SwingLoads.Of(size).Any(load => Hurt.Any(h => load.Touches(h.Part, h.Side) && h.Forbids(load.Weight)));
}

/// <summary>A warm-up, and why it is as it is.</summary>
/// <param name="Parts">What is done, in order.</param>
/// <param name="Reason">Why.</param>
public sealed record WarmUp(IReadOnlyList<WarmUpPart> Parts, Message Reason)
{
    /// <summary>Why, in English.</summary>
    public string Why => Reason.In();
}

/// <summary>One part of a warm-up.</summary>
public sealed record WarmUpPart
{
    /// <summary>What it is called.</summary>
    public required string Title { get; init; }

    /// <summary>What to do.</summary>
    public required string Text { get; init; }

    /// <summary>The part of the game.</summary>
    public required Area Area { get; init; }

    /// <summary>The size of its swings; null where nothing is swung.</summary>
    public SwingSize? Swing { get; init; }

    /// <summary>Where.</summary>
    public required PlaceKind Place { get; init; }

    /// <summary>How long.</summary>
    public required int Minutes { get; init; }

    /// <summary>How many balls.</summary>
    public int Balls { get; init; }

    /// <summary>With which clubs, in order.</summary>
    public IReadOnlyList<Club> Clubs { get; init; } = [];

    /// <summary>When it is over.</summary>
    public ExitRule Exit { get; init; } = new AfterMinutes();

    /// <summary>Whether it is the aim check.</summary>
    public bool IsAimCheck { get; init; }
}

/// <summary>Why a warm-up is as it is.</summary>
internal static class WarmUpSentences
{
    public static readonly Sentence WhyTwoAClub = new(
        "warmUp.twoAClub",
        "Leaving a bad one behind is practised here too: that is the pressure in it."
    );
    public static readonly Sentence WhyUntilCentred = new(
        "warmUp.untilCentred",
        "No longer swing before contact is centred three times running: the length grows out of the strike."
    );
    public static readonly Sentence WhyFixedFives = new(
        "warmUp.fixedFives",
        "Fixed fives and an aim check: what flies today is aimed for, not repaired."
    );
    public static readonly Sentence WhyFree = new(
        "warmUp.free",
        "Odd shapes on purpose: the body moves differently, and nothing has to be good yet."
    );
    public static readonly Sentence WhyOwn = new(
        "warmUp.own",
        "A few clubs and no hurry: a beginner's and a junior's warm-up is short swings before longer ones."
    );
    public static readonly Sentence WhyWithoutRange = new(
        "warmUp.withoutRange",
        "The range is left out: in so little time, or with what hurts, the green is worth more."
    );
}
