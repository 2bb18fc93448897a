using System.Net;
using MorningRound.Core.Plans;
using MorningRound.Server.Tests.Review;

namespace MorningRound.Server.Tests.Progress;

public class ProgressTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task The_charts_show_what_was_worked_by_hand_from_the_log()
    {
        var id = await _school.PublishedSessionAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            School.Entry(2, "counted", 10, ("segmentId", School.First), ("balls", 30)),
            School.Entry(3, "settled", 18, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(4, "settled", 19, ("segmentId", School.Second), ("outcome", "skipped")),
            School.Entry(5, "rated", 20, ("focus", 6), ("effort", 4)),
            School.Entry(6, "finished", 20)
        );
        var progress = (await _school.Student.GetAsync($"/api/progress/{_school.StudentId}?weeks=4")).Body!;
        Assert.Equal(
            ["2026-W16", "2026-W17", "2026-W18", "2026-W19"],
            progress["weeks"]!.AsArray().Select(w => w!["week"]!.GetValue<string>())
        );
        var week = progress["weeks"]![3]!;
        // By hand: 20 of 30 planned minutes; the clock ran 18; focus and effort were answered once, the rest was not.
        Assert.Equal(20.0 / 30, week["completion"]!["fraction"]!.GetValue<double>(), 10);
        Assert.Equal(18, week["minutesPractised"]!.GetValue<double>(), 10);
        Assert.Equal(
            (30, 6.0, 4.0),
            (
                week["strokes"]!["counted"]!.GetValue<int>(),
                week["ratings"]!["focus"]!.GetValue<double>(),
                week["ratings"]!["effort"]!.GetValue<double>()
            )
        );
        Assert.Null(week["ratings"]!["quality"]);
        Assert.Null(progress["weeks"]![0]!["completion"]!["fraction"]);
        Assert.Equal(id, progress["recent"]![0]!["assignmentId"]!.GetValue<Guid>());
    }

    [Fact]
    public async Task Results_feed_curve_goal_and_standing_and_every_dot_opens_its_session()
    {
        await using var server = await TestServer.NewAsync();
        var (school, sessions) = await WalkTests.PractisedAsync(await School.OpenAsync(server), 13, 14, 15);
        await school.WriteFileAsync(
            school.StudentId,
            new
            {
                coach = new
                {
                    focus = new
                    {
                        fault = "Starts left",
                        quantity = new
                        {
                            what = "share made",
                            unit = "%",
                            drillId = School.Second,
                            rung = 0,
                            measure = "share",
                            least = 60,
                        },
                    },
                },
            }
        );
        foreach (var who in new[] { school.Coach, school.Student })
        {
            var progress = (await who.GetAsync($"/api/progress/{school.StudentId}")).Body!;
            var curve = Assert.Single(progress["curves"]!.AsArray())!;
            Assert.Equal(sessions.Order(), curve["dots"]!.AsArray().Select(d => d!["sessionId"]!.GetValue<Guid>()).Order());
            // 42 of 60 is 70 %.
            Assert.Equal(70, progress["goal"]!["now"]!["value"]!.GetValue<double>(), 9);
            Assert.Equal("perhapsMet", progress["goal"]!["state"]!.GetValue<string>());
        }

        var large = await school.Student.GetAsync($"/api/progress/{school.StudentId}/drills/{School.Second}?group=block");
        Assert.Equal(3, large.Body!["curve"]!["dots"]!.AsArray().Count);
        Assert.Null(
            (
                await school.Student.GetAsync($"/api/progress/{school.StudentId}/drills/{School.Second}?group=randomOrOnCourse")
            ).Body!["curve"]
        );
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await school.Student.GetAsync($"/api/progress/{school.StudentId}/drills/{School.Second}?group=both")).Status
        );
        // Saving the goal was enough for the tee line to know of it.
        var looked = (await school.Coach.GetAsync($"/api/review/students/{school.StudentId}")).Body!;
        Assert.Contains(looked["attention"]!["reasons"]!.AsArray(), r => r!["reason"]!.GetValue<string>() == "goalMet");
    }
}
