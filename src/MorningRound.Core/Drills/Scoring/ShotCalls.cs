using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Statistics;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Shapes are relative to the player: whoever normally draws ten yards treats five as a fade.</summary>
public enum ShotShape
{
    /// <summary>Straight.</summary>
    Straight,

    /// <summary>Bending from right to left, for a right-handed player.</summary>
    Draw,

    /// <summary>Bending from left to right, for a right-handed player.</summary>
    Fade,
}

/// <summary>How high a shot flies.</summary>
public enum ShotHeight
{
    /// <summary>Lower than usual.</summary>
    Low,

    /// <summary>As usual.</summary>
    Normal,

    /// <summary>Higher than usual.</summary>
    High,
}

/// <summary>One called shot.</summary>
public sealed record ShotCall(Club Club, ShotShape Shape, ShotHeight Height, string Target)
{
    /// <summary>The call as it is spoken: "7 iron, draw, low, at the left flag".</summary>
    public string InWords()
    {
        var height = Height == ShotHeight.Normal ? "" : $", {Height.ToString().ToLowerInvariant()}";
        var target = Target.Length == 0 ? "" : $", at {Target}";
        return $"{Club.InWords()}, {Shape.ToString().ToLowerInvariant()}{height}{target}";
    }
}

/// <summary>A run of a declared pattern: a number of balls of one shape in a row.</summary>
public sealed record PatternStep(ShotShape Shape, int Balls);

/// <summary>
/// How much a list of calls changes, as the share of neighbours that differ, 0 to 1; null for fewer than two calls.
/// </summary>
public sealed record CallVariety(double? Club, double? Shape, double? Target)
{
    /// <summary>How much a list of calls changes from one to the next.</summary>
    public static CallVariety Of(IReadOnlyList<ShotCall> calls)
    {
        double? Share(Func<ShotCall, object> of) =>
            calls.Count < 2 ? null : calls.Zip(calls.Skip(1)).Count(p => !of(p.First).Equals(of(p.Second))) / (calls.Count - 1.0);
        return new CallVariety(Share(c => c.Club), Share(c => c.Shape), Share(c => c.Target));
    }
}

/// <summary>Lists of called shots: the same for the same seed, everywhere and always.</summary>
public static class ShotCalls
{
    private const int MostSteps = 20_000;
    private const int MostTries = 50;

    /// <summary>
    /// A number of calls from all combinations. No two neighbours with one club where there are two or more; clubs, and shapes,
    /// within one of each other in count; no call of a club twice until that club's combinations run out. Each list needs at
    /// least one entry.
    /// </summary>
    /// <param name="clubs">The clubs.</param>
    /// <param name="shapes">The shapes.</param>
    /// <param name="heights">The heights.</param>
    /// <param name="targets">The targets that suit a club, at least one; an empty name for none.</param>
    /// <param name="count">How many calls.</param>
    /// <param name="seed">What they are drawn from.</param>
    public static IReadOnlyList<ShotCall> Draw(
        IReadOnlyList<Club> clubs,
        IReadOnlyList<ShotShape> shapes,
        IReadOnlyList<ShotHeight> heights,
        Func<Club, IReadOnlyList<string>> targets,
        int count,
        ulong seed
    )
    {
        var all = (
            from club in clubs
            from shape in shapes
            from height in heights
            from target in targets(club)
            select new ShotCall(club, shape, height, target)
        ).ToList();
        for (var attempt = 0; attempt < MostTries; attempt++)
        {
            var steps = 0;
            var drawn = new List<ShotCall>(count);
            if (Extend(drawn, all, clubs.Count, shapes.Count, count, new SplitMix64(seed + ((ulong)attempt << 32)), ref steps))
                return drawn;
        }

        throw new InvalidOperationException("No list of calls satisfies every rule.");
    }

    /// <summary>
    /// A declared pattern, repeated: two fades, two draws, five times over is 20 balls. Clubs change with each run.
    /// </summary>
    public static IReadOnlyList<ShotCall> FromPattern(
        IReadOnlyList<PatternStep> pattern,
        IReadOnlyList<Club> clubs,
        IReadOnlyList<ShotHeight> heights,
        Func<Club, IReadOnlyList<string>> targets,
        int times,
        ulong seed
    )
    {
        var runs = Enumerable.Repeat(pattern, times).SelectMany(p => p).ToList();
        var bases = Draw(clubs, [ShotShape.Straight], heights, targets, runs.Count, seed);
        return
        [
            .. runs.Zip(bases).SelectMany(run => Enumerable.Repeat(run.Second with { Shape = run.First.Shape }, run.First.Balls)),
        ];
    }

    /// <summary>Adds calls one by one and takes them back where no call can follow.</summary>
    private static bool Extend(
        List<ShotCall> drawn,
        List<ShotCall> all,
        int clubs,
        int shapes,
        int count,
        SplitMix64 random,
        ref int steps
    )
    {
        if (drawn.Count == count)
            return true;
        if (++steps > MostSteps)
            return false;
        var roundOfClubs = drawn.Skip(drawn.Count / clubs * clubs).Select(c => c.Club).ToHashSet();
        var roundOfShapes = drawn.Skip(drawn.Count / shapes * shapes).Select(c => c.Shape).ToHashSet();
        var candidates = all.Where(c =>
                !roundOfClubs.Contains(c.Club)
                && !roundOfShapes.Contains(c.Shape)
                && !IsSpent(c, drawn, all)
                && (clubs == 1 || drawn.Count == 0 || drawn[^1].Club != c.Club)
            )
            .ToList();
        while (candidates.Count > 0)
        {
            var chosen = random.NextInt(candidates.Count);
            drawn.Add(candidates[chosen]);
            candidates.RemoveAt(chosen);
            if (Extend(drawn, all, clubs, shapes, count, random, ref steps))
                return true;
            drawn.RemoveAt(drawn.Count - 1);
        }

        return false;
    }

    /// <summary>
    /// Whether it was called since its club's own combinations last ran out: a club that reaches one target comes back to it
    /// sooner than one that reaches three.
    /// </summary>
    private static bool IsSpent(ShotCall call, List<ShotCall> drawn, List<ShotCall> all)
    {
        var own = drawn.Where(c => c.Club == call.Club).ToList();
        var round = all.Count(c => c.Club == call.Club);
        return own.Skip(own.Count / round * round).Contains(call);
    }
}
