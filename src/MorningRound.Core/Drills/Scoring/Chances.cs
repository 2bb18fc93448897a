namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// How likely a number of successes is, when every attempt succeeds with the same share and none depends on another. Plain
/// probability, so that a step of a ladder can be said to be within reach or not.
/// </summary>
internal static class Chances
{
    /// <summary>The chance of at least so many successes in so many attempts.</summary>
    public static double AtLeast(int successes, int attempts, double share)
    {
        if (successes <= 0)
            return 1;
        if (successes > attempts)
            return 0;
        // One row of the triangle after the other: no factorials that overflow, no powers that vanish.
        var chances = new double[attempts + 1];
        chances[0] = 1;
        for (var attempt = 1; attempt <= attempts; attempt++)
        {
            for (var made = attempt; made > 0; made--)
                chances[made] = (chances[made] * (1 - share)) + (chances[made - 1] * share);
            chances[0] *= 1 - share;
        }

        return chances.Skip(successes).Sum();
    }

    /// <summary>The chance that a share of the attempts, in percent, is reached or passed.</summary>
    public static double AtLeastPercent(double percent, int attempts, double share) =>
        AtLeast((int)Math.Ceiling((percent * attempts / 100) - 1e-9), attempts, share);

    /// <summary>The chance of a run of so many successes within so many attempts.</summary>
    public static double Run(int length, int attempts, double share)
    {
        var running = new double[length];
        running[0] = 1;
        var reached = 0.0;
        for (var attempt = 0; attempt < attempts; attempt++)
        {
            var missed = running.Sum() * (1 - share);
            reached += running[^1] * share;
            for (var run = length - 1; run > 0; run--)
                running[run] = running[run - 1] * share;
            running[0] = missed;
        }

        return reached;
    }
}
