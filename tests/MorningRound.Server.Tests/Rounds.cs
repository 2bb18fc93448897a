namespace MorningRound.Server.Tests;

/// <summary>How often a race is run: a small sample with the other tests, as often as stated with <c>./test --long</c>.</summary>
public static class Rounds
{
    public static bool AreAll { get; } = Environment.GetEnvironmentVariable("MORNING_ROUND_LONG") == "1";

    public static int Of(int stated) => AreAll ? stated : Math.Min(stated, 6);
}
