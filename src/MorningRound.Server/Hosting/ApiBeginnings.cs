using System.Text.Json;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.TestDays;
using MorningRound.Core.Validation;

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

    /// <summary>The least and the most of every number field, by the name of its range.</summary>
    public IReadOnlyDictionary<string, FieldRange> Ranges { get; } =
        typeof(FieldRanges)
            .GetProperties()
            .ToDictionary(p => JsonNamingPolicy.CamelCase.ConvertName(p.Name), p => (FieldRange)p.GetValue(null)!);

    public IReadOnlyDictionary<string, object> Rows { get; } = Protocols.NewRows;
}
