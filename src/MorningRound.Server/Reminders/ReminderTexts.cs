using System.Globalization;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Reminders;

/// <summary>A mail's words.</summary>
internal sealed record MailText(string Subject, string Body);

/// <summary>
/// The sentences of mails. They are plain and never scold; one about pain says only that there is one, because mails are read on
/// lock screens and over shoulders.
/// </summary>
internal static class ReminderTexts
{
    public static MailText WeekPublished(string name, IReadOnlyList<ListedAssignment> sessions, string link) =>
        new(
            "Your week is set",
            $"Hello {First(name)},\n\nyour coach has set {Count(sessions.Count)}:\n\n{Lines(sessions, withDay: true)}\n\n"
                + $"What each holds, and what to bring: {link}/my-week"
        );

    public static MailText Tomorrow(string name, IReadOnlyList<ListedAssignment> sessions, string link) =>
        new(
            sessions.Count == 1 ? $"Tomorrow: {sessions[0].Listing.Title}" : $"Tomorrow: {Count(sessions.Count)}",
            $"Hello {First(name)},\n\ntomorrow there is\n\n{Lines(sessions, withDay: false)}\n\n"
                + $"If the day does not suit, it can be moved: {link}/my-week"
        );

    public static MailText Thursday(string name, IReadOnlyList<ListedAssignment> sessions, string link) =>
        new(
            "Room for practice this week",
            $"Hello {First(name)},\n\nthis week still holds\n\n{Lines(sessions, withDay: true)}\n\n"
                + "There are days left until Sunday. If it is a week without room, say so beside the session; "
                + $"your coach then knows: {link}/my-week"
        );

    public static MailText Pain(string link) =>
        new(
            "A student told of pain",
            $"A student told of pain in a session. Who, and what was said, stands on the tee line: {link}/tee-line"
        );

    public static MailText Monday(IReadOnlyList<string> withoutWeek, IReadOnlyList<string> missed, string link)
    {
        string[] parts =
        [
            .. withoutWeek.Count > 0
                ? [$"Nothing is set this week for {Names(withoutWeek)}: {link}/week"]
                : Array.Empty<string>(),
            .. missed.Count > 0 ? [$"Last week something was missed by {Names(missed)}."] : Array.Empty<string>(),
        ];
        return new MailText(
            "Monday’s list",
            parts.Length == 0
                ? $"Everybody has a week, and nothing was missed in the last one. The tee line: {link}/tee-line"
                : $"{string.Join("\n\n", parts)}\n\nThe tee line, in the order in which they need a look: {link}/tee-line"
        );
    }

    private static string Lines(IReadOnlyList<ListedAssignment> sessions, bool withDay) =>
        string.Join(
            "\n",
            sessions.Select(s =>
                $"  {(withDay ? $"{Day(s.Day)}: " : "")}{s.Listing.Title}, {s.Listing.Minutes + s.Notes.WalkMinutes} min"
            )
        );

    private static string Day(DateOnly? day) => day?.ToString("ddd d MMM", CultureInfo.InvariantCulture) ?? "Any day";

    private static string Count(int sessions) => sessions == 1 ? "one session" : $"{sessions} sessions";

    private static string First(string name) => name.Split(' ')[0];

    private static string Names(IReadOnlyList<string> names)
    {
        var first = names.Select(First).ToList();
        return first.Count == 1 ? first[0] : $"{string.Join(", ", first[..^1])} and {first[^1]}";
    }
}
