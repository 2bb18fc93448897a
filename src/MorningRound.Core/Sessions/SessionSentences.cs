using MorningRound.Core.Wording;

namespace MorningRound.Core.Sessions;

/// <summary>What a session says to whoever practises it.</summary>
internal static class SessionSentences
{
    public static readonly Sentence Done = new("session.done", "{0:0} of {1} min");
    public static readonly Sentence DoneReported = new(
        "session.doneReported",
        "{0:0} of {1} min ({2:0} min reported without scores)"
    );
    public static readonly Sentence StoppedForPain = new("session.stoppedForPain", "Stopped for pain after {0:0} of {1} min");
    public static readonly Sentence StoppedUnwell = new(
        "session.stoppedUnwell",
        "Stopped, feeling unwell, after {0:0} of {1} min"
    );
    public static readonly Sentence StoppedForThunder = new(
        "session.stoppedForThunder",
        "Stopped for thunder after {0:0} of {1} min"
    );
    public static readonly Sentence StoppedForRain = new("session.stoppedForRain", "Stopped for rain after {0:0} of {1} min");
    public static readonly Sentence StoppedForWind = new("session.stoppedForWind", "Stopped for wind after {0:0} of {1} min");

    public static readonly Sentence StopForToday = new(
        "session.stopForToday",
        "Stop here for today. Coaching is not medicine: please see a doctor or physiotherapist before you practise with it "
            + "again. Your coach will see this, and nothing is held against you."
    );
}
