using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Checks;

/// <summary>
/// How much swinging a body bears that is young, older, new to it or coming back. The numbers are the product's own.
/// </summary>
internal static class DoseRules
{
    /// <summary>Full swings within any sixty minutes; a shorter session counts as sixty.</summary>
    public const int MostInHour = 40;

    /// <summary>Full swings in a session.</summary>
    public const int MostInSession = 60;

    /// <summary>Drivers in a row.</summary>
    public const int MostDrivers = 10;

    /// <summary>Minutes without a pause.</summary>
    public const int MinutesWithoutPause = 40;

    private const int Hour = 60;

    /// <summary>Days for which somebody is coming back, after a part was cleared or since the last practice.</summary>
    private const int DaysOfReturn = 28;

    public static IEnumerable<PlanRule> All { get; } = [new(FindingId.Dose, FindingLevel.Advice, Dose)];

    /// <summary>Who it is that needs a smaller dose; null for everybody else, and where nobody is known.</summary>
    public static Sentence? Who(PlanContext context)
    {
        if (context.Student is not { } student)
            return null;
        return student.Coach.Age == AgeBand.UnderTwelve ? CheckSentences.WhoUnderTwelve
            : IsComingBack(context) ? CheckSentences.WhoComesBack
            : student.Coach.Age == AgeBand.SixtyAndOver ? CheckSentences.WhoOverSixty
            : context.Level == Level.New ? CheckSentences.WhoNew
            : null;
    }

    /// <summary>Whether somebody comes back: a part was cleared, or nothing was practised, in the last four weeks.</summary>
    public static bool IsComingBack(PlanContext context)
    {
        var day = context.Day;
        return context.LastPractised?.Plus(DaysOfReturn) <= day
            || context.Student?.Coach.PainfulParts.Any(p => p.ClearedOn is { } on && on <= day && on.Plus(DaysOfReturn) > day)
                == true;
    }

    /// <summary>Full swings of a segment: those of its parts that are, or all of its balls.</summary>
    public static int FullSwings(PracticeSegment segment) =>
        !PlanInput.IsFullSwing(segment) ? 0
        : segment.Parts.Count == 0 ? segment.Balls
        : segment.Parts.Where(p => (p.Swing ?? SwingSize.Full) == SwingSize.Full).Sum(p => p.Balls);

    private static IEnumerable<RuleHit> Dose(PlanInput input)
    {
        if (Who(input.Context)?.Of() is not { } who)
            yield break;
        var all = input.Practice.Sum(FullSwings);
        var inHour = InAnyHour(input);
        if (all > MostInSession)
            yield return new RuleHit(
                null,
                CheckSentences.DoseInSession.Of(all, who, MostInSession),
                CheckSentences.FewerFullSwings.Of(MostInSession),
                () => WithFullSwings(input, MostInSession, all)
            );
        else if (inHour > MostInHour)
            yield return new RuleHit(
                null,
                CheckSentences.DoseInHour.Of(inHour, who, MostInHour),
                CheckSentences.FewerFullSwings.Of(all * MostInHour / inHour),
                () => WithFullSwings(input, all * MostInHour / inHour, all)
            );
        foreach (var segment in input.Practice)
        {
            if (segment.Balls > MostDrivers && segment.Clubs is [Club.Driver] && segment.Phase != Phase.OnCourse)
                yield return new RuleHit(
                    segment.Id,
                    CheckSentences.DoseDriver.Of(segment.Balls, who, MostDrivers),
                    CheckSentences.Balls.Of(MostDrivers),
                    () => input.With(segment, s => s.WithBalls(MostDrivers))
                );
        }

        var running = 0;
        for (var i = 0; i < input.Plan.Segments.Count; i++)
        {
            var segment = input.Plan.Segments[i];
            running = segment is Pause ? 0 : running + segment.Minutes;
            if (running <= MinutesWithoutPause)
                continue;
            var (at, minutes) = (i, running);
            yield return new RuleHit(
                segment.Id,
                CheckSentences.DosePause.Of(minutes, who),
                CheckSentences.PutPauseIn.Of(),
                () => CareRules.WithPause(input, at, minutes, MinutesWithoutPause)
            );
            yield break;
        }
    }

    /// <summary>
    /// The most full swings within any sixty minutes, the swings of a segment being spread evenly over it. The fullest hour
    /// begins or ends with a segment.
    /// </summary>
    private static int InAnyHour(PlanInput input)
    {
        var spans = new List<(double From, double To, int Swings)>();
        var at = 0.0;
        foreach (var segment in input.Plan.Segments)
        {
            var to = at + Math.Max(0, segment.Minutes);
            if (segment is PracticeSegment practice && FullSwings(practice) is > 0 and var swings)
                spans.Add((at, to, swings));
            at = to;
        }

        double Within(double from) =>
            spans.Sum(s =>
                s.Swings * Math.Max(0, Math.Min(s.To, from + Hour) - Math.Max(s.From, from)) / Math.Max(1, s.To - s.From)
            );
        return spans.Count == 0
            ? 0
            : (int)Math.Round(spans.SelectMany(s => new[] { s.From, s.To - Hour }).Max(Within), MidpointRounding.AwayFromZero);
    }

    private static SessionPlan WithFullSwings(PlanInput input, int wanted, int all) =>
        input.Plan with
        {
            Segments =
            [
                .. input.Plan.Segments.Select(s =>
                    s is PracticeSegment practice && FullSwings(practice) is > 0 and var swings
                        ? practice.WithBalls(Math.Max(1, practice.Balls - swings + (swings * wanted / all)))
                        : s
                ),
            ],
        };
}
