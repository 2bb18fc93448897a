using MorningRound.Core.Golf;
using MorningRound.Server.Accounts;

namespace MorningRound.Server.Students;

/// <summary>Where a student's rounds lose strokes. Rounds are a capability that builds on this one.</summary>
public interface ILostStrokes
{
    /// <summary>What the last rounds say, in words; or that there are not enough of them to say anything.</summary>
    Task<string> InWordsAsync(Caller caller, Guid studentId, Level level, CancellationToken cancel);
}
