using MorningRound.Core.Calendar;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Sessions;

/// <summary>On how many days of a week a student usually practises.</summary>
public static class UsualDays
{
    /// <summary>The finished weeks that are looked at: as many as load's mean. Common practice, no source.</summary>
    public const int Weeks = 4;

    /// <summary>Fewer weeks with practice than this are no custom. The product's own number.</summary>
    private const int FewestWeeks = 3;

    /// <summary>
    /// The median of the days practised in each of the last four finished weeks; of two numbers in the middle, what lies between
    /// them counts up. A week without practice was a holiday or an illness and does not count.
    /// </summary>
    /// <param name="practised">Days on which something was practised, in any order, also more than once.</param>
    /// <param name="before">The Monday after the last week that counts.</param>
    /// <returns>1 to 7; null where fewer than three of those weeks had practice.</returns>
    public static int? Of(IEnumerable<DateOnly> practised, DateOnly before)
    {
        List<double> weeks =
        [
            .. practised
                .Where(day => day >= before.Plus(-7 * Weeks) && day < before)
                .Distinct()
                .GroupBy(IsoWeek.Of)
                .Select(week => (double)week.Count()),
        ];
        return weeks.Count >= FewestWeeks ? (int)Math.Ceiling(Sample.Median(weeks)!.Value) : null;
    }
}
