using System.Text.Json.Serialization;
using MorningRound.Core.Calendar;
using MorningRound.Core.Students;
using MorningRound.Core.Weeks.Placing;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Competitions;

/// <summary>What a day before or of a competition is for.</summary>
public enum TaperKind
{
    /// <summary>A day of practice as it is planned; technique gets shorter.</summary>
    Practice,

    /// <summary>One of the last two days before getting there: short, and nothing slow.</summary>
    Light,

    /// <summary>The day of getting there, before the first day of play.</summary>
    Arrival,

    /// <summary>It is played.</summary>
    Play,
}

/// <summary>A session that stands on a day.</summary>
/// <param name="Id">The session.</param>
/// <param name="Day">Its day.</param>
/// <param name="Title">What it is called.</param>
/// <param name="Minutes">How long it is planned.</param>
/// <param name="IsOnlyWarmUp">Whether it is nothing but a warm-up.</param>
/// <param name="HasSlowRepetitions">Whether it asks for slow repetitions.</param>
public sealed record SessionOnDay(Guid Id, DateOnly Day, string Title, int Minutes, bool IsOnlyWarmUp, bool HasSlowRepetitions);

/// <summary>A day on the way to a competition: what it is for, what stands on it, and what is too much of that.</summary>
/// <param name="Day">The day.</param>
/// <param name="Kind">What it is for.</param>
/// <param name="Most">The most minutes of practice; null where the taper sets none.</param>
/// <param name="Sessions">What stands on it.</param>
/// <param name="Rule">What counts on it.</param>
/// <param name="TooMuch">What of it is too much, in order; empty where nothing is.</param>
public sealed record TaperDay(
    DateOnly Day,
    TaperKind Kind,
    int? Most,
    IReadOnlyList<SessionOnDay> Sessions,
    [property: JsonIgnore] Message Rule,
    [property: JsonIgnore] IReadOnlyList<Message> TooMuch
)
{
    /// <summary>The days that are shown before the student gets there. [own default]</summary>
    public const int DaysShown = 7;

    /// <summary>A longer competition is shown as far as this. [own default]</summary>
    private const int MostDays = 21;

    /// <summary>What counts on it, in English.</summary>
    public string Text => Rule.In();

    /// <summary>What is too much, in English.</summary>
    public IReadOnlyList<string> TooMuchText => [.. TooMuch.Select(m => m.In())];

    /// <summary>
    /// The first and the last day that are shown: from a week before the student gets there, or from today where that is later,
    /// to the last day of play; null when it is over.
    /// </summary>
    public static (DateOnly First, DateOnly Last)? Span(Competition competition, DateOnly today)
    {
        var begins = competition.GetsThere.Plus(-DaysShown);
        var first = begins > today ? begins : today;
        var latest = first.Plus(MostDays - 1);
        return competition.LastDay < first ? null : (first, competition.LastDay < latest ? competition.LastDay : latest);
    }

    /// <summary>The days of that span, each with what stands on it; empty when it is over.</summary>
    /// <param name="competition">The competition.</param>
    /// <param name="sessions">Sessions with their days, in any order; those of other days are passed over.</param>
    /// <param name="today">The day it is.</param>
    public static IReadOnlyList<TaperDay> Of(Competition competition, IReadOnlyCollection<SessionOnDay> sessions, DateOnly today)
    {
        if (Span(competition, today) is not var (first, last))
            return [];
        var byDay = sessions.ToLookup(s => s.Day);
        return
        [
            .. Enumerable
                .Range(0, last.DayNumber - first.DayNumber + 1)
                .Select(n => On(first.Plus(n), competition, [.. byDay[first.Plus(n)]])),
        ];
    }

    private static TaperDay On(DateOnly day, Competition competition, IReadOnlyList<SessionOnDay> sessions)
    {
        var most = SessionToPlace.LongestBefore(competition, day);
        var kind =
            day >= competition.FirstDay ? TaperKind.Play
            : day >= competition.GetsThere ? TaperKind.Arrival
            : most is not null ? TaperKind.Light
            : TaperKind.Practice;
        return new TaperDay(
            day,
            kind,
            most,
            sessions,
            kind switch
            {
                TaperKind.Play => CompetitionSentences.Play.Of(),
                TaperKind.Arrival => CompetitionSentences.Arrival.Of(most!.Value),
                TaperKind.Light => CompetitionSentences.Short.Of(most!.Value),
                _ => CompetitionSentences.Practice.Of(),
            },
            [.. sessions.SelectMany(s => TooMuchOf(s, kind, most))]
        );
    }

    private static IEnumerable<Message> TooMuchOf(SessionOnDay session, TaperKind kind, int? most)
    {
        if (kind == TaperKind.Play && !session.IsOnlyWarmUp)
            yield return CompetitionSentences.OnlyWarmUp.Of(session.Title);
        else if (session.Minutes > most)
            yield return CompetitionSentences.TooLong.Of(session.Title, session.Minutes, most.Value);
        if (kind != TaperKind.Practice && session.HasSlowRepetitions)
            yield return CompetitionSentences.NothingSlow.Of(session.Title);
    }
}
