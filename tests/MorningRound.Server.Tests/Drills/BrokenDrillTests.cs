using System.Net;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Drills;

/// <summary>What a drill, a file, a place or a student's file may not be: always a clear answer, never a fault.</summary>
public class BrokenDrillTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static string DrillWith(string protocol) =>
        $$"""
            {"name":"D","purpose":"P","area":"putting","skill":"pace","criterion":"In","phases":["block"],"intents":["skill"],
             "places":["puttingGreen"],"usualMinutes":5,"setUp":"S","protocol":{{protocol}}}
            """;

    public static TheoryData<string, int, string> Drills =>
        new()
        {
            { DrillWith("""{"kind":"streak","length":0}"""), 422, "protocol.length" },
            { DrillWith("""{"kind":"streak","length":5.5}"""), 400, "protocol.length" },
            { DrillWith("""{"kind":"streak","length":"5"}"""), 400, "protocol.length" },
            { DrillWith("""{"kind":"streak"}"""), 400, "protocol.length" },
            { DrillWith("""{"length":5}"""), 400, "protocol" },
            { DrillWith("""{"kind":"juggling"}"""), 400, "protocol" },
            { DrillWith("null"), 400, "protocol" },
            { DrillWith("""{"kind":"timedSteps","steps":[null]}"""), 400, "protocol.steps" },
            { DrillWith("""{"kind":"compass","distances":[2,2]}"""), 422, "protocol.distances" },
            { DrillWith("""{"kind":"carryGrid","cells":[{"club":"niblick","swing":"full"}]}"""), 400, "protocol.cells[0].club" },
            { DrillWith("""{"kind":"measuredShots","what":"p\u0000","most":1}"""), 400, "protocol.what" },
            { DrillWith("""{"kind":"measuredShots","what":"p","most":1e999}"""), 400, "protocol.most" },
            { DrillWith("""{"kind":"measuredShots","what":"p","most":1e300}"""), 422, "protocol.most" },
            {
                DrillWith("""{"kind":"window","clubs":[{"club":"driver","bounds":[{"what":"x","least":1e300}]}]}"""),
                422,
                "protocol.clubs[0].bounds[0].most"
            },
            {
                DrillWith("""{"kind":"carryGrid","cells":[{"club":"driver","swing":"full","carry":1e300}]}"""),
                422,
                "protocol.cells[0].carry"
            },
            { DrillWith("""{"kind":"stepLadder","step":-3}"""), 422, "protocol.step" },
        };

    [Theory]
    [MemberData(nameof(Drills))]
    public async Task A_broken_drill_is_refused_and_its_field_named(string body, int status, string field)
    {
        var saved = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/drills/{Guid.CreateVersion7()}",
            body,
            ("If-None-Match", "*")
        );
        Assert.Equal((HttpStatusCode)status, saved.Status);
        Assert.Contains(field, saved.Fields);

        // Trying it out says the same, and a file with it is refused as a whole.
        var tried = await _school.Coach.PostAsync("/api/drills/check", $$"""{"drill":{{body}}}""");
        Assert.Equal(status == 400 ? HttpStatusCode.BadRequest : HttpStatusCode.OK, tried.Status);
        if (status == 422)
            Assert.Contains(field, tried.Body!["errors"]!.AsArray().Select(e => e!["path"]!.GetValue<string>()));
        var file = await _school.Coach.PostAsync(
            "/api/drills/file",
            $$"""{"format":"morning-round-drills","version":1,"drills":[{"id":"{{Guid.CreateVersion7()}}","drill":{{body}}}]}"""
        );
        Assert.Equal((HttpStatusCode)status, file.Status);
        Assert.Contains($"drills[0].drill.{field}", file.Fields);
    }

    [Theory]
    [InlineData("""{"format":"something else","version":1,"drills":[]}""", 422, "format")]
    [InlineData("""{"format":"morning-round-drills","version":2,"drills":[]}""", 422, "version")]
    [InlineData("""{"format":"morning-round-drills","version":1}""", 400, "drills")]
    [InlineData("""[]""", 400, "body")]
    public async Task A_file_that_is_no_drill_file_is_refused(string body, int status, string field)
    {
        var answer = await _school.Coach.PostAsync("/api/drills/file", body);
        Assert.Equal((HttpStatusCode)status, answer.Status);
        Assert.Contains(field, answer.Fields);
    }

    [Fact]
    public async Task Inputs_of_a_trial_that_do_not_fit_are_told_and_not_scored()
    {
        var answer = await _school.Coach.PostAsync(
            "/api/drills/score",
            new
            {
                protocol = School.Streak(),
                inputs = new object[]
                {
                    new
                    {
                        kind = "choice",
                        attempt = 1,
                        value = "made",
                    },
                    new
                    {
                        kind = "number",
                        attempt = 2,
                        tenths = 40,
                    },
                },
            }
        );
        Assert.Equal(("doesNotFit", 1), (answer.Get<string>("status"), answer.Get<int>("misfitAt")));
        var unknown = await _school.Coach.PostAsync(
            "/api/drills/score",
            new { protocol = School.Streak(), inputs = new[] { new { kind = "shrug", attempt = 1 } } }
        );
        Assert.Equal(HttpStatusCode.BadRequest, unknown.Status);
        Assert.Contains("inputs[0]", unknown.Fields);
    }

    [Theory]
    [InlineData("""{"name":"R","kind":"moon"}""", 400, "kind")]
    [InlineData("""{"name":"","kind":"range"}""", 422, "name")]
    [InlineData("""{"name":"R","kind":"range","targets":[{"name":"T"}]}""", 400, "targets[0].distance")]
    [InlineData(
        """{"name":"R","kind":"range","targets":[{"name":"T","distance":{"value":1e300,"unit":"yards"}}]}""",
        422,
        "targets[0].distance.value"
    )]
    [InlineData("""{"name":"R","kind":"range","facesDegrees":400}""", 422, "facesDegrees")]
    [InlineData(
        """{"name":"R","kind":"course","targets":[{"name":"T","distance":{"value":100,"unit":"yards"}}]}""",
        422,
        "targets"
    )]
    public async Task A_broken_place_is_refused_and_its_field_named(string body, int status, string field)
    {
        var answer = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/places/{Guid.CreateVersion7()}",
            body,
            ("If-None-Match", "*")
        );
        Assert.Equal((HttpStatusCode)status, answer.Status);
        Assert.Contains(field, answer.Fields);
    }

    [Theory]
    [InlineData("""{"own":{"units":"furlongs"}}""", 400, "own.units")]
    [InlineData(
        """{"own":{"windows":[{"weekday":"someday","from":"09:00:00","minutes":60,"place":"range"}]}}""",
        400,
        "own.windows[0].weekday"
    )]
    [InlineData(
        """{"own":{"windows":[{"weekday":"monday","from":"29:00:00","minutes":60,"place":"range"}]}}""",
        400,
        "own.windows[0].from"
    )]
    [InlineData(
        """{"own":{"windows":[{"weekday":"monday","from":"09:00:00","minutes":0,"place":"range"}]}}""",
        422,
        "own.windows[0].minutes"
    )]
    [InlineData("""{"coach":{"bag":[{"club":"iron7","carry":{"value":1e300,"unit":"yards"}}]}}""", 422, "coach.bag[0].carry")]
    [InlineData(
        """{"coach":{"bag":[{"club":"iron7","carry":{"value":1e999,"unit":"yards"}}]}}""",
        400,
        "coach.bag[0].carry.value"
    )]
    [InlineData("""{"coach":{"wedgeGrid":[null]}}""", 400, "coach.wedgeGrid")]
    [InlineData("""{"coach":{"focus":{"repetitionsAsked":3}}}""", 422, "coach.focus.repetitionsAsked")]
    [InlineData("""{"coach":{"guardian":{"name":"G","consentedOn":"2026-02-31"}}}""", 400, "coach.guardian.consentedOn")]
    public async Task A_broken_student_file_is_refused_and_its_field_named(string body, int status, string field)
    {
        var answer = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/students/{_school.OtherStudentId}/file",
            body,
            ("If-Match", "\"0\"")
        );
        Assert.Equal((HttpStatusCode)status, answer.Status);
        Assert.Contains(field, answer.Fields);
    }

    [Theory]
    [InlineData(
        """{"kind":"answered","segmentId":"00000001-0000-7000-8000-000000000000","flowVersion":1,"input":{"kind":"choice","attempt":0,"value":"made"}}""",
        422,
        "entries[0].input.attempt"
    )]
    [InlineData(
        """{"kind":"answered","segmentId":"00000001-0000-7000-8000-000000000000","flowVersion":1,"input":{"kind":"shrug","attempt":1}}""",
        400,
        "entries[0].input"
    )]
    [InlineData(
        """{"kind":"answered","segmentId":"00000009-0000-7000-8000-000000000000","flowVersion":1,"input":{"kind":"tap","attempt":1}}""",
        422,
        "entries[0].segmentId"
    )]
    [InlineData("""{"kind":"readied","nerves":11}""", 422, "entries[0].nerves")]
    [InlineData("""{"kind":"readied","minutesAtHand":0}""", 422, "entries[0].minutesAtHand")]
    public async Task A_broken_entry_is_refused_and_nothing_of_its_call_is_kept(string entry, int status, string field)
    {
        var session = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        var body =
            $$"""{"assignmentId":"{{session}}","accountId":"{{_school.StudentAccount}}","entries":[{"sequence":1,"at":"2026-05-06T08:30:00Z",{{entry[1..]}}]}""";
        var answer = await _school.Student.PostAsync($"/api/sessions/logs/{log}/entries", body);
        Assert.Equal((HttpStatusCode)status, answer.Status);
        Assert.Contains(field, answer.Fields);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Student.GetAsync($"/api/sessions/logs/{log}/entries")).Status);
    }

    [Fact]
    public async Task What_hurts_a_little_leaves_out_what_loads_it()
    {
        var plan = School.PlanWithDrill();
        var session = await _school.SetAsync(await _school.SavePlanAsync(plan));
        await _school.PublishAsync();
        Assert.Empty((await _school.Student.GetAsync($"/api/sessions/{session}")).Body!["painDrops"]!.AsArray());

        var shelf = (await _school.Coach.GetAsync("/api/drills?text=towel&area=iron")).Body!.AsArray()[0]![
            "id"
        ]!.GetValue<Guid>();
        var drill = (await _school.Coach.GetAsync($"/api/drills/{shelf}")).Body!["drill"]!;
        var loading = new
        {
            title = "Iron",
            purpose = "Strike it",
            segments = new object[]
            {
                new
                {
                    kind = "practice",
                    id = School.First,
                    title = "Low point",
                    phase = "block",
                    intent = "technique",
                    place = "range",
                    minutes = 20,
                    balls = 20,
                    exit = new { kind = "balls" },
                    drill = new { drillId = shelf, drill },
                },
                new
                {
                    kind = "practice",
                    id = School.Second,
                    title = "Putts",
                    phase = "random",
                    intent = "skill",
                    place = "puttingGreen",
                    minutes = 10,
                    exit = new { kind = "minutes" },
                },
            },
        };
        var hurting = await _school.SetAsync(await _school.SavePlanAsync(loading));
        await _school.PublishAsync();
        var drops = (await _school.Student.GetAsync($"/api/sessions/{hurting}")).Body!["painDrops"]!.AsArray();
        Assert.Contains(
            drops,
            d =>
                d!["part"]!.GetValue<string>() == "wristOrHand"
                && d["side"]!.GetValue<string>() == "trail"
                && d["segmentIds"]!.AsArray().Single()!.GetValue<Guid>() == School.First
        );

        await _school.SendAsync(
            Guid.CreateVersion7(),
            hurting,
            School.Entry(1, "pain", 0, ("part", "wristOrHand"), ("side", "trail"), ("level", 2), ("sharp", false)),
            School.Entry(2, "settled", 12, ("segmentId", School.Second), ("outcome", "done")),
            School.Entry(3, "finished", 13)
        );
        // 20 minutes fall out: 10 of 10 are done.
        var card = (await _school.Coach.GetAsync($"/api/sessions/{hurting}")).Body!["card"]!;
        Assert.Equal(
            (10, 10.0, "done"),
            (
                card["completion"]!["plannedMinutes"]!.GetValue<int>(),
                card["completion"]!["doneMinutes"]!.GetValue<double>(),
                card["status"]!.GetValue<string>()
            )
        );
    }
}
