using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Server.Sessions;

namespace MorningRound.Server.Calendars;

/// <summary>Whose calendar it is.</summary>
/// <param name="IsCoach">Whether it shows the sessions of many students, by first name.</param>
/// <param name="TimeZone">The academy's zone.</param>
/// <param name="Link">The address of the application, for links to sessions; without a slash at the end.</param>
internal sealed record CalendarOf(bool IsCoach, string TimeZone, string Link);

/// <summary>A session as a calendar needs it.</summary>
/// <param name="Session">The session.</param>
/// <param name="Student">Whose it is: the whole name.</param>
/// <param name="Changed">When it last changed.</param>
internal sealed record SessionInCalendar(ListedAssignment Session, string Student, DateTimeOffset Changed);

/// <summary>
/// Writes sessions as an iCalendar (RFC 5545). A session keeps its UID for as long as it stands in the week, whatever is
/// changed in it; what is taken out or excused stays as cancelled. Neither notes nor pain nor the reason of an excuse are ever
/// in it.
/// </summary>
internal static class CalendarText
{
    /// <summary>The calendar.</summary>
    /// <param name="whose">Whose it is.</param>
    /// <param name="sessions">The sessions, in any order.</param>
    /// <param name="times">The times of students, by student.</param>
    /// <param name="today">Today: any-day sessions lie over the days left of their week.</param>
    public static string Of(
        CalendarOf whose,
        IReadOnlyList<SessionInCalendar> sessions,
        IReadOnlyDictionary<Guid, IReadOnlyList<PracticeWindow>> times,
        DateOnly today
    )
    {
        var calendar = new Ical.Net.Calendar { ProductId = "-//Morning Round//Practice//EN" };
        calendar.AddProperty("X-WR-CALNAME", "Practice");
        calendar.AddProperty("REFRESH-INTERVAL;VALUE=DURATION", "PT1H");
        var timed = sessions
            .Where(s => s.Session.Day is not null && !IsCancelled(s.Session))
            .GroupBy(s => (s.Session.StudentId, Day: s.Session.Day!.Value))
            .SelectMany(g =>
                TimesOfDay.Of(
                    g.Key.Day,
                    g.OrderBy(s => s.Session.Order ?? int.MaxValue).ThenBy(s => s.Session.Id).Select(s => Facts(s.Session)),
                    times.GetValueOrDefault(g.Key.StudentId, [])
                )
            )
            .ToDictionary(t => t.Key, t => t.Value);
        foreach (var session in sessions.OrderBy(s => s.Session.Day ?? s.Session.Monday).ThenBy(s => s.Session.Id))
            calendar.Events.Add(EventOf(whose, session, timed.GetValueOrDefault(session.Session.Id), today));
        if (timed.Count > 0)
        {
            var first = timed.Keys.Select(id => sessions.First(s => s.Session.Id == id).Session.Day!.Value).Min();
            calendar.AddTimeZone(VTimeZone.FromDateTimeZone(whose.TimeZone, first.Plus(-1).ToDateTime(TimeOnly.MinValue), false));
        }

        return new CalendarSerializer().SerializeToString(calendar)!;
    }

    private static CalendarEvent EventOf(CalendarOf whose, SessionInCalendar one, PracticeWindow? time, DateOnly today)
    {
        var (session, listing) = (one.Session, one.Session.Listing);
        var minutes = listing.Minutes + session.Notes.WalkMinutes;
        var week = IsoWeek.Of(session.Monday);
        var made = new CalendarEvent
        {
            Uid = $"{session.Notes.BeganAs ?? session.Id}@morning-round",
            Sequence = session.Version,
            DtStamp = new CalDateTime(one.Changed.UtcDateTime, "UTC"),
            Summary = whose.IsCoach ? $"{one.Student.Split(' ')[0]}: {listing.Title}" : listing.Title,
            Status = IsCancelled(session) ? EventStatus.Cancelled : EventStatus.Confirmed,
            Transparency = time is null ? TransparencyType.Transparent : TransparencyType.Opaque,
        };
        if (!whose.IsCoach)
        {
            made.Description = $"{listing.Purpose}\n\n{minutes} min{BringInWords(listing)}";
            made.Url = new Uri($"{whose.Link}/practice/{session.Id}");
        }

        if (session.Day is { } day && time is not null)
        {
            var start = day.ToDateTime(time.From);
            (made.Start, made.End) = (
                new CalDateTime(start, whose.TimeZone),
                new CalDateTime(start.AddMinutes(minutes), whose.TimeZone)
            );
        }
        else
        {
            // Without a time it lies over the whole day, or over the days that are left of its week.
            var left = today > week.Monday && today <= week.Sunday ? today : week.Monday;
            var (first, last) = session.Day is { } fixedDay ? (fixedDay, fixedDay) : (left, week.Sunday);
            (made.Start, made.End) = (new CalDateTime(first), new CalDateTime(last.Plus(1)));
        }

        return made;
    }

    private static bool IsCancelled(ListedAssignment session) => session.TakenOutAt is not null || session.Excuse is not null;

    private static SessionToPlace Facts(ListedAssignment session) =>
        new()
        {
            Id = session.Id,
            Title = session.Listing.Title,
            Minutes = session.Listing.Minutes + session.Notes.WalkMinutes,
            Load = 0,
            Place = session.Listing.Place,
        };

    private static string BringInWords(SessionListing listing)
    {
        if (listing.Bring is not { } bring)
            return "";
        string[] things =
        [
            .. bring.Clubs.Count > 0 ? [string.Join(", ", bring.Clubs.Select(c => c.InWords()))] : Array.Empty<string>(),
            .. bring.Equipment.Select(e => e.InWords()),
            .. bring.BallsToBuy > 0 ? [$"{bring.BallsToBuy} balls to buy"] : Array.Empty<string>(),
            .. bring.Water ? ["something to drink"] : Array.Empty<string>(),
        ];
        return things.Length == 0 ? "" : $"\nTo bring: {string.Join("; ", things)}";
    }
}
