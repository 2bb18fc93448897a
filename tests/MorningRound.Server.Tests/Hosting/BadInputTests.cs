using System.Net;
using System.Text;
using System.Text.Json;
using MorningRound.Core.Plans;
using MorningRound.Server.Students;

namespace MorningRound.Server.Tests.Hosting;

public class BadInputTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private const string Segment =
        """ "kind":"practice","id":"00000001-0000-7000-8000-000000000000","title":"Gate","phase":"block","intent":"skill","place":"range" """;

    private readonly School _school = fixture.School;

    private static string PlanWith(string segment) => $$"""{"title":"T","segments":[{{{segment}}}]}""";

    public static TheoryData<string, int, string> Plans =>
        new()
        {
            { PlanWith(Segment + ""","minutes":-5,"exit":{"kind":"minutes"}"""), 422, "segments[0].minutes" },
            { PlanWith(Segment + ""","minutes":5,"exit":{"kind":"until","criterion":""}"""), 422, "segments[0].exit.criterion" },
            { PlanWith(Segment + ""","minutes":5.5,"exit":{"kind":"minutes"}"""), 400, "segments[0].minutes" },
            { PlanWith(Segment + ""","minutes":"5","exit":{"kind":"minutes"}"""), 400, "segments[0].minutes" },
            { PlanWith(Segment + ""","minutes":99999999999,"exit":{"kind":"minutes"}"""), 400, "segments[0].minutes" },
            { PlanWith(Segment + ""","minutes":1e999,"exit":{"kind":"minutes"}"""), 400, "segments[0].minutes" },
            { PlanWith(Segment + ""","minutes":5"""), 400, "segments[0].exit" },
            { PlanWith(Segment + ""","minutes":5,"exit":{}"""), 400, "segments[0].exit" },
            { PlanWith(Segment + ""","minutes":5,"exit":{"kind":"whenever"}"""), 400, "segments[0].exit" },
            { PlanWith(Segment + ""","minutes":5,"exit":{"kind":"minutes"},"clubs":["niblick"]"""), 400, "segments[0].clubs[0]" },
            { PlanWith("""  "id":"00000001-0000-7000-8000-000000000000","title":"Gate","minutes":5 """), 400, "segments[0]" },
            { """{"title":"T","segments":[null]}""", 400, "segments" },
            { """{"title":"T","segments":null}""", 400, "segments" },
            { """{"title":"T\u0000","segments":[]}""", 400, "title" },
            { """{"title":"\ud800","segments":[]}""", 400, "title" },
            { """{"title":null,"segments":[]}""", 400, "title" },
            { """{"segments":[]}""", 400, "title" },
            { """{"title":"T","segments":[}""", 400, "segments[0]" },
            { """{"title":"T" """, 400, "body" },
            { "", 400, "body" },
            { "null", 400, "body" },
            { "[]", 400, "body" },
            { "{\"title\":\"" + new string('x', 5000) + "\",\"segments\":[]}", 422, "title" },
            { "{\"title\":" + new string('[', 60) + new string(']', 60) + ",\"segments\":[]}", 400, "title" },
        };

    [Theory]
    [InlineData("/api/weeks/2026-W10/sheet?student=abc", "student")]
    [InlineData("/api/weeks/2026-W10/sheet?everybody=perhaps", "everybody")]
    [InlineData("/api/weeks/2026-W10/sheet?squad=1&student=00000001-0000-7000-8000-000000000000", "squad")]
    public async Task A_value_of_the_address_that_cannot_be_read_is_named(string address, string field)
    {
        var answer = await _school.Coach.SendAsync(HttpMethod.Get, address, null);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal([field], answer.Fields);
        Assert.Equal("This could not be read.", answer.Get<string>("title"));
    }

    [Theory]
    [MemberData(nameof(Plans))]
    public async Task A_broken_plan_is_refused_and_its_field_named(string body, int status, string field)
    {
        var answer = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/plans/{Guid.CreateVersion7()}",
            body,
            ("If-None-Match", "*")
        );
        Assert.Equal((HttpStatusCode)status, answer.Status);
        Assert.Contains(field, answer.Fields);
        Assert.Equal(status, answer.Get<int>("status"));
    }

    [Fact]
    public async Task A_day_that_does_not_exist_is_refused()
    {
        var plan = await _school.SavePlanAsync();
        var answer = await _school.Coach.PutAsync(
            $"/api/weeks/assignments/{Guid.CreateVersion7()}",
            new
            {
                studentId = _school.StudentId,
                planId = plan,
                week = "2026-W09",
                day = "2026-02-31",
                requirement = "must",
            }
        );
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal(["day"], answer.Fields);
    }

    [Theory]
    [InlineData("2026-W54", "2026-05-06", "week")]
    [InlineData("soon", null, "week")]
    [InlineData("2026-W19", "2026-05-20", "day")]
    public async Task A_week_that_does_not_exist_or_a_day_outside_it_is_refused(string week, string? day, string field)
    {
        var plan = await _school.SavePlanAsync();
        var answer = await _school.Coach.PutAsync(
            $"/api/weeks/assignments/{Guid.CreateVersion7()}",
            new
            {
                studentId = _school.StudentId,
                planId = plan,
                week,
                day,
                requirement = "must",
            }
        );
        Assert.InRange((int)answer.Status, 400, 422);
        Assert.Equal([field], answer.Fields);
    }

    [Fact]
    public async Task A_name_of_five_thousand_characters_is_refused()
    {
        var answer = await _school.Coach.PutAsync(
            $"/api/students/{Guid.CreateVersion7()}",
            School.StudentInput(new string('x', 5000))
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, answer.Status);
        Assert.Equal(["name"], answer.Fields);
    }

    [Theory]
    [InlineData("/api/nothing-here")]
    [InlineData("/api/plans/not-an-id")]
    [InlineData("/api/weeks/2026-W99/students/00000001-0000-7000-8000-000000000000")]
    [InlineData("/api/progress/00000001-0000-7000-8000-000000000000?weeks=many")]
    [InlineData("/api/progress/00000001-0000-7000-8000-000000000000?weeks=-1")]
    public async Task No_wrong_address_gets_an_empty_answer_or_a_fault(string path)
    {
        var answer = await _school.Coach.GetAsync(path);
        Assert.InRange((int)answer.Status, 400, 422);
        Assert.Equal((int)answer.Status, answer.Get<int>("status"));
    }

    [Fact]
    public async Task A_body_of_ten_megabytes_is_refused_by_the_real_web_server()
    {
        // Limits belong to the web server, which the in-memory one does not have.
        await using var server = await TestServer.NewAsync();
        server.UseKestrel(0);
        server.StartServer();
        using var address = server.CreateClient();
        // A busy machine may take its time to say no; the body is not sent before.
        using var handler = new SocketsHttpHandler { Expect100ContinueTimeout = TimeSpan.FromMinutes(1) };
        using var client = new HttpClient(handler) { BaseAddress = address.BaseAddress };
        using var content = new StringContent(
            JsonSerializer.Serialize(new { email = new string('x', 10_000_000), password = "" }),
            Encoding.UTF8,
            "application/json"
        );
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/accounts/sign-in") { Content = content };
        request.Headers.ExpectContinue = true;
        using var response = await client.SendAsync(request);
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, response.StatusCode);
        Assert.Contains("body", await response.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}
