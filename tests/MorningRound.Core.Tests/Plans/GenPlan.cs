using CsCheck;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;

namespace MorningRound.Core.Tests.Plans;

/// <summary>Plans of every sort, for properties.</summary>
internal static class GenPlan
{
    private static readonly Gen<ExitRule> Exit = Gen.OneOf<ExitRule>(
        Gen.Const(() => (ExitRule)new AfterMinutes()),
        Gen.Const(() => (ExitRule)new AfterBalls()),
        Gen.String[Gen.Char.AlphaNumeric, 1, 40].Select(c => (ExitRule)new UntilMet { Criterion = c })
    );

    private static readonly Gen<Segment> Practice = Gen.Select(
        Gen.Enum<Phase>(),
        Gen.Enum<Intent>(),
        Gen.Enum<PlaceKind>(),
        Gen.Int[1, 40],
        Gen.Int[1, 60],
        Exit,
        (phase, intent, place, minutes, balls, exit) =>
            (Segment)
                new PracticeSegment
                {
                    Id = Guid.Empty,
                    Title = "Practice",
                    Phase = phase,
                    Intent = intent,
                    Place = place,
                    Minutes = minutes,
                    Balls = balls,
                    Exit = exit,
                    Clubs = [Club.Iron7, Club.PitchingWedge],
                }
    );

    private static readonly Gen<Segment> Rest = Gen.Int[1, 10]
        .Select(minutes =>
            (Segment)
                new Pause
                {
                    Id = Guid.Empty,
                    Title = "Water",
                    Minutes = minutes,
                }
        );

    /// <summary>Up to ten segments, about one in seven a pause, each with an id of its own.</summary>
    public static Gen<SessionPlan> Any { get; } =
        Gen.Frequency((6, Practice), (1, Rest))
            .List[0, 10]
            .Select(segments => new SessionPlan
            {
                Title = "Generated",
                Purpose = "To see what holds",
                Segments = [.. segments.Select((s, i) => s with { Id = Given.Id(i + 1) })],
            });
}
