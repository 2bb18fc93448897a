using BenchmarkDotNet.Attributes;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;

namespace MorningRound.Benchmarks;

/// <summary>How long scoring, compiling and walking take. The aims: a log of 300 attempts scored in under 5 ms.</summary>
[MemoryDiagnoser]
public class DrillBenchmarks
{
    private static readonly MakeRate Putts = new() { Attempts = 300, Make = "Holed" };
    private static readonly MeasuredShots Shots = new()
    {
        What = "club path",
        Least = -2,
        Most = 2,
        Shots = 100,
    };
    private static readonly CalledShots Calls = new()
    {
        Clubs = [Club.PitchingWedge, Club.Iron8, Club.Iron6, Club.Hybrid],
        Calls = 60,
    };
    private static readonly AttemptFlow PuttsFlow = Putts.Compile(1);

    private static readonly IReadOnlyList<DrillInput> PuttInputs =
    [
        .. Enumerable.Range(1, 300).Select(i => new ChoiceMade { Attempt = i, Value = i % 3 == 0 ? "missed" : "made" }),
    ];

    private static readonly IReadOnlyList<DrillInput> ShotInputs =
    [
        .. Enumerable.Range(1, 100).Select(i => new NumberGiven { Attempt = i, Tenths = (i * 7 % 80) - 40 }),
    ];

    [Benchmark]
    public ProtocolResult Score300Attempts() => Putts.Score(PuttInputs, 1);

    [Benchmark]
    public ProtocolResult Score100MeasuredShots() => Shots.Score(ShotInputs, 1);

    [Benchmark]
    public AttemptFlow Compile60CalledShots() => Calls.Compile(7);

    [Benchmark]
    public FlowWalk Walk300Attempts() => FlowWalk.Of(PuttsFlow, PuttInputs);
}
