using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using MorningRound.Core.Units;

namespace MorningRound.Core.Calendar;

/// <summary>A week of the ISO calendar: Monday first, numbered by the year that holds its Thursday. Source: ISO 8601.</summary>
public readonly record struct IsoWeek : IComparable<IsoWeek>
{
    private IsoWeek(DateOnly monday) => Monday = monday;

    /// <summary>The first day of the week.</summary>
    public DateOnly Monday { get; }

    /// <summary>The last day of the week.</summary>
    public DateOnly Sunday => Monday.Plus(6);

    /// <summary>The ISO year, which at the turn of the year differs from the calendar year of some of its days.</summary>
    public int Year => ISOWeek.GetYear(Monday.ToDateTime(TimeOnly.MinValue));

    /// <summary>The number in the ISO year, 1 to 53.</summary>
    public int Number => ISOWeek.GetWeekOfYear(Monday.ToDateTime(TimeOnly.MinValue));

    /// <summary>The week that holds a day.</summary>
    public static IsoWeek Of(DateOnly day) => new(day.Plus(-(((int)day.DayOfWeek + 6) % 7)));

    /// <summary>
    /// Reads a week written as <c>2026-W53</c>. False for anything else, also for a 53rd week that its year lacks.
    /// </summary>
    public static bool TryParse([NotNullWhen(true)] string? text, out IsoWeek week)
    {
        week = default;
        if (text is not { Length: 8 } || text[4] != '-' || text[5] != 'W')
            return false;
        if (!int.TryParse(text.AsSpan(0, 4), NumberStyles.None, CultureInfo.InvariantCulture, out var year))
            return false;
        if (!int.TryParse(text.AsSpan(6, 2), NumberStyles.None, CultureInfo.InvariantCulture, out var number))
            return false;
        // The calendar of DateOnly ends inside the last ISO year, so the outermost years are left out.
        if (year is < 1900 or > 9998 || number < 1 || number > ISOWeek.GetWeeksInYear(year))
            return false;
        week = new IsoWeek(DateOnly.FromDateTime(ISOWeek.ToDateTime(year, number, DayOfWeek.Monday)));
        return true;
    }

    /// <summary>This week moved by a number of weeks; negative numbers go back. It stops at the ends of the calendar.</summary>
    public IsoWeek Plus(int weeks) => Of(Monday.Plus(7 * weeks));

    /// <summary>Whether a day lies in the week.</summary>
    public bool Contains(DateOnly day) => day >= Monday && day <= Sunday;

    /// <inheritdoc/>
    public int CompareTo(IsoWeek other) => Monday.CompareTo(other.Monday);

    /// <summary>The week as ISO 8601 writes it: <c>2026-W53</c>.</summary>
    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Year:0000}-W{Number:00}");

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator <(IsoWeek a, IsoWeek b) => a.Monday < b.Monday;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator >(IsoWeek a, IsoWeek b) => a.Monday > b.Monday;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator <=(IsoWeek a, IsoWeek b) => a.Monday <= b.Monday;

    /// <inheritdoc cref="IComparable{T}.CompareTo"/>
    public static bool operator >=(IsoWeek a, IsoWeek b) => a.Monday >= b.Monday;
}
