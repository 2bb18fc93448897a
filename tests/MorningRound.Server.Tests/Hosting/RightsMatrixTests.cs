using System.Net;
using Microsoft.AspNetCore.Routing;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Server.Storage;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Hosting;

/// <summary>
/// Every endpoint × every kind of caller: the exact status of each cell, and that a refused call changed nothing. An endpoint
/// that is not listed here fails the test.
/// </summary>
public class RightsMatrixTests
{
    private static readonly string[] Callers =
    [
        "nobody",
        "owner",
        "coach",
        "student",
        "other student",
        "coach elsewhere",
        "student elsewhere",
        "guardian",
    ];

    /// <summary>One row: the endpoint as it is routed, a call to it, and the status for each of <see cref="Callers"/>.</summary>
    private sealed record Row(string Method, string Route, Func<Ids, (string Path, object? Body)> Call, int[] Statuses)
    {
        /// <summary>
        /// The status for a caller. A guardian, the last of them, is refused wherever a row does not say otherwise: what is open
        /// to those who are not signed in, and their own account, is theirs too.
        /// </summary>
        public int StatusOf(int caller) =>
            caller < Statuses.Length ? Statuses[caller]
            : Statuses[0] != 401 || Statuses.Distinct().Count() == 1 ? Statuses[0]
            : Route.StartsWith("/api/accounts/mine", StringComparison.Ordinal) || Route == "/api/accounts/sign-out" ? Statuses[3]
            : 403;
    }

    /// <summary>Rows to act on that no earlier cell has changed or taken away, each made when a call first names it.</summary>
    private sealed class Ids(School school)
    {
        private readonly Dictionary<string, Guid> _made = [];

        /// <summary>How many of them were made so far.</summary>
        public int Count => _made.Count;

        public Guid New { get; } = Guid.CreateVersion7();

        public Guid Student => school.StudentId;

        public Guid Account => school.StudentAccount;

        public Guid Coach => school.CoachAccount;

        public Guid Plan => Made("plan", () => school.SavePlanAsync());

        /// <summary>Published and begun.</summary>
        public Guid Session =>
            Made(
                "session",
                async () =>
                {
                    var id = await school.SetAsync(Plan);
                    await school.PublishAsync();
                    return id;
                }
            );

        /// <summary>Published and not begun.</summary>
        public Guid Waiting =>
            Made(
                "waiting",
                async () =>
                {
                    var id = await school.SetAsync(Plan, day: "2026-05-07");
                    await school.PublishAsync();
                    return id;
                }
            );

        public Guid Draft => Made("draft", () => school.SetAsync(Plan, day: null));

        public Guid Log =>
            Made(
                "log",
                async () =>
                {
                    var id = Guid.CreateVersion7();
                    await school.SendAsync(id, Session, School.Entry(1, "entered", 0, ("segmentId", School.First)));
                    return id;
                }
            );

        public Guid Place => Put("places", School.Place());

        public Guid Course => Put("courses", School.Course());

        public Guid Round => Put($"rounds/{Student}", School.Round());

        public Guid Drill => Put("drills", School.Drill());

        public Guid DeletedDrill =>
            Made(
                "deleted drill",
                async () =>
                {
                    var id = Guid.CreateVersion7();
                    await school.Coach.PutAsync($"/api/drills/{id}", School.Drill());
                    await school.Coach.DeleteAsync($"/api/drills/{id}", version: 1);
                    return id;
                }
            );

        public Guid Squad => Put("squads", new { name = "Squad", members = Array.Empty<Guid>() });

        public Guid Competition =>
            Made(
                "competition",
                async () =>
                {
                    var id = Guid.CreateVersion7();
                    await school.WriteFileAsync(Student, new { own = new { competitions = new[] { School.Competition(id) } } });
                    return id;
                }
            );

        public Guid TestDay =>
            Put("test-days", () => School.TestDay(Made("scored", () => school.SavePlanAsync(School.PlanWithDrill())), Student));

        public Guid Programme => Put("programmes", () => School.Programme(Plan));

        public Guid Run => Put("programmes/runs", () => School.Run(Programme, school.StudentId));

        private Guid Put(string what, object body) => Put(what, () => body);

        private Guid Put(string what, Func<object> body) =>
            Made(
                what,
                async () =>
                {
                    var id = Guid.CreateVersion7();
                    Assert.Equal(HttpStatusCode.OK, (await school.Coach.PutAsync($"/api/{what}/{id}", body())).Status);
                    return id;
                }
            );

        // A row of the matrix is an expression, which cannot wait.
        private Guid Made(string what, Func<Task<Guid>> make) =>
            _made.TryGetValue(what, out var id) ? id : _made[what] = Task.Run(make).GetAwaiter().GetResult();
    }

    // In the order of Callers.                       nobody owner coach student other c.elsewhere s.elsewhere
    private static readonly int[] Anybody = [200, 200, 200, 200, 200, 200, 200];
    private static readonly int[] NobodyHere = [404, 404, 404, 404, 404, 404, 404];
    private static readonly int[] CoachesOfAny = [401, 200, 200, 403, 403, 200, 403];
    private static readonly int[] CoachesHere = [401, 200, 200, 403, 403, 404, 403];
    private static readonly int[] OwnAndCoaches = [401, 200, 200, 200, 404, 404, 404];
    private static readonly int[] AnybodySignedIn = [401, 200, 200, 200, 200, 200, 200];
    private static readonly int[] AnybodyHere = [401, 200, 200, 200, 200, 404, 404];

