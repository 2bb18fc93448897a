using System.Net;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Tests.Places;

public class PlaceTests(OneSchool fixture) : IClassFixture<OneSchool>
{
    private readonly School _school = fixture.School;

    [Fact]
    public async Task A_target_keeps_the_unit_painted_on_it()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/places/{id}", School.Place());
        var target = (await _school.Student.GetAsync($"/api/places/{id}")).Body!["place"]!["targets"]![0]!;
        Assert.Equal(
            (147.0, "yards"),
            (target["distance"]!["value"]!.GetValue<double>(), target["distance"]!["unit"]!.GetValue<string>())
        );
    }

    [Fact]
    public async Task A_place_that_is_taken_off_takes_the_walks_to_it_along()
    {
        var (range, green) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await _school.Coach.PutAsync($"/api/places/{green}", new { name = "Green", kind = "puttingGreen" });
        await _school.Coach.PutAsync(
            $"/api/places/{range}",
            new
            {
                name = "Range",
                kind = "range",
                walks = new[] { new { place = green, minutes = 3 } },
            }
        );
        Assert.Equal(HttpStatusCode.NoContent, (await _school.Coach.DeleteAsync($"/api/places/{green}")).Status);
        Assert.Empty((await _school.Coach.GetAsync($"/api/places/{range}")).Body!["place"]!["walks"]!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await _school.Coach.GetAsync($"/api/places/{green}")).Status);
    }

    [Fact]
    public async Task A_walk_to_nowhere_and_a_speed_without_a_day_name_their_fields()
    {
        var wrong = await _school.Coach.PutAsync(
            $"/api/places/{Guid.CreateVersion7()}",
            new
            {
                name = "Green",
                kind = "puttingGreen",
                greenSpeedFeet = 9.0,
                walks = new[] { new { place = Guid.CreateVersion7(), minutes = 3 } },
            }
        );
        Assert.Equal(["greenSpeedOn", "walks[0].place"], wrong.Fields.Order());
    }

    [Fact]
    public async Task Places_go_out_and_come_back_as_a_file_and_a_broken_one_imports_nothing()
    {
        var id = Guid.CreateVersion7();
        await _school.Coach.PutAsync($"/api/places/{id}", School.Place("Old range"));
        var file = (await _school.Coach.GetAsync("/api/places/file")).Body!;
        var count = file["places"]!.AsArray().Count;
        Assert.Equal(count, (await _school.Coach.PostAsync("/api/places/file", file.ToJsonString())).Get<int>("unchanged"));

        var place = file["places"]!.AsArray().Single(p => p!["id"]!.GetValue<Guid>() == id)!["place"]!;
        place["name"] = "New range";
        place["targets"]![0]!["bearingDegrees"] = 180;
        var broken = await _school.Coach.PostAsync("/api/places/file", file.ToJsonString());
        Assert.EndsWith(".place.targets[0].bearingDegrees", Assert.Single(broken.Fields), StringComparison.Ordinal);
        Assert.Equal(
            "Old range",
            (await _school.Coach.GetAsync($"/api/places/{id}")).Body!["place"]!["name"]!.GetValue<string>()
        );

        place["targets"]![0]!["bearingDegrees"] = 5;
        Assert.Equal(1, (await _school.Coach.PostAsync("/api/places/file", file.ToJsonString())).Get<int>("changed"));
        Assert.Equal(
            ["format"],
            (
                await _school.Coach.PostAsync(
                    "/api/places/file",
                    new
                    {
                        format = "drills",
                        version = 1,
                        places = Array.Empty<object>(),
                    }
                )
            ).Fields
        );
    }
}
