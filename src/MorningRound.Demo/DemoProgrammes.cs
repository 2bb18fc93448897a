using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Plans;
using MorningRound.Core.Programmes;
using MorningRound.Core.Weeks;
using MorningRound.Server.Storage;

namespace MorningRound.Demo;

/// <summary>The programmes of the made-up academy.</summary>
internal static class DemoProgrammes
{
    /// <summary>Runs for the student of the demo's button; this week is its third.</summary>
    public static Programme ShortPutts(IReadOnlyDictionary<string, Guid> plans)
    {
        var door = Segment(DemoPlans.ShortOnes, "Close the door");
        return new Programme
        {
            Name = "The door before harvest",
            Purpose = "Short putts that are holed when they count, by the end of the ferry summer",
            Weeks = 8,
            LighterWeeks = [6],
            Goal = new ProgrammeGoal
            {
                DrillId = door.Drill!.DrillId,
                Measure = "best",
                What = "Holed in a row from the door",
                Least = 6,
            },
            Slots =
            [
                new ProgrammeSlot
                {
                    Id = DerivedId.Of("demo slot 1"),
                    PlanId = plans[DemoPlans.ShortOnes],
                    Requirement = Requirement.Extra,
                    // The programme decides the steps, whatever the last results would offer.
                    Changes =
                    [
                        new SlotChange
                        {
                            FromWeek = 1,
                            SegmentId = door.Id,
                            Rung = door.Drill.Rung,
                        },
                        new SlotChange
                        {
                            FromWeek = 4,
                            SegmentId = door.Id,
                            Rung = door.Drill.Rung + 1,
                        },
                        new SlotChange
                        {
                            FromWeek = 7,
                            SegmentId = door.Id,
                            Minutes = 18,
                        },
                    ],
                },
                new ProgrammeSlot
                {
                    Id = DerivedId.Of("demo slot 2"),
                    PlanId = plans[DemoPlans.FerrySide],
                    FromWeek = 5,
                },
            ],
        };
    }

    /// <summary>Runs for a squad; next week is its first.</summary>
    public static Programme FirstSummer(IReadOnlyDictionary<string, Guid> plans)
    {
        var circle = Segment(DemoPlans.SmallSteps, "Round the hole");
        return new Programme
        {
            Name = "First greens",
            Purpose = "Round the short loop with one ball and without fear of the green",
            Weeks = 6,
            LighterWeeks = [4],
            Goal = new ProgrammeGoal
            {
                DrillId = circle.Drill!.DrillId,
                Measure = "made",
                What = "Holed round the hole",
                Least = 7,
            },
            Slots =
            [
                new ProgrammeSlot
                {
                    Id = DerivedId.Of("demo slot 3"),
                    PlanId = plans[DemoPlans.SmallSteps],
                    Order = 1,
                    Changes =
                    [
                        new SlotChange
                        {
                            FromWeek = 3,
                            SegmentId = circle.Id,
                            Rung = circle.Drill.Rung + 1,
                        },
                    ],
                },
                new ProgrammeSlot
                {
                    Id = DerivedId.Of("demo slot 4"),
                    PlanId = plans[DemoPlans.InTheAir],
                    Order = 2,
                },
            ],
        };
    }

    private static PracticeSegment Segment(string plan, string title) =>
        DemoPlans.All.Single(p => p.Title == plan).Practice().Single(s => s.Title == title);
}
