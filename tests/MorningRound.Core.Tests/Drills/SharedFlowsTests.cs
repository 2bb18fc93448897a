using System.Text.Json;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Serialization;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Tests.Drills;

/// <summary>
/// Flows of every protocol with games played through them, written to a file that the phone's walker reads in its own tests, so
/// that the two walkers cannot drift apart.
/// </summary>
public class SharedFlowsTests
{
    private const int GamesEach = 5;

    private sealed record SharedFlow(string Name, AttemptFlow Flow, IReadOnlyList<SharedGame> Games);

    /// <summary>Inputs, and in one line each what the walker shows before the first and after every one.</summary>
    private sealed record SharedGame(IReadOnlyList<DrillInput> Inputs, IReadOnlyList<string> Shown, int WithoutLastAttempt);

    [Fact]
    public void The_shared_flows_are_what_the_core_makes_of_them()
    {
        var shared = GivenDrills.Every.Select(e =>
        {
            var flow = e.Protocol.Compile(9);
            return new SharedFlow(
                e.Name,
                flow,
                [
                    .. Enumerable.Range(1, GamesEach).Select(game => Played(flow, game)),
                    .. AimGames.AtEveryEdge(e.Protocol).Select(inputs => Played(flow, inputs)),
                ]
            );
        });
        Repository.AssertIs(
            "tests/fixtures/flows.json",
            "[" + string.Join(",\n", shared.Select(s => JsonSerializer.Serialize(s, CoreJson.Options))) + "]\n"
        );
    }

    private static SharedGame Played(AttemptFlow flow, int game)
    {
        IReadOnlyList<DrillInput> inputs =
        [
            .. Play.Through(flow, new SplitMix64((ulong)game), constancy: game / 6.0, mayStop: game > 2).Take(40),
        ];
        // The last game ends with an input of an attempt that was never begun.
        if (game == GamesEach)
            inputs = [.. inputs, new Tapped { Attempt = 999 }];
        return Played(flow, inputs);
    }

    private static SharedGame Played(AttemptFlow flow, IReadOnlyList<DrillInput> inputs) =>
        new(
            inputs,
            [.. Enumerable.Range(0, inputs.Count + 1).Select(n => Shown(FlowWalk.Of(flow, inputs.Take(n))))],
            DrillInput.WithoutLastAttempt(inputs).Count
        );

    private static string Shown(FlowWalk walk) =>
        $"{walk.State?.Name ?? "-"} {walk.Attempts} {(walk.IsComplete ? "complete" : "open")} "
        + $"{walk.MisfitAt?.ToString(null, null) ?? "fits"} | {walk.Prompt} | {walk.Said ?? "-"} | "
        + $"{walk.Proposed?.ToString(null, null) ?? "-"} | "
        + $"{string.Join("; ", walk.Offers.Select(o => $"{o.Value}: {o.Note}"))} | "
        + $"{string.Join(" | ", walk.Displays)}";
}
