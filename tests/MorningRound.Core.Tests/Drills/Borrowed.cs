using System.Text.RegularExpressions;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Tests.Drills;

/// <summary>
/// Numbers, shapes and phrases that practitioners use and that stand in tests as common practice, no source. Shelf, templates,
/// what an editor begins with, and the demo have their own.
/// </summary>
public static partial class Borrowed
{
    /// <summary>Whether a protocol has the very parameters.</summary>
    public static bool Is(ScoringProtocol protocol) =>
        protocol switch
        {
            Compass { Distances: [2, 3, 4, 5, 6, 7] } => true,
            StepLadder { Start: 10, Step: 3 } => true,
            ZoneSets { Zones: [{ Feet: 10 }, { Feet: 20 }, { Feet: 30 }] } => true,
            ParGame { Stations: 4, Laps: 5 } => true,
            Streak { Length: 20 } => true,
            MakeRate { Attempts: 30 } => true,
            CalledShots { Pattern: [{ Balls: 2 }, { Balls: 2 }] } => true,
            Window window => window.Clubs.Any(c => c.Bounds.Any(b => b is { Least: null, Most: < 18 })),
            CarryGrid grid => grid.Cells.GroupBy(c => c.Club).Any(club => AreOfAWedge([.. club.Select(c => c.Carry ?? 0)])),
            _ => false,
        };

    /// <summary>
    /// Whether a plan has the very shape: warm-up 30, block 40, random 30 balls; three parts of a quarter of an hour; four parts
    /// of an hour of putting; a slow build of 85 minutes; nine quick holes in 36.
    /// </summary>
    public static bool Is(SessionPlan plan)
    {
        var practice = plan.Practice().ToList();
        var balls = practice.GroupBy(s => s.Phase).ToDictionary(g => g.Key, g => g.Sum(s => s.Balls));
        var main = practice.Where(s => s.Phase != Phase.WarmUp).Select(s => s.Minutes).ToList();
        return (
                balls.GetValueOrDefault(Phase.WarmUp),
                balls.GetValueOrDefault(Phase.Block),
                balls.GetValueOrDefault(Phase.Random)
            ) == (30, 40, 30)
            || main is [15, 15, 15]
            || main is [15, 15, 8, 22]
            || main.Contains(85)
            || practice.Exists(s => s is { Phase: Phase.OnCourse, Holes: 9, Minutes: 36 });
    }

    /// <summary>Whether the numbers of one wedge are those of the player whose wedges are quoted.</summary>
    public static bool AreOfAWedge(IReadOnlyCollection<double> carries) => Numbers.Any(three => three.All(carries.Contains));

    /// <summary>What is borrowed in a text; null where nothing is.</summary>
    public static string? In(string text) => Phrases().Match(text) is { Success: true } found ? found.Value : null;

    /// <summary>One player's wedge numbers, three for each of three wedges.</summary>
    private static readonly double[][] Numbers =
    [
        [60, 80, 90],
        [75, 90, 110],
        [85, 110, 125],
    ];

    [GeneratedRegex(
        @"one thousand and one|\b3,?000\s*(to|and|–|-)\s*5,?000\b|\b100 an hour\b|\b10, 13, 16\b|\b13, 16, 15, 17\b"
            + @"|\b79, 147\b|\b85, 145, 185\b|\b60/80/90\b|\b8 8 7 8 7\b|\b3 in and 3 out\b|\bsmall 5 and big 5\b|\b2 to 7 ft\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Phrases();
}
