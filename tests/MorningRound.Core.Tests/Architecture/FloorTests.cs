using ArchUnitNET.Domain;
using ArchUnitNET.Fluent.Slices;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnitV3;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace MorningRound.Core.Tests.Architecture;

/// <summary>The floors of the core: each knows only those below it.</summary>
public class FloorTests
{
    private const string Root = "MorningRound.Core";

    private static readonly ArchUnitNET.Domain.Architecture Core = new ArchLoader()
        .LoadAssemblies(typeof(MorningRound.Core.Golf.Club).Assembly)
        .Build();

    /// <summary>From the ground up. What stands in one line may know each other in one direction, never in a circle.</summary>
    private static readonly string[][] Floors =
    [
        ["Validation", "Canonical", "Golf", "Units", "Statistics", "Calendar", "Wording"],
        ["Students", "Places", "Courses"],
        ["OnCourse"],
        ["Drills.Flows"],
        ["Drills.Scoring"],
        ["Drills"],
        ["Plans"],
        ["Plans.Editing"],
        ["Plans.Checks"],
        ["Plans.Trimming"],
        ["Plans.Drafting"],
        ["Sessions"],
        ["Weeks"],
        ["Weeks.Placing"],
        ["Weeks.Checking"],
        ["Weeks.Tailoring"],
        ["Programmes"],
        ["Progress"],
        ["Competitions"],
        ["TestDays"],
        ["Review"],
        ["Serialization"],
    ];

    public static TheoryData<string> Names() => [.. Floors.SelectMany(f => f)];

    [Theory]
    [MemberData(nameof(Names))]
    public void No_floor_knows_one_above_it(string name)
    {
        var above = Floors.Skip(Array.FindIndex(Floors, f => f.Contains(name)) + 1).SelectMany(f => f).ToList();
        foreach (var upper in above)
        {
            Types()
                .That()
                .ResideInNamespace($"{Root}.{name}")
                .Should()
                .NotDependOnAny(Types().That().ResideInNamespace($"{Root}.{upper}"))
                .WithoutRequiringPositiveResults()
                .Check(Core);
        }
    }

    [Fact]
    public void No_floor_is_a_circle() =>
        SliceRuleDefinition.Slices().Matching($"{Root}.(**)").Should().BeFreeOfCycles().Check(Core);

    [Fact]
    public void Every_namespace_stands_on_a_floor() =>
        Assert.Equal(
            Floors.SelectMany(f => f).Select(f => $"{Root}.{f}").Order(),
            typeof(MorningRound.Core.Golf.Club)
                .Assembly.GetTypes()
                .Select(t => t.Namespace!)
                .Where(n => n?.StartsWith(Root, StringComparison.Ordinal) == true)
                .Distinct()
                .Order()
        );

    [Fact]
    public void A_protocol_knows_the_players_numbers_and_not_the_file() =>
        Types()
            .That()
            .ResideInNamespaceMatching($@"^{Root}\.Drills")
            .Should()
            .NotDependOnAny(typeof(MorningRound.Core.Students.StudentFile))
            .Check(Core);

    [Fact]
    public void The_core_needs_nothing_but_the_framework() =>
        Assert.All(
            typeof(MorningRound.Core.Golf.Club).Assembly.GetReferencedAssemblies(),
            // The measuring of coverage adds "netstandard", which is the framework by another name.
            a => Assert.Matches("^(System|netstandard)", a.Name!)
        );
}
