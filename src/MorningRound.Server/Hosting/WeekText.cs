using MorningRound.Core.Calendar;

namespace MorningRound.Server.Hosting;

internal static class WeekText
{
    /// <summary>Reads a week that somebody can mean.</summary>
    public static IsoWeek Read(string text, string path, DateOnly today)
    {
        if (!IsoWeek.TryParse(text, out var week))
            throw ApiProblemException.Malformed(path, "A week is written like 2026-W31.");
        return week.Monday.IsNear(today)
            ? week
            : throw ApiProblemException.Invalid(path, $"A week within {Days.Years} years of today, please.");
    }
}
