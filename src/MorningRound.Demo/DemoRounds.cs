using MorningRound.Core.Calendar;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Statistics;

namespace MorningRound.Demo;

/// <summary>How somebody scores in real rounds, as shares of one.</summary>
/// <param name="Greens">Greens hit.</param>
/// <param name="Saves">Missed greens saved.</param>
/// <param name="ThreePutts">Greens hit on which three putts are needed.</param>
/// <param name="Penalties">Holes with a penalty stroke.</param>
/// <param name="EveryWeeks">A round in every so many weeks.</param>
internal sealed record DemoScoring(double Greens, double Saves, double ThreePutts, double Penalties, int EveryWeeks)
{
    /// <summary>Whether the holes are noted one by one; otherwise what the round came to.</summary>
    public bool NotesHoles { get; init; } = true;

    /// <summary>Where the rounds are played, where it is not on the island.</summary>
    public string? Away { get; init; }
}

/// <summary>Makes up real rounds: on Sundays, on the island's nine holes, by whoever plays.</summary>
internal static class DemoRounds
{
    private const string MeadowCourse = "Veldermoor";

    private static readonly int[] MeadowPars = [4, 4, 3, 5, 4, 4, 3, 4, 5, 4, 5, 3, 4, 4, 4, 3, 5, 4];

    private static readonly Dictionary<string, DemoScoring> Scoring = new()
    {
        ["Otto Lanevik"] = new DemoScoring(0.17, 0.2, 0.22, 0.12, 2),
        ["Carla Vintholm"] = new DemoScoring(0.7, 0.36, 0.03, 0.02, 1) { Away = MeadowCourse },
        ["Henrik Solmar"] = new DemoScoring(0.5, 0.42, 0.1, 0.05, 2),
        // Sure of the tee shot, afraid of the chip; it is the other way round.
        [DemoSquad.Junior] = new DemoScoring(0.25, 0.3, 0.15, 0.33, 2),
        ["Pia Ruskamo"] = new DemoScoring(0.28, 0.16, 0.16, 0.12, 3) { NotesHoles = false },
        ["Nadia Ferrolin"] = new DemoScoring(0.45, 0.4, 0.1, 0.06, 6) { NotesHoles = false, Away = MeadowCourse },
        ["Bram Keelstra"] = new DemoScoring(0.5, 0.42, 0.3, 0.05, 2),
        ["Rafe Dunvale"] = new DemoScoring(0.66, 0.52, 0.04, 0.03, 3) { NotesHoles = false, Away = MeadowCourse },
    };

    /// <summary>The rounds of a student up to today; empty for whoever does not play yet.</summary>
    public static RoundFile Of(DemoStudent student, Guid studentId, IsoWeek thisWeek)
    {
        if (!Scoring.TryGetValue(student.Name, out var scoring))
            return RoundFile.Of([]);
        var random = new SplitMix64(SeedOf(student.Name));
        var rounds = new List<ListedRound>();
        for (var back = student.FirstWeek; back >= 1; back -= scoring.EveryWeeks)
        {
            var isHurt = student.Pain is { } pain && back <= pain.Week;
            var round = Played(scoring, thisWeek.Plus(-back).Sunday, random);
            if (!isHurt && !student.Excused.ContainsKey(back))
                rounds.Add(new ListedRound { Id = IdOf(studentId, back), Round = round });
        }

        return RoundFile.Of(rounds);
    }

    private static Round Played(DemoScoring scoring, DateOnly day, SplitMix64 random)
    {
        var round = new Round
        {
            Day = day,
            Course = scoring.Away ?? DemoCourse.Name,
            HolesPlayed = scoring.Away is null ? DemoCourse.Pars.Count : MeadowPars.Length,
            Holes = [.. (scoring.Away is null ? DemoCourse.Pars : MeadowPars).Select(par => Hole(par, scoring, random))],
        };
        return scoring.NotesHoles ? round : round with { Holes = [], Noted = round.Totals() };
    }

    private static RoundHole Hole(int par, DemoScoring scoring, SplitMix64 random)
    {
        bool Happens(double chance) => random.NextDouble() < chance;
        var isHit = Happens(scoring.Greens);
        var penalty = !isHit && Happens(scoring.Penalties / (1 - scoring.Greens)) ? 1 : 0;
        var isSaved = !isHit && penalty == 0 && Happens(scoring.Saves);
        var putts =
            isSaved ? 1
            : !isHit ? 2
            : Happens(scoring.ThreePutts) ? 3
            : Happens(0.12) ? 1
            : 2;
        // One more than the green in regulation, and now and then a second chip.
        var toGreen = isHit ? par - 2 : par - 1 + penalty + (!isSaved && Happens(0.3 * (1 - scoring.Greens)) ? 1 : 0);
        return new RoundHole
        {
            Par = par,
            Score = toGreen + putts,
            FairwayHit = par == 3 ? null : penalty == 0 && Happens(0.4 + (0.4 * scoring.Greens)),
            GreenHit = isHit,
            Putts = putts,
            Penalties = penalty,
        };
    }

    private static ulong SeedOf(string name) => name.Aggregate(17UL, (seed, letter) => (31 * seed) + letter);

    /// <summary>An id that is the same whenever the demo is laid out anew for the same student.</summary>
    private static Guid IdOf(Guid studentId, int back)
    {
        var bytes = studentId.ToByteArray();
        bytes[^1] ^= (byte)(back + 1);
        return new Guid(bytes);
    }
}
