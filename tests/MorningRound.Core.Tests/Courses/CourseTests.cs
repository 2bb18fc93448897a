using System.Text.Json;
using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Serialization;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Courses;

public class CourseTests
{
    private static readonly Course Two = new()
    {
        Name = "Two of a course",
        Tees = ["long", "short"],
        Holes = [GivenHoles.Wooded with { Lengths = [368, 340] }, GivenHoles.OverWater with { Lengths = [492, 452] }],
    };

    [Fact]
    public void A_sound_course_can_be_kept_and_read_back_from_its_file()
    {
        Assert.Empty(CourseRules.Check(Two));
        var file = CourseFile.Of([new ListedCourse { Id = Guid.Parse("0199a000-0000-7000-8000-000000000001"), Course = Two }]);
        Assert.Empty(file.Check([]));
        var json = JsonSerializer.Serialize(file, CoreJson.Options);
        Assert.Equal(
            json,
            JsonSerializer.Serialize(JsonSerializer.Deserialize<CourseFile>(json, CoreJson.Options), CoreJson.Options)
        );
    }

    [Fact]
    public void The_published_schema_and_the_example_are_what_the_core_makes_of_them()
    {
        Repository.AssertIs("docs/course-file.schema.json", FileSchemas.Of<CourseFile>("Courses of Morning Round"));
        var file = CourseFile.Of([new ListedCourse { Id = Guid.Parse("0199a000-0000-7000-8000-000000000001"), Course = Two }]);
        Repository.AssertIs("tests/fixtures/courses.json", JsonSerializer.Serialize(file, CoreJson.Options) + "\n");
    }

    public static TheoryData<string, Course> Broken() =>
        new()
        {
            { "name", Two with { Name = " " } },
            { "unit", Two with { Unit = LengthUnit.Feet } },
            { "tees", Two with { Tees = ["long", "long"] } },
            { "holes", Two with { Holes = [] } },
            { "holes", Two with { Holes = [.. Enumerable.Repeat(Two.Holes[0], 19)] } },
            { "holes[1].par", With(h => h with { Par = 7 }) },
            { "holes[1].lengths", With(h => h with { Lengths = [400] }) },
            { "holes[1].lengths[1]", With(h => h with { Lengths = [400, 1] }) },
            { "holes[1].fairwayWidth", With(h => h with { FairwayWidth = null }) },
            { "holes[1].green.depth", With(h => h with { Green = new Green { Depth = 500 } }) },
            { "holes[1].playsLongerPercent", With(h => h with { PlaysLongerPercent = 50 }) },
            { "holes[1].across.kind", With(h => h with { Across = Crossing(TroubleKind.Trees, 10, 20) }) },
            { "holes[1].across.to", With(h => h with { Across = Crossing(TroubleKind.Sand, 30, 20) }) },
            { "holes[1].across.to", With(h => h with { Across = Crossing(TroubleKind.Sand, 30, 999) }) },
        };

    [Theory]
    [MemberData(nameof(Broken))]
    public void What_is_wrong_is_named_by_its_place(string path, Course course)
    {
        Assert.Contains(CourseRules.Check(course), e => e.Path == path);
        var file = CourseFile.Of([new ListedCourse { Id = Guid.NewGuid(), Course = course }]);
        Assert.Contains(file.Check([]), e => e.Path == $"courses[0].course.{path}");
    }

    [Fact]
    public void A_file_of_something_else_or_with_one_id_twice_is_refused()
    {
        var id = Guid.NewGuid();
        var twice = CourseFile.Of([new ListedCourse { Id = id, Course = Two }, new ListedCourse { Id = id, Course = Two }]);
        Assert.Contains(twice.Check([]), e => e.Path == "courses[1].id");
        Assert.Contains((twice with { Format = "recipes" }).Check([]), e => e.Path == "format");
        Assert.Contains((twice with { Version = 2 }).Check([]), e => e.Path == "version");
        Assert.Contains(twice.Check([.. Enumerable.Range(0, 50).Select(_ => Guid.NewGuid())]), e => e.Path == "courses");
    }

    [Fact]
    public void A_quick_hole_is_as_long_as_the_students_own_clubs_make_it()
    {
        // Driver 228, hybrid 187: 228 + 92; 228 + 187 + 70.
        var laid = GivenHoles.Quick.LaidOut();
        Assert.Equal([320, 148, 485], laid.Holes.Select(h => h.Length));
    }

    [Fact]
    public void A_forward_tee_shortens_the_hole_and_the_carry_and_a_slope_only_as_far_as_was_said()
    {
        LaidHole Laid(int tee, int longer, Pin? pin = null) =>
            GivenHoles
                .Of(
                    new HolesToPlay
                    {
                        TeeIndex = tee,
                        Holes =
                        [
                            new DrawnHole
                            {
                                Number = 2,
                                Hole = Two.Holes[1] with { PlaysLongerPercent = longer, Pin = Pin.InTheMiddle },
                                Pin = pin,
                            },
                        ],
                    }
                )
                .LaidOut()
                .Holes[0];
        Assert.Equal((492, 300, 330), (Laid(0, 0).Length, Laid(0, 0).Across!.From, Laid(0, 0).Across!.To));
        Assert.Equal((452, 260, 290), (Laid(1, 0).Length, Laid(1, 0).Across!.From, Laid(1, 0).Across!.To));
        Assert.Equal(541, Laid(0, 10).Length);
        // A third of a green of 22 nearer, and further.
        Assert.Equal(485, Laid(0, 0, new Pin(PinSide.Middle, PinDepth.Front)).Length);
        Assert.Equal(499, Laid(0, 0, new Pin(PinSide.Middle, PinDepth.Back)).Length);
    }

    [Fact]
    public void A_course_in_metres_is_played_in_the_unit_of_the_ranges_markings()
    {
        var laid = GivenHoles
            .Of(
                new HolesToPlay { Unit = LengthUnit.Metres, Holes = [GivenHoles.Drawn(1, Two.Holes[0] with { Lengths = [340] })] }
            )
            .LaidOut();
        // 340 m are 371.8 yd.
        Assert.Equal((LengthUnit.Yards, 372), (laid.Unit, laid.Holes[0].Length));
    }

    private static Course With(Func<Hole, Hole> change) => Two with { Holes = [Two.Holes[0], change(Two.Holes[1])] };

    private static Crossing Crossing(TroubleKind kind, double from, double to) =>
        new()
        {
            Kind = kind,
            From = from,
            To = to,
        };
}
