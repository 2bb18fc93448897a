using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Core.Drills;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Plans;

/// <summary>The check, its fixes, drafts, templates and calls, as the bench asks for them.</summary>
public class PlanWorkbenchTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static List<string> Ids(Answer answer) =>
        [.. answer.Body!["findings"]!.AsArray().Select(f => f!["id"]!.GetValue<string>())];

    private static object Technique(object? constraints = null) =>
        new
        {
            title = "Half an hour",
            purpose = "Start it on line",
            successTest = "Seven of ten",
            constraints = constraints ?? new { },
            segments = new object[]
            {
                new
                {
                    kind = "practice",
                    id = School.First,
                    title = "Gate",
                    phase = "block",
                    intent = "technique",
                    area = "putting",
                    place = "puttingGreen",
                    minutes = 20,
                    balls = 50,
                    exit = new { kind = "balls" },
                },
            },
        };

    [Fact]
    public async Task A_plan_is_checked_and_a_fix_applied()
    {
        var found = await _school.Coach.PostAsync("/api/plans/check", new { plan = Technique() });
        Assert.Equal(["noFeedback", "noFocus"], Ids(found));
        Assert.Equal(
            ("caution", School.First),
            (
                found.Body!["findings"]![0]!["level"]!.GetValue<string>(),
                found.Body["findings"]![0]!["segmentId"]!.GetValue<Guid>()
            )
        );
        var mended = (
            await _school.Coach.PostAsync(
                "/api/plans/fix",
                new
                {
                    plan = Technique(),
                    finding = "noFeedback",
                    segmentId = School.First,
                }
            )
        ).Body!;
        Assert.Equal(["noFocus"], Ids(await _school.Coach.PostAsync("/api/plans/check", new { plan = mended })));
    }

    [Fact]
    public async Task What_is_left_and_the_shares_are_told_beside_it()
    {
        var seen = (
            await _school.Coach.PostAsync(
                "/api/plans/check",
                new
                {
                    plan = Technique(
                        new
                        {
                            minutes = 45,
                            balls = 30,
                            approach = "threeParts",
                        }
                    ),
                }
            )
        ).Body!;
        Assert.Equal((25, 30), (seen["minutesLeft"]!.GetValue<int>(), seen["ballsLeft"]!.GetValue<int>()));
        Assert.Equal([100.0, 0, 0], seen["shares"]!.AsArray().Select(s => s!["percent"]!.GetValue<double>()));
        Assert.Equal(
            ("putting", 20),
            (seen["areas"]![0]!["area"]!.GetValue<string>(), seen["areas"]![0]!["minutes"]!.GetValue<int>())
        );
    }

    [Fact]
    public async Task A_plan_that_could_not_be_saved_is_not_checked_but_told_what_is_wrong()
    {
        var seen = await _school.Coach.PostAsync("/api/plans/check", new { plan = Technique(new { minutes = 3 }) });
        Assert.Empty(Ids(seen));
        Assert.Equal("constraints.minutes", seen.Body!["analysis"]!["toKeep"]![0]!["path"]!.GetValue<string>());
        Assert.Equal(
            ["plan.constraints.minutes"],
            (
                await _school.Coach.PostAsync(
                    "/api/plans/fix",
                    new { plan = Technique(new { minutes = 3 }), finding = "noFocus" }
                )
            ).Fields
        );
    }

    [Fact]
    public async Task A_draft_comes_from_the_academys_own_shelf_and_can_be_saved_and_published()
    {
        await _school.Coach.PutAsync($"/api/drills/{Guid.CreateVersion7()}", School.Drill("Our own gate"));
        var drafted = await _school.Coach.PostAsync(
            "/api/plans/draft",
            new
            {
                request = new
                {
                    minutes = 40,
                    places = new[] { "puttingGreen" },
                    approach = "evenSplit",
                },
                studentId = _school.StudentId,
            }
        );
        Assert.Equal(HttpStatusCode.OK, drafted.Status);
        var plan = drafted.Body!["plan"]!;
        Assert.Equal(plan["segments"]!.AsArray().Count, drafted.Body["reasons"]!.AsArray().Count);
        Assert.Contains("Our own gate", plan.ToJsonString());
        await _school.SetAsync(await _school.SavePlanAsync(plan), day: null);
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
        Assert.Equal(
            drafted.Body.ToJsonString(),
            (
                await _school.Coach.PostAsync(
                    "/api/plans/draft",
                    new
                    {
                        request = new
                        {
                            minutes = 40,
                            places = new[] { "puttingGreen" },
                            approach = "evenSplit",
                        },
                        studentId = _school.StudentId,
                    }
                )
            ).Body!.ToJsonString()
        );
    }

    [Fact]
    public async Task Several_students_share_a_draft_and_a_stranger_is_none_of_them()
    {
        object Asked(params Guid[] students) =>
            new { request = new { minutes = 40, places = new[] { "puttingGreen" } }, studentIds = students };
        var alone = await _school.Coach.PostAsync("/api/plans/draft", Asked(_school.StudentId));
        Assert.Equal(HttpStatusCode.OK, alone.Status);
        Assert.NotNull(alone.Body!["plan"]);
        var stranger = await _school.Coach.PostAsync("/api/plans/draft", Asked(_school.StudentId, Guid.CreateVersion7()));
        Assert.Equal(HttpStatusCode.NotFound, stranger.Status);
        var crowd = await _school.Coach.PostAsync(
            "/api/plans/draft",
            Asked([.. Enumerable.Range(0, 13).Select(_ => Guid.CreateVersion7())])
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "studentIds"), (crowd.Status, crowd.Fields.Single()));
    }

    [Fact]
    public async Task Where_nothing_honest_can_be_drafted_the_answer_is_the_reason_and_what_would_work()
    {
        var answer = await _school.Coach.PostAsync(
            "/api/plans/draft",
            new
            {
                request = new
                {
                    minutes = 40,
                    balls = 0,
                    places = new[] { "range" },
                    area = "driver",
                },
                studentId = _school.StudentId,
            }
        );
        Assert.Equal(HttpStatusCode.OK, answer.Status);
        Assert.Null(answer.Body!["plan"]);
        Assert.NotEmpty(answer.Body["compromises"]!.AsArray());
    }

    [Fact]
    public async Task A_weeks_warm_ups_come_at_once_for_every_day_school_and_length()
    {
        var view = (await _school.Student.GetAsync($"/api/plans/warm-ups/{_school.StudentId}")).Body!;
        Assert.Equal(7, view["days"]!.AsArray().Count);
        Assert.Equal([0, 1, 0, 1, 0, 1, 0], view["days"]!.AsArray().Select(d => d!["set"]!.GetValue<int>()));
        var warmUps = view["sets"]![0]!["warmUps"]!.AsArray();
        Assert.Equal(2 * 6 * 4, warmUps.Count);
        Assert.Contains(warmUps, w => w!["parts"]!.AsArray().Any(p => p!["isAimCheck"]!.GetValue<bool>()));
        Assert.Equal(2, view["aim"]!["flow"]!["version"]!.GetValue<int>());
        Assert.All(
            warmUps,
            w => Assert.InRange(w!["parts"]!.AsArray().Sum(p => p!["minutes"]!.GetValue<int>()), 1, w["minutes"]!.GetValue<int>())
        );
    }

    [Theory]
    [InlineData("""{"minutes":2,"places":["range"]}""", "request.minutes")]
    [InlineData("""{"minutes":30,"balls":900,"places":["range"]}""", "request.balls")]
    [InlineData("""{"minutes":30,"places":[]}""", "request.places")]
    public async Task Answers_that_make_no_draft_are_named(string request, string field)
    {
        var answer = await _school.Coach.PostAsync("/api/plans/draft", $$"""{"request":{{request}}}""");
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (answer.Status, answer.Fields.Single()));
    }

    [Fact]
    public async Task Calls_are_the_same_for_the_same_seed_and_tell_how_much_they_change()
    {
        var protocol = new
        {
            kind = "calledShots",
            clubs = new[] { "iron6", "iron8", "hybrid" },
            calls = 12,
        };
        var first = (await _school.Coach.PostAsync("/api/plans/calls", new { protocol, seed = 5 })).Body!;
        Assert.Equal(
            first.ToJsonString(),
            (await _school.Coach.PostAsync("/api/plans/calls", new { protocol, seed = 5 })).Body!.ToJsonString()
        );
        Assert.NotEqual(
            first.ToJsonString(),
            (await _school.Coach.PostAsync("/api/plans/calls", new { protocol, seed = 6 })).Body!.ToJsonString()
        );
        Assert.Equal((12, 1.0), (first["calls"]!.AsArray().Count, first["variety"]!["club"]!.GetValue<double>()));
        Assert.Equal(
            ["protocol.clubs"],
            (
                await _school.Coach.PostAsync(
                    "/api/plans/calls",
                    new { protocol = new { kind = "calledShots", clubs = Array.Empty<string>() }, seed = 1 }
                )
            ).Fields
        );
    }

    [Fact]
    public async Task Templates_come_with_their_drawing()
    {
        var templates = (await _school.Coach.GetAsync("/api/plans/templates")).Body!.AsArray();
        Assert.True(templates.Count >= 10);
        Assert.All(templates, t => Assert.NotEmpty(t!["strip"]!.AsArray()));
        Assert.All(templates, t => Assert.Equal(t!["plan"]!["segments"]!.AsArray().Count, t["strip"]!.AsArray().Count));
    }

    [Fact]
    public async Task A_stop_keeps_a_week_from_being_published_and_names_the_segment()
    {
        var drill = Technique(new { minutes = 10 });
        var id = await _school.SetAsync(await _school.SavePlanAsync(drill), day: "2026-05-07", studentId: _school.OtherStudentId);
        var refused = await _school.PublishAsync(_school.OtherStudentId);
        Assert.Equal((HttpStatusCode.UnprocessableEntity, $"sessions[{id}].segments"), (refused.Status, refused.Fields.Single()));
        await _school.Coach.DeleteAsync($"/api/weeks/assignments/{id}");
    }

    [Fact]
    public async Task Who_a_plan_is_for_is_told_in_a_few_lines()
    {
        var seen = (await _school.Coach.GetAsync($"/api/plans/context/{_school.StudentId}")).Body!;
        Assert.Equal(
            ("improving", "right", "offSeason"),
            (seen["level"]!.GetValue<string>(), seen["hand"]!.GetValue<string>(), seen["season"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_trimmed_session_is_labelled_so_and_its_number_stays_honest()
    {
        var id = await _school.PublishedSessionAsync("2026-05-05");
        var view = (await _school.Student.GetAsync($"/api/sessions/{id}")).Body!;
        // By hand: of 33 minutes the pause falls out for 20, and 20 and 10 become 13 and 7 of 20.
        var step = view["trim"]!["steps"]!.AsArray().First(s => s!["from"]!.GetValue<int>() <= 20)!;
        Assert.Equal([School.First, School.Second], step["kept"]!.AsArray().Select(k => k!.GetValue<Guid>()));
        var kept = new[]
        {
            new
            {
                segmentId = School.First,
                minutes = 13,
                balls = 0,
            },
            new
            {
                segmentId = School.Second,
                minutes = 7,
                balls = 0,
            },
        };
        await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "trimmed", -60, ("kept", kept)),
            School.Entry(2, "settled", -50, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(3, "settled", -40, ("segmentId", School.Second), ("outcome", "done")),
            School.Entry(4, "finished", -40)
        );
        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.Equal("trimmed", seen["card"]!["status"]!.GetValue<string>());
        Assert.Equal(20, seen["card"]!["completion"]!["doneMinutes"]!.GetValue<double>(), 9);
        // A session that was had is not made to fit any more.
        Assert.Null(seen["trim"]);
    }

    [Theory]
    [InlineData(
        """[{"segmentId":"00000009-0000-7000-8000-000000000000","minutes":5,"balls":0}]""",
        "entries[0].kept[0].segmentId"
    )]
    [InlineData("""[{"segmentId":"00000001-0000-7000-8000-000000000000","minutes":0,"balls":0}]""", "entries[0].kept[0].minutes")]
    public async Task A_trim_of_something_else_is_refused(string kept, string field)
    {
        var id = await _school.PublishedSessionAsync("2026-05-05");
        var answer = await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "trimmed", 1, ("kept", JsonNode.Parse(kept)))
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (answer.Status, answer.Fields.Single()));
    }

    [Fact]
    public async Task For_the_squad_it_is_told_who_that_is()
    {
        var seen = (await _school.Coach.PostAsync("/api/plans/check", new { plan = Technique(), isForSquad = true })).Body!;
        Assert.Equal("2 students: 2 improving.", seen["squad"]!.GetValue<string>());
        Assert.Null((await _school.Coach.PostAsync("/api/plans/check", new { plan = Technique() })).Body!["squad"]);
    }
}
