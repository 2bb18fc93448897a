using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.TestDays;
using static MorningRound.Core.Tests.Given;
using static MorningRound.Core.Tests.Progress.GivenResults;

namespace MorningRound.Core.Tests.TestDays;

public class TestDayTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly TestDay Day = new()
    {
        Name = "Putting and chipping",
        EveryWeeks = 6,
        FirstDay = new DateOnly(2026, 5, 9),
        Students = [Id(1), Id(2)],
    };

    [Fact]
    public void The_next_one_comes_so_many_weeks_after_the_last()
    {
        Assert.Equal(new DateOnly(2026, 5, 9), Day.NextAfter([], Today));
        Assert.Equal(new DateOnly(2026, 6, 20), Day.NextAfter([new DateOnly(2026, 3, 28), new DateOnly(2026, 5, 9)], Today));
        // Overdue means now.
        Assert.Equal(Today, Day.NextAfter([new DateOnly(2026, 1, 10)], Today));
    }

    [Theory]
    [InlineData("", 6, 2, "name")]
    [InlineData("Test", 0, 2, "everyWeeks")]
    [InlineData("Test", 53, 2, "everyWeeks")]
    [InlineData("Test", 6, 0, "students")]
    [InlineData("Test", 6, 41, "students")]
    public void What_is_wrong_is_named(string name, int weeks, int students, string path) =>
        Assert.Equal(
            [path],
            (Day with { Name = name, EveryWeeks = weeks, Students = [.. Enumerable.Range(1, students).Select(Id)] })
                .Check(Today)
                .Select(e => e.Path)
        );

    [Fact]
    public void A_student_named_twice_and_a_day_of_the_year_1_are_refused() =>
        Assert.Equal(
            ["firstDay", "students"],
            (Day with { FirstDay = new DateOnly(1, 1, 1), Students = [Id(1), Id(1)] }).Check(Today).Select(e => e.Path)
        );

    private static readonly TestTask Task = new(
        Id(50),
        Made(0, 1, 2).DrillId,
        "Gate",
        "",
        Made(0, 1, 2).Rung,
        Made(0, 1, 2).Group,
        Area.Putting,
        new MeasureKind("share", "Made", "%", Better.Higher, 0)
    );

    [Fact]
    public void A_student_is_set_beside_the_first_time_and_the_last()
    {
        // Source: Newcombe, Stat Med 17 (1998) 873: 56/70 less 48/80 lies from 0.0524 to 0.3339.
        var line = TestLine.Of(Task, [Made(84, 56, 70), Made(0, 48, 80), Made(42, 14, 20)]);
        Assert.Equal([60, 70, 80], line.Results.Select(r => r.Point.Value));
        Assert.Equal("From 60 % to 80 %: better, by somewhere from 5 to 33 points.", line.SinceFirst!.Text);
        Assert.Equal(BesideVerdict.NotClear, line.SinceLast!.Verdict);
    }

    [Fact]
    public void One_result_is_set_beside_nothing_and_two_only_once()
    {
        Assert.Null(TestLine.Of(Task, [Made(0, 48, 80)]).SinceFirst);
        var two = TestLine.Of(Task, [Made(0, 48, 80), Made(42, 56, 70)]);
        Assert.NotNull(two.SinceFirst);
        Assert.Null(two.SinceLast);
    }

    [Fact]
    public void Results_of_another_step_or_kind_of_practice_are_passed_over() =>
        Assert.Empty(
            TestLine
                .Of(Task with { Rung = Task.Rung + 1 }, [Made(0, 48, 80)])
                .Results.Concat(TestLine.Of(Task with { Group = PhaseGroup.RandomOrOnCourse }, [Made(0, 48, 80)]).Results)
        );
}
