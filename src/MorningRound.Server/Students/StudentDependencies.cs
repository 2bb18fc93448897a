using MorningRound.Core.Golf;
using MorningRound.Server.Accounts;

namespace MorningRound.Server.Students;

/// <summary>Where a student's rounds lose strokes. Rounds are a capability that builds on this one.</summary>
public interface ILostStrokes
{
    /// <summary>What the last rounds say, in words; or that there are not enough of them to say anything.</summary>
    Task<string> InWordsAsync(Caller caller, Guid studentId, Level level, CancellationToken cancel);
}

/// <summary>
/// Where a student stands, kept for the view of a whole squad. Results and goals are capabilities of their own.
/// </summary>
public interface IStandings
{
    /// <summary>Works it out anew, after a session was finished or the goal changed.</summary>
    Task RefreshAsync(Guid academyId, Guid studentId, DateOnly today, CancellationToken cancel);
}
