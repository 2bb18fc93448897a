using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>Where a rule ends and what its fix leaves alone. Common practice, no source.</summary>
public sealed class CheckBoundaryTests
{
    private static SessionPlan Lasting(int? minutes, params Segment[] segments) =>
        Clean with
        {
            Constraints = new PlanConstraints { Minutes = minutes },
            Segments = segments,
        };

    private static int MinutesOf(SessionPlan plan) => plan.Segments.Sum(s => s.Minutes);

    [Fact]
    public void Putting_out_afterwards_belongs_to_the_time_of_a_hole_and_chipping_does_not()
    {
        var hurried = Holes with { Minutes = 6, Balls = 4 };
        var after = Segment(30, "Putt them out", Phase.OnCourse, Intent.Performance, Area.Putting, 4, 8, PlaceKind.PuttingGreen);
        Assert.Contains(Of(Lasting(null, Stretch, HalfSwings, hurried)), f => IsOf(hurried, f));
        Assert.DoesNotContain(Of(Lasting(null, Stretch, HalfSwings, hurried, after)), f => IsOf(hurried, f));
        var chips = after with { Area = Area.Chip, Place = PlaceKind.ChippingGreen };
        Assert.Contains(Of(Lasting(null, Stretch, HalfSwings, hurried, chips)), f => IsOf(hurried, f));

        static IReadOnlyList<Finding> Of(SessionPlan plan) => PlanCheck.Run(plan, Context);
        static bool IsOf(Segment segment, Finding f) => f.Id == FindingId.PaceFast && f.SegmentId == segment.Id;
    }

    [Fact]
    public void A_drill_in_the_wrong_place_goes_where_there_is_one_or_home_or_nowhere()
    {
        Assert.Equal(PlaceKind.Home, MovedTo([PlaceKind.Bunker, PlaceKind.Home], Context));
        Assert.Equal(PlaceKind.PuttingGreen, MovedTo([PlaceKind.Bunker, PlaceKind.PuttingGreen], Context));
        Assert.Equal(PlaceKind.Bunker, MovedTo([PlaceKind.Bunker, PlaceKind.Home], Context with { Places = [] }));
        Assert.Equal(PlaceKind.Range, MovedTo([PlaceKind.Bunker], Context));

        static PlaceKind MovedTo(IReadOnlyList<PlaceKind> places, PlanContext context)
        {
            var drill = Planned(new Repetitions(), d => d with { Places = places });
            var mended = PlanCheck.Fix(
                GivenPlan.With(CalledIrons, s => s with { Drill = drill }),
                context,
                FindingId.Place,
                CalledIrons.Id
            );
            return mended.Practice().Single(s => s.Id == CalledIrons.Id).Place;
        }
    }

    [Theory]
    [InlineData(45, 45)]
    [InlineData(49, 49)]
    [InlineData(50, 50)]
    [InlineData(60, 50)]
    public void Stretching_takes_time_from_the_others_only_where_there_is_none_to_spare(int minutes, int lasts)
    {
        var plan = Lasting(minutes, Technique, CalledIrons, Holes);
        var cold = Assert.Single(PlanCheck.Run(plan, Context), f => f.Id == FindingId.NoWarmUp);
        var mended = PlanCheck.Fix(plan, Context, cold.Id, cold.SegmentId);
        Assert.Equal((Intent.Body, lasts), (mended.Practice().First().Intent, MinutesOf(mended)));
    }

    [Theory]
    [InlineData(0, 80)]
    [InlineData(2, 82)]
    [InlineData(3, 83)]
    [InlineData(20, 83)]
    public void A_pause_takes_time_from_the_others_only_where_there_is_none_to_spare(int spare, int lasts)
    {
        var round = Holes with { Minutes = 70, Holes = 18, Balls = 54 };
        var plan = Lasting(80 + spare, Stretch, HalfSwings, round);
        Assert.Equal(lasts, MinutesOf(PlanCheck.Fix(plan, Context, FindingId.NoBreak, round.Id)));
    }

    [Fact]
    public void The_only_other_club_of_a_bag_is_the_neighbour()
    {
        BagClub[] bag =
        [
            new BagClub { Club = Club.Iron7 },
            new BagClub { Club = Club.Driver },
            new BagClub { Club = Club.Putter },
        ];
        var plan = GivenPlan.With(CalledIrons, s => s with { Clubs = [Club.Iron7], Balls = 21 });
        var context = Context with { Student = Adult with { Coach = Adult.Coach with { Bag = bag } } };
        var mended = PlanCheck.Fix(plan, context, FindingId.SameClubRun, CalledIrons.Id);
        Assert.Equal([Club.Iron7, Club.Driver], mended.Practice().Single(s => s.Id == CalledIrons.Id).Clubs);
    }

    [Fact]
    public void Of_two_ranges_the_first_that_says_where_it_faces_tells_the_wind()
    {
        var context = Context with { Places = [Range(1, null), Range(2, 0), Range(3, 90)] };
        Assert.Contains(Wind(180), f => f.Id == FindingId.Wind);
        Assert.DoesNotContain(Wind(0), f => f.Id == FindingId.Wind);

        IReadOnlyList<Finding> Wind(int from) =>
            PlanCheck.Run(Clean with { Constraints = Clean.Constraints with { WindFromDegrees = from } }, context);

        static ListedPlace Range(int id, int? faces) =>
            Ground(id, PlaceKind.Range) with
            {
                Place = new Place
                {
                    Name = $"Range {id}",
                    Kind = PlaceKind.Range,
                    FacesDegrees = faces,
                },
            };
    }
}
