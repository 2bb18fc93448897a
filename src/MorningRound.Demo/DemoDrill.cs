using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;

namespace MorningRound.Demo;

/// <summary>Makes up how one drill went, by walking its flow as a phone would.</summary>
internal static class DemoDrill
{
    /// <summary>More than any drill of the demo takes; a streak that does not come ends here.</summary>
    private const int MostInputs = 60;

    /// <summary>The inputs of one drill. The skill, 0 to 1, is how often the good answer is given.</summary>
    public static IReadOnlyList<DrillInput> Play(PublishedDrill drill, double skill, SplitMix64 random)
    {
        var walk = FlowWalk.Of(drill.Flow);
        var inputs = new List<DrillInput>();
        while (walk.State is { } state && inputs.Count < MostInputs)
        {
            var input = Answer(drill, state, walk.Attempts + 1, skill, inputs, random);
            inputs.Add(input);
            walk = walk.Take(input);
        }

        return inputs;
    }

    private static DrillInput Answer(
        PublishedDrill drill,
        FlowState state,
        int attempt,
        double skill,
        IReadOnlyList<DrillInput> before,
        SplitMix64 random
    )
    {
        var tags = random.NextInt(9) == 0 ? new AttemptTags { Contact = (ContactTag)random.NextInt(6) } : null;
        return state.Question switch
        {
            FlowQuestionChoice choice => new ChoiceMade
            {
                Attempt = attempt,
                Value = choice.Options[random.NextDouble() < skill ? 0 : random.NextInt(choice.Options.Count)].Value,
                Tags = tags,
            },
            FlowQuestionNumber number => new NumberGiven
            {
                Attempt = attempt,
                Tenths = Number(drill, state, number, skill, before, random),
            },
            FlowQuestionText => new TextWritten
            {
                Attempt = attempt,
                Text = "Last hole, one ahead, people watching. Calm and quick.",
            },
            FlowQuestionTap => new Tapped { Attempt = attempt },
            _ => new TimerRanOut { Attempt = attempt },
        };
    }

    private static int Number(
        PublishedDrill drill,
        FlowState state,
        FlowQuestionNumber asked,
        double skill,
        IReadOnlyList<DrillInput> before,
        SplitMix64 random
    )
    {
        var band = state.Transitions.SelectMany(t => t.When ?? []).OfType<NumberIs>().FirstOrDefault();
        // The better the player, the more often a number falls into its band.
        var spread = Math.Max(
            10,
            band is null ? (int)(60 * (1.1 - skill)) : (int)Math.Min(200, (band.Most - band.Least) / 2 * 1.3 / skill)
        );
        // What was measured lies near what was guessed; anything with a band lies near its middle; the rest is a few feet.
        var near =
            state.Name.StartsWith("measure", StringComparison.Ordinal) && before[^1] is NumberGiven
                // There are as many guesses as quantities, so the guess lies that many inputs back.
                ? ((NumberGiven)before[^((GuessAndCheck)drill.Protocol).Quantities.Count]).Tenths
            : band is not null ? (band.Least + band.Most) / 2
            : 15 + (5 * random.NextInt(40));
        var drawn = near + random.NextInt((2 * spread) + 1) - spread;
        return Math.Clamp(drawn / asked.Step * asked.Step, asked.Least, asked.Most);
    }
}
