using System.Net;

namespace MorningRound.Server.Tests.Accounts;

/// <summary>A browser that carries somebody's cookie writes for this application's own pages and for no others.</summary>
public sealed class SameSiteTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Theory]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.OK)]
    [InlineData("Origin", "https://elsewhere.example", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "http://localhost", HttpStatusCode.OK)]
    public async Task A_write_that_another_site_started_is_refused(string header, string value, HttpStatusCode status)
    {
        var answer = await _school.Coach.SendAsync(
            HttpMethod.Put,
            $"/api/plans/{Guid.CreateVersion7()}",
            School.Plan(),
            ("If-None-Match", "*"),
            (header, value)
        );
        Assert.Equal(status, answer.Status);
    }
}
