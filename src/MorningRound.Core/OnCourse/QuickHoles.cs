using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>Quick holes made up for a player, so that the shot to the green is one with the clubs that are worked on.</summary>
public static class QuickHoles
{
    private static readonly int[] Pars = [4, 3, 4, 5];
    private static readonly Bend[] Bends = [Bend.Straight, Bend.Left, Bend.Straight, Bend.Right];

    /// <summary>
    /// So many holes, with pars and bends in turn and the shot to the green from what the player's own clubs carry: wedges where
    /// wedges are worked on, irons for irons, long ones for the rest. Null where no carry is on record: a length is not guessed.
    /// </summary>
    /// <param name="holes">1 to 18.</param>
    /// <param name="area">The part of the game that is worked on; null for all of it.</param>
    /// <param name="player">The player.</param>
    /// <param name="turn">
    /// Where in their turn pars, bends and clubs begin, so that one day's holes are not the next day's.
    /// </param>
    public static HolesToPlay? For(int holes, Area? area, PlayerNumbers player, int turn)
    {
        var numbers = ShotNumbers
            .Of(player, player.Unit)
            .Where(n => n is { Swing: null, Carry: >= CourseRules.ShortestHole and <= 300, Club: > Club.Hybrid })
            .ToList();
        var wedges = numbers.Where(n => n.Club >= Club.PitchingWedge).ToList();
        var irons = numbers.Where(n => n.Club < Club.PitchingWedge).ToList();
        IReadOnlyList<ShotNumber> wanted =
            area is Area.Wedge or Area.Pitch or Area.Chip && wedges.Count > 0 ? wedges
            : area is Area.Iron && irons.Count > 0 ? irons
            : numbers;
        if (wanted.Count == 0)
            return null;
        return new HolesToPlay
        {
            Unit = player.Unit,
            Holes =
            [
                .. Enumerable
                    .Range(turn, holes)
                    .Select(i => new QuickHole
                    {
                        Par = Pars[i % Pars.Length],
                        Bend = Pars[i % Pars.Length] == 3 ? Bend.Straight : Bends[i % Bends.Length],
                        UsuallyLeft = new MarkedLength(LeftOn(Pars[i % Pars.Length], i, wanted, wedges), player.Unit),
                    }),
            ],
        };
    }

    /// <summary>On a hole of par 5 the third shot is a short one, whatever is worked on.</summary>
    private static int LeftOn(int par, int at, IReadOnlyList<ShotNumber> wanted, IReadOnlyList<ShotNumber> wedges)
    {
        var from = par == 5 && wedges.Count > 0 ? wedges : wanted;
        return from[at % from.Count].Carry!.Value;
    }
}
