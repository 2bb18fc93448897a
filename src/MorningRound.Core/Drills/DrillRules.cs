using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Drills;

/// <summary>What a drill must satisfy to stand on the shelf.</summary>
public static class DrillRules
{
    /// <summary>Characters of a name.</summary>
    public const int LongestName = 80;

    /// <summary>Characters of a sentence, such as the purpose.</summary>
    public const int LongestSentence = 400;

    /// <summary>Characters of a longer text, such as the set-up.</summary>
    public const int LongestText = 2000;
    private const int MostOfAnything = 12;

    /// <summary>A gate this narrow still lets a ball of the smallest allowed size through.</summary>
    private const int NarrowestGate = 44;

    /// <summary>Everything wrong, each with the path of its field; empty when the drill can be kept.</summary>
    public static IReadOnlyList<FieldError> Check(Drill drill)
    {
        var errors = new FieldErrors()
            .RequireText(drill.Name, "name", LongestName)
            .RequireText(drill.Purpose, "purpose", LongestSentence)
            .RequireText(drill.Skill, "skill", LongestName)
            .RequireText(drill.Criterion, "criterion", LongestSentence)
            .RequireText(drill.SetUp, "setUp", LongestText)
            .AllowText(drill.WhenCrowded, "whenCrowded", LongestSentence)
            .Require(drill.Phases.Count > 0, "phases", "Name at least one phase it suits.")
            .RequireOnce(drill.Phases, "phases")
            .Require(drill.Intents.Count > 0, "intents", "Name at least one intent it suits.")
            .RequireOnce(drill.Intents, "intents")
            .Require(drill.Places.Count > 0, "places", "Name at least one place.")
            .RequireOnce(drill.Places, "places")
            .RequireIn(drill.UsualMinutes, FieldRanges.SegmentMinutes, "usualMinutes", "minutes")
            .RequireIn(drill.UsualBalls, FieldRanges.SegmentBalls, "usualBalls", "balls")
            .RequireAtMost(drill.Equipment.Count, MostOfAnything, "equipment")
            .RequireOnce([.. drill.Equipment.Select(e => e.Item)], "equipment")
            .RequireAtMost(drill.Loads.Count, MostOfAnything, "loads")
            .RequireOnce(drill.Hide, "hide")
            .RequireOnce(drill.Levels, "levels")
            .RequireOnce(drill.Ages, "ages")
            .RequireAtMost(drill.Ladder.Count, MostOfAnything, "ladder");
        for (var i = 0; i < drill.Equipment.Count; i++)
            errors
                .AllowText(drill.Equipment[i].Substitute, $"equipment[{i}].substitute", LongestSentence)
                .RequireOnce([drill.Equipment[i].Item, .. drill.Equipment[i].Or], $"equipment[{i}].or");
        for (var i = 0; i < drill.Loads.Count; i++)
            errors.Require(
                drill.Loads[i].Part.IsPaired() || drill.Loads[i].Side is null,
                $"loads[{i}].side",
                "This part has no lead or trail side."
            );
        CheckLines(drill.Cues, "cues", errors);
        CheckLines(drill.Cautions, "cautions", errors);
        if (drill.GateMillimetres is { } gate)
        {
            errors
                .Require(drill.Drawing == SetUpDrawing.Gate, "gateMillimetres", "Only a drill with a gate has a gate's width.")
                .RequireBetween(gate, NarrowestGate, 300, "gateMillimetres", "mm");
        }

        if (drill.GateCentimetresAhead is { } ahead)
        {
            errors
                .Require(
                    drill.Drawing == SetUpDrawing.Gate,
                    "gateCentimetresAhead",
                    "Only a drill with a gate has a distance to it."
                )
                .RequireBetween(ahead, 5, 300, "gateCentimetresAhead", "cm");
        }

        errors.Require(
            drill.Protocol is not PlayedHoles,
            "protocol",
            "Holes belong to a plan and whoever plays it: they are set on the bench, not on the shelf."
        );
        var found = new List<FieldError>([.. errors.Found, .. drill.Protocol.Check("protocol")]);
        for (var i = 0; i < drill.Ladder.Count; i++)
        {
            found.AddRange(
                new FieldErrors()
                    .RequireText(drill.Ladder[i].Name, $"ladder[{i}].name", LongestName)
                    .Require(
                        drill.Ladder[i].Protocol.GetType() == drill.Protocol.GetType(),
                        $"ladder[{i}].protocol",
                        "Every step of a ladder is scored in the same way."
                    )
                    .Require(
                        drill.Ladder[i].Goal is not { } goal
                            || drill.Ladder[i].Protocol.GoalMeasures.Any(m => m.Name == goal.Measure),
                        $"ladder[{i}].goal.measure",
                        "No goal can be stated in this for this drill."
                    )
                    .Require(
                        drill.Ladder[i].Goal is not { } asked || Math.Abs(asked.Limit) <= 1000,
                        $"ladder[{i}].goal.limit",
                        "A goal lies between −1000 and 1000."
                    )
                    .Found
            );
            found.AddRange(drill.Ladder[i].Protocol.Check($"ladder[{i}].protocol"));
        }

        if (drill.Ladder.Count > 0 && found.Count == 0 && drill.OwnRung() is null)
            found.Add(new FieldError("ladder", "One step of the ladder has the drill's own parameters."));
        return found;
    }

    private static void CheckLines(IReadOnlyList<string> lines, string path, FieldErrors errors)
    {
        errors.RequireAtMost(lines.Count, MostOfAnything, path);
        for (var i = 0; i < lines.Count; i++)
            errors.RequireText(lines[i], $"{path}[{i}]", LongestSentence);
    }
}

/// <summary>What a coach looks for on the shelf. Whatever is left out does not matter.</summary>
public sealed record DrillSearch
{
    /// <summary>Words that all have to stand in name, purpose, skill or set-up; empty for any.</summary>
    public string Text { get; init; } = "";

    /// <summary>An area of the game; null for any.</summary>
    public Area? Area { get; init; }

    /// <summary>An intent it suits; null for any.</summary>
    public Intent? Intent { get; init; }

    /// <summary>A phase it suits; null for any.</summary>
    public Phase? Phase { get; init; }

    /// <summary>A kind of ground it can be done on; null for any.</summary>
    public PlaceKind? Place { get; init; }

    /// <summary>The minutes there are; drills that usually take longer are left out.</summary>
    public int? Minutes { get; init; }

    /// <summary>The protocol's kind, such as <c>stepLadder</c>.</summary>
    public string? Protocol { get; init; }

    /// <summary>What is at hand; with it, drills that need something else and name no substitute are left out.</summary>
    public IReadOnlyCollection<Equipment>? AtHand { get; init; }

    /// <summary>Whether a drill is what is looked for. Every word of the text must stand somewhere in it.</summary>
    public bool Finds(Drill drill, string protocolKind) =>
        (Area is null || drill.Area == Area)
        && (Intent is not { } intent || drill.Intents.Contains(intent))
        && (Phase is not { } phase || drill.Phases.Contains(phase))
        && (Place is not { } place || drill.Places.Contains(place))
        && (Minutes is null || drill.UsualMinutes <= Minutes)
        && (Protocol is null || Protocol == protocolKind)
        && (AtHand is null || drill.Equipment.All(e => e.IsMetBy(AtHand.Contains)))
        && Text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .All(word => Everything(drill).Contains(word, StringComparison.OrdinalIgnoreCase));

    private static string Everything(Drill drill) =>
        string.Join('\n', drill.Name, drill.Purpose, drill.Skill, drill.Criterion, drill.SetUp);
}
