using System.Net;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests;

/// <summary>A made-up academy with its people, made over the API as real ones are.</summary>
public sealed class School
{
    public required TestServer Server { get; init; }

    /// <summary>What its people's addresses end with, and the academy begins with.</summary>
    public required string Name { get; init; }

    public required Browser Owner { get; init; }

    public required Browser Coach { get; init; }

    public required Browser Student { get; init; }

    public required Browser OtherStudent { get; init; }

    public required Guid StudentId { get; init; }

    public required Guid OtherStudentId { get; init; }

    /// <summary>The account the student signs in with.</summary>
    public required Guid StudentAccount { get; init; }

    public required Guid CoachAccount { get; init; }

    public static async Task<School> OpenAsync(TestServer server, string name = "First")
    {
        var owner = await JoinAsync(server, await server.SetupLinkAsync(), $"owner@{name}.example", academy: $"{name} Academy");
        var invited = await owner.PostAsync("/api/accounts/coach-invitations");
        var coach = await JoinAsync(server, invited.Get<string>("path"), $"coach@{name}.example");
        var (student, studentId) = await AddStudentAsync(server, coach, $"student@{name}.example");
        var (other, otherId) = await AddStudentAsync(server, coach, $"other@{name}.example");
        return new School
        {
            Server = server,
            Name = name,
            Owner = owner,
            Coach = coach,
            Student = student,
            OtherStudent = other,
            StudentId = studentId,
            OtherStudentId = otherId,
            StudentAccount = await AccountAsync(student),
            CoachAccount = await AccountAsync(coach),
        };
    }

    /// <summary>A guardian of a student, who is a minor from now on, and has consented.</summary>
    public async Task<Browser> GuardianAsync(Guid studentId, string name = "guardian")
    {
        await MakeMinorAsync(studentId);
        return await JoinAsync(Server, await GuardiansLinkAsync(studentId), $"{name}@{Name}.example", consents: true);
    }

    public Task MakeMinorAsync(Guid studentId) => WriteFileAsync(studentId, new { coach = new { age = "twelveToSeventeen" } });

    public async Task<string> GuardiansLinkAsync(Guid studentId) =>
        (await Coach.PostAsync($"/api/students/{studentId}/guardians/invitations")).Get<string>("path");

    public static object StudentInput(string name = "Somebody Made-Up", string note = "") =>
        new
        {
            name,
            hand = "right",
            level = "improving",
            coachNote = note,
        };

    /// <summary>Eighteen holes of which nobody noted more than the score, and penalties where they are given.</summary>
    public static object Round(int score = 88, int? penalties = null, string day = "2026-05-01") =>
        new
        {
            day,
            course = "Osier Island",
            holesPlayed = 18,
            noted = new
            {
                par = 72,
                score,
                penalties,
            },
        };

    public static object Course(string name = "Osier Island") =>
        new
        {
            name,
            tees = new[] { "Ferry" },
            holes = new object[]
            {
                new
                {
                    par = 4,
                    lengths = new[] { 340.0 },
                    fairwayWidth = 30.0,
                    left = "water",
                },
                new { par = 3, lengths = new[] { 150.0 } },
            },
        };

    /// <summary>A hole of a course and a short quick one, as a segment plays them.</summary>
    public static object Holes() =>
        new
        {
            course = "Osier Island",
            tee = "Ferry",
            holes = new object[]
            {
                new
                {
                    kind = "drawn",
                    number = 1,
                    hole = new
                    {
                        par = 4,
                        lengths = new[] { 340.0 },
                        fairwayWidth = 30.0,
                        left = "water",
                    },
                },
                new
                {
                    kind = "quick",
                    par = 3,
                    usuallyLeft = new { value = 120.0, unit = "yards" },
                },
            },
        };

    public static object Place(string name = "River range") =>
        new
        {
            name,
            kind = "range",
            surface = "grass",
            targets = new[]
            {
                new
                {
                    name = "Middle board",
                    distance = new { value = 147.0, unit = "yards" },
                    bearingDegrees = 2.0,
                    look = "white",
                },
            },
        };

    public static object Streak(int length = 3) =>
        new
        {
            kind = "streak",
            length,
            make = "Through without a touch",
        };

