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

    /// <summary>More than nine holes take.</summary>
    private const int MostInputsOfHoles = 240;

    /// <summary>The inputs of one drill.</summary>
    /// <param name="drill">The drill as it was set.</param>
    /// <param name="skill">How often the good answer is given, 0 to 1.</param>
    /// <param name="startDegrees">Where this player's irons start, in degrees, left negative; null where nobody knows.</param>
    /// <param name="random">What it is drawn from.</param>
    public static IReadOnlyList<DrillInput> Play(PublishedDrill drill, double skill, double? startDegrees, SplitMix64 random)
    {
        var walk = FlowWalk.Of(drill.Flow);
        var inputs = new List<DrillInput>();
        var isHoles = drill.Protocol is PlayedHoles;
        // Holes take many draws; with some of their own they leave everything else of the demo as it is.
        var ofHoles = new SplitMix64(BitConverter.DoubleToUInt64Bits(skill));
        while (walk.State is { } state && inputs.Count < (isHoles ? MostInputsOfHoles : MostInputs))
        {
            var input = isHoles
                ? DemoHoles.Answer(walk, skill, ofHoles)
                : Answer(drill, state, walk.Attempts + 1, skill, startDegrees, inputs, random);
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
        double? startDegrees,
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
                Value = choice.Options[Chosen(choice.Options.Count, skill, random)].Value,
                Tags = tags,
            },
            FlowQuestionNumber number => new NumberGiven
            {
                Attempt = attempt,
                Tenths = Number(drill, state, number, skill, startDegrees, before, random),
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
        double? startDegrees,
        IReadOnlyList<DrillInput> before,
        SplitMix64 random
    )
    {
        if (startDegrees is { } start && drill.Protocol is MeasuredShots { What: "start direction" })
            return Math.Clamp((int)Math.Round((start * 10) + Bell(18, random)), asked.Least, asked.Most);
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

    /// <summary>
    /// Which answer is given, the best one first: of two, the good one as often as the skill says; of more, one further down for
    /// every small thing that went wrong.
    /// </summary>
    private static int Chosen(int answers, double skill, SplitMix64 random)
    {
        if (answers == 2)
            return random.NextDouble() < skill ? 0 : 1;
        var wrong = 0;
        for (var i = 0; i < answers - 1; i++)
            if (random.NextDouble() > 0.4 + (0.55 * skill))
                wrong++;
        return wrong;
    }

    /// <summary>About as often on one side as on the other, seldom far: the sum of three draws.</summary>
    private static double Bell(int spread, SplitMix64 random) =>
        spread * (random.NextDouble() + random.NextDouble() + random.NextDouble() - 1.5) * 2;
}
