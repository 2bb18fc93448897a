using System.Globalization;
using System.Text;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Core.Students;
using MorningRound.Core.Tests.Plans.Checks;

namespace MorningRound.Core.Tests.Plans.Drafting;

/// <summary>
/// Drafts, warm-ups and templates as a coach reads them, in files that are read whole whenever they change: whether each could be
/// set as it is, is for a person to judge.
/// </summary>
public sealed class DraftFixtureTests
{
    private static readonly PlaceKind[][] Grounds =
    [
        [PlaceKind.Range],
        [PlaceKind.Range, PlaceKind.PuttingGreen],
        [PlaceKind.PuttingGreen],
        [PlaceKind.ChippingGreen, PlaceKind.Bunker],
        [PlaceKind.Range, PlaceKind.ChippingGreen, PlaceKind.PuttingGreen, PlaceKind.Bunker],
        [PlaceKind.Home],
    ];

    private static readonly int[] Minutes = [15, 30, 45, 60, 75, 90, 120, 35];
    private static readonly int[] Balls = [100, 60, 40, 120, 0, 10, 9];

    private static readonly FocusChain[] Focuses =
    [
        new(),
        new() { Fault = "Low point behind the ball", Goal = "Ball first, then ground" },
        new() { Fault = "Face open at the ball", Goal = "Start it on the line" },
        new() { Fault = "Path across the line", Goal = "Along the line" },
        new() { Fault = "Eye line inside the ball", Goal = "Eyes over the line" },
    ];

    private static T Of<T>(IReadOnlyList<T> all, int n) => all[n % all.Count];

    [Fact]
    public void Drafts_are_those_that_were_read()
    {
        var text = new StringBuilder();
        // Strides without a common divisor bring every answer together with every other.
        for (var n = 0; n < 70; n++)
        {
            var request = new DraftRequest
            {
                Minutes = Of(Minutes, n),
                Balls = Of(Balls, n),
                Places = Of(Grounds, n + (n / 7)),
                Approach = n % 11 == 10 ? null : Of(Enum.GetValues<Approach>(), n + (n / 6)),
                Area = n % 4 == 3 ? Of(Enum.GetValues<Area>(), n) : null,
                Hot = n % 13 == 5,
                WarmedUpBefore = n % 9 == 4,
                Variant = n / 25,
            };
            var (season, level) = (Of(Enum.GetValues<Season>(), n / 3), Of(Enum.GetValues<Level>(), n / 2));
            var context = DraftTests.Island with
            {
                Level = level,
                Student = DraftTests.Island.Student! with
                {
                    Coach = DraftTests.Island.Student.Coach with { Season = season, Focus = Of(Focuses, n / 4) },
                },
            };
            string[] answers =
            [
                $"{n + 1}. {request.Minutes} min, {request.Balls} balls",
                string.Join(" + ", request.Places),
                $"{request.Approach}, {season}, {level}",
                request.Area is { } area ? $"for {area}" : "",
                request.Hot ? "hot" : "",
                request.WarmedUpBefore ? "comes warm" : "",
                $"variant {request.Variant}",
            ];
            text.Append("# ").AppendJoin("; ", answers.Where(a => a.Length > 0)).AppendLine();
            var drafted = DraftTests.Draft(request, context);
            if (drafted.Plan is { } plan)
                Write(text, plan, drafted.Reasons.ToDictionary(r => r.SegmentId, r => r.Why));
            else
                text.AppendLine("No plan.");
            foreach (var offer in drafted.Offers)
                text.AppendLine(CultureInfo.InvariantCulture, $"> {offer.Text}");
            foreach (var compromise in drafted.Compromises)
                text.AppendLine(CultureInfo.InvariantCulture, $"! {compromise}");
            text.AppendLine();
        }

        Repository.AssertIs("tests/fixtures/drafts.txt", text.ToString());
    }

