using System.Globalization;
using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.Review;

/// <summary>
/// One student planted for every suggestion and for the reasons to look first; what each is to get was written down from the
/// rules of the trade before anything was run. The walk over them ends with published weeks that hold exactly the changed steps.
/// </summary>
public class WalkOverEverybodyTests
{
    private const string This = TestServer.Week;
    private const string Next = "2026-W20";

    private static readonly Guid Other = Guid.Parse("00000003-0000-7000-8000-000000000000");

    /// <summary>Twenty putts a time on two steps: 60 % is asked through the wide gate, 70 % through the narrow one.</summary>
    private static object Gate { get; } =
        School.Drill(
            "Gate",
            Rate("wide"),
            [
                new
                {
                    name = "Wide",
                    protocol = Rate("wide"),
                    goal = new { measure = "share", limit = 60 },
                },
                new
                {
                    name = "Narrow",
                    protocol = Rate("narrow"),
                    goal = new { measure = "share", limit = 70 },
                },
            ]
        );

    private static object Rate(string gate) =>
        new
        {
            kind = "makeRate",
            attempts = 20,
            make = $"through the {gate} gate",
        };

    private static JsonObject Segment(Guid id, int rung, string intent = "skill") =>
        new()
        {
            ["kind"] = "practice",
            ["id"] = id,
            ["title"] = "Gate",
            ["phase"] = "block",
            ["intent"] = intent,
            ["focus"] = "The face at the gate",
            ["place"] = "puttingGreen",
            ["minutes"] = 20,
            ["balls"] = 20,
            ["exit"] = new JsonObject { ["kind"] = "balls" },
            ["drill"] = new JsonObject
            {
                ["drillId"] = School.Second,
                ["drill"] = JsonSerializer.SerializeToNode(Gate),
                ["rung"] = rung,
                ["goal"] = new JsonObject { ["measure"] = "share", ["limit"] = rung == 0 ? 60 : 70 },
            },
        };

    /// <summary>Chips on the putting green, without a drill.</summary>
    private static JsonObject Chips(Guid id) =>
        new()
        {
            ["kind"] = "practice",
            ["id"] = id,
            ["title"] = "Chips from the fringe",
            ["phase"] = "random",
            ["intent"] = "skill",
            ["area"] = "chip",
            ["place"] = "puttingGreen",
            ["minutes"] = 20,
            ["balls"] = 20,
            ["exit"] = new JsonObject { ["kind"] = "balls" },
        };

    private static JsonObject Plan(params JsonObject[] segments) =>
        new()
        {
            ["title"] = "On the green",
            ["purpose"] = "Start it on line",
            ["successTest"] = "",
            ["segments"] = new JsonArray([.. segments]),
        };

    /// <summary>A student with a plan practised so often this week, a day after the other unless days are named.</summary>
    private static async Task<Guid> PlantAsync(
        School school,
        string name,
        JsonObject plan,
        int[] made,
        DateOnly[]? days = null,
        object? file = null,
        int[]? efforts = null
    )
    {
        var student = Guid.CreateVersion7();
        var input = School.StudentInput(name);
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/students/{student}", input)).Status);
        if (file is not null)
            await school.WriteFileAsync(student, file);
        var planId = await school.SavePlanAsync(plan);
        var sessions = new List<Guid>();
        for (var i = 0; i < Math.Max(1, made.Length); i++)
            sessions.Add(await school.SetAsync(planId, made.Length == 0 ? "2026-05-08" : "2026-05-06", studentId: student));
        Assert.Equal(HttpStatusCode.OK, (await school.PublishAsync(student)).Status);
        for (var i = 0; i < made.Length; i++)
            await PractiseAsync(school, sessions[i], made[i], days?[i] ?? new DateOnly(2026, 5, 6), efforts?[i]);
        return student;
    }

