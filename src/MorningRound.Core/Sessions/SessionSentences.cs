using MorningRound.Core.Wording;

namespace MorningRound.Core.Sessions;

/// <summary>What a session says to whoever practises it.</summary>
internal static class SessionSentences
{
    public static readonly Sentence StopForToday = new(
        "session.stopForToday",
        "Stop here for today. Coaching is not medicine: please see a doctor or physiotherapist before you practise with it "
            + "again. Your coach will see this, and nothing is held against you."
    );
}
