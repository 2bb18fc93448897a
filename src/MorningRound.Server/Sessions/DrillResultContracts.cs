using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Units;

namespace MorningRound.Server.Sessions;

/// <summary>A drill of a session, as the phone needs it.</summary>
public sealed record SessionDrill
{
    public required Guid SegmentId { get; init; }

    public required string Name { get; init; }

    /// <summary>How it is scored: "Step ladder".</summary>
    public required string Scoring { get; init; }

    public required string SetUp { get; init; }

    public required string Criterion { get; init; }

    /// <summary>What is laid over it, in words; empty when nothing is.</summary>
    public required string Modifiers { get; init; }

    /// <summary>What is asked of it, in words; empty when nothing is.</summary>
    public required string Goal { get; init; }

    public required IReadOnlyList<string> Cautions { get; init; }

    public required AttemptFlow Flow { get; init; }

    /// <summary>How many attempts it has; null where it ends by itself.</summary>
    public required int? PlannedAttempts { get; init; }

    /// <summary>Whether an attempt is a stroke: not in breathing or reading.</summary>
    public required bool HasStrokes { get; init; }

    /// <summary>The parameters, for the picture beside the question. The phone draws them and judges nothing by them.</summary>
    public required ScoringProtocol Protocol { get; init; }

    /// <summary>The calls of called shots, in order, for the picture; empty for any other drill.</summary>
    public required IReadOnlyList<ShotCall> Calls { get; init; }

    public static SessionDrill Of(PublishedDrill set, SessionPlan plan)
    {
        var segment = plan.Practice().Single(s => s.Id == set.SegmentId);
        var planned = segment.Drill;
        return new SessionDrill
        {
            SegmentId = set.SegmentId,
            Name = segment.DrillName ?? segment.Title,
            Scoring = set.Protocol.Title,
            SetUp = planned?.Drill.SetUp ?? "",
            Criterion = planned?.Drill.Criterion ?? "",
            Modifiers = planned?.Modifiers.InWords() ?? "",
            Goal = planned?.Goal is { } goal ? set.Protocol.InWords(goal) : "",
            Cautions = planned?.Drill.Cautions ?? [],
            Flow = set.Flow,
            PlannedAttempts = set.Protocol.PlannedAttempts,
            HasStrokes = Strokes.HasStrokes(segment),
            Protocol = set.Protocol,
            Calls = (set.Protocol as CalledShots)?.List(set.Seed) ?? [],
        };
    }
}

/// <summary>How often one tag was tapped.</summary>
public sealed record TagCount(string Tag, int Attempts);

/// <summary>What one log gave of one drill.</summary>
public sealed record DrillResultView
{
    public required Guid LogId { get; init; }

    public required Guid SegmentId { get; init; }

    public required string Name { get; init; }

    public required ResultStatus Status { get; init; }

    public required int Attempts { get; init; }

    /// <summary>The result in one line. In a warm-up only that it was done, because a warm-up has no result.</summary>
    public required string Text { get; init; }

    /// <summary>Empty in a warm-up.</summary>
    public required IReadOnlyList<Measure> Measures { get; init; }

    /// <summary>The card of holes that were played; null for any drill.</summary>
    public required CardView? Card { get; init; }

    /// <summary>
    /// The card's figures beside the same holes last time and beside real rounds; empty where nothing stands beside.
    /// </summary>
    public required IReadOnlyList<FigureBeside> Beside { get; init; }

    /// <summary>What was asked, in words; empty when nothing was.</summary>
    public required string Goal { get; init; }

    /// <summary>Whether it was met; null when nothing was asked, nothing attempted, or not enough.</summary>
    public required bool? GoalMet { get; init; }

    /// <summary>Whether fewer attempts were made than a goal can be judged by.</summary>
    public required bool NotEnoughAttempts { get; init; }

    public required IReadOnlyList<TagCount> Tags { get; init; }

    /// <summary>What it is beside the last comparable times, in words; empty in a warm-up and where nothing was scored.</summary>
    public required string LastTimes { get; init; }

    /// <summary>
    /// The inputs that stand, for the picture of the attempts; where they do not fit the drill they could not be scored.
    /// </summary>
    public required IReadOnlyList<DrillInput> Inputs { get; init; }

    /// <summary>Everything the logs of a session gave, in the order of the plan and then of the logs.</summary>
    public static IReadOnlyList<DrillResultView> Of(
        SessionPlan plan,
        IReadOnlyList<PublishedDrill> drills,
        IReadOnlyList<(Guid Id, SessionLog Log)> logs,
        ILookup<string, PastResult> earlier,
        IReadOnlyList<Round> rounds
    ) =>
        [
            .. from segment in plan.Practice()
            from log in logs
            from kept in log.Log.Segments
            where kept.SegmentId == segment.Id && kept.Result is not null
            select Of(
                log.Id,
                segment,
                drills.FirstOrDefault(d => d.SegmentId == segment.Id),
                kept.Inputs,
                kept.Result!,
                earlier,
                rounds
            ),
        ];

    private static DrillResultView Of(
        Guid logId,
        PracticeSegment segment,
        PublishedDrill? set,
        IReadOnlyList<DrillInput> inputs,
        ProtocolResult result,
        ILookup<string, PastResult> earlier,
        IReadOnlyList<Round> rounds
    )
    {
        var isWarmUp = segment.Phase == Phase.WarmUp;
        var fits = result.Status != ResultStatus.DoesNotFit;
        var goal = isWarmUp ? null : segment.Drill?.Goal;
        var isEnough = SessionCompletion.IsEnoughForGoal(segment, result.Status, result.Attempts);
        return new DrillResultView
        {
            LogId = logId,
            SegmentId = segment.Id,
            Name = segment.DrillName ?? segment.Title,
            Status = result.Status,
            Attempts = result.Attempts,
            // The aim check is the one thing a warm-up may end in.
            Text =
                isWarmUp && fits && set?.Protocol is not MeasuredShots { AimDistance: not null }
                    ? "A warm-up keeps no score."
                    : result.Text,
            Measures = isWarmUp ? [] : result.Measures,
            Card = CardView.Of(result.Card),
            Beside =
                result.Card is { } card && set is not null
                    ? PlayedHoles.Beside(card, earlier[set.ComparabilityKey].FirstOrDefault(), rounds)
                    : [],
            Goal = goal is null || set is null ? "" : set.Protocol.InWords(goal),
            GoalMet = goal is null || set is null || !isEnough ? null : set.Protocol.Meets(goal, result),
            NotEnoughAttempts = goal is not null && set is not null && result.Attempts > 0 && !isEnough,
            Tags = Counted(inputs),
            LastTimes =
                isWarmUp || set is null
                    ? ""
                    : Core.Drills.Scoring.LastTimes.Of(set.Protocol, result, [.. earlier[set.ComparabilityKey]])?.In() ?? "",
            Inputs = inputs,
        };
    }

    private static List<TagCount> Counted(IReadOnlyList<DrillInput> inputs) =>
        [
            .. AttemptTags
                .ByAttempt(inputs)
                .Values.SelectMany(t => new Enum?[] { t.Contact, t.Line, t.Cause, t.Routine })
                .OfType<Enum>()
                .Select(t =>
                    t is RoutineTag routine
                        ? $"routine {(routine == RoutineTag.NotDone ? "not done" : routine.ToString().ToLowerInvariant())}"
                        : t.ToString().ToLowerInvariant()
                )
                .GroupBy(t => t)
                .OrderByDescending(g => g.Count())
                .ThenBy(g => g.Key, StringComparer.Ordinal)
                .Select(g => new TagCount(g.Key, g.Count())),
        ];
}