    /// <summary>Typed in from a card: any day, twenty attempts, confidence 7.</summary>
    private static async Task PractiseAsync(School school, Guid session, int made, DateOnly day, int? effort = null)
    {
        var minute = (day.DayNumber - new DateOnly(2026, 5, 6).DayNumber) * 24 * 60.0;
        var flow = (await school.Coach.GetAsync($"/api/sessions/{session}")).Body!["drills"]![0]!["flow"]!["version"]!;
        var entries = new List<Dictionary<string, object?>>
        {
            School.Entry(1, "opened", minute, ("recording", "paper")),
            School.Entry(2, "entered", minute, ("segmentId", School.First)),
        };
        for (var attempt = 1; attempt <= 20; attempt++)
        {
            entries.Add(
                School.Entry(
                    attempt + 2,
                    "answered",
                    minute,
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

        entries.Add(School.Entry(23, "settled", minute + 20, ("segmentId", School.First), ("outcome", "done")));
        entries.Add(School.Entry(24, "rated", minute + 20, ("confidence", 7), ("quality", 6), ("effort", effort)));
        entries.Add(School.Entry(25, "finished", minute + 20));
        Assert.Equal(HttpStatusCode.OK, (await school.SendAsCoachAsync(Guid.CreateVersion7(), session, [.. entries])).Status);
    }

    private static DateOnly Day(string text) => DateOnly.Parse(text, CultureInfo.InvariantCulture);

    [Fact]
    public async Task The_walk_over_one_student_of_every_suggestion_publishes_exactly_the_changed_steps()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/drills/{School.Second}", Gate)).Status);
        var (one, two, low) = (Plan(Segment(School.First, 0)), Plan(Segment(School.First, 1)), new[] { 10, 10, 9, 9 });
        var soon = School.Competition(Guid.CreateVersion7(), "2026-05-14", "2026-05-15");
        var planted = new Dictionary<string, Guid>
        {
            ["raise"] = await PlantAsync(school, "Raise", one, [13, 14, 15]),
            ["ease"] = await PlantAsync(school, "Ease", two, [5, 5, 5]),
            ["hold"] = await PlantAsync(school, "Hold", one, [13, 5, 5]),
            ["retest"] = await PlantAsync(school, "Retest", one, []),
            ["swap"] = await PlantAsync(
                school,
                "Swap",
                one,
                low,
                [Day("2026-03-30"), Day("2026-04-10"), Day("2026-04-20"), Day("2026-05-05")]
            ),
            ["retire"] = await PlantAsync(
                school,
                "Retire",
                Plan(Segment(School.First, 0, "technique"), Chips(Other)),
                [13, 14, 15],
                file: new { own = new { competitions = new[] { soon } } }
            ),
            ["merge"] = await PlantAsync(school, "Merge", Plan(Segment(School.First, 0), Segment(Other, 0)), [13, 5, 5]),
            ["trial"] = await PlantAsync(
                school,
                "Trial",
                Plan(Chips(School.First)),
                [],
                file: new
                {
                    coach = new
                    {
                        focus = new
                        {
                            area = "putting",
                            skill = "start line",
                            goal = "through the gate",
                        },
                    },
                }
            ),
        };
        foreach (var (kind, student) in planted)
        {
            var stop = $"/api/review/stops/{student}";
            Assert.Equal(HttpStatusCode.NoContent, (await school.Coach.PutAsync($"{stop}/held", new { })).Status);
            var suggestions = (await school.Coach.GetAsync(stop)).Body!["suggestions"]!
                .AsArray()
                .Select(s => s!["suggestion"]!)
                .ToList();
            var wanted = Assert.Single(suggestions, s => s["change"]!["kind"]!.GetValue<string>() == kind);
            foreach (var suggestion in suggestions)
            {
                var isWanted = suggestion == wanted;
                var decided = await school.Coach.PutAsync(
                    $"{stop}/decision",
                    new
                    {
                        week = Next,
                        suggestionId = suggestion["id"]!.GetValue<string>(),
                        decision = isWanted ? "taken" : "left",
                        change = isWanted ? suggestion["change"] : null,
                    }
                );
                Assert.Equal(HttpStatusCode.OK, decided.Status);
            }

            Assert.Equal(HttpStatusCode.OK, (await school.Coach.PostAsync($"{stop}/publish", new { week = Next })).Status);
            Assert.Equal(HttpStatusCode.NoContent, (await school.Coach.PutAsync($"{stop}/seen", new { score = 99_999 })).Status);
            var before = await SegmentsAsync(school, student, This);
            var after = await SegmentsAsync(school, student, Next);
            Assert.Equal(Expected(kind, before, wanted["change"]!), after.Select(Shape));
        }

        Assert.Equal(planted.Count, (await school.Coach.GetAsync("/api/review/tee-line?everybody=true")).Get<int>("seen"));
    }

    /// <summary>What the first session of the next week is to be, segment by segment; nothing but the change differs.</summary>
    private static IEnumerable<string> Expected(string kind, IReadOnlyList<JsonNode> before, JsonNode change)
    {
        var first = before[0];
        string At(int rung) => Shape(first).Replace("step 0", $"step {rung}", StringComparison.Ordinal);
        return kind switch
        {
            "raise" => [At(1)],
            "ease" => [Shape(first).Replace("step 1", "step 0", StringComparison.Ordinal)],
            "hold" or "retest" => [Shape(first)],
            "swap" => [$"20 min {change["bringsDrillId"]} step {change["rung"]}"],
            "retire" => [Shape(before[1]).Replace("20 min", "40 min", StringComparison.Ordinal)],
            "merge" => [Shape(first).Replace("20 min", "40 min", StringComparison.Ordinal)],
            _ =>
            [
                Shape(first).Replace("20 min", "15 min", StringComparison.Ordinal),
                $"5 min {change["bringsDrillId"]} step {change["rung"]}",
            ],
        };
    }

    private static string Shape(JsonNode segment) =>
        segment["drill"] is { } drill
            ? $"{segment["minutes"]} min {drill["drillId"]} step {drill["rung"] ?? 0}"
            : $"{segment["minutes"]} min {segment["title"]}";

    private static async Task<IReadOnlyList<JsonNode>> SegmentsAsync(School school, Guid student, string week)
    {
        var sessions = (await school.Coach.GetAsync($"/api/weeks/{week}/students/{student}")).Body!["sessions"]!.AsArray();
        var session = (await school.Coach.GetAsync($"/api/sessions/{sessions[0]!["assignmentId"]}")).Body!;
        return [.. session["plan"]!["segments"]!.AsArray().Select(s => s!)];
    }

    [Fact]
    public async Task Whoever_presses_most_stands_first_with_the_evidence()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        // The question was asked on Sunday.
        server.RealClock.Forward(TimeSpan.FromDays(-3));
        var asked = await school.Student.PutAsync("/api/weeks/2026-W18/question", new { text = "Putts or irons?" });
        Assert.Equal(HttpStatusCode.OK, asked.Status);
        server.RealClock.Forward(TimeSpan.FromDays(3));
        Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/drills/{School.Second}", Gate)).Status);
        var one = Plan(Segment(School.First, 0));
        await school.SetAsync(await school.SavePlanAsync(one), "2026-05-08");
        await school.PublishAsync();
        var hurt = await PlantAsync(school, "Hurts", one, []);
        var dizzy = await PlantAsync(school, "Dizzy", one, []);
        await SayAsync(
            school,
            hurt,
            School.Entry(1, "pain", 0, ("part", "knee"), ("side", "lead"), ("level", 6), ("sharp", false))
        );
        await SayAsync(school, dizzy, School.Entry(1, "unwell", 0, ("feeling", "dizzy")));
        var nothing = Guid.CreateVersion7();
        await school.Coach.PutAsync($"/api/students/{nothing}", School.StudentInput("Nothing set"));
        var missed = await PlantAsync(school, "Missed", one, []);
        await school.SetAsync(await school.SavePlanAsync(one), "2026-05-04", studentId: missed);
        await school.PublishAsync(missed);
        var goal = new
        {
            coach = new
            {
                focus = new
                {
                    area = "putting",
                    quantity = new
                    {
                        what = "Gate",
                        unit = "%",
                        drillId = School.Second,
                        rung = 0,
                        measure = "share",
                        least = 60,
                    },
                },
            },
        };
        await PlantAsync(school, "Met", one, [19, 19, 20], file: goal);
        await PlantAsync(
            school,
            "Still",
            one,
            [10, 10, 9, 9],
            [Day("2026-03-30"), Day("2026-04-10"), Day("2026-04-20"), Day("2026-05-05")]
        );
        // 40 a week for five weeks, then 180 in three days: 4.5 times the usual.
        await PlantAsync(
            school,
            "Much",
            one,
            [10, 10, 10, 10, 10, 10],
            [.. new[] { "03-31", "04-07", "04-14", "04-21", "04-28", "05-05" }.Select(d => Day($"2026-{d}"))],
            efforts: [2, 2, 2, 2, 2, 9]
        );
        await WorksAsync(school, "Works", one);
        var rows = (await school.Coach.GetAsync("/api/review/tee-line?everybody=true")).Body!["rows"]!.AsArray();
        var expected = new[]
        {
            ("Hurts", "pain"),
            ("Much", "safety"),
            ("Dizzy", "safety"),
            ("Nothing set", "nothingSet"),
            ("Somebody Made-Up", "unanswered"),
            ("Missed", "missed"),
            ("Met", "goalMet"),
            ("Still", "plateau"),
            ("Works", "effortWithoutResult"),
        };
        var found = rows.Select(r =>
                (
                    Name: r!["student"]!["name"]!.GetValue<string>(),
                    Reason: r["attention"]!["reason"]!.GetValue<string>(),
                    Evidence: r["attention"]!["reasons"]![0]!["evidenceText"]!.GetValue<string>()
                )
            )
            .ToList();
        Assert.Equal(expected, found.Where(f => expected.Contains((f.Name, f.Reason))).Select(f => (f.Name, f.Reason)));
        Assert.All(found.Where(f => expected.Contains((f.Name, f.Reason))), f => Assert.NotEmpty(f.Evidence));
    }

    /// <summary>Everything done in four weeks, twice a week, and nothing that rises or stands still by the rule.</summary>
    private static async Task WorksAsync(School school, string name, JsonObject plan)
    {
        var student = await PlantAsync(school, name, plan, [10]);
        var planId = await school.SavePlanAsync(plan);
        var made = new[] { 10, 10, 9, 11, 9, 10, 9, 11 };
        for (var i = 0; i < made.Length; i++)
        {
            var monday = new DateOnly(2026, 4, 6).AddDays(7 * (i / 2));
            var week = $"2026-W{15 + (i / 2)}";
            var session = Guid.CreateVersion7();
            var input = new
            {
                studentId = student,
                planId,
                week,
                day = monday.AddDays(1 + (3 * (i % 2))),
            };
            Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/weeks/assignments/{session}", input)).Status);
            var published = await school.Coach.PostAsync($"/api/weeks/{week}/publish", new { students = new[] { student } });
            Assert.Equal(HttpStatusCode.OK, published.Status);
            await PractiseAsync(school, session, made[i], input.day);
        }
    }

    private static async Task SayAsync(School school, Guid student, Dictionary<string, object?> entry)
    {
        var week = (await school.Coach.GetAsync($"/api/weeks/{This}/students/{student}")).Body!["sessions"]!;
        var session = week[0]!["assignmentId"]!.GetValue<Guid>();
        Assert.Equal(HttpStatusCode.OK, (await school.SendAsCoachAsync(Guid.CreateVersion7(), session, entry)).Status);
    }
}
