using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.OnCourse;

/// <summary>
/// What a flow of holes offers, proposes and says, held against the choices themselves and the card so far: the flow looks it up
/// in tables that it carries along.
/// </summary>
internal sealed class OfferedShots
{
    private readonly LaidHoles _laid;
    private readonly ShotChoices _choices;
    private readonly Dictionary<(int Hole, Lie Lie, int Left), string> _known = [];

    private OfferedShots(LaidHoles laid)
    {
        _laid = laid;
        _choices = new ShotChoices(laid);
    }

    /// <summary>Null for a drill that offers nothing.</summary>
    public static OfferedShots? Of(ScoringProtocol protocol) =>
        protocol is PlayedHoles { Laid: { } laid } ? new OfferedShots(laid) : null;

    /// <summary>What differs after these inputs; null when nothing does.</summary>
    public string? Difference(FlowWalk walk, ProtocolResult scored, IReadOnlyList<DrillInput> taken)
    {
        var last = taken is [.., var l] ? l : null;
        // The club may have been said several answers ago: a fairway in water is asked about again.
        var with = taken.OfType<ChoiceMade>().LastOrDefault(c => IsClub(c.Value))?.Value;
        if (scored.MisfitAt is not null)
            return null;
        if (walk.State is not { At.Step: var step })
            return walk.IsComplete ? AtTheEnd(walk, scored) : null;
        var at = scored.Counts.GetValueOrDefault("hole");
        var hole = _laid.Holes[at];
        var isWhole = _laid.Way == WayToPlay.WholeHoles;
        var left = isWhole ? scored.Counts.GetValueOrDefault("left", 10 * hole.Length) / 10 : hole.Length;
        var lie = (Lie)scored.Counts.GetValueOrDefault("lie");
        return step switch
        {
            FlowStep.Choose => Choosing(walk, hole, at, lie, left, scored.Counts.GetValueOrDefault("shot"), isWhole),
            FlowStep.Finish => Finishing(walk, hole, lie, left, with, isWhole),
            FlowStep.Measure => Measuring(walk, lie, left, last, with),
            _ => Putting(walk, scored),
        };
    }

    private bool IsClub(string value) => value == ShotNumbers.Putter || _laid.Numbers.Any(n => n.Value == value);

    private string? Choosing(FlowWalk walk, LaidHole hole, int at, Lie lie, int left, int shot, bool isWhole)
    {
        if (!_known.TryGetValue((at, lie, left), out var wanted))
        {
            wanted = string.Join('|', _choices.For(hole, lie, left).Select(o => $"{o.With}: {o.Say(left, _laid.Unit)}"));
            _known[(at, lie, left)] = wanted;
        }

        var offered = string.Join('|', walk.Offers.Select(o => $"{o.Value}: {o.Note}"));
        if (offered != wanted)
            return $"{offered}, not {wanted}";
        var unit = _laid.Unit.Sign();
        var isTee = lie == Lie.Tee && hole.Par > 3;
        var status = isWhole
            ? $"Hole {hole.Number}, par {hole.Par}, shot {shot + 1}: {left} {unit} left, {Words(lie)}"
            : $"Hole {hole.Number}, par {hole.Par}, {hole.Length} {unit}";
        if (walk.Displays.First() != status)
            return $"{walk.Displays.First()}, not {status}";
        string[] said =
        [
            .. isTee || !isWhole ? [HoleWords.HowItLies(hole, _laid).In()] : Array.Empty<string>(),
            .. isTee || !isWhole ? []
            : lie != Lie.Tee && left < _choices.ChipUpTo ? ["Choose the spot it is to land on."]
            : lie != Lie.Tee && 10 * left > Reach(_laid.Numbers.Max(n => n.Carry)) ? ["Choose what to leave."]
            : Aimed(hole, left, unit),
        ];
        return said.FirstOrDefault(s => !walk.Prompt.Contains(s, StringComparison.Ordinal)) is { } missing
            ? $"{walk.Prompt}, without {missing}"
            : null;
    }

    /// <summary>How far, in tenths, a club may reach a green; one without a number up to 200.</summary>
    private static int Reach(int? carry) => carry is { } far ? (int)(11.0 * far) : 2_000;

    /// <summary>In the end what is shown is what the card adds up to.</summary>
    private string? AtTheEnd(FlowWalk walk, ProtocolResult scored)
    {
        var holes = _laid.Holes.Count;
        var wanted =
            scored.Card is not { Holes.Count: > 0 } card ? null
            : _laid.Putts == PuttsBy.Expected
                ? $"≈ {Math.Round(card.Score, 1, MidpointRounding.AwayFromZero):0.0} strokes, {holes} of {holes} holes out"
            : $"{card.Score} strokes, {holes} of {holes} holes out, 0 putts waiting";
        var shown = walk.Displays.Last();
        return wanted is null || shown == wanted ? null : $"{shown}, not {wanted}";
    }

