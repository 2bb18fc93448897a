namespace MorningRound.Core.Plans.Checks;

/// <summary>Where a week's load stands.</summary>
public enum LoadBand
{
    /// <summary>Below 0.8 of the weeks before.</summary>
    Light,

    /// <summary>0.8 to 1.3.</summary>
    Usual,

    /// <summary>Above 1.3, up to 1.5: a busy week.</summary>
    Busy,

    /// <summary>Above 1.5.</summary>
    Caution,
}

/// <summary>
/// What a student has practised lately, as plain numbers: effort (0 to 10) × minutes. How they are added up is the business of
/// whoever keeps the sessions.
/// </summary>
/// <param name="ThisWeek">Effort × minutes of the week so far.</param>
/// <param name="MeanBefore">The mean of the four weeks before; above zero.</param>
/// <param name="MeanEffort">The student's mean effort, 0 to 10.</param>
public sealed record WeekLoad(double ThisWeek, double MeanBefore, double MeanEffort)
{
    /// <summary>From this ratio on a week is a usual one.</summary>
    public const double UsualFrom = 0.8;

    /// <summary>Up to this ratio a week is a usual one.</summary>
    public const double UsualTo = 1.3;

    /// <summary>
    /// Above this ratio of this week to the mean of the weeks before a coach should look. Source: Gabbett, Br J Sports Med 50
    /// (2016) 273.
    /// </summary>
    public const double CautionAbove = 1.5;

    /// <summary>This week over the mean of the weeks before.</summary>
    public double Ratio => ThisWeek / MeanBefore;

    /// <summary>The band of <see cref="Ratio"/>.</summary>
    public LoadBand Band => BandOf(Ratio);

    /// <summary>The band that a ratio lies in.</summary>
    public static LoadBand BandOf(double ratio) =>
        ratio switch
        {
            > CautionAbove => LoadBand.Caution,
            > UsualTo => LoadBand.Busy,
            >= UsualFrom => LoadBand.Usual,
            _ => LoadBand.Light,
        };

    /// <summary>
    /// The ratio of this week to the weeks before, after a number of further minutes at the mean effort.
    /// </summary>
    public double RatioWith(double minutes) => (ThisWeek + (minutes * MeanEffort)) / MeanBefore;
}
