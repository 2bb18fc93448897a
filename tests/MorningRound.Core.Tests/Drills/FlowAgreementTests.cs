using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Tests.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Drills;

/// <summary>
/// The scorer plays a protocol's rules, the walker walks the flow compiled from it, and neither knows the other. For every
/// sequence of inputs they must come to the same counts.
/// </summary>
public class FlowAgreementTests
{
    private const int SequencesEach = 60;

    public static TheoryData<string> Names => [.. GivenDrills.Every.Select(e => e.Name)];

    private static ScoringProtocol Named(string name) => GivenDrills.Every.Single(e => e.Name == name).Protocol;

    /// <summary>The shots that are called, in order; none where nothing is.</summary>
    public static IReadOnlyList<ShotCall>? CallsOf(ScoringProtocol protocol, ulong seed) => (protocol as CalledShots)?.List(seed);

    /// <summary>What differs between walker and scorer after the same inputs; none when they agree.</summary>
    /// <param name="calls">What has to be called, attempt by attempt.</param>
    public static string? Difference(FlowWalk walk, ProtocolResult scored, IReadOnlyList<ShotCall>? calls = null)
    {
        if (
            calls is not null
            && walk.State is not null
            && scored.Attempts < calls.Count
            && calls[scored.Attempts] is var call
            && !walk.Prompt.StartsWith(call.InWords(), StringComparison.Ordinal)
            && walk.Prompt != $"Was it the {call.Shape.ToString().ToLowerInvariant()} called?"
        )
            return $"{walk.Prompt}, not {call.InWords()}";
        if (walk.MisfitAt != scored.MisfitAt)
            return $"misfit {walk.MisfitAt}, not {scored.MisfitAt}";
        if (scored.MisfitAt is not null)
            return null;
        if (walk.Attempts != scored.Attempts)
            return $"{walk.Attempts} attempts, not {scored.Attempts}";
        if (walk.IsComplete != (scored.Status == ResultStatus.Complete))
            return $"complete: {walk.IsComplete}, but {scored.Status}";
        // What a flow says while it is walked is the line of its result.
        if (walk.Said is not null || (scored.Attempts >= AimCheck.Balls && scored.Counts.ContainsKey("first")))
        {
            if (walk.Said != scored.Text)
                return $"{walk.Said ?? "nothing"}, not {scored.Text}";
        }

        return walk
            .Registers.Where(r => r.Key[0] != '_' && r.Value != scored.Counts.GetValueOrDefault(r.Key))
            .Select(r => $"{r.Key} {r.Value}, not {scored.Counts.GetValueOrDefault(r.Key)}")
            .FirstOrDefault();
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Walker_and_scorer_agree_after_every_input(string name)
    {
        var protocol = Named(name);
        foreach (var inputs in HoleGames.WithEveryAnswer(protocol, protocol.Compile(1)))
            AssertAgree(protocol, 1, inputs);
        for (ulong seed = 1; seed <= SequencesEach; seed++)
            AssertAgree(
                protocol,
                seed,
                Play.Through(protocol.Compile(seed), new SplitMix64(seed), constancy: seed % 4 / 3.5, mayStop: seed % 3 == 0)
            );
    }

    private static void AssertAgree(ScoringProtocol protocol, ulong seed, IReadOnlyList<DrillInput> inputs)
    {
        var flow = protocol.Compile(seed);
        var walk = FlowWalk.Of(flow);
        var calls = CallsOf(protocol, seed);
        var offered = OfferedShots.Of(protocol);
        for (var taken = 0; taken <= inputs.Count; taken++)
        {
            if (taken > 0)
                walk = walk.Take(inputs[taken - 1]);
            var scored = protocol.Score([.. inputs.Take(taken)], seed);
            Assert.Null(Difference(walk, scored, calls));
            Assert.Null(offered?.Difference(walk, scored, [.. inputs.Take(taken)]));
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Undoing_attempts_and_going_on_comes_to_the_same_as_never_having_made_them(string name)
    {
        var protocol = Named(name);
        for (ulong seed = 1; seed <= 20; seed++)
        {
            var flow = protocol.Compile(seed);
            var random = new SplitMix64(seed);
            var inputs = Play.Through(flow, random, constancy: 0.5, mayStop: false);
            var cut = (IReadOnlyList<DrillInput>)[.. inputs.Take(1 + random.NextInt(inputs.Count))];
            var undone = DrillInput.WithoutLastAttempt(cut);
            Assert.True(undone.Count < cut.Count);
            var walk = FlowWalk.Of(flow, undone);
            Assert.Equal(cut[^1].Attempt - 1, walk.Attempts);
            Assert.Null(Difference(walk, protocol.Score(undone, seed)));

            // Resumed from what was kept, the drill goes on as it first went.
            var resumed = inputs.Skip(undone.Count).Aggregate(walk, (w, input) => w.Take(input));
            Assert.Null(Difference(resumed, protocol.Score(inputs, seed)));
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Inputs_that_do_not_fit_are_found_at_the_same_place_and_never_scored(string name)
    {
        var protocol = Named(name);
        DrillInput[] strangers =
        [
            new ChoiceMade { Attempt = 1, Value = "sideways" },
            new NumberGiven { Attempt = 1, Tenths = 1_000_000 },
            new NumberGiven { Attempt = 1, Tenths = -1_000_000 },
            new TextWritten { Attempt = 1, Text = new string('x', DrillInput.LongestText + 1) },
            new Tapped { Attempt = 77 },
        ];
        for (ulong seed = 1; seed <= 10; seed++)
        {
            var flow = protocol.Compile(seed);
            var inputs = Play.Through(flow, new SplitMix64(seed), constancy: 0.6, mayStop: false);
            for (var at = 0; at < inputs.Count; at++)
            {
                var stranger = strangers[at % strangers.Length];
                IReadOnlyList<DrillInput> spoilt =
                [
                    .. inputs.Take(at),
                    stranger.Attempt == 1 ? stranger with { Attempt = inputs[at].Attempt } : stranger,
                    .. inputs.Skip(at),
                ];
                var scored = protocol.Score(spoilt, seed);
                Assert.Equal(at, scored.MisfitAt);
                Assert.Equal(ResultStatus.DoesNotFit, scored.Status);
                Assert.Empty(scored.Counts);
                Assert.Equal(at, FlowWalk.Of(flow, spoilt).MisfitAt);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Names))]
    public void Nothing_is_taken_after_the_end(string name)
    {
        var protocol = Named(name);
        var flow = protocol.Compile(1);
        IReadOnlyList<DrillInput> inputs = [new DrillStopped { Attempt = 1 }, new Tapped { Attempt = 1 }];
        Assert.Equal(1, FlowWalk.Of(flow, inputs).MisfitAt);
        Assert.Equal(1, protocol.Score(inputs, 1).MisfitAt);
        Assert.Equal(ResultStatus.Nothing, protocol.Score([inputs[0]], 1).Status);
        Assert.All(protocol.Score([inputs[0]], 1).Measures, m => Assert.Null(m.Value));
    }

    [Fact]
    public void The_samples_cover_every_protocol()
    {
        var kinds = typeof(ScoringProtocol).Assembly.GetTypes().Where(t => t.IsSubclassOf(typeof(ScoringProtocol)));
        Assert.Equal(
            kinds.Order(Comparer<Type>.Create((a, b) => string.CompareOrdinal(a.Name, b.Name))),
            GivenDrills.Every.Select(e => e.Protocol.GetType()).Distinct().OrderBy(t => t.Name, StringComparer.Ordinal)
        );
    }
}
