using MorningRound.Core;
using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;

namespace MorningRound.Server.Demo;

/// <summary>Makes up how one drill went, by walking its flow as a phone would.</summary>
internal static class DemoDrill
{
    /// <summary>More than any drill of the demo takes; a streak that does not come ends here.</summary>
    private const int MostInputs = 60;

    /// <summary>The inputs of one drill. The skill, 0 to 1, is how often the good answer is given.</summary>
    public static IReadOnlyList<DrillInput> Play(SetDrill drill, double skill, SplitMix64 lot)
    {
        var walk = FlowWalk.Of(drill.Flow);
        var inputs = new List<DrillInput>();
        while (walk.State is { } state && inputs.Count < MostInputs)
        {
            var input = Answer(drill, state, walk.Attempts + 1, skill, inputs, lot);
            inputs.Add(input);
            walk = walk.Take(input);
        }

        return inputs;
    }

    private static DrillInput Answer(SetDrill drill, FlowState state, int attempt, double skill, IReadOnlyList<DrillInput> before, SplitMix64 lot)
    {
        var tags = lot.Below(9) == 0 ? new AttemptTags { Contact = (ContactTag)lot.Below(6) } : null;
        return state.Ask switch
        {
            AskChoice choice => new ChoiceMade
            {
                Attempt = attempt,
                Value = choice.Options[lot.Unit() < skill ? 0 : lot.Below(choice.Options.Count)].Value,
                Tags = tags,
            },
            AskNumber number => new NumberGiven { Attempt = attempt, Tenths = Number(drill, state, number, skill, before, lot) },
            AskText => new TextWritten { Attempt = attempt, Text = "Last hole, one ahead, people watching. Calm and quick." },
            AskTap => new Tapped { Attempt = attempt },
            _ => new TimerRanOut { Attempt = attempt },
        };
    }

    private static int Number(SetDrill drill, FlowState state, AskNumber asked, double skill, IReadOnlyList<DrillInput> before, SplitMix64 lot)
    {
        var band = state.Transitions.SelectMany(t => t.When ?? []).OfType<NumberIs>().FirstOrDefault();
        // The better the player, the more often a number falls into its band.
        var spread = Math.Max(10, band is null ? (int)(60 * (1.1 - skill)) : (int)Math.Min(200, (band.Most - band.Least) / 2 * 1.3 / skill));
        // What was measured lies near what was guessed; anything with a band lies near its middle; the rest is a few feet.
        var near = state.Name.StartsWith("measure", StringComparison.Ordinal) && before[^1] is NumberGiven
            // There are as many guesses as quantities, so the guess lies that many inputs back.
            ? ((NumberGiven)before[^((GuessAndCheck)drill.Protocol).Quantities.Count]).Tenths
            : band is not null ? (band.Least + band.Most) / 2
            : 15 + (5 * lot.Below(40));
        var drawn = near + lot.Below((2 * spread) + 1) - spread;
        return Math.Clamp(drawn / asked.Step * asked.Step, asked.Least, asked.Most);
    }
}
