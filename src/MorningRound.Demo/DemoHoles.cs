using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Statistics;

namespace MorningRound.Demo;

/// <summary>
/// Makes up how holes went: mostly what is offered, mostly where it was meant to go, about as far as it carries.
/// </summary>
internal static class DemoHoles
{
    /// <summary>The next answer of somebody who plays holes.</summary>
    /// <param name="walk">Where the walk stands; it asks for something.</param>
    /// <param name="skill">How often a shot goes where it was meant to, 0 to 1.</param>
    /// <param name="random">What it is drawn from.</param>
    public static DrillInput Answer(FlowWalk walk, double skill, SplitMix64 random)
    {
        var attempt = walk.Attempts + 1;
        return walk.State!.Question switch
        {
            FlowQuestionNumber number => new NumberGiven
            {
                Attempt = attempt,
                Tenths = Number(number, walk.Proposed ?? number.Least, skill, random),
            },
            FlowQuestionChoice { OffersAt: null } => new ChoiceMade { Attempt = attempt, Value = Putts(skill, random) },
            FlowQuestionChoice choice => new ChoiceMade
            {
                Attempt = attempt,
                Value = walk.Offers.Count == 0 ? choice.Options[0].Value : Offered(walk, skill, random),
            },
            _ => throw new InvalidOperationException("Holes ask for choices and numbers alone."),
        };
    }

    private static string Offered(FlowWalk walk, double skill, SplitMix64 random)
    {
        if (walk.State!.At?.Step == FlowStep.Choose)
            return walk.Offers[random.NextDouble() < 0.85 ? 0 : random.NextInt(walk.Offers.Count)].Value;
        if (random.NextDouble() < 0.35 + (0.35 * skill))
            return walk.Offers[0].Value;
        // Nobody of the demo holes out from afar; any other place is as likely as the next.
        var missed = walk.Offers.Skip(1).Where(o => o.Value != "holed").ToList();
        return missed[random.NextInt(missed.Count)].Value;
    }

    private static int Number(FlowQuestionNumber asked, int proposed, double skill, SplitMix64 random)
    {
        var spread = 1 + (int)(proposed * 0.16 * (1.2 - skill));
        var drawn = proposed + random.NextInt((2 * spread) + 1) - spread;
        return Math.Clamp(drawn / asked.Step * asked.Step, asked.Least, asked.Most);
    }

    private static string Putts(double skill, SplitMix64 random) =>
        random.NextDouble() switch
        {
            var drawn when drawn < 0.1 + (0.25 * skill) => "1",
            var drawn when drawn < 0.85 + (0.1 * skill) => "2",
            _ => "3",
        };
}
