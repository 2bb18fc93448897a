using MorningRound.Core.Plans;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Weeks;

/// <summary>A session on the bench, to be changed for its student only.</summary>
public sealed record OwnTextView : IVersioned
{
    /// <summary>The session: of one that was changed after publishing the one that stands in its place now.</summary>
    public required Guid AssignmentId { get; init; }

    /// <summary>Its version, which goes back as <c>If-Match</c>.</summary>
    public required int Version { get; init; }

    public required Guid StudentId { get; init; }

    public required string StudentName { get; init; }

    public required string Week { get; init; }

    /// <summary>None for "any day".</summary>
    public required DateOnly? Day { get; init; }

    /// <summary>What is done in it.</summary>
    public required SessionPlan Plan { get; init; }

    /// <summary>The version of its plan that the text was made from; null where there is no plan any more.</summary>
    public required int? PlanVersion { get; init; }

    /// <summary>The plan it comes from; null where that is gone.</summary>
    public required Guid? PlanId { get; init; }

    /// <summary>What that plan is called now; empty where it is gone.</summary>
    public required string PlanTitle { get; init; }

    /// <summary>Whether the student sees it: then a change is marked.</summary>
    public required bool IsPublished { get; init; }

    /// <summary>Whether something was practised of it: then it stays as it is.</summary>
    public required bool HasLog { get; init; }

    /// <summary>Whether its text is no more that of its plan.</summary>
    public required bool HasOwnText { get; init; }

    /// <summary>Whether its plan was changed since it went its own way.</summary>
    public required bool IsPlanChanged { get; init; }

    /// <summary>What was changed in its plan so that it suits the student, a sentence each.</summary>
    public required IReadOnlyList<string> Tailored { get; init; }
}

/// <summary>A session's text, written for its student only.</summary>
public sealed record OwnTextInput
{
    public required SessionPlan Plan { get; init; }

    /// <summary>The version of its plan that this text takes up; null leaves that as it was.</summary>
    public int? PlanVersion { get; init; }
}

/// <summary>What a session would be with its plan's latest text, made its student's own where it must be.</summary>
/// <param name="Plan">The text.</param>
/// <param name="PlanVersion">The version of the plan it is of.</param>
/// <param name="Changes">What is different from the plan and why, a sentence each.</param>
public sealed record LatestTextView(SessionPlan Plan, int PlanVersion, IReadOnlyList<string> Changes);
