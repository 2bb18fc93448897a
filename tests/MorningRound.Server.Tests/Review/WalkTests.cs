using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.Review;

/// <summary>The walk as a coach takes it: judged, decided, said, published.</summary>
public class WalkTests(OneServer fixture) : IClassFixture<OneServer>
{
    private const string This = TestServer.Week;
    private const string Next = "2026-W20";

    /// <summary>
    /// A drill with two steps, and a week in which it was practised three times, so many of twenty made each time.
    /// </summary>
    internal static async Task<(School School, Guid[] Sessions)> PractisedAsync(School school, params int[] made)
    {
        object Rate(string make) =>
            new
            {
                kind = "makeRate",
                attempts = 20,
                make,
            };
        var rungs = new[] { ("Wide", "through the wide gate", 60.0), ("Narrow", "through the narrow gate", 70.0) };
        var drill = School.Drill(
            "Gate",
            Rate("through the wide gate"),
            [
                .. rungs.Select(r =>
                    (object)
                        new
                        {
                            name = r.Item1,
                            protocol = Rate(r.Item2),
                            goal = new { measure = "share", limit = r.Item3 },
                        }
                ),
            ]
        );
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/drills/{School.Second}", drill)).Status);
        var written = JsonSerializer.SerializeToNode(School.PlanWithDrill(goal: new { measure = "share", limit = 60 }))!;
        written["segments"]![0]!["drill"]!["drill"] = JsonSerializer.SerializeToNode(drill);
        var plan = await school.SavePlanAsync(written);
        var sessions = new List<Guid>();
        foreach (var day in new[] { "2026-05-04", "2026-05-05", "2026-05-06" }.Take(made.Length))
            sessions.Add(await school.SetAsync(plan, day));
        Assert.Equal(HttpStatusCode.OK, (await school.PublishAsync()).Status);
        for (var i = 0; i < made.Length; i++)
            await PractiseAsync(school, sessions[i], made[i]);
        return (school, [.. sessions]);
    }

