using MorningRound.Core.Wording;

namespace MorningRound.Core.Sessions;

/// <summary>How much was done, in the words that every screen, mail, table and print uses.</summary>
public static class CompletionWords
{
    /// <summary>"59 of 59 min (46 min reported without scores)".</summary>
    /// <param name="doneMinutes">Planned minutes of what was done.</param>
    /// <param name="plannedMinutes">Planned minutes that count.</param>
    /// <param name="reportedMinutes">Those of the minutes done that were only reported.</param>
    public static Message Done(double doneMinutes, int plannedMinutes, double reportedMinutes) =>
        Math.Round(reportedMinutes, MidpointRounding.AwayFromZero) >= 1
            ? SessionSentences.DoneReported.Of(doneMinutes, plannedMinutes, reportedMinutes)
            : SessionSentences.Done.Of(doneMinutes, plannedMinutes);

    /// <summary>"Stopped for pain after 20 of 60 min": a session that was stopped has no percentage.</summary>
    /// <param name="reason">What stopped it.</param>
    /// <param name="doneMinutes">Planned minutes of what was done.</param>
    /// <param name="publishedMinutes">All minutes of practice that were set, pauses apart.</param>
    public static Message Stopped(StopReason reason, double doneMinutes, int publishedMinutes) =>
        (
            reason switch
            {
                StopReason.Pain => SessionSentences.StoppedForPain,
                StopReason.Unwell => SessionSentences.StoppedUnwell,
                StopReason.Thunder => SessionSentences.StoppedForThunder,
                StopReason.Rain => SessionSentences.StoppedForRain,
                _ => SessionSentences.StoppedForWind,
            }
        ).Of(doneMinutes, publishedMinutes);
}
