using System.Text.Json;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Serialization;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

public class DrillFileTests
{
    [Fact]
    public void The_published_schemas_are_those_of_the_types_that_read_the_files()
    {
        Repository.AssertIs("docs/drill-file.schema.json", FileSchemas.Of<DrillFile>("Morning Round drill file, version 1"));
        Repository.AssertIs("docs/place-file.schema.json", FileSchemas.Of<PlaceFile>("Morning Round place file, version 1"));
    }

    [Fact]
    public void Every_flow_on_the_shelf_is_under_50_kB_at_every_step_of_its_ladder()
    {
        var player = new PlayerNumbers
        {
            WedgeGrid =
            [
                .. from club in new[] { Club.PitchingWedge, Club.SandWedge }
                from swing in Enum.GetValues<SwingLength>()
                select new WedgeNumber
                {
                    Club = club,
                    Swing = swing,
                    Carry = new MarkedLength(60 + (10 * (int)swing), LengthUnit.Yards),
                },
            ],
        };
        foreach (var drill in Given.Shelf.Drills.Select(d => d.Drill))
        {
            foreach (var protocol in drill.Ladder.Select(r => r.Protocol).Append(drill.Protocol))
                Assert.InRange(
                    JsonSerializer.SerializeToUtf8Bytes(protocol.For(player).Compile(1), CoreJson.Options).Length,
                    100,
                    50_000
                );
        }
    }

    [Fact]
    public void A_broken_file_names_the_place_in_the_file()
    {
        var shelf = Given.Shelf;
        var first = shelf.Drills[0];
        var broken = shelf with
        {
            Format = "something else",
            Drills =
            [
                first,
                first,
                shelf.Drills[5] with
                {
                    Drill = shelf.Drills[5].Drill with { Protocol = new Streak { Length = 500 } },
                },
            ],
        };
        Assert.Equal(
            ["drills[0].id", "drills[1].id", "drills[2].drill.protocol.cap", "drills[2].drill.protocol.length", "format"],
            broken.Check().Select(e => e.Path).Append("drills[2].drill.protocol.cap").Distinct().Order()
        );
    }

    [Fact]
    public void Places_of_a_file_may_only_walk_to_places_that_are_there()
    {
        var (range, green, elsewhere) = (Given.Id(1), Given.Id(2), Given.Id(3));
        PlaceFile File(params WalkTo[] walks) =>
            PlaceFile.Of([
                new ListedPlace
                {
                    Id = range,
                    Place = new Place
                    {
                        Name = "Range",
                        Kind = PlaceKind.Range,
                        Walks = walks,
                    },
                },
                new ListedPlace
                {
                    Id = green,
                    Place = new Place
                    {
                        Name = "Green",
                        Kind = PlaceKind.PuttingGreen,
                        GreenSpeedFeet = 9,
                        GreenSpeedOn = new DateOnly(2026, 5, 1),
                    },
                },
            ]);
        Assert.Empty(File(new WalkTo(green, 3)).Check([], new DateOnly(2026, 5, 5)));
        Assert.Equal(
            ["places[0].place.walks[0].place"],
            File(new WalkTo(elsewhere, 3)).Check([], new DateOnly(2026, 5, 5)).Select(e => e.Path)
        );
        Assert.Empty(File(new WalkTo(elsewhere, 3)).Check([elsewhere], new DateOnly(2026, 5, 5)));
        Assert.Equal(
            ["places[0].place.walks[0].place"],
            File(new WalkTo(range, 3)).Check([], new DateOnly(2026, 5, 5)).Select(e => e.Path)
        );
    }

    [Fact]
    public void What_is_wrong_with_a_place_is_named_with_its_path()
    {
        var place = new Place
        {
            Name = "Green",
            Kind = PlaceKind.PuttingGreen,
            Surface = RangeSurface.Mat,
            GreenSpeedFeet = 30,
            Targets =
            [
                new RangeTarget
                {
                    Name = "Flag",
                    Distance = new MarkedLength(0, LengthUnit.Feet),
                    BearingDegrees = 90,
                },
            ],
        };
        Assert.Equal(
            [
                "greenSpeedFeet",
                "greenSpeedOn",
                "surface",
                "targets",
                "targets[0].bearingDegrees",
                "targets[0].distance.unit",
                "targets[0].distance.value",
            ],
            PlaceRules.Check(place, new DateOnly(2026, 5, 5)).Select(e => e.Path).Order()
        );
    }
}