    private static async Task PractiseAsync(School school, Guid session, int made)
    {
        var log = Guid.CreateVersion7();
        var flow = (await school.Student.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!["flow"]!["version"]!;
        var entries = new List<Dictionary<string, object?>> { School.Entry(1, "entered", 0, ("segmentId", School.First)) };
        for (var attempt = 1; attempt <= 20; attempt++)
        {
            entries.Add(
                School.Entry(
                    attempt + 1,
                    "answered",
                    attempt / 10.0,
                    ("segmentId", School.First),
                    ("flowVersion", flow.GetValue<int>()),
                    (
                        "input",
                        new
                        {
                            kind = "choice",
                            attempt,
                            value = attempt <= made ? "made" : "missed",
                        }
                    )
                )
            );
        }

        entries.Add(School.Entry(22, "rated", 3, ("confidence", 7), ("quality", 6), ("note", "The gate felt wide.")));
        entries.Add(School.Entry(23, "finished", 3));
        Assert.Equal(HttpStatusCode.OK, (await school.SendAsync(log, session, [.. entries])).Status);
    }

    private static async Task<JsonNode> StopAsync(School school)
    {
        var stop = await school.Coach.GetAsync($"/api/review/stops/{school.StudentId}");
        Assert.Equal(HttpStatusCode.OK, stop.Status);
        return stop.Body!;
    }

    private static Task<Answer> DecideAsync(School school, JsonNode suggestion, string? decision, object? change = null) =>
        school.Coach.PutAsync(
            $"/api/review/stops/{school.StudentId}/decision",
            new
            {
                week = Next,
                suggestionId = suggestion["id"]!.GetValue<string>(),
                decision,
                change = decision is null or "left" ? null : change ?? suggestion["change"],
            }
        );

    [Fact]
    public async Task A_goal_that_was_met_is_raised_and_the_published_week_holds_exactly_that()
    {
        var (school, sessions) = await PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var stop = await StopAsync(school);
        Assert.Equal((This, Next), (stop["judged"]!.GetValue<string>(), stop["planned"]!.GetValue<string>()));
        var suggestion = Assert.Single(stop["suggestions"]!.AsArray())!["suggestion"]!;
        Assert.Equal("raise", suggestion["change"]!["kind"]!.GetValue<string>());
        Assert.Equal(
            "“Gate”: share made at least 60 % was met in 3 of the last 3, with confidence 7. Next step: Narrow.",
            suggestion["why"]!.GetValue<string>()
        );
        // Every number can be opened down to its session.
        Assert.Equal(sessions.Order(), suggestion["evidence"]!.AsArray().Select(e => e!["sessionId"]!.GetValue<Guid>()).Order());
        Assert.Equal("The gate felt wide.", stop["said"]![0]!["note"]!.GetValue<string>());
        Assert.All(stop["next"]!.AsArray(), s => Assert.Empty(s!["changes"]!.AsArray()));

        var decided = (await DecideAsync(school, suggestion, "taken")).Body!;
        Assert.Equal("taken", decided["suggestions"]![0]!["decision"]!.GetValue<string>());
        Assert.All(
            decided["next"]!.AsArray(),
            s => Assert.Equal("“Gate” now on: Narrow.", Assert.Single(s!["changes"]!.AsArray())!.GetValue<string>())
        );

        foreach (var _ in new[] { 1, 2 })
        {
            var published = await school.Coach.PostAsync($"/api/review/stops/{school.StudentId}/publish", new { week = Next });
            Assert.Equal(HttpStatusCode.OK, published.Status);
        }

        var week = (await school.Student.GetAsync($"/api/weeks/{Next}/students/{school.StudentId}")).Body!["sessions"]!.AsArray();
        Assert.Equal(3, week.Count);
        foreach (var card in week)
        {
            Assert.Equal("“Gate” now on: Narrow.", Assert.Single(card!["notes"]!["tailored"]!.AsArray())!.GetValue<string>());
            var next = (await school.Student.GetAsync($"/api/sessions/{card["assignmentId"]}")).Body!["plan"]!;
            var before = (await school.Student.GetAsync($"/api/sessions/{sessions[0]}")).Body!["plan"]!;
            Assert.Equal(1, next["segments"]![0]!["drill"]!["rung"]!.GetValue<int>());
            Assert.Equal(70, next["segments"]![0]!["drill"]!["goal"]!["limit"]!.GetValue<double>());
            // Nothing else is changed.
            foreach (var plan in new[] { next, before })
                plan["segments"]![0]!.AsObject().Remove("drill");
            Assert.Equal(before.ToJsonString(), next.ToJsonString());
        }

        // What is published is planned no more: the stop says so.
        Assert.All((await StopAsync(school))["next"]!.AsArray(), s => Assert.True(s!["isPublished"]!.GetValue<bool>()));
    }

    [Fact]
    public async Task What_is_left_changes_nothing_and_a_decision_can_be_taken_back()
    {
        var (school, _) = await PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var suggestion = (await StopAsync(school))["suggestions"]![0]!["suggestion"]!;
        await DecideAsync(school, suggestion, "taken");
        var left = (await DecideAsync(school, suggestion, "left")).Body!;
        Assert.Equal("left", left["suggestions"]![0]!["decision"]!.GetValue<string>());
        Assert.All(left["next"]!.AsArray(), s => Assert.Empty(s!["changes"]!.AsArray()));
        var undone = (await DecideAsync(school, suggestion, null)).Body!;
        Assert.Null(undone["suggestions"]![0]!["decision"]);
        var rest = new
        {
            kind = "retire",
            segments = suggestion["change"]!["segments"],
            drillId = suggestion["change"]!["drillId"],
            onRung = 0,
            group = "block",
        };
        var other = (await DecideAsync(school, suggestion, "other", rest)).Body!;
        Assert.Equal("“Gate” rests.", other["suggestions"]![0]!["other"]!.GetValue<string>());
    }

    [Fact]
    public async Task Nothing_is_taken_into_a_week_that_the_student_has_already()
    {
        var (school, _) = await PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var path = $"/api/review/stops/{school.StudentId}";
        var suggestion = (await school.Coach.GetAsync(path)).Body!["suggestions"]![0]!["suggestion"]!;
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PostAsync($"{path}/publish", new { week = Next })).Status);
        var refused = await DecideAsync(school, suggestion, "taken");
        Assert.Equal((HttpStatusCode.Conflict, "decision"), (refused.Status, refused.Fields.Single()));
        Assert.Equal(HttpStatusCode.OK, (await DecideAsync(school, suggestion, "left")).Status);
    }

    [Fact]
    public async Task Bad_decisions_name_their_field()
    {
        var (school, _) = await PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        var path = $"/api/review/stops/{school.StudentId}/decision";
        async Task<IEnumerable<string>> FieldsOf(object input) => (await school.Coach.PutAsync(path, input)).Fields;
        Assert.Equal(
            ["change"],
            await FieldsOf(
                new
                {
                    week = Next,
                    suggestionId = "one",
                    decision = "taken",
                }
            )
        );
        Assert.Equal(
            ["suggestionId"],
            await FieldsOf(
                new
                {
                    week = Next,
                    suggestionId = " ",
                    decision = "left",
                }
            )
        );
        Assert.Equal(
            ["week"],
            await FieldsOf(
                new
                {
                    week = "0001-W01",
                    suggestionId = "one",
                    decision = "left",
                }
            )
        );
        var huge = new
        {
            week = Next,
            suggestionId = "one",
            decision = "taken",
            change = new
            {
                kind = "raise",
                segments = Array.Empty<object>(),
                onRung = 0,
                rung = int.MaxValue,
            },
        };
        Assert.Equal(["change.rung"], await FieldsOf(huge));
    }

    [Fact]
    public async Task One_coach_stops_at_a_time_and_gives_way_after_ten_idle_minutes()
    {
        var school = await fixture.OpenAsync();
        var held = $"/api/review/stops/{school.StudentId}/held";
        Assert.Equal(HttpStatusCode.NoContent, (await school.Coach.PutAsync(held, new { })).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await school.Coach.PutAsync(held, new { })).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await school.Owner.PutAsync(held, new { })).Status);
        var row = (await school.Owner.GetAsync("/api/review/tee-line?everybody=true")).Body!["rows"]!
            .AsArray()
            .Single(r => r!["student"]!["id"]!.GetValue<Guid>() == school.StudentId)!;
        Assert.NotNull(row["heldBy"]);
        await school.Coach.DeleteAsync(held);
        Assert.Equal(HttpStatusCode.NoContent, (await school.Owner.PutAsync(held, new { })).Status);
        Assert.Equal(HttpStatusCode.Conflict, (await school.Coach.PutAsync(held, new { })).Status);
    }

    [Fact]
    public async Task Of_two_coaches_who_stop_at_the_same_moment_one_does()
    {
        var school = await fixture.OpenAsync();
        var held = $"/api/review/stops/{school.StudentId}/held";
        var both = await Task.WhenAll(
            Enumerable.Range(0, 10).Select(i => (i % 2 == 0 ? school.Coach : school.Owner).PutAsync(held, new { }))
        );
        Assert.Single(
            both.Select((a, i) => (a.Status, i % 2))
                .Where(a => a.Status == HttpStatusCode.NoContent)
                .Select(a => a.Item2)
                .Distinct()
        );
    }

    [Fact]
    public async Task Who_was_seen_is_seen_until_more_presses()
    {
        var (school, _) = await PractisedAsync(await fixture.OpenAsync(), 13, 14, 15);
        async Task<JsonNode> Row() =>
            (await school.Coach.GetAsync("/api/review/tee-line?everybody=true")).Body!["rows"]!
                .AsArray()
                .Single(r => r!["student"]!["id"]!.GetValue<Guid>() == school.StudentId)!;
        var score = (await Row())["attention"]!["score"]!.GetValue<int>();
        await school.Coach.PutAsync($"/api/review/stops/{school.StudentId}/seen", new { score });
        Assert.True((await Row())["isSeen"]!.GetValue<bool>());
        Assert.Equal(1, (await school.Coach.GetAsync("/api/review/tee-line?everybody=true")).Body!["seen"]!.GetValue<int>());
        var session = await school.SetAsync(await school.SavePlanAsync(), "2026-05-07");
        await school.PublishAsync();
        await school.SendAsync(
            Guid.CreateVersion7(),
            session,
            School.Entry(1, "pain", 0, ("part", "knee"), ("side", "lead"), ("level", 6), ("sharp", false))
        );
        Assert.False((await Row())["isSeen"]!.GetValue<bool>());
    }

    [Fact]
    public async Task A_question_gets_a_word_and_the_word_one_answer()
    {
        var school = await fixture.OpenAsync();
        var word = $"/api/weeks/{This}/students/{school.StudentId}/word";
        Assert.Equal(0, (await school.Student.GetAsync(word)).Get<int>("version"));
        Assert.Equal(
            HttpStatusCode.OK,
            (await school.Student.PutAsync($"/api/weeks/{This}/question", new { text = "Putts or irons?" })).Status
        );
        // Somebody who read the week before the question would overlook it.
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await school.Coach.PutAsync(word, new { text = "Well done." })).Status);
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync(word, new { text = "Putts." }, 1)).Status);
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await school.Student.PutAsync($"/api/weeks/{This}/question", new { text = "And chips?" }, 2)).Status
        );
        var answered = await school.Student.PutAsync($"/api/weeks/{This}/answer", new { text = "Will do." }, 2);
        Assert.Equal(HttpStatusCode.OK, answered.Status);
        Assert.Equal(
            ("Putts or irons?", "Putts.", "Will do."),
            (answered.Get<string>("question"), answered.Get<string>("word"), answered.Get<string>("answer"))
        );
        // The same again is no second answer, another one is.
        Assert.Equal(
            HttpStatusCode.OK,
            (await school.Student.PutAsync($"/api/weeks/{This}/answer", new { text = "Will do." }, 2)).Status
        );
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await school.Student.PutAsync($"/api/weeks/{This}/answer", new { text = "Or not." }, 3)).Status
        );
        Assert.Equal(HttpStatusCode.Conflict, (await school.Coach.PutAsync(word, new { text = "Irons." }, 3)).Status);
        Assert.Equal(
            ["text"],
            (await school.Student.PutAsync("/api/weeks/2026-W21/question", new { text = new string('x', 601) })).Fields
        );
        Assert.Equal(["text"], (await school.Student.PutAsync("/api/weeks/2026-W21/question", new { text = " " })).Fields);
    }

    [Fact]
    public async Task A_question_waits_on_the_tee_line_from_the_second_day_on()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        await school.SetAsync(await school.SavePlanAsync(), null);
        await school.PublishAsync();
        await school.Student.PutAsync($"/api/weeks/{This}/question", new { text = "Putts or irons?" });
        async Task<string> Reason() =>
            (await school.Coach.GetAsync($"/api/review/students/{school.StudentId}")).Body!["attention"]![
                "reason"
            ]!.GetValue<string>();
        Assert.NotEqual("unanswered", await Reason());
        TeeLineTests.GoTo(server, "2026-05-08");
        Assert.Equal("nothingSet", await Reason());
        var reasons = (await school.Coach.GetAsync($"/api/review/students/{school.StudentId}")).Body!["attention"]!["reasons"]!;
        Assert.Contains(
            reasons.AsArray(),
            r => r!["evidenceText"]!.GetValue<string>() == "Wrote on Wed 6 May, and nobody has answered yet."
        );
        await school.Coach.PutAsync($"/api/weeks/{This}/students/{school.StudentId}/word", new { text = "Putts." }, 1);
        reasons = (await school.Coach.GetAsync($"/api/review/students/{school.StudentId}")).Body!["attention"]!["reasons"]!;
        Assert.DoesNotContain(reasons.AsArray(), r => r!["reason"]!.GetValue<string>() == "unanswered");
    }
}
