using MorningRound.Core.Plans;

namespace MorningRound.Core.Tests.Plans;

public class PlanDifferenceTests
{
    private static Pause Break(Guid id, int minutes = 5, string title = "Water") =>
        new()
        {
            Id = id,
            Title = title,
            Minutes = minutes,
        };

    private static string Told(SessionPlan before, SessionPlan after) =>
        string.Join(' ', PlanDifference.Of(before, after).Select(d => d.In()));

    private static SessionPlan Plan(params Segment[] segments) => new() { Title = "Plan", Segments = segments };

    [Fact]
    public void What_was_added_removed_and_changed_is_told_segment_by_segment()
    {
        var (a, b, c) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        var before = Plan(Break(a), Break(b, title: "Shade"));
        Assert.Equal("", Told(before, Plan(Break(a), Break(b, title: "Shade"))));
        Assert.Equal(
            "Removed: Shade. Water: 8 minutes, not 5. Added: Tea.",
            Told(before, Plan(Break(a, 8), Break(c, title: "Tea")))
        );
        Assert.Equal("Changed: Shade and water.", Told(before, Plan(Break(a), Break(b, title: "Shade and water"))));
    }

    [Fact]
    public void More_than_eight_are_counted()
    {
        var many = Plan([.. Enumerable.Range(0, 12).Select(i => Break(Guid.NewGuid(), title: $"Break {i}"))]);
        Assert.EndsWith("And 5 more changes.", Told(Plan(), many), StringComparison.Ordinal);
    }
}
