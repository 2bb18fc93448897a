using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Plans.Checks;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Plans.Drafting;

/// <summary>
/// What a coach would sign: for a student and a wish, what must be in the draft and what must not. Written before the drafts
/// were; common practice, no source.
/// </summary>
public sealed partial class SignedDraftTests
{
    /// <summary>A student, a wish, and what is looked for in the draft.</summary>
    /// <param name="Says">What is being asked for, as a coach would say it.</param>
    /// <param name="Who">The student.</param>
    /// <param name="Request">The wish.</param>
    /// <param name="Must">What must hold of the draft.</param>
    public sealed record Case(string Says, PlanContext Who, DraftRequest Request, Func<Drafted, bool> Must)
    {
        public override string ToString() => Says;
    }

    private static readonly Club[] FullBag =
    [
        Club.Driver,
        Club.Wood3,
        Club.Hybrid,
        Club.Iron5,
        Club.Iron6,
        Club.Iron7,
        Club.Iron8,
        Club.Iron9,
        Club.PitchingWedge,
        Club.GapWedge,
        Club.SandWedge,
        Club.Putter,
    ];

    private static readonly Club[] HalfBag =
    [
        Club.Wood5,
        Club.Hybrid,
        Club.Iron7,
        Club.Iron9,
        Club.PitchingWedge,
        Club.SandWedge,
        Club.Putter,
    ];

    private static PlanContext Student(
        Level level = Level.Improving,
        Club[]? bag = null,
        Func<StudentFile, StudentFile>? with = null,
        Func<PlanContext, PlanContext>? and = null
    )
    {
        var file = DraftTests.Island.Student! with
        {
            Coach = new CoachSection
            {
                Bag =
                [
                    .. (bag ?? FullBag).Select(c => new BagClub
                    {
                        Club = c,
                        Carry = c == Club.Putter ? null : new MarkedLength(150 + (9 * (Club.Iron7 - c)), LengthUnit.Yards),
                    }),
                ],
            },
        };
        var context = DraftTests.Island with { Level = level, Student = with?.Invoke(file) ?? file };
        return and?.Invoke(context) ?? context;
    }

    private static Func<StudentFile, StudentFile> Focus(Area area, string skill, string goal, string? measured = null) =>
        f =>
            f with
            {
                Coach = f.Coach with
                {
                    Focus = new FocusChain
                    {
                        Fault = "",
                        Goal = goal,
                        Area = area,
                        Skill = skill,
                        Quantity = measured is null
                            ? null
                            : new FocusQuantity
                            {
                                What = measured,
                                Unit = "°",
                                Least = -3,
                                Most = 3,
                            },
                    },
                },
            };

    private static Func<StudentFile, StudentFile> Plays(int inDays, int? arrivesIn = null, double? green = null) =>
        f =>
            f with
            {
                Own = f.Own with
                {
                    Competitions =
                    [
                        new Competition
                        {
                            Id = GivenPlan.IdOf(80),
                            Name = "Reed Cup",
                            FirstDay = GivenPlan.Day.AddDays(inDays),
                            LastDay = GivenPlan.Day.AddDays(inDays + 1),
                            ArrivalDay = arrivesIn is { } days ? GivenPlan.Day.AddDays(days) : null,
                            GreenSpeedFeet = green,
                        },
                    ],
                },
            };

    private static Func<PlanContext, PlanContext> Hurts(BodyPart part, BodySide? side = null, bool mild = false) =>
        c => c with { Hurt = [new HurtPart(part, side, mild)] };

    private static DraftRequest Wish(int minutes, int balls, params PlaceKind[] places) =>
        new()
        {
            Minutes = minutes,
            Balls = balls,
            Places = places,
        };

    private static IEnumerable<PracticeSegment> Practice(Drafted d) => d.Plan!.Practice().Where(s => s.Phase != Phase.WarmUp);

    private static int Minutes(Drafted d, Func<PracticeSegment, bool> of) => Practice(d).Where(of).Sum(s => s.Minutes);

    private static bool HasClub(Drafted d, Func<Club, bool> which) => d.Plan!.Practice().Any(s => s.Clubs.Any(which));

