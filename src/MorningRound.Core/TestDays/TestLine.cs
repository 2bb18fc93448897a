using MorningRound.Core.Progress;

namespace MorningRound.Core.TestDays;

/// <summary>What came of a drill on one test day.</summary>
/// <param name="Day">The day.</param>
/// <param name="SessionId">The session it came from.</param>
/// <param name="Point">The figure with its doubt.</param>
/// <param name="Text">The same in words.</param>
public sealed record TestResult(DateOnly Day, Guid SessionId, GoalPoint Point, string Text);

/// <summary>One student's results of one drill on all test days, set beside themselves.</summary>
/// <param name="Task">The drill.</param>
/// <param name="Results">One for every day with a result, oldest first; the newest is now.</param>
/// <param name="SinceFirst">The first beside now; null with fewer than two results.</param>
/// <param name="SinceLast">The last time beside now; null with fewer than three, where it would be the first.</param>
public sealed record TestLine(
    TestTask Task,
    IReadOnlyList<TestResult> Results,
    ResultsBeside? SinceFirst,
    ResultsBeside? SinceLast
)
{
    /// <summary>The line of one student and one drill.</summary>
    /// <param name="task">The drill.</param>
    /// <param name="results">
    /// The student's results of test days, in any order; those of other drills, steps or kinds of practice are passed over, and
    /// so is what was done in a lesson.
    /// </param>
    public static TestLine Of(TestTask task, IEnumerable<DatedResult> results)
    {
        var days = results
            .Where(r => r.DrillId == task.DrillId && r.Rung == task.Rung && r.Group == task.Group)
            .Where(r => r.Result is { IsHollow: false, Value: not null })
            .GroupBy(r => r.Day)
            .OrderBy(g => g.Key)
            .Select(g => g.OrderBy(r => r.SessionId).ToList())
            .ToList();
        return new TestLine(
            task,
            [
                .. days.Select(d =>
                {
                    var point = ResultsTogether.Of(d);
                    return new TestResult(d[0].Day, d[0].SessionId, point, GoalProgress.InWords(point, d[0].Result.Leading).In());
                }),
            ],
            days.Count < 2 ? null : ResultsBeside.Of(days[0], days[^1]),
            days.Count < 3 ? null : ResultsBeside.Of(days[^2], days[^1])
        );
    }
}
