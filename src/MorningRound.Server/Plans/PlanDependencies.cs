using MorningRound.Core.Golf;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Server.Accounts;

namespace MorningRound.Server.Plans;

/// <summary>
/// What has been practised lately, as plans are checked against it. Sessions are a capability that builds on this one.
/// </summary>
public interface IPracticeHistory
{
    /// <summary>What hurts a student and was not cleared, the load of the week of a day, and the last day of practice.</summary>
    Task<(IReadOnlyList<HurtPart> Hurt, WeekLoad? Load, DateOnly? LastPractised)> OfAsync(
        Caller caller,
        Guid studentId,
        StudentFile file,
        DateOnly day,
        CancellationToken cancel
    );

    /// <summary>
    /// What hurts each student of the squad, and when each last practised; of whom nothing is known may be missing.
    /// </summary>
    /// <param name="caller">A coach of the academy.</param>
    /// <param name="studentIds">Whose practice is looked at.</param>
    /// <param name="files">The files that there are, by student.</param>
    /// <param name="day">Practice after this day is not looked at.</param>
    /// <param name="cancel">Ends the question.</param>
    Task<(IReadOnlyDictionary<Guid, IReadOnlyList<HurtPart>> Hurt, IReadOnlyDictionary<Guid, DateOnly> Last)> OfSquadAsync(
        Caller caller,
        IReadOnlyCollection<Guid> studentIds,
        IReadOnlyDictionary<Guid, StudentFile> files,
        DateOnly day,
        CancellationToken cancel
    );

    /// <summary>What drafts are made from: what was done lately, what is known, and where results fall short.</summary>
    Task<PracticeRecord> RecordAsync(Caller caller, Guid studentId, DateOnly day, CancellationToken cancel);
}

/// <summary>What a student has practised, as far as a draft asks for it.</summary>
/// <param name="RecentDrills">The drills of the last two sessions.</param>
/// <param name="RecentAreas">The areas of the last two sessions.</param>
/// <param name="KnownDrills">Every drill that ever gave a result.</param>
/// <param name="Losses">How far the results of the last weeks fall short of their goals, by area.</param>
public sealed record PracticeRecord(
    IReadOnlyList<Guid> RecentDrills,
    IReadOnlyList<Area> RecentAreas,
    IReadOnlyList<Guid> KnownDrills,
    IReadOnlyList<AreaLoss> Losses
);