    private static bool Says(Drafted d, string text) =>
        d.Reasons.Any(r => r.Why.Contains(text, StringComparison.Ordinal))
        || d.Compromises.Any(c => c.Contains(text, StringComparison.Ordinal));

    private static bool MostlyOf(Drafted d, params Area[] areas) =>
        3 * Minutes(d, s => areas.Contains(s.Area!.Value) || s.Holes is not null || s.Area == Area.Mind)
        >= 2 * Minutes(d, _ => true);

    private static readonly PlaceKind[] Everywhere =
    [
        PlaceKind.Range,
        PlaceKind.ChippingGreen,
        PlaceKind.PuttingGreen,
        PlaceKind.Bunker,
    ];

    private static readonly string[] WellKnown =
    [
        "Through the gate",
        "Under the string",
        "For par, for birdie",
        "Round the hole",
        "Close the door",
        "Break both ways",
    ];

    public static TheoryData<Case> Cases => [.. All];

    private static int LongestWithoutPause(SessionPlan plan)
    {
        var (longest, running) = (0, 0);
        foreach (var segment in plan.Segments)
        {
            running = segment is Pause ? 0 : running + segment.Minutes;
            longest = Math.Max(longest, running);
        }

        return longest;
    }

    [Theory]
    [MemberData(nameof(Cases), DisableDiscoveryEnumeration = true)]
    public void A_coach_would_sign_it(Case wish)
    {
        var drafted = PlanDraft.Of(wish.Request, wish.Who, Given.Shelf.Drills);
        Assert.True(
            wish.Must(drafted),
            $"{wish.Says}\n{drafted.Plan?.Title} | {drafted.Plan?.Purpose} | {drafted.Plan?.SuccessTest}\n"
                + string.Join(
                    "\n",
                    drafted.Plan?.Segments.Select(s =>
                        $"{s.Minutes} min {s.Title} {(s as PracticeSegment)?.Balls} "
                        + $"{string.Join(' ', (s as PracticeSegment)?.Clubs ?? [])} | "
                        + drafted.Reasons.First(r => r.SegmentId == s.Id).Why
                    )
                        ?? []
                )
                + string.Join("\n! ", drafted.Compromises.Prepend(""))
                + string.Join("\n> ", drafted.Offers.Select(o => o.Text).Prepend(""))
        );
    }

    [Fact]
    public void There_are_thirty_of_them_at_least() => Assert.InRange(All.Length, 30, 60);

    [Fact]
    public void Several_students_share_what_all_of_them_have_and_the_care_of_whoever_needs_most()
    {
        var (strong, weak) = (
            Student(Level.Elite),
            Student(Level.New, HalfBag, and: Hurts(BodyPart.Knee, BodySide.Lead, mild: true))
        );
        var together = PlanDraft.Together([strong, weak]);
        Assert.Equal(Level.New, together.Level);
        Assert.Equal(FullBag.Intersect(HalfBag).OrderBy(c => c), together.Student!.Coach.Bag.Select(b => b.Club).OrderBy(c => c));
        Assert.Single(together.Hurt);
        var drafted = PlanDraft.Of(Wish(60, 60, PlaceKind.Range, PlaceKind.ChippingGreen), together, Given.Shelf.Drills);
        Assert.All(drafted.Plan!.Practice(), s => Assert.Empty(s.Clubs.Except(FullBag.Intersect(HalfBag))));
        Assert.StartsWith(
            "For Ada, Bo and Cy together",
            drafted.ForAll(["Ada", "Bo", "Cy"]).Compromises[0],
            StringComparison.Ordinal
        );
        Assert.Same(drafted, drafted.ForAll(["Ada"]));
    }

    [Fact]
    public void One_reason_for_everything_is_said_once()
    {
        var drafted = PlanDraft.Of(
            Wish(60, 60, PlaceKind.Range),
            Student(and: Hurts(BodyPart.WristOrHand, BodySide.Trail)),
            Given.Shelf.Drills
        );
        Assert.Null(drafted.Plan);
        Assert.Equal(
            ["Everything that fits loads the trail wrist or hand, which hurts and which nobody has cleared."],
            drafted.Compromises
        );
    }
}
