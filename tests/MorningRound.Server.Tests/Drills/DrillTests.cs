using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Drills;

public class DrillTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static object Answer(int attempt, string value) =>
        new
        {
            kind = "choice",
            attempt,
            value,
        };

    private async Task<Guid> SetAsync(object plan)
    {
        var id = await _school.SetAsync(await _school.SavePlanAsync(plan));
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync()).Status);
        return id;
    }

    private static Dictionary<string, object?>[] Answers(params string[] values) =>
        [
            .. values.Select(
                (v, i) =>
                    School.Entry(
                        i + 1,
                        "answered",
                        i,
                        ("segmentId", School.First),
                        ("flowVersion", 1),
                        ("input", Answer(i + 1, v))
                    )
            ),
        ];

    private async Task<JsonNode> ResultAsync(Guid session) =>
        (await _school.Coach.GetAsync($"/api/sessions/{session}")).Body!["results"]![0]!;

    [Fact]
    public async Task A_new_academy_finds_the_starting_shelf_and_searches_it()
    {
        var all = (await _school.Coach.GetAsync("/api/drills")).Body!.AsArray();
        Assert.True(all.Count >= 24);
        var answer = await _school.Coach.GetAsync("/api/drills?area=putting&place=home&minutes=10&atHand=");
        Assert.True(answer.Status == HttpStatusCode.OK, answer.Body!.ToJsonString());
        var putting = answer.Body!.AsArray();
        Assert.Contains("Through the gate", putting.Select(d => d!["name"]!.GetValue<string>()));
        Assert.All(putting, d => Assert.True(d!["usualMinutes"]!.GetValue<int>() <= 10));
        Assert.Equal(
            "Climb the green",
            Assert.Single((await _school.Coach.GetAsync("/api/drills?protocol=stepLadder")).Body!.AsArray())![
                "name"
            ]!.GetValue<string>()
        );
        Assert.Equal(["atHand"], (await _school.Coach.GetAsync("/api/drills?atHand=jetpack")).Fields);
        Assert.Equal(HttpStatusCode.BadRequest, (await _school.Coach.GetAsync("/api/drills?area=moon")).Status);
    }

    [Fact]
    public async Task Two_coaches_on_one_drill_do_not_overwrite_each_other()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/drills/{id}", School.Drill());
        Assert.Equal(
            2,
            (await _school.Coach.PutAsync($"/api/drills/{id}", School.Drill("Wider gate"), version: 1)).Get<int>("version")
        );
        var stale = await _school.Owner.PutAsync($"/api/drills/{id}", School.Drill("Narrow gate"), version: 1);
        Assert.Equal(HttpStatusCode.PreconditionFailed, stale.Status);
        Assert.Equal("Wider gate", stale.Body!["current"]!["drill"]!["name"]!.GetValue<string>());
        Assert.Equal(
            HttpStatusCode.OK,
            (await _school.Coach.PutAsync($"/api/drills/{id}", School.Drill("Wider gate"), version: 1)).Status
        );
    }

    [Fact]
    public async Task A_wrong_drill_names_its_fields()
    {
        var wrong = await _school.Coach.PutAsync($"/api/drills/{Guid.CreateVersion7()}", School.Drill("", School.Streak(1)));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.Status);
        Assert.Equal(["name", "protocol.length"], wrong.Fields.Order());
        var unknown = await _school.Coach.PutAsync(
            $"/api/drills/{Guid.CreateVersion7()}",
            School.Drill(protocol: new { kind = "dance" })
        );
        Assert.Equal((HttpStatusCode.BadRequest, "protocol"), (unknown.Status, Assert.Single(unknown.Fields).Split('.', '[')[0]));
    }

    [Fact]
    public async Task A_drill_that_was_removed_stays_away_until_a_file_puts_it_back()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/drills/{id}", School.Drill("Put back"));
        var file = (await _school.Coach.GetAsync("/api/drills/file")).Body!;
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/drills/{id}")).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/drills/{id}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"/api/drills/{id}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.PutAsync($"/api/drills/{id}", School.Drill(), 2)).Status);

        var imported = await _school.Coach.PostAsync("/api/drills/file", file.ToJsonString());
        Assert.Equal((1, 0), (imported.Get<int>("added"), imported.Get<int>("changed")));
        var back = await _school.Coach.GetAsync($"/api/drills/{id}");
        Assert.Equal("Put back", back.Body!["drill"]!["name"]!.GetValue<string>());
        Assert.Equal(3, back.Get<int>("version"));
    }

    [Fact]
    public async Task A_file_goes_out_and_comes_back_whole_and_a_broken_one_imports_nothing()
    {
        await using var server = await TestServer.NewAsync();
        var other = await School.OpenAsync(server, "Other");
        var file = (await _school.Coach.GetAsync("/api/drills/file")).Body!;
        var count = file["drills"]!.AsArray().Count;
        var shelf = (await other.Coach.GetAsync("/api/drills")).Body!.AsArray().Count;

        file["drills"]![3]!["drill"]!["name"] = "";
        var broken = await other.Coach.PostAsync("/api/drills/file", file.ToJsonString());
        Assert.Equal(["drills[3].drill.name"], broken.Fields);
        Assert.Equal(shelf, (await other.Coach.GetAsync("/api/drills")).Body!.AsArray().Count);

        file["drills"]![3]!["drill"]!["name"] = "Renamed";
        var first = (await other.Coach.PostAsync("/api/drills/file", file.ToJsonString())).Body!;
        Assert.Equal(
            count,
            first["added"]!.GetValue<int>() + first["changed"]!.GetValue<int>() + first["unchanged"]!.GetValue<int>()
        );
        Assert.InRange(first["changed"]!.GetValue<int>(), 1, count);
        Assert.Equal(count, (await other.Coach.PostAsync("/api/drills/file", file.ToJsonString())).Get<int>("unchanged"));
        Assert.Contains(
            "Renamed",
            (await other.Coach.GetAsync("/api/drills")).Body!.AsArray().Select(d => d!["name"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_drill_is_tried_out_with_a_students_own_numbers()
    {
        var grid = new { kind = "carryGrid", cells = new[] { new { club = "sandWedge", swing = "full" } } };
        var open = await _school.Coach.PostAsync("/api/drills/check", new { drill = School.Drill(protocol: grid) });
        Assert.Equal("The wedge grid has no number for sand wedge, full.", open.Get<string>("missing"));
        Assert.Null(open.Body!["flow"]);

        var sound = await _school.Coach.PostAsync("/api/drills/check", new { drill = School.Drill(), seed = 4 });
        Assert.Equal("attempt", sound.Body!["flow"]!["start"]!.GetValue<string>());
        var scored = await _school.Coach.PostAsync(
            "/api/drills/score",
            new
            {
                protocol = School.Streak(),
                seed = 4,
                inputs = new[] { Answer(1, "made"), Answer(2, "missed") },
            }
        );
        Assert.Equal("Best run 1 of 3 asked, in 2 attempts.", scored.Get<string>("text"));
    }

    [Fact]
    public async Task A_published_drill_is_scored_and_held_against_its_goal()
    {
        var session = await SetAsync(School.PlanWithDrill(goal: new { measure = "best", limit = 3 }));
        var phone = (await _school.Student.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!;
        Assert.Equal("best run at least 3", phone["goal"]!.GetValue<string>());
        Assert.Equal(1, phone["flow"]!["version"]!.GetValue<int>());

        await _school.SendAsync(Guid.CreateVersion7(), session, Answers("made", "missed", "made", "made", "made"));
        var result = await ResultAsync(session);
        Assert.Equal(
            ("complete", "3 in a row, after 5 attempts.", true),
            (result["status"]!.GetValue<string>(), result["text"]!.GetValue<string>(), result["goalMet"]!.GetValue<bool>())
        );
        // A drill that came to its own end is done, however early.
        var card = (await _school.Coach.GetAsync($"/api/sessions/{session}")).Body!["card"]!;
        Assert.Equal(1, card["completion"]!["fraction"]!.GetValue<double>());
    }

    [Fact]
    public async Task An_attempt_taken_back_is_not_scored_but_its_inputs_stay_in_the_log()
    {
        var session = await SetAsync(School.PlanWithDrill());
        var log = Guid.CreateVersion7();
        Dictionary<string, object?>[] entries =
        [
            .. Answers("made", "missed"),
            School.Entry(3, "attemptDropped", 3, ("segmentId", School.First)),
            School.Entry(4, "answered", 4, ("segmentId", School.First), ("flowVersion", 1), ("input", Answer(2, "made"))),
        ];
        await _school.SendAsync(log, session, entries);
        Assert.Equal("Best run 2 of 3 asked, in 2 attempts.", (await ResultAsync(session))["text"]!.GetValue<string>());
        Assert.Equal(4, (await _school.Student.GetAsync($"/api/sessions/logs/{log}/entries")).Body!.AsArray().Count);
    }

    [Theory]
    [InlineData("sideways", 1)]
    [InlineData("made", 9)]
    public async Task A_log_that_does_not_fit_its_flow_is_kept_marked_and_not_scored(string value, int flowVersion)
    {
        var session = await SetAsync(School.PlanWithDrill());
        await _school.SendAsync(
            Guid.CreateVersion7(),
            session,
            School.Entry(1, "answered", 1, ("segmentId", School.First), ("flowVersion", flowVersion), ("input", Answer(1, value)))
        );
        var result = await ResultAsync(session);
        Assert.Equal("doesNotFit", result["status"]!.GetValue<string>());
        Assert.Equal(value, Assert.Single(result["inputs"]!.AsArray())!["value"]!.GetValue<string>());
        Assert.All(result["measures"]!.AsArray(), m => Assert.Null(m!["value"]));
        Assert.Null(result["goalMet"]);
    }

    [Fact]
    public async Task A_warm_up_keeps_no_score()
    {
        var session = await SetAsync(School.PlanWithDrill(phase: "warmUp"));
        await _school.SendAsync(Guid.CreateVersion7(), session, Answers("made", "made", "made"));
        var result = await ResultAsync(session);
        Assert.Equal("A warm-up keeps no score.", result["text"]!.GetValue<string>());
        Assert.Empty(result["measures"]!.AsArray());
    }

    [Fact]
    public async Task Changing_a_drill_or_a_plan_changes_nothing_that_was_set()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill());
        var session = await _school.SetAsync(plan);
        await _school.PublishAsync();
        await _school.SendAsync(Guid.CreateVersion7(), session, Answers("made", "made"));
        await _school.Coach.PutAsync($"/api/plans/{plan}", School.PlanWithDrill(School.Streak(9)), version: 1);
        await _school.PublishAsync();
        Assert.Equal("Best run 2 of 3 asked, in 2 attempts.", (await ResultAsync(session))["text"]!.GetValue<string>());
    }

    [Fact]
    public async Task What_a_drill_lacks_in_the_students_file_keeps_it_from_being_published_and_is_named()
    {
        var grid = new { kind = "carryGrid", cells = new[] { new { club = "lobWedge", swing = "nine" } } };
        var session = await _school.SetAsync(
            await _school.SavePlanAsync(School.PlanWithDrill(grid)),
            studentId: _school.OtherStudentId
        );
        var refused = await _school.PublishAsync(_school.OtherStudentId);
        Assert.Equal([$"sessions[{session}].segments[0].drill"], refused.Fields);
        Assert.Contains(
            "The wedge grid has no number for lob wedge, 9:00.",
            refused.Body!.ToJsonString(),
            StringComparison.Ordinal
        );

        var file = new
        {
            coach = new
            {
                wedgeGrid = new[]
                {
                    new
                    {
                        club = "lobWedge",
                        swing = "nine",
                        carry = new { value = 45.0, unit = "yards" },
                    },
                },
            },
        };
        await _school.WriteFileAsync(_school.OtherStudentId, file);
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync(_school.OtherStudentId)).Status);
        var drill = (await _school.OtherStudent.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!;
        Assert.StartsWith(
            "lob wedge, 9:00: 45 yd",
            drill["flow"]!["states"]![0]!["prompt"]!["text"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task An_aim_check_goes_out_with_all_it_needs_to_judge_without_a_signal()
    {
        var aim = new
        {
            kind = "measuredShots",
            what = "left or right",
            unit = "yd",
            least = -9,
            most = 9,
            shots = 5,
            aimDistance = 185,
        };
        object Club(string name, double carry) => new { club = name, carry = new { value = carry, unit = "yards" } };
        var file = new { coach = new { bag = new[] { Club("driver", 230), Club("iron5", 180), Club("iron9", 130) } } };
        await _school.WriteFileAsync(_school.OtherStudentId, file);
        var session = await _school.SetAsync(
            await _school.SavePlanAsync(School.PlanWithDrill(aim)),
            studentId: _school.OtherStudentId
        );
        Assert.Equal(HttpStatusCode.OK, (await _school.PublishAsync(_school.OtherStudentId)).Status);
        var flow = (await _school.OtherStudent.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!["flow"]!;
        Assert.Equal(2, flow["version"]!.GetValue<int>());
        Assert.Contains(
            "{0} yd {1} at 185 yd: aim {2} yd {3} ({4} yd with the driver, {5} yd with the 9 iron, {6}°)",
            flow.ToJsonString(new() { Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping }),
            StringComparison.Ordinal
        );
    }
}
