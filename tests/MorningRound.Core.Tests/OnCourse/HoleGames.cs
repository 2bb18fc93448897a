using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Tests.OnCourse;

/// <summary>
/// Games of holes in which every answer that can be given is given, again and again and in turn with others, which playing at
/// random would seldom do.
/// </summary>
internal static class HoleGames
{
    private const int MostInputs = 90;

    /// <summary>Games of holes; none of another drill.</summary>
    public static IEnumerable<IReadOnlyList<DrillInput>> WithEveryAnswer(ScoringProtocol protocol, AttemptFlow flow) =>
        protocol is not PlayedHoles { Laid: { } laid }
            ? []
            : (
                from answer in flow
                    .States.Select(s => s.Question)
                    .OfType<FlowQuestionChoice>()
                    .SelectMany(q => q.Options)
                    .Select(o => o.Value)
                    .Distinct()
                from every in new[] { 1, 2, 3 }
                select Game(flow, answer, every)
            ).Concat(new[] { 0, 1, 2 }.Select(late => OnTheGreen(flow, laid, late)));

    /// <summary>Every hole with its green hit in regulation, or so many strokes later.</summary>
    private static List<DrillInput> OnTheGreen(AttemptFlow flow, LaidHoles laid, int late)
    {
        var walk = FlowWalk.Of(flow);
        var inputs = new List<DrillInput>();
        while (walk.State is { } state && inputs.Count < MostInputs)
        {
            var attempt = walk.Attempts + 1;
            var shot = walk.Registers.GetValueOrDefault("shot") + 1;
            var par = laid.Holes[(int)walk.Registers["hole"]].Par;
            DrillInput input = state.Question switch
            {
                FlowQuestionNumber number => new NumberGiven { Attempt = attempt, Tenths = Math.Max(number.Least, 100) },
                FlowQuestionChoice { OffersAt: "_wheres" } => new ChoiceMade
                {
                    Attempt = attempt,
                    Value = shot < par - 2 + late ? "fairway" : "green",
                },
                var other => new ChoiceMade { Attempt = attempt, Value = ((FlowQuestionChoice)other).Options[0].Value },
            };
            inputs.Add(input);
            walk = walk.Take(input);
        }

        return inputs;
    }

    /// <summary>
    /// The answer every so many times that it can be given, otherwise the last one that goes on, or what is offered.
    /// </summary>
    private static List<DrillInput> Game(AttemptFlow flow, string answer, int every)
    {
        var walk = FlowWalk.Of(flow);
        var inputs = new List<DrillInput>();
        var asked = 0;
        while (walk.State is { } state && inputs.Count < MostInputs)
        {
            var attempt = walk.Attempts + 1;
            DrillInput input;
            if (state.Question is FlowQuestionNumber number)
            {
                // Now and then as far as can be, or exactly as far as the hole is; otherwise about as far as is proposed.
                var tenths =
                    inputs.Count % 11 == 8 ? number.Most
                    : inputs.Count % 7 == 2 ? (int)walk.Registers.GetValueOrDefault("left", 700)
                    : (walk.Proposed ?? 700) + (30 * (inputs.Count % 5)) - 60;
                input = new NumberGiven
                {
                    Attempt = attempt,
                    Tenths = Math.Clamp(tenths / number.Step * number.Step, number.Least, number.Most),
                };
            }
            else
            {
                var choice = (FlowQuestionChoice)state.Question;
                var value = choice.Options.Any(o => o.Value == answer)
                    ? (++asked % every == 0 ? answer : Other(choice, walk, asked))
                    : Other(choice, walk, inputs.Count);
                input = new ChoiceMade { Attempt = attempt, Value = value };
            }

            inputs.Add(input);
            walk = walk.Take(input);
        }

        return inputs;
    }

    private static string Other(FlowQuestionChoice choice, FlowWalk walk, int turn) =>
        choice.OffersAt is null ? choice.Options[turn % choice.Options.Count].Value
        : turn % 2 == 1 && walk.State?.At?.Step == FlowStep.Choose ? choice.Options[^2].Value
        : walk.Offers.Count > 0 ? walk.Offers[turn % walk.Offers.Count].Value
        : choice.Options[0].Value;
}
