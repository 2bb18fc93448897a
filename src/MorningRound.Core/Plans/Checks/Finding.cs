using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Checks;

/// <summary>How much a finding weighs. Only a stop keeps a plan from being published.</summary>
public enum FindingLevel
{
    /// <summary>Something to know.</summary>
    Note,

    /// <summary>Something most coaches would change.</summary>
    Advice,

    /// <summary>Something that can hurt or spoil the session.</summary>
    Caution,

    /// <summary>Something that keeps it from being published.</summary>
    Stop,
}

/// <summary>One thing about a plan that a coach would want to know.</summary>
public sealed record Finding
{
    /// <summary>Which rule found it.</summary>
    public required FindingId Id { get; init; }

    /// <summary>How much it weighs.</summary>
    public required FindingLevel Level { get; init; }

    /// <summary>The segment it is about; null for the plan as a whole.</summary>
    public Guid? SegmentId { get; init; }

    /// <summary>Why: which sentence, and of what.</summary>
    public required Message Message { get; init; }

    /// <summary>Why, in one plain sentence.</summary>
    public string Why => Message.In();

    /// <summary>
    /// What the fix is called: which sentence, and of what; null where there is no fix that makes the plan better.
    /// </summary>
    [JsonIgnore]
    public Message? FixMessage { get; init; }

    /// <summary>What applying the fix would do, in a few words; null where there is no fix that makes the plan better.</summary>
    public string? Fix => FixMessage?.In();

    /// <summary>Why the coach lives with it; null while it stands.</summary>
    public string? OverruledBecause { get; init; }

    [JsonIgnore]
    internal Func<SessionPlan>? Mend { get; init; }
}
