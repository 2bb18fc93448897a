namespace MorningRound.Core.Tests;

/// <summary>
/// How much of a large property is tried: a fifth with the other tests, all that is stated with <c>./test --long</c>.
/// </summary>
public static class Samples
{
    private const int Share = 5;

    private static readonly bool AreAll = Environment.GetEnvironmentVariable("MORNING_ROUND_LONG") == "1";

    public static int Of(int stated) => AreAll ? stated : stated / Share;

    /// <summary>Whether the case with this number belongs to what is tried.</summary>
    public static bool Holds(int number) => AreAll || number % Share == 0;
}
