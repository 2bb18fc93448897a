using System.Net;
using System.Text.Json.Nodes;

namespace MorningRound.Server.Tests.Programmes;

/// <summary>Programmes: written, started for a student or a squad, put into weeks, waiting.</summary>
public sealed class ProgrammeServerTests(OneSchool one) : IClassFixture<OneSchool>, IAsyncLifetime
{
    private static readonly object[] Ladder = [Rung("Two", 2), Rung("Three", 3), Rung("Four", 4)];

    private School _school = null!;

    public async ValueTask InitializeAsync() => _school = await School.OpenAsync(one.School.Server, $"{Guid.NewGuid():N}");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Rung(string name, int length) =>
        new
        {
            name,
            protocol = School.Streak(length),
            goal = new { measure = "best", limit = length },
        };

    /// <summary>A programme of eight weeks: the gate goes up a step in the third, and the fifth is lighter.</summary>
    private static object Programme(Guid plan, int weeks = 8) =>
        new
        {
            name = "Eight weeks of gates",
            weeks,
            lighterWeeks = new[] { 5 },
            goal = new
            {
                drillId = School.Second,
                measure = "best",
                what = "Through in a row",
                least = 4,
            },
            slots = new object[]
            {
                new
                {
                    id = School.First,
                    planId = plan,
                    order = 1,
                    changes = new[]
                    {
                        new
                        {
                            fromWeek = 3,
                            segmentId = School.First,
                            rung = 2,
                        },
                    },
                },
                new
                {
                    id = School.Second,
                    planId = plan,
                    requirement = "extra",
                },
            },
        };

