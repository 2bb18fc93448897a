using System.Text.Json;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Serialization;
using MorningRound.Core.Tests.Drills;

namespace MorningRound.Core.Tests.OnCourse;

public class RoundFileTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly RoundFile Two = RoundFile.Of([
        new ListedRound
        {
            Id = Guid.Parse("0199a000-0000-7000-8000-000000000002"),
            Round = new Round
            {
                Day = Today.AddDays(-9),
                Course = "Osier Island",
                HolesPlayed = 9,
                Holes =
                [
                    .. Enumerable
                        .Range(0, 9)
                        .Select(i => new RoundHole
                        {
                            Par = 3 + (i % 3),
                            Score = 4 + (i % 3),
                            FairwayHit = i % 3 == 0 ? null : i % 2 == 0,
                            Putts = 2,
                        }),
                ],
            },
        },
        new ListedRound
        {
            Id = Guid.Parse("0199a000-0000-7000-8000-000000000003"),
            Round = new Round
            {
                Day = Today.AddDays(-2),
                Course = "Veldermoor",
                HolesPlayed = 18,
                Noted = new RoundTotals
                {
                    Par = 72,
                    Score = 88,
                    Fairways = new CountOf(6, 14),
                    Putts = 33,
                },
            },
        },
    ]);

    [Fact]
    public void The_published_schema_and_the_example_are_what_the_core_makes_of_them()
    {
        Repository.AssertIs("docs/round-file.schema.json", FileSchemas.Of<RoundFile>("Rounds of Morning Round"));
        Repository.AssertIs("tests/fixtures/rounds.json", JsonSerializer.Serialize(Two, CoreJson.Options) + "\n");
    }

    [Fact]
    public void A_sound_file_is_taken_and_says_the_same_when_it_is_written_again()
    {
        Assert.Empty(Two.Check([], Today));
        var json = JsonSerializer.Serialize(Two, CoreJson.Options);
        Assert.Equal(
            json,
            JsonSerializer.Serialize(JsonSerializer.Deserialize<RoundFile>(json, CoreJson.Options), CoreJson.Options)
        );
    }

    [Fact]
    public void What_is_wrong_is_named_by_its_place_in_the_file()
    {
        Assert.Contains((Two with { Format = "something else" }).Check([], Today), e => e.Path == "format");
        Assert.Contains((Two with { Version = 2 }).Check([], Today), e => e.Path == "version");
        Assert.Contains(Two.Check([], Today.AddDays(-4)), e => e.Path == "rounds[1].round.day");
        var twice = RoundFile.Of([Two.Rounds[0], Two.Rounds[0]]);
        Assert.Equal(["rounds[0].id", "rounds[1].id"], twice.Check([], Today).Select(e => e.Path));
    }

    [Fact]
    public void A_student_has_so_many_rounds_and_no_more()
    {
        Guid[] known = [.. Enumerable.Range(0, RoundFile.MostRounds - 2).Select(_ => Guid.NewGuid())];
        Assert.Empty(Two.Check(known, Today));
        Assert.Contains(Two.Check([.. known, Guid.NewGuid()], Today), e => e.Path == "rounds");
        // What is there already is only changed.
        Assert.Empty(Two.Check([.. known, Two.Rounds[0].Id, Two.Rounds[1].Id], Today));
    }
}