    [Fact]
    public void Warm_ups_are_those_that_were_read()
    {
        var text = new StringBuilder();
        Club[] half = [Club.Driver, Club.Hybrid, Club.Iron5, Club.Iron7, Club.Iron9, Club.SandWedge, Club.Putter];
        var usual = new WarmUpRequest
        {
            Minutes = 5,
            Before = WarmUpBefore.Round,
            Day = new DateOnly(2026, 5, 5),
        };
        (string Who, WarmUpRequest Request)[] people =
        [
            ("a usual bag", usual),
            (
                "half a bag, no driver, the day after",
                usual with
                {
                    Day = new DateOnly(2026, 5, 6),
                    Bag = half,
                    Without = [Club.Driver],
                }
            ),
            ("a beginner", usual with { Level = Level.New, Bag = half }),
            ("a junior", usual with { Age = AgeBand.UnderTwelve }),
            ("a sore trail wrist", usual with { Hurt = [new HurtPart(BodyPart.WristOrHand, BodySide.Trail)] }),
            ("a stiff lower back", usual with { Hurt = [new HurtPart(BodyPart.LowerBack, null, Mild: true)] }),
        ];
        foreach (var (who, request) in people)
        foreach (var before in Enum.GetValues<WarmUpBefore>())
        foreach (var minutes in who == "a usual bag" ? new[] { 5, 7, 10, 14, 15, 19, 20, 25, 30, 60 } : [5, 15, 20, 30])
        foreach (var school in Enum.GetValues<WarmUpSchool>())
        {
            var warmUp = WarmUps.Of(request with { Minutes = minutes, Before = before, School = school });
            text.AppendLine(CultureInfo.InvariantCulture, $"# {who}: {minutes} min before {before}, {school} | {warmUp.Why}");
            foreach (var (part, i) in warmUp.Parts.Select((part, i) => (part, i)))
                Write(text, WarmUps.ToSegment(part, GivenPlan.IdOf(i)), null);
            text.AppendLine();
        }

        Repository.AssertIs("tests/fixtures/warm-ups.txt", text.ToString());
    }

    [Fact]
    public void Templates_are_those_that_were_read()
    {
        var text = new StringBuilder();
        foreach (var day in new[] { 5, 6 })
        foreach (var template in PlanTemplates.On(new DateOnly(2026, 5, day)))
        {
            text.AppendLine(CultureInfo.InvariantCulture, $"# {template.Title}, on the {day}th");
            Write(text, template, new Dictionary<Guid, string>());
            text.AppendLine();
        }

        Repository.AssertIs("tests/fixtures/templates.txt", text.ToString());
    }

    private static void Write(StringBuilder text, SessionPlan plan, IReadOnlyDictionary<Guid, string> reasons)
    {
        text.AppendLine(CultureInfo.InvariantCulture, $"{plan.Title} | {plan.Purpose} | {plan.SuccessTest}");
        foreach (var segment in plan.Segments)
            Write(text, segment, reasons.GetValueOrDefault(segment.Id));
    }

    private static void Write(StringBuilder text, Segment segment, string? why)
    {
        text.Append(CultureInfo.InvariantCulture, $"  {segment.Minutes} min");
        if (segment is PracticeSegment practice)
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $", {practice.Balls} balls, {practice.Phase}, {practice.Intent}, {practice.Area} at {practice.Place}"
            );
            var details = new[]
            {
                practice.Holes is { } holes ? $"{holes} holes" : "",
                practice.SlowRepetitions ? "slow" : "",
                practice.FullRoutine ? "full routine" : "",
                practice.Bridge ? "bridge" : "",
                practice.Swing is { } swing ? $"swing {swing}" : "",
                practice.Clubs.Count > 0 ? string.Join(" ", practice.Clubs) : "",
                practice.Calls.Count > 0 ? $"{practice.Calls.Count} calls" : "",
                practice.Feedback is { } feedback ? $"by {feedback}" : "",
                practice.Focus,
                practice.Criterion,
                practice.Cue,
                practice.Exit.InWords(practice),
                practice.Priority == 2 ? "" : $"priority {practice.Priority}",
                practice.Drill is { } drill
                    ? $"[{drill.Drill.Name}, step {drill.Rung}, "
                        + $"{(drill.Goal is { } goal ? drill.Protocol().InWords(goal) : "no goal")}]"
                    : "",
                practice.Instruction,
            };
            text.Append(": ").Append(segment.Title).Append(" | ").AppendJoin("; ", details.Where(d => d.Length > 0));
        }
        else
        {
            text.Append(": ").Append(segment.Title).Append(" | ").Append(segment.Instruction);
        }

        text.AppendLine(why is null ? "" : $" | {why}");
    }
}
