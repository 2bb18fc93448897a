using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Plans;

/// <summary>In which order plans are listed.</summary>
public enum PlanOrder
{
    /// <summary>Changed last first.</summary>
    Changed,

    /// <summary>Used last first.</summary>
    Used,

    /// <summary>The shortest first.</summary>
    Minutes,

    /// <summary>By title.</summary>
    Title,
}

/// <summary>Which plans are asked for.</summary>
/// <param name="Text">Words that all stand in title, purpose, or the names of students it was set for; empty for any.</param>
/// <param name="Area">An area of the game; null for any.</param>
/// <param name="Order">The order.</param>
/// <param name="Page">The page, from 0.</param>
public sealed record PlanSearch(string Text, Area? Area, PlanOrder Order, int Page);

/// <summary>A page of plans.</summary>
/// <param name="Plans">At most <see cref="PlanService.PageLength"/>.</param>
/// <param name="HasMore">Whether there is another page.</param>
public sealed record PlanPage(IReadOnlyList<PlanSummary> Plans, bool HasMore);

/// <summary>A plan in a list.</summary>
/// <param name="Id">The plan.</param>
/// <param name="Version">Its version, which goes back as <c>If-Match</c>.</param>
/// <param name="Title">Its title.</param>
/// <param name="Purpose">What it is for.</param>
/// <param name="Minutes">How long the visit lasts.</param>
/// <param name="Balls">Strokes planned.</param>
/// <param name="Holes">Holes planned.</param>
/// <param name="Strip">Its strip.</param>
/// <param name="CanPublish">Whether nothing in it keeps it from being published.</param>
/// <param name="Students">Who it was set for, the latest first.</param>
/// <param name="UsedLast">The last day or week it was set for; null if there never was one.</param>
public sealed record PlanSummary(
    Guid Id,
    int Version,
    string Title,
    string Purpose,
    int Minutes,
    int Balls,
    int Holes,
    IReadOnlyList<StripSegment> Strip,
    bool CanPublish,
    IReadOnlyList<string> Students,
    DateOnly? UsedLast
);

/// <summary>A plan on the bench.</summary>
public sealed record PlanView(Guid Id, int Version, DateTimeOffset UpdatedAt, SessionPlan Plan, PlanAnalysis Analysis)
    : IVersioned;

/// <summary>What the bench shows beside a plan while it is written.</summary>
/// <param name="Totals">What it adds up to.</param>
/// <param name="Strip">Its drawing.</param>
/// <param name="ToKeep">What keeps it from being saved.</param>
/// <param name="ToPublish">What keeps it from being published.</param>
public sealed record PlanAnalysis(
    PlanTotals Totals,
    IReadOnlyList<StripSegment> Strip,
    IReadOnlyList<FieldError> ToKeep,
    IReadOnlyList<FieldError> ToPublish
)
{
    public static PlanAnalysis Of(SessionPlan plan) =>
        new(PlanTotals.Of(plan), SessionStrip.Planned(plan), PlanRules.ToKeep(plan), PlanRules.ToPublish(plan));
}
