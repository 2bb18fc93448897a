using MorningRound.Core.OnCourse;

namespace MorningRound.Core.Tests.OnCourse;

/// <summary>Rounds that tests begin from.</summary>
internal static class GivenRounds
{
    /// <summary>Eighteen holes of which nobody noted anything but score and penalties.</summary>
    public static Round WithPenalties(int penalties) =>
        new()
        {
            Day = new DateOnly(2026, 5, 3),
            Course = "Osier Island",
            HolesPlayed = 18,
            Noted = new RoundTotals
            {
                Par = 72,
                Score = 90,
                Penalties = penalties,
            },
        };
}