    /// <summary>A drill that is counted as a streak of three.</summary>
    public static object Drill(string name = "Gate", object? protocol = null, object[]? ladder = null) =>
        new
        {
            name,
            purpose = "Start it on line",
            area = "putting",
            skill = "start line",
            criterion = "Through the gate",
            phases = new[] { "block" },
            intents = new[] { "technique" },
            places = new[] { "puttingGreen" },
            usualMinutes = 10,
            usualBalls = 20,
            setUp = "Two tees in front of the ball.",
            protocol = protocol ?? Streak(),
            ladder = ladder ?? [],
        };

    /// <summary>A plan of one segment done with a drill.</summary>
    public static object PlanWithDrill(
        object? protocol = null,
        string phase = "block",
        object? goal = null,
        object[]? ladder = null
    ) =>
        new
        {
            title = "A gate",
            purpose = "Start it on line",
            successTest = "",
            segments = new object[]
            {
                new
                {
                    kind = "practice",
                    id = First,
                    title = "Gate",
                    phase,
                    intent = "skill",
                    place = "puttingGreen",
                    minutes = 20,
                    balls = 20,
                    exit = new { kind = "balls" },
                    drill = new
                    {
                        drillId = Second,
                        drill = Drill(protocol: ladder is null ? protocol : null, ladder: ladder),
                        goal,
                    },
                },
            },
        };

    /// <summary>A competition ten days ahead, unless it says another day.</summary>
    public static object Competition(Guid id, string firstDay = "2026-05-16", string lastDay = "2026-05-17") =>
        new
        {
            id,
            name = "Reed Cup",
            firstDay,
            lastDay,
            course = "Heron Point",
        };

    /// <summary>A test day of one student, every four weeks.</summary>
    public static object TestDay(Guid plan, Guid student, string name = "Putts that count") =>
        new
        {
            name,
            everyWeeks = 4,
            firstDay = "2026-05-06",
            students = new[] { student },
            planId = plan,
        };

    /// <summary>A plan of two segments: 20 minutes with 30 balls, and 10 minutes without.</summary>
    public static object Plan(string title = "Half an hour", string purpose = "Start it on line") =>
        new
        {
            title,
            purpose,
            successTest = "",
            segments = new object[]
            {
                new
                {
                    kind = "practice",
                    id = First,
                    title = "Gate",
                    phase = "block",
                    intent = "technique",
                    place = "range",
                    minutes = 20,
                    balls = 30,
                    exit = new { kind = "balls" },
                },
                new
                {
                    kind = "pause",
                    id = Guid.CreateVersion7(),
                    title = "Water",
                    minutes = 3,
                },
                new
                {
                    kind = "practice",
                    id = Second,
                    title = "Read",
                    phase = "random",
                    intent = "skill",
                    place = "puttingGreen",
                    minutes = 10,
                    exit = new { kind = "minutes" },
                },
            },
        };

    /// <summary>A programme of four weeks of one plan.</summary>
    public static object Programme(Guid plan, string name = "Four weeks") =>
        new
        {
            name,
            weeks = 4,
            slots = new[] { new { id = First, planId = plan } },
        };

    /// <summary>That a programme runs for a student from this week on.</summary>
    public static object Run(Guid programme, Guid student, string? until = null) =>
        new
        {
            programmeId = programme,
            studentId = student,
            start = TestServer.Week,
            until,
        };

    public static Guid First { get; } = Guid.Parse("00000001-0000-7000-8000-000000000000");

    public static Guid Second { get; } = Guid.Parse("00000002-0000-7000-8000-000000000000");

    public async Task<Guid> SavePlanAsync(object? plan = null)
    {
        var id = Guid.CreateVersion7();
        Assert.Equal(HttpStatusCode.OK, (await Coach.PutAsync($"/api/plans/{id}", plan ?? Plan())).Status);
        return id;
    }

    /// <summary>Puts a plan into the student's week, without publishing it.</summary>
    public async Task<Guid> SetAsync(Guid planId, string? day = "2026-05-06", string requirement = "must", Guid? studentId = null)
    {
        var id = Guid.CreateVersion7();
        var input = new
        {
            studentId = studentId ?? StudentId,
            planId,
            week = TestServer.Week,
            day,
            requirement,
        };
        Assert.Equal(HttpStatusCode.OK, (await Coach.PutAsync($"/api/weeks/assignments/{id}", input)).Status);
        return id;
    }

    public Task<Answer> PublishAsync(Guid? studentId = null) =>
        Coach.PostAsync($"/api/weeks/{TestServer.Week}/publish", new { students = new[] { studentId ?? StudentId } });

