using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Editing;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>What templates are put together from.</summary>
public static partial class PlanTemplates
{
    private static SessionPlan Plan(
        string title,
        string purpose,
        string successTest,
        int minutes,
        int? balls,
        Approach? approach,
        params Segment[] segments
    ) =>
        new()
        {
            Title = title,
            Purpose = purpose,
            SuccessTest = successTest,
            Constraints = new PlanConstraints
            {
                Minutes = minutes,
                Balls = balls,
                Approach = approach,
            },
            Segments = [.. segments.Select((s, i) => s with { Id = IdOf(title, i) })],
        };

    private static SessionPlan WarmUp(string title, int minutes, DateOnly day) =>
        Plan(
            title,
            "Come to the first tee ready, with one aim and nothing to repair",
            "The first ball is hit without a thought about the swing",
            minutes,
            null,
            null,
            [
                .. WarmUps
                    .Of(
                        new WarmUpRequest
                        {
                            Minutes = minutes,
                            Before = WarmUpBefore.Round,
                            Day = day,
                            School = WarmUpSchool.FixedFives,
                        }
                    )
                    .Parts.Select(p => WarmUps.ToSegment(p, Guid.Empty)),
            ]
        );

    private static PracticeSegment Segment(
        string title,
        Phase phase,
        Intent intent,
        Area area,
        int minutes,
        int balls,
        string instruction,
        PlaceKind place = PlaceKind.Range,
        Club[]? clubs = null,
        int? holes = null,
        SwingSize? swing = null,
        int? run = null,
        string criterion = ""
    ) =>
        new()
        {
            Id = Guid.Empty,
            Title = title,
            Phase = phase,
            Intent = intent,
            Area = area,
            Minutes = minutes,
            Balls = balls,
            Instruction = instruction,
            Place = place,
            Clubs = clubs ?? [],
            Holes = holes,
            Swing = swing,
            DeclaredRun = run,
            Criterion = criterion,
            Exit = new AfterMinutes(),
        };

    private static PracticeSegment Technique(
        string title,
        Area area,
        int minutes,
        int balls,
        string instruction,
        string focus,
        FeedbackSource feedback,
        Club[] clubs,
        PlaceKind place = PlaceKind.Range,
        bool slow = false,
        Phase phase = Phase.Block
    ) =>
        Segment(
            title,
            phase,
            Intent.Technique,
            area,
            minutes,
            balls,
            instruction,
            place,
            clubs,
            swing: phase == Phase.WarmUp ? SwingSize.Half : null
        ) with
        {
            Focus = focus,
            Feedback = feedback,
            SlowRepetitions = slow,
            Bridge = phase == Phase.WarmUp,
        };

    private static PracticeSegment Stretch(int minutes, PlaceKind place = PlaceKind.Range) =>
        Segment("Stretch", Phase.WarmUp, Intent.Body, Area.Body, minutes, 0, Stretches.InWords(minutes, []), place);

    private static PracticeSegment Slow(int minutes, int balls) =>
        Technique(
            "Slow repetitions",
            Area.Iron,
            minutes,
            balls,
            "Rehearse twice, stop where the change is, then one ball at half speed.",
            "The change",
            FeedbackSource.Video,
            [Club.Iron7],
            slow: true
        );

    private static Pause Water(int minutes) =>
        new()
        {
            Id = Guid.Empty,
            Title = "Water",
            Minutes = minutes,
            Instruction = PauseBeginning.WordsFor(isHot: false),
        };

    private static Guid IdOf(string title, int segment) =>
        NewIds.From(
            new Guid(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(title)).AsSpan(0, 16)),
            segment
        );
}
