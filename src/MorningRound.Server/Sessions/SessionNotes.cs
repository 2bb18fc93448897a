using System.Text.Json.Serialization;
using MorningRound.Core.Weeks.Tailoring;

namespace MorningRound.Server.Sessions;

/// <summary>What can change of a session after it was published.</summary>
public enum SessionChangeKind
{
    /// <summary>It went to another day.</summary>
    Moved,

    /// <summary>What is done in it.</summary>
    Text,

    /// <summary>Whether it counts.</summary>
    Requirement,
}

/// <summary>One change of a published session.</summary>
/// <param name="At">When.</param>
/// <param name="Kind">What changed.</param>
/// <param name="From">The day it was on; null for "any day", and where that is not what changed.</param>
/// <param name="To">The day it is on; null for "any day", and where that is not what changed.</param>
/// <param name="IsByStudent">Whether the student changed it; otherwise a coach did.</param>
public sealed record SessionChange(DateTimeOffset At, SessionChangeKind Kind, DateOnly? From, DateOnly? To, bool IsByStudent);

/// <summary>The week of a programme that a session belongs to.</summary>
/// <param name="RunId">The programme as it runs for the student, alone or in a squad.</param>
/// <param name="ProgrammeId">The programme.</param>
/// <param name="SlotId">The slot.</param>
/// <param name="Name">What the programme is called.</param>
/// <param name="Week">The week of the programme, from 1.</param>
/// <param name="Weeks">How many weeks it takes.</param>
public sealed record OfProgramme(Guid RunId, Guid ProgrammeId, Guid SlotId, string Name, int Week, int Weeks);

/// <summary>What is known of a session beside its text: where it comes from, why it is on its day, what changed.</summary>
public sealed record SessionNotes
{
    /// <summary>The changes that are kept: the latest of them.</summary>
    private const int MostChanges = 20;

    /// <summary>Nothing to say.</summary>
    public static SessionNotes None { get; } = new();

    /// <summary>What was changed in its plan so that it suits this student, a sentence each.</summary>
    public IReadOnlyList<string> Tailored { get; init; } = [];

    /// <summary>Steps that the last results offer and that nobody has taken or left yet.</summary>
    public IReadOnlyList<NextStepOffer> Offers { get; init; } = [];

    /// <summary>Whether it was copied from a session that was missed.</summary>
    public bool WasMissed { get; init; }

    /// <summary>Why it was put on its day; empty where a coach chose it.</summary>
    public string DayReason { get; init; } = "";

    /// <summary>Whether a coach chose its day, which placing then leaves alone.</summary>
    public bool IsDayChosen { get; init; }

    /// <summary>Minutes of walking between its grounds, as they were when it was published.</summary>
    public int WalkMinutes { get; init; }

    /// <summary>The week of the programme it belongs to; null where it belongs to none.</summary>
    public OfProgramme? Programme { get; init; }

    /// <summary>
    /// The session it began as: a published one whose text changes goes on as a session of its own. Null for one that began as
    /// itself.
    /// </summary>
    public Guid? BeganAs { get; init; }

    /// <summary>The session that stands in its place since its text was changed; null where none does.</summary>
    public Guid? ReplacedBy { get; init; }

    /// <summary>
    /// What its coach had changed in it while it was practised as it stood before, a sentence each: what was practised counts,
    /// and the changed session gave way. Empty where nothing was.
    /// </summary>
    public IReadOnlyList<string> ChangedMeanwhile { get; init; } = [];

    /// <summary>What changed since it was published, oldest first.</summary>
    public IReadOnlyList<SessionChange> Changes { get; init; } = [];

    /// <summary>Whether there is nothing to say, changes apart.</summary>
    [JsonIgnore]
    public bool IsNothing =>
        Tailored.Count == 0
        && Offers.Count == 0
        && !WasMissed
        && DayReason.Length == 0
        && !IsDayChosen
        && WalkMinutes == 0
        && Programme is null;

    /// <summary>The notes with one more change.</summary>
    public SessionNotes With(SessionChange change) => this with { Changes = [.. Changes.TakeLast(MostChanges - 1), change] };

    /// <summary>What changed after a moment; nothing where there was no such moment yet.</summary>
    public IReadOnlyList<SessionChange> Since(DateTimeOffset? seen) =>
        seen is { } at ? [.. Changes.Where(c => c.At > at && !c.IsByStudent)] : [];
}
