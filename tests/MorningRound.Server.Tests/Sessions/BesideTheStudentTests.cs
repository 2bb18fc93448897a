using System.Net;
using System.Text.Json.Nodes;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;

namespace MorningRound.Server.Tests.Sessions;

/// <summary>Lessons, homework, practice that nobody set, and results beside the times before.</summary>
public class BesideTheStudentTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    private static (string, object?) Homework(Guid segment, int minutes = 15) =>
        (
            "homework",
            new
            {
                segmentId = segment,
                title = "Low point",
                instruction = "Ten with the towel, ten without.",
                phase = "block",
                place = "range",
                minutes,
                balls = 20,
            }
        );

    private Task<Answer> NextWeekAsync() => _school.Coach.GetAsync($"/api/weeks/2026-W20/students/{_school.StudentId}");

    private static Dictionary<string, object?>[] Streak(params bool[] made) =>
        [
            .. made.Select(
                (m, i) =>
                    School.Entry(
                        i + 1,
                        "answered",
                        i,
                        ("segmentId", School.First),
                        ("flowVersion", 1),
                        (
                            "input",
                            new
                            {
                                kind = "choice",
                                attempt = i + 1,
                                value = m ? "made" : "missed",
                            }
                        )
                    )
            ),
        ];

    [Fact]
    public async Task A_lesson_kept_by_the_coach_leaves_its_checkpoint_and_a_draft_in_next_week()
    {
        var id = await _school.PublishedSessionAsync();
        var log = Guid.CreateVersion7();
        var segment = Guid.CreateVersion7();
        Dictionary<string, object?>[] lesson =
        [
            School.Entry(1, "opened", 0, ("recording", "lesson")),
            School.Entry(2, "counted", 5, ("segmentId", School.First), ("balls", 12)),
            School.Entry(3, "lessonNoted", 30, ("checkpoint", "Belt buckle to the target"), Homework(segment)),
            School.Entry(4, "finished", 31),
        ];
        for (var twice = 0; twice < 2; twice++)
            Assert.Equal(HttpStatusCode.OK, (await _school.SendAsCoachAsync(log, id, lesson)).Status);

        var seen = (await _school.Coach.GetAsync($"/api/sessions/{id}")).Body!;
        Assert.Equal(
            ("lesson", "Belt buckle to the target"),
            (seen["logs"]![0]!["recording"]!.GetValue<string>(), seen["logs"]![0]!["agreed"]!["checkpoint"]!.GetValue<string>())
        );

        // 6 May 2026 lies in week 19, so the homework waits in week 20, unpublished, once.
        var drafts = Homeworks(await NextWeekAsync());
        var draft = Assert.Single(drafts);
        Assert.Equal((false, 15), (draft["isPublished"]!.GetValue<bool>(), draft["minutes"]!.GetValue<int>()));
        var second = Guid.CreateVersion7();
        await _school.SendAsCoachAsync(
            log,
            id,
            School.Entry(5, "lessonNoted", 32, ("checkpoint", "Belt buckle"), Homework(second, minutes: 10))
        );
        draft = Assert.Single(Homeworks(await NextWeekAsync()));
        Assert.Equal(25, draft["minutes"]!.GetValue<int>());
        Assert.DoesNotContain(
            "Homework",
            (await _school.Student.GetAsync($"/api/weeks/2026-W20/students/{_school.StudentId}")).Body!.ToJsonString()
        );
    }

    private static List<JsonNode> Homeworks(Answer week) =>
        [
            .. week.Body!["sessions"]!
                .AsArray()
                .OfType<JsonNode>()
                .Where(s =>
                    s["title"]!.GetValue<string>().StartsWith("Homework", StringComparison.Ordinal)
                    && !s["isPublished"]!.GetValue<bool>()
                ),
        ];

    [Fact]
    public async Task Homework_noted_twice_without_a_signal_arrives_in_one_draft()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var id = await school.PublishedSessionAsync();
        var sent = await school.SendAsCoachAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "opened", 0, ("recording", "lesson")),
            School.Entry(2, "lessonNoted", 10, ("checkpoint", "Belt buckle"), Homework(Guid.CreateVersion7())),
            School.Entry(3, "lessonNoted", 20, ("checkpoint", "Belt buckle"), Homework(Guid.CreateVersion7(), minutes: 10))
        );
        Assert.Equal(HttpStatusCode.OK, sent.Status);
        var week = await school.Coach.GetAsync($"/api/weeks/2026-W20/students/{school.StudentId}");
        Assert.Equal(25, Assert.Single(Homeworks(week))["minutes"]!.GetValue<int>());
        var many = await school.SendAsCoachAsync(
            Guid.CreateVersion7(),
            id,
            [
                .. Enumerable
                    .Range(1, 21)
                    .Select(n =>
                        School.Entry(n, "lessonNoted", n, ("checkpoint", "Belt buckle"), Homework(Guid.CreateVersion7()))
                    ),
            ]
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "entries"), (many.Status, Assert.Single(many.Fields)));
    }

    [Fact]
    public async Task Homework_after_the_first_was_published_begins_a_new_draft()
    {
        var student = _school.OtherStudentId;
        var id = await _school.SetAsync(await _school.SavePlanAsync(), studentId: student);
        await _school.PublishAsync(student);
        var log = Guid.CreateVersion7();
        await _school.SendAsCoachAsync(log, id, School.Entry(1, "lessonNoted", 1, Homework(Guid.CreateVersion7())));
        await _school.Coach.PostAsync("/api/weeks/2026-W20/publish", new { students = new[] { student } });
        await _school.SendAsCoachAsync(log, id, School.Entry(2, "lessonNoted", 2, Homework(Guid.CreateVersion7())));
        var week = (await _school.Coach.GetAsync($"/api/weeks/2026-W20/students/{student}")).Body!["sessions"]!.AsArray();
        Assert.Equal([false, true], week.Select(s => s!["isPublished"]!.GetValue<bool>()).Order());
        Assert.All(week, s => Assert.Equal(15, s!["minutes"]!.GetValue<int>()));
    }

    [Fact]
    public async Task A_student_keeps_no_log_of_a_lesson_and_nobody_sends_under_another_name()
    {
        var id = await _school.PublishedSessionAsync();
        var noted = await _school.SendAsync(Guid.CreateVersion7(), id, School.Entry(1, "lessonNoted", 1, ("checkpoint", "x")));
        Assert.Equal((HttpStatusCode.Forbidden, "entries"), (noted.Status, noted.Fields.Single()));
        var opened = await _school.SendAsync(Guid.CreateVersion7(), id, School.Entry(1, "opened", 1, ("recording", "lesson")));
        Assert.Equal(HttpStatusCode.Forbidden, opened.Status);

        // A phone that changed hands: the cookie is the coach's, the entries are the student's.
        var log = Guid.CreateVersion7();
        var other = await _school.Coach.PostAsync(
            $"/api/sessions/logs/{log}/entries",
            new
            {
                assignmentId = id,
                accountId = _school.StudentAccount,
                entries = new[] { School.Entry(1, "entered", 0, ("segmentId", School.First)) },
            }
        );
        Assert.Equal((HttpStatusCode.Forbidden, "accountId"), (other.Status, other.Fields.Single()));

        // And the student's own log is nobody else's to go on with, the coach's included.
        await _school.SendAsync(log, id, School.Entry(1, "entered", 0, ("segmentId", School.First)));
        Assert.Equal(HttpStatusCode.NotFound, (await _school.SendAsCoachAsync(log, id, School.Entry(2, "stopped", 1))).Status);
    }

    [Theory]
    [InlineData(
        """{"checkpoint":"x","homework":{"segmentId":"00000000-0000-0000-0000-000000000000","title":"t","phase":"block","place":"range","minutes":5}}""",
        "entries[0].homework.segmentId"
    )]
    [InlineData(
        """{"homework":{"segmentId":"00000005-0000-7000-8000-000000000000","title":" ","phase":"block","place":"range","minutes":5}}""",
        "entries[0].homework.title"
    )]
    [InlineData(
        """{"homework":{"segmentId":"00000005-0000-7000-8000-000000000000","title":"t","phase":"block","place":"range","minutes":0}}""",
        "entries[0].homework.minutes"
    )]
    public async Task Broken_homework_is_refused_by_its_field(string entry, string field)
    {
        var id = await _school.PublishedSessionAsync();
        var body =
            $$"""{"assignmentId":"{{id}}","accountId":"{{_school.CoachAccount}}","entries":[{"kind":"lessonNoted","sequence":1,"at":"2026-05-06T08:30:00Z",{{entry[1..]}}]}""";
        var answer = await _school.Coach.PostAsync($"/api/sessions/logs/{Guid.CreateVersion7()}/entries", body);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
        Assert.Contains(field, answer.Fields);
    }

    private object Own(string day = "2026-05-05", object? plan = null) =>
        new
        {
            studentId = _school.StudentId,
            day,
            plan = plan ?? School.Plan("On my own", "An hour with the putter"),
        };

    [Fact]
    public async Task Own_practice_is_kept_and_stands_outside_the_weeks_figure()
    {
        var before = (await _school.Coach.GetAsync($"/api/weeks/2026-W19/students/{_school.StudentId}")).Body![
            "completion"
        ]!.ToJsonString();
        var id = Guid.CreateVersion7();
        var own = Own();
        for (var twice = 0; twice < 2; twice++)
            Assert.Equal(
                HttpStatusCode.OK,
                (await _school.Student.SendAsync(HttpMethod.Put, $"/api/sessions/own/{id}", own)).Status
            );
        var sent = await _school.SendAsync(
            Guid.CreateVersion7(),
            id,
            School.Entry(1, "entered", -60, ("segmentId", School.First)),
            School.Entry(2, "settled", -30, ("segmentId", School.First), ("outcome", "done")),
            School.Entry(3, "finished", -30)
        );
        Assert.Equal(HttpStatusCode.OK, sent.Status);
        var week = (await _school.Coach.GetAsync($"/api/weeks/2026-W19/students/{_school.StudentId}")).Body!;
        Assert.Equal(before, week["completion"]!.ToJsonString());
        var card = week["sessions"]!.AsArray().Single(s => s!["assignmentId"]!.GetValue<Guid>() == id)!;
        Assert.Equal(("own", "2026-05-05"), (card["requirement"]!.GetValue<string>(), card["day"]!.GetValue<string>()));
        Assert.Equal(30, sent.Body!["log"]!["minutes"]!.GetValue<double>(), 9);
    }

    [Fact]
    public async Task Other_words_under_the_same_id_are_refused()
    {
        var id = Guid.CreateVersion7();
        await _school.Student.SendAsync(HttpMethod.Put, $"/api/sessions/own/{id}", Own());
        var other = await _school.Student.SendAsync(
            HttpMethod.Put,
            $"/api/sessions/own/{id}",
            Own(plan: School.Plan("Something else"))
        );
        Assert.Equal((HttpStatusCode.Conflict, "assignmentId"), (other.Status, other.Fields.Single()));
        // An id that a coach's own assignment already has is no way into it.
        var set = await _school.PublishedSessionAsync();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (await _school.Student.SendAsync(HttpMethod.Put, $"/api/sessions/own/{set}", Own())).Status
        );
    }

    [Theory]
    [InlineData("2026-05-08", "day")]
    [InlineData("2025-01-01", "day")]
    public async Task Own_practice_is_of_the_last_year_and_not_of_the_future(string day, string field)
    {
        var answer = await _school.Student.SendAsync(HttpMethod.Put, $"/api/sessions/own/{Guid.CreateVersion7()}", Own(day));
        Assert.Equal((HttpStatusCode.UnprocessableEntity, field), (answer.Status, answer.Fields.Single()));
    }

    [Fact]
    public async Task Own_practice_without_a_purpose_or_set_as_a_must_names_the_field()
    {
        var answer = await _school.Student.SendAsync(
            HttpMethod.Put,
            $"/api/sessions/own/{Guid.CreateVersion7()}",
            Own(plan: School.Plan(purpose: ""))
        );
        Assert.Equal("plan.purpose", answer.Fields.Single());
        var set = await _school.Coach.PutAsync(
            $"/api/weeks/assignments/{Guid.CreateVersion7()}",
            new
            {
                studentId = _school.StudentId,
                planId = await _school.SavePlanAsync(),
                week = TestServer.Week,
                requirement = "own",
            }
        );
        Assert.Equal((HttpStatusCode.UnprocessableEntity, "requirement"), (set.Status, set.Fields.Single()));
    }

    [Fact]
    public async Task A_result_stands_beside_the_comparable_times_before_it()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(School.Streak(9)));
        var first = await _school.SetAsync(plan, "2026-05-04");
        var second = await _school.SetAsync(plan, "2026-05-06");
        await _school.PublishAsync();
        await _school.SendAsync(Guid.CreateVersion7(), first, Streak(true, true, false));
        await _school.SendAsync(Guid.CreateVersion7(), second, Streak(true, true, true, true, false));
        var results = (await _school.Coach.GetAsync($"/api/sessions/{second}")).Body!["results"]![0]!;
        Assert.Equal("Best run last time: 2. Better than that this time.", results["lastTimes"]!.GetValue<string>());
        Assert.Equal(5, results["inputs"]!.AsArray().Count);

        // Other parameters are another drill: nothing to compare with.
        var longer = await _school.SetAsync(await _school.SavePlanAsync(School.PlanWithDrill(School.Streak(8))), "2026-05-06");
        await _school.PublishAsync();
        await _school.SendAsync(Guid.CreateVersion7(), longer, Streak(true));
        Assert.StartsWith(
            "The first time",
            (await _school.Coach.GetAsync($"/api/sessions/{longer}")).Body!["results"]![0]!["lastTimes"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task An_answer_that_was_undone_is_not_in_the_result_and_what_came_before_is()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(School.Streak(11)));
        var first = await _school.SetAsync(plan, "2026-05-04");
        var second = await _school.SetAsync(plan, "2026-05-06");
        await _school.PublishAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, first, Streak(true, true, true));
        await _school.SendAsync(log, first, School.Entry(4, "undone", 3, ("undoes", 3)));
        await _school.SendAsync(Guid.CreateVersion7(), second, Streak(true, false));
        var result = (await _school.Coach.GetAsync($"/api/sessions/{first}")).Body!["results"]![0]!;
        Assert.Equal(2, result["inputs"]!.AsArray().Count);
        Assert.StartsWith(
            "Best run last time: 2.",
            (await _school.Coach.GetAsync($"/api/sessions/{second}")).Body!["results"]![0]!["lastTimes"]!.GetValue<string>()
        );
    }

    [Fact]
    public async Task Homework_that_was_taken_out_does_not_come_back_and_the_next_begins_a_draft_of_its_own()
    {
        await using var server = await TestServer.NewAsync();
        var school = await School.OpenAsync(server);
        var id = await school.PublishedSessionAsync();
        var (log, noted) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        var entry = School.Entry(1, "lessonNoted", 10, Homework(noted));
        await school.SendAsCoachAsync(log, id, entry);
        var week = $"/api/weeks/2026-W20/students/{school.StudentId}";
        var draft = Assert.Single(Homeworks(await school.Coach.GetAsync(week)));
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await school.Coach.DeleteAsync($"/api/weeks/assignments/{draft["assignmentId"]}")).Status
        );
        // The same call again, as a phone sends it that never heard the answer.
        await school.SendAsCoachAsync(log, id, entry);
        Assert.Empty(Homeworks(await school.Coach.GetAsync(week)));
        await school.SendAsCoachAsync(log, id, School.Entry(2, "lessonNoted", 12, Homework(Guid.CreateVersion7(), minutes: 10)));
        Assert.Equal(10, Assert.Single(Homeworks(await school.Coach.GetAsync(week)))["minutes"]!.GetValue<int>());
    }

    [Fact]
    public async Task Attempts_that_were_all_taken_back_leave_no_result_for_others_to_be_compared_with()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(School.Streak(7)));
        var first = await _school.SetAsync(plan, "2026-05-04");
        var second = await _school.SetAsync(plan, "2026-05-06");
        await _school.PublishAsync();
        var log = Guid.CreateVersion7();
        await _school.SendAsync(log, first, Streak(true));
        await _school.SendAsync(log, first, School.Entry(2, "attemptDropped", 2, ("segmentId", School.First)));
        await _school.SendAsync(Guid.CreateVersion7(), second, Streak(true, false));
        Assert.StartsWith(
            "The first time",
            (await _school.Coach.GetAsync($"/api/sessions/{second}")).Body!["results"]![0]!["lastTimes"]!.GetValue<string>()
        );
    }
}