    private static readonly int[] OwnersOfAny = [401, 200, 403, 403, 403, 403, 403];

    private static int[] OnlyGuardians(int status) => [401, 403, 403, 403, 403, 403, 403, status];

    private static readonly int[] OwnersDo = [401, 204, 403, 403, 403, 403, 403];

    /// <summary>Anybody may ask it of their own account, and what is asked here will not do.</summary>
    private static readonly int[] RefusedSignedIn = [401, 422, 422, 422, 422, 422, 422];

    private static readonly Row[] Matrix =
    [
        new("GET", "/api/accounts/session", _ => ("/api/accounts/session", null), Anybody),
        new(
            "POST",
            "/api/accounts/sign-in",
            i => ("/api/accounts/sign-in", new { email = $"{Guid.NewGuid():N}@y.example", password = "x" }),
            [401, 401, 401, 401, 401, 401, 401]
        ),
        new("POST", "/api/accounts/demo-sign-in", _ => ("/api/accounts/demo-sign-in", new { @as = "coach" }), NobodyHere),
        new("GET", "/api/accounts/invitations/{token}", _ => ("/api/accounts/invitations/guessed", null), NobodyHere),
        new(
            "POST",
            "/api/accounts/invitations/{token}/accept",
            _ => ("/api/accounts/invitations/guessed/accept", new { email = "x@y.example", password = "long enough words" }),
            NobodyHere
        ),
        new(
            "POST",
            "/api/accounts/coach-invitations",
            _ => ("/api/accounts/coach-invitations", null),
            [401, 200, 403, 403, 403, 403, 403]
        ),
        new("GET", "/api/accounts/coaches", _ => ("/api/accounts/coaches", null), CoachesOfAny),
        new(
            "POST",
            "/api/accounts/second-step",
            _ => ("/api/accounts/second-step", new { code = "123456" }),
            [401, 401, 401, 401, 401, 401, 401]
        ),
        new("POST", "/api/accounts/passkey-options", _ => ("/api/accounts/passkey-options", null), Anybody),
        new(
            "POST",
            "/api/accounts/passkey-sign-in",
            _ => ("/api/accounts/passkey-sign-in", new { credential = "{}" }),
            [401, 401, 401, 401, 401, 401, 401]
        ),
        new(
            "POST",
            "/api/accounts/forgotten-password",
            _ => ("/api/accounts/forgotten-password", new { email = $"{Guid.NewGuid():N}@y.example" }),
            [204, 204, 204, 204, 204, 204, 204]
        ),
        new(
            "POST",
            "/api/accounts/password-reset",
            i => ("/api/accounts/password-reset", Guessed(i, "long enough words")),
            NobodyHere
        ),
        new("POST", "/api/accounts/email-confirmation", i => ("/api/accounts/email-confirmation", Guessed(i, null)), NobodyHere),
        new(
            "POST",
            "/api/accounts/academies",
            _ =>
                (
                    "/api/accounts/academies",
                    new
                    {
                        secret = "guessed",
                        academyName = "A",
                        timeZone = "UTC",
                        name = "N",
                        email = "n@y.example",
                        password = "long enough words",
                    }
                ),
            // Six tries are free from one place, and those after them wait.
            [422, 422, 422, 422, 422, 422, 423, 423]
        ),
        new("GET", "/api/accounts/mine/", _ => ("/api/accounts/mine", null), AnybodySignedIn),
        new(
            "POST",
            "/api/accounts/mine/password",
            _ => ("/api/accounts/mine/password", new { current = "guessed", password = "long enough words" }),
            RefusedSignedIn
        ),
        new(
            "POST",
            "/api/accounts/mine/email-confirmation",
            _ => ("/api/accounts/mine/email-confirmation", null),
            RefusedSignedIn
        ),
        new(
            "DELETE",
            "/api/accounts/mine/sign-ins/{id:guid}",
            i => ($"/api/accounts/mine/sign-ins/{i.New}", null),
            [401, 204, 204, 204, 204, 204, 204]
        ),
        new(
            "POST",
            "/api/accounts/mine/second-step/begin",
            _ => ("/api/accounts/mine/second-step/begin", new { current = "guessed" }),
            [401, 422, 422, 403, 403, 422, 403]
        ),
        new(
            "POST",
            "/api/accounts/mine/second-step/finish",
            _ => ("/api/accounts/mine/second-step/finish", new { code = "123456" }),
            [401, 422, 422, 403, 403, 422, 403]
        ),
        new(
            "POST",
            "/api/accounts/mine/second-step/end",
            _ => ("/api/accounts/mine/second-step/end", new { current = "guessed" }),
            RefusedSignedIn
        ),
        new(
            "POST",
            "/api/accounts/mine/second-step/recovery-codes",
            _ => ("/api/accounts/mine/second-step/recovery-codes", new { current = "guessed" }),
            RefusedSignedIn
        ),
        new(
            "POST",
            "/api/accounts/mine/passkeys/options",
            _ => ("/api/accounts/mine/passkeys/options", new { current = "guessed" }),
            RefusedSignedIn
        ),
        new(
            "POST",
            "/api/accounts/mine/passkeys",
            _ => ("/api/accounts/mine/passkeys", new { name = "Phone", credential = "{}" }),
            RefusedSignedIn
        ),
        new(
            "DELETE",
            "/api/accounts/mine/passkeys/{id}",
            _ => ("/api/accounts/mine/passkeys/AAAA", null),
            [401, 204, 204, 204, 204, 204, 204]
        ),
        new("GET", "/api/people/", _ => ("/api/people", null), OwnersOfAny),
        new("GET", "/api/people/security-log", _ => ("/api/people/security-log", null), OwnersOfAny),
        new("DELETE", "/api/people/invitations/{id:guid}", i => ($"/api/people/invitations/{i.New}", null), OwnersDo),
        new("PUT", "/api/people/{id:guid}/role", i => ($"/api/people/{i.Coach}/role", new { role = "coach" }), OwnersDo),
        new("PUT", "/api/people/{id:guid}/state", i => ($"/api/people/{i.Coach}/state", new { state = "active" }), OwnersDo),
        new("POST", "/api/people/{id:guid}/password-link", i => ($"/api/people/{i.Coach}/password-link", null), OwnersOfAny),
        new(
            "DELETE",
            "/api/people/{id:guid}/second-step",
            i => ($"/api/people/{i.New}/second-step", null),
            [401, 404, 403, 403, 403, 403, 403]
        ),
        new("PUT", "/api/academy/", _ => ("/api/academy", new { name = "First Academy", timeZone = "UTC" }), OwnersDo),
        new("GET", "/api/students/{studentId:guid}/account/", i => ($"/api/students/{i.Student}/account", null), CoachesHere),
        new(
            "PUT",
            "/api/students/{studentId:guid}/account/state",
            i => ($"/api/students/{i.Student}/account/state", new { state = "active" }),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "POST",
            "/api/students/{studentId:guid}/account/password-link",
            i => ($"/api/students/{i.Student}/account/password-link", null),
            CoachesHere
        ),
        new("GET", "/api/students/", _ => ("/api/students", null), CoachesOfAny),
        new("GET", "/api/students/{id:guid}", i => ($"/api/students/{i.Student}", null), OwnAndCoaches),
        new(
            "PUT",
            "/api/students/{id:guid}",
            i => ($"/api/students/{i.Student}", ("If-Match", School.StudentInput("Changed"))),
            CoachesHere
        ),
        new("GET", "/api/students/{id:guid}/file", i => ($"/api/students/{i.Student}/file", null), OwnAndCoaches),
        new(
            "PUT",
            "/api/students/{id:guid}/file",
            i =>
                (
                    $"/api/students/{i.Student}/file",
                    ("If-Match", (object)new { own = new { routine = new[] { $"Step {i.New}" } } })
                ),
            OwnAndCoaches
        ),
        new(
            "PUT",
            "/api/students/{id:guid}/coach",
            i => ($"/api/students/{i.Student}/coach", ("If-Match 1", (object)new { coachId = i.Coach })),
            CoachesHere
        ),
        new(
            "POST",
            "/api/students/{id:guid}/invitations",
            i => ($"/api/students/{i.Student}/invitations", null),
            [401, 409, 409, 403, 403, 404, 403]
        ),
        new("GET", "/api/places/", _ => ("/api/places", null), AnybodySignedIn),
        new("GET", "/api/places/{id:guid}", i => ($"/api/places/{i.Place}", null), AnybodyHere),
        new(
            "PUT",
            "/api/places/{id:guid}",
            i => ($"/api/places/{i.Place}", ("If-Match", School.Place($"Changed {i.New}"))),
            CoachesHere
        ),
        new(
            "DELETE",
            "/api/places/{id:guid}",
            i => ($"/api/places/{i.Place}", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new("GET", "/api/places/file", _ => ("/api/places/file", null), CoachesOfAny),
        new(
            "POST",
            "/api/places/file",
            i =>
                (
                    "/api/places/file",
                    new
                    {
                        format = "morning-round-places",
                        version = 1,
                        places = new[] { new { id = i.New, place = School.Place() } },
                    }
                ),
            CoachesOfAny
        ),
        new("GET", "/api/courses/", _ => ("/api/courses", null), CoachesOfAny),
        new(
            "PUT",
            "/api/courses/{id:guid}",
            i => ($"/api/courses/{i.Course}", ("If-Match", School.Course($"Changed {i.New}"))),
            CoachesHere
        ),
        new(
            "DELETE",
            "/api/courses/{id:guid}",
            i => ($"/api/courses/{i.Course}", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new("GET", "/api/courses/file", _ => ("/api/courses/file", null), CoachesOfAny),
        new(
            "POST",
            "/api/courses/file",
            i =>
                (
                    "/api/courses/file",
                    new
                    {
                        format = "morning-round-courses",
                        version = 1,
                        courses = new[] { new { id = i.New, course = School.Course() } },
                    }
                ),
            CoachesOfAny
        ),
        new("GET", "/api/rounds/{studentId:guid}/", i => ($"/api/rounds/{i.Student}", null), OwnAndCoaches),
        new(
            "PUT",
            "/api/rounds/{studentId:guid}/{id:guid}",
            i => ($"/api/rounds/{i.Student}/{i.Round}", ("If-Match", School.Round(80 + i.Count))),
            OwnAndCoaches
        ),
        new(
            "DELETE",
            "/api/rounds/{studentId:guid}/{id:guid}",
            i => ($"/api/rounds/{i.Student}/{i.Round}", ("If-Match", (object?)null)),
            [401, 204, 204, 204, 404, 404, 404]
        ),
        new("GET", "/api/rounds/{studentId:guid}/file", i => ($"/api/rounds/{i.Student}/file", null), OwnAndCoaches),
        new(
            "POST",
            "/api/rounds/{studentId:guid}/file",
            i =>
                (
                    $"/api/rounds/{i.Student}/file",
                    new
                    {
                        format = "morning-round-rounds",
                        version = 1,
                        rounds = new[] { new { id = i.New, round = School.Round() } },
                    }
                ),
            OwnAndCoaches
        ),
        new("GET", "/api/rounds/{studentId:guid}/csv", i => ($"/api/rounds/{i.Student}/csv", null), OwnAndCoaches),
        new(
            "POST",
            "/api/rounds/{studentId:guid}/csv",
            i => ($"/api/rounds/{i.Student}/csv", new { text = "day,course,par,score\n2026-05-01,Osier Island,72,88\n" }),
            OwnAndCoaches
        ),
        new("GET", "/api/drills/", _ => ("/api/drills?minutes=10", null), CoachesOfAny),
        new("GET", "/api/drills/protocols", _ => ("/api/drills/protocols", null), CoachesOfAny),
        new("POST", "/api/drills/check", _ => ("/api/drills/check", new { drill = School.Drill() }), CoachesOfAny),
        new(
            "POST",
            "/api/drills/score",
            _ => ("/api/drills/score", new { protocol = School.Streak(), inputs = Array.Empty<object>() }),
            CoachesOfAny
        ),
        new("GET", "/api/drills/file", _ => ("/api/drills/file", null), CoachesOfAny),
        new(
            "POST",
            "/api/drills/file",
            i =>
                (
                    "/api/drills/file",
                    new
                    {
                        format = "morning-round-drills",
                        version = 1,
                        drills = new[] { new { id = i.New, drill = School.Drill() } },
                    }
                ),
            CoachesOfAny
        ),
        new("GET", "/api/drills/{id:guid}", i => ($"/api/drills/{i.Drill}", null), CoachesHere),
        new(
            "PUT",
            "/api/drills/{id:guid}",
            i => ($"/api/drills/{i.Drill}", ("If-Match", School.Drill($"Changed {i.New}"))),
            CoachesHere
        ),
        new(
            "DELETE",
            "/api/drills/{id:guid}",
            i => ($"/api/drills/{i.Drill}", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new("GET", "/api/plans/", _ => ("/api/plans", null), CoachesOfAny),
        new(
            "POST",
            "/api/plans/check",
            i => ("/api/plans/check", new { plan = School.Plan(), studentId = i.Student }),
            CoachesHere
        ),
        new(
            "POST",
            "/api/plans/fix",
            i =>
                (
                    "/api/plans/fix",
                    new
                    {
                        plan = School.Plan(),
                        studentId = i.Student,
                        finding = "noFocus",
                        segmentId = School.First,
                    }
                ),
            CoachesHere
        ),
        new(
            "POST",
            "/api/plans/draft",
            i =>
                (
                    "/api/plans/draft",
                    new { request = new { minutes = 30, places = new[] { "puttingGreen" } }, studentId = i.Student }
                ),
            CoachesHere
        ),
        new(
            "POST",
            "/api/plans/calls",
            _ =>
                (
                    "/api/plans/calls",
                    new { protocol = new { kind = "calledShots", clubs = new[] { "iron7", "iron8" } }, seed = 1 }
                ),
            CoachesOfAny
        ),
        new(
            "POST",
            "/api/plans/holes",
            i => ("/api/plans/holes", new { studentId = i.Student, play = School.Holes() }),
            CoachesHere
        ),
        new("GET", "/api/plans/templates", _ => ("/api/plans/templates", null), CoachesOfAny),
        new("GET", "/api/plans/context/{studentId:guid}", i => ($"/api/plans/context/{i.Student}", null), CoachesHere),
        new("GET", "/api/plans/warm-ups/{studentId:guid}", i => ($"/api/plans/warm-ups/{i.Student}", null), OwnAndCoaches),
        new("GET", "/api/plans/{id:guid}", i => ($"/api/plans/{i.Plan}", null), CoachesHere),
        new("PUT", "/api/plans/{id:guid}", i => ($"/api/plans/{i.Plan}", ("If-Match", School.Plan("Changed"))), CoachesHere),
        new(
            "DELETE",
            "/api/plans/{id:guid}",
            i => ($"/api/plans/{i.Plan}", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "GET",
            "/api/weeks/{week}/students/{studentId:guid}",
            i => ($"/api/weeks/{TestServer.Week}/students/{i.Student}", null),
            OwnAndCoaches
        ),
        new("GET", "/api/weeks/{week}/sheet", _ => ($"/api/weeks/{TestServer.Week}/sheet", null), CoachesOfAny),
        new("POST", "/api/weeks/{week}/check", i => OfStudents(i, "check"), CoachesHere),
        new("POST", "/api/weeks/{week}/copy", i => OfStudents(i, "copy"), CoachesHere),
        new("GET", "/calendar/{token}.ics", _ => ("/calendar/guessed.ics", null), NobodyHere),
        new("GET", "/api/calendar/", _ => ("/api/calendar", null), AnybodySignedIn),
        new("POST", "/api/calendar/", _ => ("/api/calendar", null), AnybodySignedIn),
        new("DELETE", "/api/calendar/", _ => ("/api/calendar", null), [401, 204, 204, 204, 204, 204, 204]),
        new("GET", "/api/reminders/", _ => ("/api/reminders", null), AnybodySignedIn),
        new("GET", "/api/reminders/outbox", _ => ("/api/reminders/outbox", null), CoachesOfAny),
        new(
            "PUT",
            "/api/reminders/{kind}",
            _ => ("/api/reminders/tomorrow", new { isOn = true }),
            [401, 422, 422, 200, 200, 422, 200]
        ),
        new("GET", "/api/programmes/", _ => ("/api/programmes", null), CoachesOfAny),
        new("POST", "/api/programmes/draw", i => ("/api/programmes/draw", School.Programme(i.Plan)), CoachesOfAny),
        new("GET", "/api/programmes/{id:guid}", i => ($"/api/programmes/{i.Programme}", null), CoachesHere),
        new(
            "PUT",
            "/api/programmes/{id:guid}",
            i => ($"/api/programmes/{i.Programme}", ("If-Match 1", School.Programme(i.Plan, $"Changed {i.New}"))),
            CoachesHere
        ),
        new(
            "DELETE",
            "/api/programmes/{id:guid}",
            i => ($"/api/programmes/{i.Programme}", ("If-Match 1", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "PUT",
            "/api/programmes/runs/{id:guid}",
            i => ($"/api/programmes/runs/{i.Run}", ("If-Match 1", (object)School.Run(i.Programme, i.Student, until: "2026-W25"))),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/programmes/runs/{id:guid}/waits",
            i =>
                (
                    $"/api/programmes/runs/{i.Run}/waits",
                    new
                    {
                        studentId = i.Student,
                        week = TestServer.Week,
                        waits = true,
                    }
                ),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new("POST", "/api/weeks/{week}/paper", i => OfStudents(i, "paper"), OwnAndCoaches),
        new("POST", "/api/weeks/{week}/programmes", i => OfStudents(i, "programmes"), CoachesHere),
        new("POST", "/api/weeks/{week}/place", i => OfStudents(i, "place"), CoachesHere),
        new("POST", "/api/weeks/{week}/publish", i => OfStudents(i, "publish"), CoachesHere),
        new(
            "POST",
            "/api/weeks/{week}/set",
            i =>
                (
                    $"/api/weeks/{TestServer.Week}/set",
                    new { planId = i.Plan, sessions = new[] { new { id = i.New, studentId = i.Student } } }
                ),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/weeks/{week}/looked",
            _ => ($"/api/weeks/{TestServer.Week}/looked", null),
            [401, 403, 403, 204, 204, 403, 204]
        ),
        new("GET", "/api/squads/", _ => ("/api/squads", null), CoachesOfAny),
        new(
            "PUT",
            "/api/squads/{id:guid}",
            i => ($"/api/squads/{i.Squad}", ("If-Match 1", (object)new { name = "Changed", members = new[] { i.Student } })),
            CoachesHere
        ),
        new(
            "DELETE",
            "/api/squads/{id:guid}",
            i => ($"/api/squads/{i.Squad}", ("If-Match 1", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "GET",
            "/api/weeks/{week}/students/{studentId:guid}/findings",
            i => ($"/api/weeks/{TestServer.Week}/students/{i.Student}/findings?planId={i.Plan}", null),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}",
            i =>
                (
                    $"/api/weeks/assignments/{i.New}",
                    (
                        "If-None-Match",
                        (object)
                            new
                            {
                                studentId = i.Student,
                                planId = i.Plan,
                                week = TestServer.Week,
                                day = (string?)null,
                                requirement = "must",
                            }
                    )
                ),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}/excuse",
            i => ($"/api/weeks/assignments/{i.Draft}/excuse", ("If-Match", (object)new { excuse = "away" })),
            CoachesHere
        ),
        new(
            "POST",
            "/api/weeks/changes",
            i =>
                (
                    "/api/weeks/changes",
                    new
                    {
                        changes = new[]
                        {
                            new
                            {
                                kind = "takeOut",
                                id = i.Draft,
                                version = 1,
                            },
                        },
                    }
                ),
            CoachesOfAny
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}/steps",
            i => ($"/api/weeks/assignments/{i.Draft}/steps", ("If-Match", (object)new { take = new[] { i.New } })),
            CoachesHere
        ),
        new("GET", "/api/weeks/assignments/{id:guid}/text", i => ($"/api/weeks/assignments/{i.Draft}/text", null), CoachesHere),
        new(
            "GET",
            "/api/weeks/assignments/{id:guid}/text/latest",
            i => ($"/api/weeks/assignments/{i.Draft}/text/latest", null),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}/text",
            i => ($"/api/weeks/assignments/{i.Draft}/text", ("If-Match", (object)new { plan = School.Plan($"Own {i.New}") })),
            CoachesHere
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}/day",
            i => ($"/api/weeks/assignments/{i.Waiting}/day", ("If-Match 2", (object)new { day = "2026-05-08" })),
            [401, 403, 403, 200, 404, 403, 404]
        ),
        new(
            "PUT",
            "/api/weeks/assignments/{id:guid}/cannot",
            i => ($"/api/weeks/assignments/{i.Waiting}/cannot", ("If-Match 2", (object)new { reason = "ill" })),
            [401, 403, 403, 200, 404, 403, 404]
        ),
        new(
            "DELETE",
            "/api/weeks/assignments/{id:guid}",
            i => ($"/api/weeks/assignments/{i.Draft}", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new("GET", "/api/sessions/{assignmentId:guid}", i => ($"/api/sessions/{i.Session}", null), OwnAndCoaches),
        new("GET", "/api/sessions/logs/{logId:guid}/entries", i => ($"/api/sessions/logs/{i.Log}/entries", null), OwnAndCoaches),
        new(
            "POST",
            "/api/sessions/logs/{logId:guid}/entries",
            i =>
                (
                    $"/api/sessions/logs/{i.New}/entries",
                    new
                    {
                        assignmentId = i.Session,
                        accountId = i.Account,
                        entries = new[] { School.Entry(1, "entered", 0, ("segmentId", School.First)) },
                    }
                ),
            [401, 403, 403, 200, 404, 404, 404]
        ),
        new(
            "PUT",
            "/api/sessions/own/{assignmentId:guid}",
            i =>
                (
                    $"/api/sessions/own/{i.New}",
                    new
                    {
                        studentId = i.Student,
                        day = "2026-05-06",
                        plan = School.Plan(),
                    }
                ),
            [401, 200, 200, 200, 404, 404, 404]
        ),
        new("GET", "/api/progress/{studentId:guid}", i => ($"/api/progress/{i.Student}", null), OwnAndCoaches),
        new(
            "POST",
            "/api/progress/{studentId:guid}/start",
            i => ($"/api/progress/{i.Student}/start", new { what = "Gate", unit = "%" }),
            OwnAndCoaches
        ),
        new(
            "GET",
            "/api/progress/{studentId:guid}/drills/{drillId:guid}",
            i => ($"/api/progress/{i.Student}/drills/{i.New}", null),
            OwnAndCoaches
        ),
        new(
            "GET",
            "/api/competitions/{studentId:guid}/{competitionId:guid}/",
            i => ($"/api/competitions/{i.Student}/{i.Competition}", null),
            OwnAndCoaches
        ),
        new(
            "POST",
            "/api/competitions/{studentId:guid}/{competitionId:guid}/arrival",
            i => ($"/api/competitions/{i.Student}/{i.Competition}/arrival", null),
            CoachesHere
        ),
        new("GET", "/api/test-days/", _ => ("/api/test-days", null), CoachesOfAny),
        new("GET", "/api/test-days/{id:guid}", i => ($"/api/test-days/{i.TestDay}", null), CoachesHere),
        new(
            "PUT",
            "/api/test-days/{id:guid}",
            i => ($"/api/test-days/{i.TestDay}", ("If-Match 1", School.TestDay(i.Plan, i.Student, name: "Changed"))),
            [401, 200, 200, 403, 403, 404, 403]
        ),
        new(
            "DELETE",
            "/api/test-days/{id:guid}",
            i => ($"/api/test-days/{i.TestDay}", ("If-Match 1", (object?)null)),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "POST",
            "/api/test-days/{id:guid}/days",
            i => ($"/api/test-days/{i.TestDay}/days", new { day = "2026-05-06" }),
            CoachesHere
        ),
        new("GET", "/api/review/tee-line", _ => ("/api/review/tee-line", null), CoachesOfAny),
        new("GET", "/api/review/goals", _ => ("/api/review/goals", null), CoachesOfAny),
        new("GET", "/api/exports/{table}.csv", _ => ("/api/exports/sessions.csv", null), CoachesOfAny),
        new("GET", "/api/exports/students/{studentId:guid}", i => ($"/api/exports/students/{i.Student}", null), OwnAndCoaches),
        new("GET", "/api/review/students/{studentId:guid}", i => ($"/api/review/students/{i.Student}", null), CoachesHere),
        new("GET", "/api/review/stops/{studentId:guid}", i => ($"/api/review/stops/{i.Student}", null), CoachesHere),
        new(
            "PUT",
            "/api/review/stops/{studentId:guid}/held",
            i => ($"/api/review/stops/{i.Student}/held", new { }),
            [401, 204, 409, 403, 403, 404, 403]
        ),
        new(
            "DELETE",
            "/api/review/stops/{studentId:guid}/held",
            i => ($"/api/review/stops/{i.Student}/held", ("If-Match", (object?)null)),
            [401, 204, 204, 403, 403, 204, 403]
        ),
        new(
            "PUT",
            "/api/review/stops/{studentId:guid}/seen",
            i => ($"/api/review/stops/{i.Student}/seen", new { score = 1 }),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "PUT",
            "/api/review/stops/{studentId:guid}/decision",
            i =>
                (
                    $"/api/review/stops/{i.Student}/decision",
                    new
                    {
                        week = TestServer.Week,
                        suggestionId = "one",
                        decision = "left",
                    }
                ),
            CoachesHere
        ),
        new(
            "POST",
            "/api/review/stops/{studentId:guid}/publish",
            i => ($"/api/review/stops/{i.Student}/publish", new { week = "2026-W30" }),
            CoachesHere
        ),
        new(
            "GET",
            "/api/weeks/{week}/students/{studentId:guid}/word",
            i => ($"/api/weeks/{TestServer.Week}/students/{i.Student}/word", null),
            OwnAndCoaches
        ),
        new(
            "PUT",
            "/api/weeks/{week}/students/{studentId:guid}/word",
            i => ($"/api/weeks/2026-W31/students/{i.Student}/word", ("If-None-Match", (object)new { text = "Slower." })),
            [401, 200, 200, 403, 403, 404, 403]
        ),
        new(
            "PUT",
            "/api/weeks/{week}/question",
            _ => ("/api/weeks/2026-W32/question", ("If-None-Match", (object)new { text = "How far?" })),
            [401, 403, 403, 200, 200, 403, 200]
        ),
        new(
            "PUT",
            "/api/weeks/{week}/answer",
            _ => ("/api/weeks/2026-W31/answer", ("If-Match", (object)new { text = "Yes." })),
            [401, 403, 403, 200, 404, 403, 404]
        ),
        // A guardian of the other student: the student is no child of theirs, and only guardians ask here.
        new("GET", "/api/guardian/children", _ => ("/api/guardian/children", null), OnlyGuardians(200)),
        new(
            "GET",
            "/api/guardian/children/{studentId:guid}/weeks/{week}",
            i => ($"/api/guardian/children/{i.Student}/weeks/{TestServer.Week}", null),
            OnlyGuardians(404)
        ),
        new(
            "POST",
            "/api/guardian/children/{studentId:guid}/withdrawal",
            i => ($"/api/guardian/children/{i.Student}/withdrawal", null),
            OnlyGuardians(404)
        ),
        new(
            "POST",
            "/api/guardian/consents",
            _ => ("/api/guardian/consents", new { token = "guessed", consents = true }),
            OnlyGuardians(404)
        ),
        new("GET", "/api/students/{studentId:guid}/guardians/", i => ($"/api/students/{i.Student}/guardians", null), CoachesHere),
        // The student is of age.
        new(
            "POST",
            "/api/students/{studentId:guid}/guardians/invitations",
            i => ($"/api/students/{i.Student}/guardians/invitations", null),
            [401, 409, 409, 403, 403, 404, 403]
        ),
        new(
            "DELETE",
            "/api/students/{studentId:guid}/guardians/{accountId:guid}",
            i => ($"/api/students/{i.Student}/guardians/{i.Account}", null),
            [401, 404, 404, 403, 403, 404, 403]
        ),
        new(
            "GET",
            "/api/weeks/students/{studentId:guid}/days-away/",
            i => ($"/api/weeks/students/{i.Student}/days-away", null),
            OwnAndCoaches
        ),
        new(
            "POST",
            "/api/weeks/students/{studentId:guid}/days-away/excuse",
            i => ($"/api/weeks/students/{i.Student}/days-away/excuse", null),
            OwnAndCoaches
        ),
        new("GET", "/api/deleted/", _ => ("/api/deleted", null), CoachesOfAny),
        new(
            "POST",
            "/api/deleted/{kind}/{id:guid}/restore",
            i => ($"/api/deleted/drill/{i.DeletedDrill}/restore", null),
            [401, 204, 204, 403, 403, 404, 403]
        ),
        new(
            "GET",
            "/api/data-rights/students/{studentId:guid}/",
            i => ($"/api/data-rights/students/{i.Student}", null),
            [401, 200, 403, 403, 403, 403, 403]
        ),
        new(
            "GET",
            "/api/data-rights/mine/everything.zip",
            _ => ("/api/data-rights/mine/everything.zip", null),
            [401, 200, 200, 200, 200, 200, 200, 200]
        ),
        new(
            "GET",
            "/api/data-rights/students/{studentId:guid}/everything.zip",
            i => ($"/api/data-rights/students/{i.Student}/everything.zip", null),
            [401, 200, 403, 403, 403, 403, 403]
        ),
        new(
            "GET",
            "/api/data-rights/accounts/{accountId:guid}/everything.zip",
            i => ($"/api/data-rights/accounts/{i.Coach}/everything.zip", null),
            [401, 200, 403, 403, 403, 403, 403]
        ),
        new(
            "GET",
            "/api/data-rights/academy/everything.zip",
            _ => ("/api/data-rights/academy/everything.zip", null),
            OwnersOfAny
        ),
        new("GET", "/api/data-rights/academy/retention", _ => ("/api/data-rights/academy/retention", null), OwnersOfAny),
        new(
            "PUT",
            "/api/data-rights/academy/retention",
            _ => ("/api/data-rights/academy/retention", new { practiceYears = 3, securityLogDays = 200 }),
            OwnersDo
        ),
        // Another name than the student's deletes nobody.
        new(
            "POST",
            "/api/data-rights/students/{studentId:guid}/forgetting",
            i => ($"/api/data-rights/students/{i.Student}/forgetting", new { name = "guessed" }),
            [401, 422, 403, 403, 403, 403, 403]
        ),
        new("GET", "/health/live", _ => ("/health/live", null), Anybody),
        new("GET", "/health/ready", _ => ("/health/ready", null), Anybody),
        // The web application is not built here.
        new("GET", "/index.html", _ => ("/index.html", null), NobodyHere),
        new("HEAD", "/index.html", _ => ("/index.html", null), NobodyHere),
        new("GET", "/openapi/{documentName}.json", _ => ("/openapi/v1.json", null), Anybody),
        new("ANY", "/api/{**rest}", _ => ("/api/made-up", null), NobodyHere),
        // These end the caller's sign-ins, so they stand last.
        new(
            "POST",
            "/api/accounts/mine/sign-out-everywhere",
            _ => ("/api/accounts/mine/sign-out-everywhere", null),
            [401, 204, 204, 204, 204, 204, 204]
        ),
        new("POST", "/api/accounts/sign-out", _ => ("/api/accounts/sign-out", null), [401, 204, 204, 204, 204, 204, 204]),
    ];

    /// <summary>Pages of the web application, which everybody may load.</summary>
    private static readonly string[] Pages = ["{*path:nonfile}"];

    [Fact]
    public async Task Everybody_reaches_what_is_theirs_and_nothing_else()
    {
        await using var server = await TestServer.NewAsync();
        var here = await School.OpenAsync(server);
        var elsewhere = await School.OpenAsync(server, "Second");
        Browser[] browsers =
        [
            server.NewBrowser(),
            here.Owner,
            here.Coach,
            here.Student,
            here.OtherStudent,
            elsewhere.Coach,
            elsewhere.Student,
            await here.GuardianAsync(here.OtherStudentId),
        ];
        var wrong = new List<string>();
        var ids = new Ids(here);
        string? known = null;
        foreach (var row in Matrix)
        {
            for (var caller = 0; caller < Callers.Length; caller++)
            {
                var already = ids.Count;
                var (path, body) = row.Call(ids);
                if (ids.Count > already)
                    known = null;
                var expected = row.StatusOf(caller);
                // What one refused call left is what the next one finds.
                var before = expected >= 400 ? known ?? await FingerprintAsync(server) : "";
                var answer = await CallAsync(browsers[caller], row.Method, path, body);
                var cell = $"{row.Method} {row.Route} as {Callers[caller]}";
                if ((int)answer.Status != expected)
                    wrong.Add($"{cell}: {(int)answer.Status}, not {expected}");
                if (expected >= 400 && answer.Body?["status"]?.GetValue<int>() != expected)
                    wrong.Add($"{cell}: no problem document");
                known = expected >= 400 ? await FingerprintAsync(server) : null;
                if (expected >= 400 && known != before)
                    wrong.Add($"{cell}: refused, but something changed");
                // What a call has changed or taken away is no ground for the next cell.
                if (expected < 400 && row.Method != "GET" && row != Matrix[^1])
                    ids = new Ids(here);
            }

            if (row.Route.EndsWith("sign-out-everywhere", StringComparison.Ordinal))
                await SignInAgainAsync(browsers);
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public async Task Every_endpoint_is_listed()
    {
        await using var server = await TestServer.NewAsync();
        var routed = server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .SelectMany(e =>
                (e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["ANY"]).Select(m => $"{m} {Route(e)}")
            )
            .Where(e => !Pages.Any(page => e.EndsWith(page, StringComparison.Ordinal)))
            .Distinct();
        var listed = Matrix.Select(r =>
            $"{(r.Route.StartsWith("/health", StringComparison.Ordinal) ? "ANY" : r.Method)} {r.Route}"
        );
        Assert.Equal(listed.Order(), routed.Order());

        static string Route(RouteEndpoint endpoint) =>
            endpoint.RoutePattern.RawText is { } text && text.StartsWith('/') ? text : $"/{endpoint.RoutePattern.RawText}";
    }

    private static async Task SignInAgainAsync(Browser[] browsers)
    {
        string[] names =
        [
            "owner@First",
            "coach@First",
            "student@First",
            "other@First",
            "coach@Second",
            "student@Second",
            "guardian@First",
        ];
        foreach (var (browser, name) in browsers.Skip(1).Zip(names))
            await browser.PostAsync("/api/accounts/sign-in", new { email = $"{name}.example", password = "a made-up password" });
    }

    /// <summary>A link that nobody made.</summary>
    private static object Guessed(Ids ids, string? password) =>
        new
        {
            accountId = ids.Account,
            token = "guessed",
            password,
        };

    private static (string Path, object? Body) OfStudents(Ids ids, string what) =>
        ($"/api/weeks/{TestServer.Week}/{what}", new { students = new[] { ids.Student } });

    private static async Task<Answer> CallAsync(Browser browser, string method, string path, object? body)
    {
        if (body is not ValueTuple<string, object?> conditional)
            return await browser.SendAsync(new HttpMethod(method == "ANY" ? "GET" : method), path, body);
        // "If-Match" alone finds the version where it can be read; "If-Match 2" names it.
        var (header, named) = conditional.Item1.Split(' ') is [var name, var version]
            ? (name, version)
            : (conditional.Item1, null);
        var value = header == "If-Match" ? $"\"{named ?? $"{await VersionAsync(browser, path)}"}\"" : "*";
        return await browser.SendAsync(new HttpMethod(method), path, conditional.Item2, (header, value));
    }

    /// <summary>The version a caller would send: the current one where it can be read, otherwise a guess.</summary>
    private static async Task<int> VersionAsync(Browser browser, string path) =>
        (await browser.GetAsync(path)) is { Status: HttpStatusCode.OK } row ? row.Get<int>("version") : 1;

    /// <summary>The content of every table that a call could change.</summary>
    private static async Task<string> FingerprintAsync(TestServer server)
    {
        await using var scope = server.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MorningRoundDb>();
        // Every column of every row, hashed where it lies. Sign-in counts wrong passwords only for addresses that exist.
        return await db
            .Database.SqlQueryRaw<string>(
                """
                SELECT concat_ws('|',
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM academies t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM accounts t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM invitations t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM students t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM student_files t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM student_changes t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM places t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM drills t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM plans t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM assignments t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM published_sessions t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM session_logs t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM session_entries t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM drill_results t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM week_words t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM review_stops t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM suggestion_decisions t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM plan_uses t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM squads t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM test_days t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM programmes t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM programme_runs t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM programme_waits t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM squad_members t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM guardianships t),
                  (SELECT md5(string_agg(t::text, ',' ORDER BY t::text)) FROM session_entry_conflicts t)) AS "Value"
                """
            )
            .SingleAsync();
    }
}
