using ArchUnitNET.Fluent.Slices;
using ArchUnitNET.Loader;
using ArchUnitNET.xUnitV3;
using MorningRound.Demo;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace MorningRound.Server.Tests.Architecture;

/// <summary>The capabilities of the server: each knows only those below it.</summary>
public class CapabilityTests
{
    private const string Root = "MorningRound.Server";

    private static readonly ArchUnitNET.Domain.Architecture Server = new ArchLoader()
        .LoadAssemblies(typeof(Program).Assembly, typeof(MorningRound.Demo.DemoRegistration).Assembly)
        .Build();

    /// <summary>From the ground up.</summary>
    private static readonly string[] Capabilities =
    [
        "Hosting",
        "Storage",
        "Accounts",
        "Students",
        "Places",
        "Courses",
        "Drills",
        "OnCourse",
        "Plans",
        "Sessions",
        "Programmes",
        "Weeks",
        "Guardians",
        "Calendars",
        "Reminders",
        "Progress",
        "Competitions",
        "TestDays",
        "Review",
        "Exports",
        "DataRights",
        "Startup",
    ];

    public static TheoryData<string> Names() => [.. Capabilities];

    [Theory]
    [MemberData(nameof(Names))]
    public void No_capability_knows_one_above_it(string name)
    {
        foreach (var upper in Capabilities.SkipWhile(c => c != name).Skip(1))
        {
            Types()
                .That()
                .ResideInNamespace($"{Root}.{name}")
                .Should()
                .NotDependOnAny(Types().That().ResideInNamespace($"{Root}.{upper}"))
                .WithoutRequiringPositiveResults()
                .Check(Server);
        }
    }

    [Fact]
    public void No_two_capabilities_are_a_circle() =>
        SliceRuleDefinition.Slices().Matching($"{Root}.(*)").Should().BeFreeOfCycles().Check(Server);

    [Fact]
    public void Nothing_of_the_server_knows_the_demo() =>
        Types()
            .That()
            .ResideInNamespaceMatching($@"^{Root}\.")
            .Should()
            .NotDependOnAny(Types().That().ResideInNamespace("MorningRound.Demo"))
            .Check(Server);

    [Fact]
    public void Every_namespace_is_a_capability() =>
        Assert.Equal(
            Capabilities.Select(c => $"{Root}.{c}").Order(),
            typeof(Program)
                .Assembly.GetTypes()
                .Select(t => t.Namespace)
                .OfType<string>()
                .Where(n =>
                    n.StartsWith($"{Root}.", StringComparison.Ordinal)
                    && !n.Contains(".Storage.Migrations", StringComparison.Ordinal)
                )
                .Distinct()
                .Order()
        );
}