    private IEnumerable<string> Aimed(LaidHole hole, int left, string unit)
    {
        yield return GreenAim.Of(hole, _laid.UsualMiss).Why.In();
        if (_laid.Targets.Count == 0)
            yield break;
        // Half way between two the further one is named.
        var nearest = _laid.Targets.OrderBy(t => Math.Abs(t.Distance - left)).ThenByDescending(t => t.Distance).First();
        var off = nearest.Distance - left;
        var side =
            off < 0 ? "nearer than the hole"
            : off > 0 ? "further than the hole"
            : "off";
        yield return $"Nearest target: {nearest.Name}, {Math.Abs(off)} {unit} {side}.";
    }

    private static string Words(Lie lie) =>
        lie switch
        {
            Lie.Recovery => "in the trees",
            Lie.Rough or Lie.Sand => $"in {lie.ToString().ToLowerInvariant()}",
            _ => $"on the {lie.ToString().ToLowerInvariant()}",
        };

    /// <summary>A green is offered as a place to finish where the club reaches it, and a fairway where it does not.</summary>
    private string? Finishing(FlowWalk walk, LaidHole hole, Lie lie, int left, string? with, bool isWhole)
    {
        var carry = _laid.Numbers.SingleOrDefault(n => n.Value == with)?.CarryFrom(lie);
        var reaches = isWhole && Reach(carry) >= 10 * left;
        string[] wanted = reaches
            ? ["green", "leftShort", "leftOfGreen", "rightOfGreen", "overGreen", .. Beside(hole), .. Across(hole), "holed"]
            : ["fairway", "roughLeft", "roughRight", .. Along(hole), .. Across(hole)];
        var offered = walk.Offers.Select(o => o.Value).ToArray();
        return offered.SequenceEqual(wanted) ? null : $"{string.Join(',', offered)}, not {string.Join(',', wanted)}";
    }

    private static IEnumerable<string> Beside(LaidHole hole)
    {
        var green = hole.Green;
        Core.Courses.TroubleKind?[] around = [green.Left, green.Right, green.Front, green.Back];
        if (around.Contains(Core.Courses.TroubleKind.Sand))
            yield return "greenSand";
        if (around.Contains(Core.Courses.TroubleKind.Water))
            yield return "greenWater";
    }

    private static IEnumerable<string> Along(LaidHole hole)
    {
        if (hole.Left is { } left)
            yield return left == Core.Courses.TroubleKind.OutOfBounds ? "outLeft" : $"{Small(left)}Left";
        if (hole.Right is { } right)
            yield return right == Core.Courses.TroubleKind.OutOfBounds ? "outRight" : $"{Small(right)}Right";
    }

    private static IEnumerable<string> Across(LaidHole hole) => hole.Across is { } across ? [$"{Small(across.Kind)}Across"] : [];

    private static string Small(Core.Courses.TroubleKind kind) => kind.ToString().ToLowerInvariant();

    /// <summary>
    /// Where a green was hit or missed a number is proposed that goes by what was left before; otherwise the carry.
    /// </summary>
    private string? Measuring(FlowWalk walk, Lie lie, int left, DrillInput? last, string? with)
    {
        if (last is not ChoiceMade { Value: var where })
            return "nothing was said";
        int? wanted = where switch
        {
            "green" => 10 * ProposedPutt(left),
            "leftShort" or "leftOfGreen" or "rightOfGreen" or "overGreen" or "greenSand" or "greenWater" => 10 * Beside(left),
            _ => _laid.Numbers.SingleOrDefault(n => n.Value == with)?.CarryFrom(lie) is { } carry ? 10 * carry : null,
        };
        return walk.Proposed == wanted ? null : $"{walk.Proposed} proposed, not {wanted}";
    }

    private static int Beside(int left) =>
        left switch
        {
            < 10 => 3,
            < 20 => 5,
            < 40 => 8,
            _ => 12,
        };

    private static int ProposedPutt(int left) =>
        left switch
        {
            < 20 => 6,
            < 50 => 10,
            < 80 => 15,
            < 110 => 18,
            < 140 => 22,
            < 170 => 26,
            < 200 => 32,
            _ => 40,
        };

    private static string? Putting(FlowWalk walk, ProtocolResult scored)
    {
        var card = scored.Card!.Holes[scored.Counts["puttHole"]];
        var to = card.Shots.Count + card.Penalties + 1 - card.Par;
        var sort =
            to <= -1 ? "for birdie or better"
            : to == 0 ? "for par"
            : to == 1 ? "for bogey"
            : "for more than bogey";
        var wanted = $"Hole {card.Number}, {sort}: {card.FirstPutt!.Value} ft. Putts until it was in?";
        return walk.Prompt == wanted ? null : $"{walk.Prompt}, not {wanted}";
    }
}
