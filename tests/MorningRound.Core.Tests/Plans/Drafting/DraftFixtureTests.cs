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
            Write(text, drafted.Plan, drafted.Reasons.ToDictionary(r => r.SegmentId, r => r.Why));
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
        foreach (var before in Enum.GetValues<WarmUpBefore>())
        foreach (var minutes in new[] { 5, 7, 10, 14, 15, 19, 20, 24, 25, 30, 40, 60 })
        foreach (var (day, bag, forbidden) in new[] { (5, Array.Empty<Club>(), Array.Empty<Club>()), (6, half, [Club.Driver]) })
        {
            text.AppendLine(
                CultureInfo.InvariantCulture,
                $"# {minutes} min before {before} on the {day}th{(bag.Length > 0 ? ", half a bag, no driver" : "")}"
            );
            var parts = WarmUps.Of(minutes, before, new DateOnly(2026, 5, day), bag, forbidden);
            foreach (var (part, i) in parts.Select((part, i) => (part, i)))
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
                practice.Drill is { } drill ? $"[{drill.Drill.Name}, step {drill.Rung}]" : practice.Instruction,
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
