using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.TestDays;

namespace MorningRound.Server.Hosting;

/// <summary>
/// What new things start as. It is part of the API's description, so that a client carries it along and needs no call, and no
/// signal, to begin something.
/// </summary>
internal sealed record ApiBeginnings
{
    public IReadOnlyDictionary<Phase, SegmentBeginning> Segments { get; } = SegmentBeginning.ByPhase;

    public PauseBeginning Pause { get; } = PauseBeginning.Usual;

    public HomeworkBeginning Homework { get; } = HomeworkBeginning.Usual;

    public HolesBeginning Holes { get; } = HolesBeginning.Usual;

    public TestDayBeginning TestDay { get; } = TestDayBeginning.Usual;

    public IReadOnlyDictionary<string, object> Rows { get; } = Protocols.NewRows;
}