    /// <summary>Notes in the student's file that somebody has cleared a part.</summary>
    public Task ClearAsync(string part, string? side)
    {
        var cleared = new
        {
            part,
            side,
            since = "2026-05-01",
            clearedOn = "2026-05-06",
            clearedBy = "A physiotherapist",
        };
        return WriteFileAsync(StudentId, new { coach = new { painfulParts = new[] { cleared } } });
    }

    /// <summary>Writes a student's file, whichever version of it there is.</summary>
    public async Task WriteFileAsync(Guid student, object file)
    {
        var path = $"/api/students/{student}/file";
        var version = (await Coach.GetAsync(path)).Get<int>("version");
        Assert.Equal(HttpStatusCode.OK, (await Coach.PutAsync(path, file, version)).Status);
    }

    /// <summary>A published session of the half-hour plan.</summary>
    public async Task<Guid> PublishedSessionAsync(string? day = "2026-05-06")
    {
        var id = await SetAsync(await SavePlanAsync(), day);
        Assert.Equal(HttpStatusCode.OK, (await PublishAsync()).Status);
        return id;
    }

    /// <summary>An entry of a log, so many minutes after half past eight.</summary>
    public static Dictionary<string, object?> Entry(
        int sequence,
        string kind,
        double minute,
        params (string Name, object? Value)[] more
    )
    {
        var entry = new Dictionary<string, object?>
        {
            ["kind"] = kind,
            ["sequence"] = sequence,
            ["at"] = new DateTimeOffset(2026, 5, 6, 8, 30, 0, TimeSpan.Zero).AddMinutes(minute),
        };
        foreach (var (name, value) in more)
            entry[name] = value;
        return entry;
    }

    public Task<Answer> SendAsync(Guid logId, Guid assignmentId, params Dictionary<string, object?>[] entries) =>
        Student.PostAsync(
            $"/api/sessions/logs/{logId}/entries",
            new
            {
                assignmentId,
                accountId = StudentAccount,
                entries,
            }
        );

    /// <summary>Sends entries as the coach, from the coach's own device.</summary>
    public Task<Answer> SendAsCoachAsync(Guid logId, Guid assignmentId, params Dictionary<string, object?>[] entries) =>
        Coach.PostAsync(
            $"/api/sessions/logs/{logId}/entries",
            new
            {
                assignmentId,
                accountId = CoachAccount,
                entries,
            }
        );

    public static async Task<Guid> AccountAsync(Browser browser) =>
        Guid.Parse((await browser.GetAsync("/api/accounts/session")).Body!["person"]!["accountId"]!.GetValue<string>());

    public static async Task<(Browser Browser, Guid Id)> AddStudentAsync(TestServer server, Browser coach, string email)
    {
        var id = Guid.CreateVersion7();
        await coach.PutAsync($"/api/students/{id}", StudentInput());
        var link = await coach.PostAsync($"/api/students/{id}/invitations");
        return (await JoinAsync(server, link.Get<string>("path"), email), id);
    }

    public static async Task<Browser> JoinAsync(
        TestServer server,
        string link,
        string email,
        string? academy = null,
        bool consents = false
    )
    {
        var browser = server.NewBrowser();
        var joined = await browser.PostAsync(
            $"/api/accounts/invitations/{link["/join/".Length..]}/accept",
            new
            {
                email,
                password = "a made-up password",
                name = "Somebody Made-Up",
                academyName = academy,
                timeZone = "UTC",
                consents,
            }
        );
        Assert.Equal(HttpStatusCode.OK, joined.Status);
        return browser;
    }
}

/// <summary>
/// A server with one academy, shared by the tests of a class. Tests make their own plans, weeks and logs in it.
/// </summary>
public sealed class OneSchool : IAsyncLifetime
{
    public School School { get; private set; } = null!;

    public async ValueTask InitializeAsync() => School = await School.OpenAsync(await TestServer.NewAsync());

    public ValueTask DisposeAsync() => School.Server.DisposeAsync();
}

/// <summary>
/// A server shared by the tests of a class, each of which opens an academy of its own in it. Nobody turns its clock.
/// </summary>
public sealed class OneServer : IAsyncLifetime
{
    private TestServer _server = null!;
    private int _schools;

    public Task<School> OpenAsync() => School.OpenAsync(_server, $"School{++_schools}");

    public async ValueTask InitializeAsync() => _server = await TestServer.NewAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();
}
