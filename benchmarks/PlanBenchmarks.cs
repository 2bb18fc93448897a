using System.Text.Json;
using BenchmarkDotNet.Attributes;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Plans.Trimming;
using MorningRound.Core.Serialization;
using MorningRound.Core.Students;

namespace MorningRound.Benchmarks;

/// <summary>The aims: a plan of twelve segments checked in under 1 ms, a draft in under 20 ms.</summary>
[MemoryDiagnoser]
public class PlanBenchmarks
{
    private static readonly PlanContext Context = new()
    {
        Day = new DateOnly(2026, 5, 6),
        Student = new StudentFile(),
        Places =
        [
            new ListedPlace
            {
                Id = Guid.CreateVersion7(),
                Place = new Place { Name = "Range", Kind = PlaceKind.Range },
            },
            new ListedPlace
            {
                Id = Guid.CreateVersion7(),
                Place = new Place { Name = "Green", Kind = PlaceKind.PuttingGreen },
            },
        ],
    };

    private static readonly IReadOnlyList<ShelvedDrill> Shelf = JsonSerializer
        .Deserialize<DrillFile>(File.ReadAllText(ShelfFile()), CoreJson.Options)!
        .Drills;

    /// <summary>A sound hour, twice over.</summary>
    private static readonly SessionPlan Sound = Twelve(PlanTemplates.On(Context.Day).Single(t => t.Title == "Stand, aim, play"));

    /// <summary>The same with everything a coach has not written yet, so that many fixes have to be tried.</summary>
    private static readonly SessionPlan Raw = Sound with
    {
        Purpose = "",
        SuccessTest = "",
        Segments =
        [
            .. Sound.Segments.Select(s =>
                s is PracticeSegment p ? p with { Focus = "", Feedback = null, Balls = p.Balls * 3 } : s
            ),
        ],
    };

    private static readonly DraftRequest Hour = new()
    {
        Minutes = 60,
        Balls = 100,
        Places = [PlaceKind.Range],
        Approach = Approach.ThreeParts,
    };
    private static readonly DraftRequest ThreeHours = new()
    {
        Minutes = 180,
        Balls = 200,
        Places = [PlaceKind.Range, PlaceKind.PuttingGreen],
        Approach = Approach.StepUp,
    };

    [Benchmark]
    public IReadOnlyList<Finding> Check12SoundSegments() => PlanCheck.Run(Sound, Context);

    [Benchmark]
    public IReadOnlyList<Finding> Check12RawSegments() => PlanCheck.Run(Raw, Context);

    [Benchmark]
    public Drafted DraftAnHour() => PlanDraft.Of(Hour, Context, Shelf);

    [Benchmark]
    public Drafted DraftThreeHours() => PlanDraft.Of(ThreeHours, Context, Shelf);

    [Benchmark]
    public PlanTrim TrimTable() => PlanTrim.Of(Sound, Context);

    private static SessionPlan Twelve(SessionPlan plan) =>
        plan with
        {
            Constraints = new PlanConstraints
            {
                Minutes = 125,
                Balls = 160,
                Approach = Approach.ThreeParts,
            },
            Segments =
            [
                .. plan.Segments,
                new Pause
                {
                    Id = Guid.CreateVersion7(),
                    Title = "Water",
                    Minutes = 3,
                },
                .. plan.Segments.Select(s => s with { Id = Guid.CreateVersion7() }),
                new Pause
                {
                    Id = Guid.CreateVersion7(),
                    Title = "Water",
                    Minutes = 2,
                },
            ],
        };

    private static string ShelfFile()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "MorningRound.slnx")))
            folder = Path.GetDirectoryName(folder)!;
        return Path.Combine(folder, "src/MorningRound.Server/Drills/starting-shelf.json");
    }
}
