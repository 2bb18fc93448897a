using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks;
using MorningRound.Server.Calendars;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Tests.Calendars;

/// <summary>
/// The calendar as programs read it: RFC 5545 (lines of at most 75 octets, section 3.1; escaping, 3.3.11; DTEND of a day is
/// the day after, 3.6.1), ISO 8601 (2026 has 53 weeks) and the clocks of Copenhagen, which go back on 25 October 2026 (IANA
/// time zone database). Ical.Net reads it here, and ical.js the same file in <c>web/src/ui/calendar.test.ts</c>.
/// </summary>
public class CalendarTextTests
{
    private static readonly Guid Student = Guid.Parse("00000099-0000-7000-8000-000000000000");
    private static readonly DateOnly Today = new(2026, 10, 21);

    private static readonly IReadOnlyDictionary<Guid, IReadOnlyList<PracticeWindow>> Times = new Dictionary<
        Guid,
        IReadOnlyList<PracticeWindow>
    >
    {
        [Student] =
        [
            new PracticeWindow
            {
                Weekday = DayOfWeek.Thursday,
                From = new TimeOnly(17, 30),
                Minutes = 60,
                Place = PlaceKind.Range,
            },
        ],
    };

    private static SessionInCalendar Session(int number, string title, DateOnly? day, Action<AssignmentRow>? with = null)
    {
        var plan = new SessionPlan
        {
            Title = title,
            Purpose =
                "Start it on line, and say so: “yes”; then, slowly,\nagain – und noch einmal über die Brücke, weil es schön ist",
            Segments =
            [
                new PracticeSegment
                {
                    Id = Guid.Parse("00000088-0000-7000-8000-000000000000"),
                    Title = "Gate",
                    Phase = Phase.Block,
                    Intent = Intent.Skill,
                    Place = PlaceKind.Range,
                    Minutes = 33,
                    Balls = 20,
                    Clubs = [Club.Iron7],
                    Exit = new AfterBalls(),
                },
            ],
        };
        var row = AssignmentColumns.NewAssignment(
            Guid.Empty,
            Guid.Parse($"0000000{number}-0000-7000-8000-000000000000"),
            Student,
            plan
        );
        row.Monday = IsoWeek.Of(day ?? Today).Monday;
        row.Day = day;
        row.Requirement = Requirement.Must;
        row.PublishedAt = new DateTimeOffset(2026, 10, 18, 18, 0, 0, TimeSpan.Zero);
        row.Version = 2;
        with?.Invoke(row);
        return new SessionInCalendar(ListedAssignment.Of(row), "Ada Made-Up", row.PublishedAt.Value);
    }

    private static IReadOnlyList<SessionInCalendar> Sessions { get; } =
    [
        Session(
            1,
            "Gate, ladder; and \"the long one\"",
            new DateOnly(2026, 10, 22),
            row =>
            {
                row.Version = 3;
                row.Notes = new SessionNotes { BeganAs = row.Id, Tailored = ["a secret of the coach"] };
            }
        ),
        Session(2, "After the clocks went back", new DateOnly(2026, 10, 29)),
        Session(3, "On any day that is left", null),
        Session(4, "On a day without a time", new DateOnly(2026, 10, 23)),
        Session(
            5,
            "Taken out",
            new DateOnly(2026, 10, 24),
            row =>
            {
                row.TakenOutAt = row.PublishedAt;
                row.Version = 3;
            }
        ),
        Session(6, "Excused", new DateOnly(2026, 10, 25), row => row.Excuse = Excuse.Hurt),
        Session(7, "In the last week of the year, which has fifty-three", null, row => row.Monday = new DateOnly(2026, 12, 28)),
    ];

    private static string Text(bool isCoach = false) =>
        CalendarText.Of(new CalendarOf(isCoach, "Europe/Copenhagen", "https://golf.example"), Sessions, Times, Today);

    [Fact]
    public async Task What_Ical_Net_reads_is_what_was_meant_and_the_file_is_the_one_that_ical_js_reads()
    {
        var path = Path.Combine(Repository.Root, "tests", "fixtures", "calendar.ics");
        if (Environment.GetEnvironmentVariable("UPDATE_FIXTURES") == "1")
            await File.WriteAllTextAsync(path, Text(), TestContext.Current.CancellationToken);
        Assert.Equal(await File.ReadAllTextAsync(path, TestContext.Current.CancellationToken), Text());

        var read = Ical
            .Net.Calendar.Load(Text())!
            .Events.Select(e => new
            {
                uid = e.Uid,
                sequence = e.Sequence,
                status = e.Status,
                summary = e.Summary,
                start = e.Start!.HasTime ? e.Start.Value.ToString("s") : e.Start.Date.ToString("O"),
                end = e.End!.HasTime ? e.End.Value.ToString("s") : e.End.Date.ToString("O"),
                startUtc = e.Start.HasTime ? e.Start.AsUtc.ToString("s") + "Z" : null,
            });
        var expected = JsonNode.Parse(
            await File.ReadAllTextAsync(
                Path.Combine(Repository.Root, "tests", "fixtures", "calendar.json"),
                TestContext.Current.CancellationToken
            )
        )!;
        var found = JsonSerializer.SerializeToNode(read.OrderBy(e => e.uid, StringComparer.Ordinal))!;
        Assert.True(JsonNode.DeepEquals(expected, found), found.ToJsonString());
    }

    [Fact]
    public void Lines_are_folded_and_text_is_escaped()
    {
        var lines = Text().Split("\r\n");
        Assert.All(lines, line => Assert.InRange(Encoding.UTF8.GetByteCount(line), 0, 75));
        Assert.Contains(@"SUMMARY:Gate\, ladder\; and ""the long one""", lines);
        Assert.Contains(
            "Start it on line, and say so: “yes”; then, slowly,\nagain – und noch einmal über die Brücke, weil es schön ist",
            Ical.Net.Calendar.Load(Text())!.Events[0]!.Description
        );
    }

    [Fact]
    public void Nothing_of_notes_or_of_why_it_is_excused_is_in_it_and_the_coach_reads_first_names_only()
    {
        foreach (var text in new[] { Text(), Text(isCoach: true) })
        {
            Assert.DoesNotContain("secret", text, StringComparison.OrdinalIgnoreCase);
            Assert.DoesNotContain("hurt", text, StringComparison.OrdinalIgnoreCase);
            Assert.DoesNotContain("Made-Up", text, StringComparison.Ordinal);
        }

        Assert.Contains("SUMMARY:Ada: After the clocks went back", Text(isCoach: true), StringComparison.Ordinal);
        Assert.DoesNotContain("DESCRIPTION", Text(isCoach: true), StringComparison.Ordinal);
    }
}