    private async Task<Guid> SaveAsync()
    {
        var id = Guid.CreateVersion7();
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(ladder: Ladder));
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync($"/api/programmes/{id}", Programme(plan))).Status);
        return id;
    }

    private async Task<Guid> StartAsync(Guid programme, string start, Guid? student = null, Guid? squad = null)
    {
        var id = Guid.CreateVersion7();
        var input = new
        {
            programmeId = programme,
            studentId = student,
            squadId = squad,
            start,
        };
        Assert.Equal(HttpStatusCode.OK, (await _school.Coach.PutAsync($"/api/programmes/runs/{id}", input)).Status);
        return id;
    }

    private async Task<JsonArray> FillAsync(string week, params Guid[] students) =>
        (await _school.Coach.PostAsync($"/api/weeks/{week}/programmes", new { students })).Body!.AsArray();

    private async Task<JsonNode?> StandingAsync(string week, Guid? student = null) =>
        (await _school.Coach.GetAsync($"/api/weeks/{week}/sheet")).Body!["rows"]!
            .AsArray()
            .Single(r => r!["studentId"]!.GetValue<Guid>() == (student ?? _school.StudentId))!["programmes"]!
            .AsArray()
            .SingleOrDefault();

    [Fact]
    public async Task Each_week_brings_its_sessions_with_what_changes_in_it()
    {
        await StartAsync(await SaveAsync(), "2026-W19", _school.StudentId);
        var steps = new List<int>();
        foreach (var week in new[] { "2026-W19", "2026-W21" })
        {
            var cards = (await FillAsync(week, _school.StudentId, _school.OtherStudentId))[0]!["sessions"]!.AsArray();
            Assert.Equal([1, null], cards.Select(c => c!["order"]?.GetValue<int>()));
            Assert.Equal(["must", "extra"], cards.Select(c => c!["requirement"]!.ToString()));
            var text = await _school.Coach.GetAsync($"/api/weeks/assignments/{cards[0]!["assignmentId"]}/text");
            steps.Add(text.Body!["plan"]!["segments"]![0]!["drill"]!["rung"]!.GetValue<int>());
        }

        // Until the programme sets a step itself, level and results decide.
        Assert.Equal([1, 2], steps);
        // A lighter week has nothing extra, and putting it in twice is putting it in once.
        Assert.Single((await FillAsync("2026-W23", _school.StudentId))[0]!["sessions"]!.AsArray());
        await FillAsync("2026-W23", _school.StudentId);
        Assert.Single(
            (await _school.Coach.GetAsync($"/api/weeks/2026-W23/students/{_school.StudentId}")).Body!["sessions"]!.AsArray()
        );
        // After its end it brings nothing.
        Assert.Empty(await FillAsync("2026-W27", _school.StudentId));
    }

    [Fact]
    public async Task The_sheet_and_the_student_see_week_three_of_eight_and_where_the_measure_stands()
    {
        await StartAsync(await SaveAsync(), "2026-W17", _school.StudentId);
        Assert.Null((await StandingAsync(TestServer.Week))!["latest"]);
        var session = (await FillAsync(TestServer.Week, _school.StudentId))[0]!["sessions"]![0]![
            "assignmentId"
        ]!.GetValue<Guid>();
        await _school.PublishAsync();
        await _school.SendAsync(
            Guid.CreateVersion7(),
            session,
            School.Entry(1, "entered", 0, ("segmentId", School.First)),
            Answered(2, "made"),
            Answered(3, "made"),
            Answered(4, "missed")
        );
        foreach (
            var standing in new[]
            {
                await StandingAsync(TestServer.Week),
                (await _school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}")).Body![
                    "programmes"
                ]![0],
            }
        )
        {
            Assert.Equal((3, 8), (standing!["week"]!.GetValue<int>(), standing["weeks"]!.GetValue<int>()));
            Assert.Equal((2, 2), (standing["start"]!.GetValue<double>(), standing["latest"]!.GetValue<double>()));
        }
    }

    [Fact]
    public async Task It_waits_a_week_for_one_student_and_goes_on_in_its_order()
    {
        var squad = Guid.CreateVersion7();
        await _school.Coach.PutAsync(
            $"/api/squads/{squad}",
            new { name = "Both", members = new[] { _school.StudentId, _school.OtherStudentId } }
        );
        var run = await StartAsync(await SaveAsync(), "2026-W19", squad: squad);
        var waits = new
        {
            studentId = _school.StudentId,
            week = "2026-W20",
            waits = true,
        };
        foreach (var _ in Enumerable.Range(0, 2))
            Assert.Equal(
                HttpStatusCode.NoContent,
                (await _school.Coach.PutAsync($"/api/programmes/runs/{run}/waits", waits)).Status
            );
        Assert.Null((await StandingAsync("2026-W20"))!["week"]);
        Assert.Equal(2, (await StandingAsync("2026-W21"))!["week"]!.GetValue<int>());
        Assert.Equal(3, (await StandingAsync("2026-W21", _school.OtherStudentId))!["week"]!.GetValue<int>());
        Assert.Single(await FillAsync("2026-W20", _school.StudentId, _school.OtherStudentId));
        // Not waiting after all.
        await _school.Coach.PutAsync(
            $"/api/programmes/runs/{run}/waits",
            new
            {
                studentId = _school.StudentId,
                week = "2026-W20",
                waits = false,
            }
        );
        Assert.Equal(3, (await StandingAsync("2026-W21"))!["week"]!.GetValue<int>());
    }

    [Fact]
    public async Task Who_joins_a_squad_later_takes_part_from_then_on_and_who_leaves_keeps_what_is_published()
    {
        var squad = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/squads/{squad}", new { name = "One", members = new[] { _school.OtherStudentId } });
        await StartAsync(await SaveAsync(), "2026-W17", squad: squad);
        Assert.Null(await StandingAsync(TestServer.Week));
        await _school.Coach.PutAsync(
            $"/api/squads/{squad}",
            new { name = "One", members = new[] { _school.StudentId, _school.OtherStudentId } },
            1
        );
        // At its current week, and not at its first.
        Assert.Equal(3, (await StandingAsync(TestServer.Week))!["week"]!.GetValue<int>());
        await FillAsync(TestServer.Week, _school.StudentId);
        await _school.PublishAsync();
        await _school.Coach.PutAsync($"/api/squads/{squad}", new { name = "One", members = new[] { _school.OtherStudentId } }, 2);
        Assert.Null(await StandingAsync(TestServer.Week));
        var week = await _school.Student.GetAsync($"/api/weeks/{TestServer.Week}/students/{_school.StudentId}");
        Assert.Equal(2, week.Body!["sessions"]!.AsArray().Count);
    }

    [Fact]
    public async Task Copying_last_week_takes_a_programme_on_instead_of_repeating_it()
    {
        await StartAsync(await SaveAsync(), "2026-W18", _school.StudentId);
        await FillAsync(TestServer.Week, _school.StudentId);
        await _school.SetAsync(await _school.SavePlanAsync(School.Plan("Beside it")));
        var copied = await _school.Coach.PostAsync("/api/weeks/2026-W20/copy", new { students = new[] { _school.StudentId } });
        var cards = copied.Body![0]!["sessions"]!.AsArray();
        Assert.Equal(["A gate", "A gate", "Beside it"], cards.Select(c => c!["title"]!.ToString()));
        Assert.Equal([3, 3, null], cards.Select(c => c!["notes"]?["programme"]?["week"]?.GetValue<int>()));
    }

    [Fact]
    public async Task A_session_of_a_programme_takes_its_plans_changes_with_what_its_week_changes()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(ladder: Ladder));
        var programme = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/programmes/{programme}", Programme(plan));
        await StartAsync(programme, "2026-W17", _school.StudentId);
        var id = (await FillAsync(TestServer.Week, _school.StudentId))[0]!["sessions"]![0]!["assignmentId"]!.GetValue<Guid>();
        var changed = (await _school.Coach.GetAsync($"/api/plans/{plan}")).Body!["plan"]!.DeepClone();
        changed["title"] = "A better gate";
        await _school.Coach.PutAsync($"/api/plans/{plan}", changed, 1);
        var latest = (await _school.Coach.GetAsync($"/api/weeks/assignments/{id}/text/latest")).Body!["plan"]!;
        Assert.Equal(
            ("A better gate", 2),
            (latest["title"]!.ToString(), latest["segments"]![0]!["drill"]!["rung"]!.GetValue<int>())
        );
    }

    [Fact]
    public async Task While_it_is_written_every_week_is_drawn_and_what_is_wrong_is_named()
    {
        var plan = await _school.SavePlanAsync(School.PlanWithDrill(ladder: Ladder));
        var drawn = (await _school.Coach.PostAsync("/api/programmes/draw", Programme(plan))).Body!;
        Assert.Equal([40, 40, 40, 40, 12, 40, 40, 40], drawn["weeks"]!.AsArray().Select(w => w!["minutes"]!.GetValue<int>()));
        Assert.Equal("“Gate” up to “Four”", drawn["weeks"]![2]!["sessions"]![0]!["changed"]![0]!.ToString());
        Assert.Equal(
            ["Two", "Three", "Four"],
            drawn["slots"]![0]!["segments"]![0]!["steps"]!.AsArray().Select(s => s!.ToString())
        );
        var wrong = (await _school.Coach.PostAsync("/api/programmes/draw", Programme(plan, weeks: 3))).Body!;
        Assert.Contains("lighterWeeks", wrong["errors"]!.AsArray().Select(e => e!["path"]!.ToString()));
        var path = $"/api/programmes/{Guid.CreateVersion7()}";
        Assert.Equal(["lighterWeeks"], (await _school.Coach.PutAsync(path, Programme(plan, weeks: 3))).Fields);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.PutAsync(path, Programme(Guid.CreateVersion7()))).Status);
    }

    [Fact]
    public async Task A_run_is_for_one_student_or_one_squad_stays_as_it_began_and_can_be_ended()
    {
        var programme = await SaveAsync();
        var path = $"/api/programmes/runs/{Guid.CreateVersion7()}";
        object Input(Guid? student, Guid? squad = null, string start = "2026-W19", string? until = null) =>
            new
            {
                programmeId = programme,
                studentId = student,
                squadId = squad,
                start,
                until,
            };
        Assert.Equal(["studentId"], (await _school.Coach.PutAsync(path, Input(null))).Fields);
        Assert.Equal(["start"], (await _school.Coach.PutAsync(path, Input(_school.StudentId, start: "0001-W01"))).Fields);
        Assert.Equal(["until"], (await _school.Coach.PutAsync(path, Input(_school.StudentId, until: "2026-W10"))).Fields);
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.PutAsync(path, Input(null, Guid.CreateVersion7()))).Status);
        Assert.Equal(1, (await _school.Coach.PutAsync(path, Input(_school.StudentId))).Get<int>("version"));
        Assert.Equal(["start"], (await _school.Coach.PutAsync(path, Input(_school.StudentId, start: "2026-W20"), 1)).Fields);
        Assert.Equal(2, (await _school.Coach.PutAsync(path, Input(_school.StudentId, until: "2026-W20"), 1)).Get<int>("version"));
        Assert.NotNull(await StandingAsync("2026-W19"));
        Assert.Null(await StandingAsync("2026-W20"));

        // Off the list it runs for nobody any more.
        var listed = (await _school.Coach.GetAsync("/api/programmes")).Body!.AsArray();
        Assert.Equal("Eight weeks of gates", Assert.Single(listed)!["name"]!.ToString());
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/programmes/{programme}", 1)).Status);
        Assert.Empty((await _school.Coach.GetAsync("/api/programmes")).Body!.AsArray());
        Assert.Null(await StandingAsync("2026-W19"));
    }

    [Fact]
    public async Task A_squad_that_is_deleted_takes_its_run_along_and_brings_it_back()
    {
        var squad = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/squads/{squad}", new { name = "Going", members = new[] { _school.StudentId } });
        await StartAsync(await SaveAsync(), "2026-W19", squad: squad);
        var before = await StandingAsync("2026-W19");
        Assert.NotNull(before);
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/squads/{squad}", 1)).Status);
        Assert.Null(await StandingAsync("2026-W19"));
        Assert.Empty((await _school.Coach.GetAsync("/api/programmes")).Body![0]!["runs"]!.AsArray());
        Assert.Empty((await _school.Coach.GetAsync("/api/squads")).Body!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"/api/weeks/2026-W19/sheet?squad={squad}")).Status);
        await _school.Coach.PostAsync($"/api/deleted/squad/{squad}/restore");
        Assert.Equal(before.ToJsonString(), (await StandingAsync("2026-W19"))?.ToJsonString());
        Assert.Single((await _school.Coach.GetAsync("/api/programmes")).Body![0]!["runs"]!.AsArray());
    }

    private static Dictionary<string, object?> Answered(int sequence, string value) =>
        School.Entry(
            sequence,
            "answered",
            sequence,
            ("segmentId", School.First),
            ("flowVersion", 1),
            (
                "input",
                new
                {
                    kind = "choice",
                    attempt = sequence - 1,
                    value,
                }
            )
        );
}
