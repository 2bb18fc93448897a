using MorningRound.Core.Calendar;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;

namespace MorningRound.Core.Progress;

/// <summary>The load of one week, with the band it lay in.</summary>
/// <param name="Week">The week.</param>
/// <param name="Load">Effort × minutes.</param>
/// <param name="Usual">The mean of the four weeks before; null with less history.</param>
/// <param name="Ratio">The load over that mean; null without one.</param>
/// <param name="Band">The band of the ratio; null without one.</param>
public sealed record LoadOfWeek(IsoWeek Week, double Load, double? Usual, double? Ratio, LoadBand? Band)
{
    /// <summary>Weeks before the first one shown that have to be known: four, and one more that says there is history.</summary>
    public const int WeeksBefore = 5;

    /// <summary>The loads of consecutive weeks.</summary>
    /// <param name="sessions">Sessions in any order, from <see cref="WeeksBefore"/> weeks before the first on.</param>
    /// <param name="first">The first week.</param>
    /// <param name="weeks">How many.</param>
    /// <param name="today">The day, by which a week is finished or not.</param>
    public static IReadOnlyList<LoadOfWeek> Of(
        IReadOnlyCollection<LoadedSession> sessions,
        IsoWeek first,
        int weeks,
        DateOnly today
    ) =>
        [
            .. Enumerable
                .Range(0, weeks)
                .Select(first.Plus)
                .Select(week =>
                {
                    var load = Sessions.Load.Of(sessions, week.Monday, today);
                    return new LoadOfWeek(week, load.ThisWeek, load.MeanBefore, load.Ratio, load.Band);
                }),
        ];
}
