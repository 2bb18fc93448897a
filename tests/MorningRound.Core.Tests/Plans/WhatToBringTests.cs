using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using MorningRound.Core.Validation;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Plans;

/// <summary>
/// What stands in the bag before a session, and whether it can still go to another day. Common practice, no source.
/// </summary>
public class WhatToBringTests
{
    [Fact]
    public void Clubs_things_and_balls_are_each_named_once()
    {
        var gate = Given.Shelf.Drills.Single(d => d.Drill.Name == "Through the gate");
        var plan = Plan(
            Segment(1, Phase.Block, 20, 30) with
            {
                Clubs = [Club.SandWedge, Club.Iron7],
                Parts =
                [
                    new SegmentPart
                    {
                        Label = "Wedges",
                        Clubs = [Club.SandWedge, Club.LobWedge],
                        Balls = 30,
                    },
                ],
                Aids = [Equipment.Tees],
            },
            Segment(2, Phase.Block, 10, 20, place: PlaceKind.PuttingGreen) with
            {
                Drill = new PlannedDrill { DrillId = gate.Id, Drill = gate.Drill },
            }
        );
        var bring = WhatToBring.Of(plan);
        Assert.Equal([Club.Iron7, Club.SandWedge, Club.LobWedge], bring.Clubs);
        Assert.Equal([Equipment.Tees], bring.Equipment);
        Assert.Equal((30, false), (bring.BallsToBuy, bring.Water));
        Assert.Equal(PlaceKind.Range, WhatToBring.MainPlace(plan));
    }

    [Fact]
    public void Water_comes_along_when_it_lasts_or_there_is_a_pause()
    {
        Assert.True(WhatToBring.Of(Plan(Segment(1, Phase.Block, 45))).Water);
        Assert.True(WhatToBring.Of(Plan(Segment(1, Phase.Block, 20), Pause(2, 3))).Water);
        Assert.False(WhatToBring.Of(Plan(Segment(1, Phase.Block, 44))).Water);
    }

    [Fact]
    public void Nothing_is_brought_to_an_empty_plan()
    {
        var bring = WhatToBring.Of(Plan());
        Assert.Empty(bring.Clubs);
        Assert.Null(WhatToBring.MainPlace(Plan()));
    }

    [Theory]
    [InlineData("2026-05-08", "")]
    [InlineData("2026-05-04", "This day is over.")]
    [InlineData("2026-05-11", "A day of the session’s own week, please.")]
    [InlineData("2026-05-09", "You said that you are away on this day.")]
    [InlineData("2026-05-07", "None of your times on this day is long enough for it, at the right ground.")]
    public void A_student_moves_inside_the_week_into_a_time_of_theirs(string day, string why)
    {
        var file = new StudentFile
        {
            Own = new StudentSection
            {
                Windows =
                [
                    .. new[] { DayOfWeek.Monday, DayOfWeek.Friday, DayOfWeek.Saturday }.Select(d => new PracticeWindow
                    {
                        Weekday = d,
                        From = new TimeOnly(9, 0),
                        Minutes = 60,
                        Place = PlaceKind.Range,
                    }),
                ],
                Absences = [new Absence { FirstDay = new DateOnly(2026, 5, 9), LastDay = new DateOnly(2026, 5, 9) }],
            },
        };
        var found = Move(Assigned(60, null, day: new DateOnly(2026, 5, 6)), day, file);
        Assert.Equal(why.Length == 0 ? [] : [why], found.Select(e => e.Message));
    }

    [Fact]
    public void What_was_begun_stays_where_it_is() =>
        Assert.Equal(
            ["This session is over, or was begun already."],
            Move(Assigned(60, 20), "2026-05-08", new StudentFile()).Select(e => e.Message)
        );

    [Fact]
    public void No_time_is_no_excuse()
    {
        Assert.Null(CannotReason.NoTime.AsExcuse());
        Assert.Equal(
            [Excuse.Ill, Excuse.Hurt, Excuse.Away, Excuse.Weather],
            Enum.GetValues<CannotReason>().Select(r => r.AsExcuse()).OfType<Excuse>()
        );
    }

    private static IReadOnlyList<FieldError> Move(AssignedSession session, string day, StudentFile file) =>
        SessionMove.Check(session, DateOnly.Parse(day, null), new DateOnly(2026, 5, 5), file, w => w.Minutes >= 60);
}
