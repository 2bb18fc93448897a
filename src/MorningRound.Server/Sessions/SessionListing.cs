using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Sessions;
using MorningRound.Server.Plans;

namespace MorningRound.Server.Sessions;

/// <summary>A session as lists show it. Kept with its row and written anew whenever its text or its logs change.</summary>
public sealed record SessionListing
{
    public required string Title { get; init; }

    public required string Purpose { get; init; }

    /// <summary>How long the visit lasts, pauses included.</summary>
    public required int Minutes { get; init; }

    public required int Balls { get; init; }

    public required IReadOnlyList<StripSegment> Strip { get; init; }

    /// <summary>Pain that was reported in it, and feeling unwell, as text.</summary>
    public required IReadOnlyList<string> Pain { get; init; }

    /// <summary>What stopped it; null where nothing did.</summary>
    public StopReason? StoppedFor { get; init; }

    /// <summary>Segments done in part of which nobody knows how much.</summary>
    public required int HowMuchUnknown { get; init; }

    /// <summary>What the student brings; null in what was written before that was kept.</summary>
    public WhatToBring? Bring { get; init; }

    /// <summary>Where most of it is done; null where that is open, and in what was written before that was kept.</summary>
    public PlaceKind? Place { get; init; }

    public required bool IsLesson { get; init; }

    /// <summary>Whether two devices kept it together.</summary>
    public required bool FromTwoDevices { get; init; }

    /// <summary>The listing of a session.</summary>
    /// <param name="plan">Its plan.</param>
    /// <param name="completion">What was done of it.</param>
    /// <param name="logs">What its logs add up to.</param>
    /// <param name="fromTwoDevices">Whether one log goes on from another.</param>
    public static SessionListing Of(
        SessionPlan plan,
        SessionCompletion completion,
        IReadOnlyList<SessionLog> logs,
        bool fromTwoDevices
    )
    {
        var totals = PlanTotals.Of(plan);
        return new SessionListing
        {
            Title = plan.Title,
            Purpose = plan.Purpose,
            Minutes = totals.Minutes,
            Balls = totals.Balls,
            Strip = SessionStrip.Done(plan, completion).InList(),
            Pain =
            [
                .. logs.SelectMany(r =>
                        r.Pain.Select(p => p.InWords())
                            .Concat(r.Unwell is { } unwell ? [unwell.ToString().ToLowerInvariant()] : Array.Empty<string>())
                    )
                    .Distinct(),
            ],
            StoppedFor = completion.StoppedFor,
            HowMuchUnknown = completion.Segments.Count(s => s.HowMuchUnknown),
            Bring = WhatToBring.Of(plan),
            Place = WhatToBring.MainPlace(plan),
            IsLesson = logs.Any(l => l.Recording == Recording.Lesson),
            FromTwoDevices = fromTwoDevices,
        };
    }
}
