using System.Text.Json.Serialization;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Students;

/// <summary>A student, as a list and the head of a page show one.</summary>
public sealed record StudentView : IVersioned
{
    public required Guid Id { get; init; }

    public required string Name { get; init; }

    public required Hand Hand { get; init; }

    public required Level Level { get; init; }

    /// <summary>Empty when students read their own.</summary>
    public required string CoachNote { get; init; }

    /// <summary>The account of the coach who looks after the student.</summary>
    public required Guid CoachId { get; init; }

    public required int Version { get; init; }

    /// <summary>Whether the student has accepted an invitation.</summary>
    public required bool HasAccount { get; init; }
}

/// <summary>What a coach writes of a student.</summary>
public sealed record StudentInput
{
    public required string Name { get; init; }

    public required Hand Hand { get; init; }

    public required Level Level { get; init; }

    public string CoachNote { get; init; } = "";
}

/// <summary>How many students an academy has.</summary>
/// <param name="All">All of them.</param>
/// <param name="Mine">Those the caller looks after.</param>
public sealed record CountedStudents(int All, int Mine);

/// <summary>Whom a student is handed to.</summary>
/// <param name="CoachId">The account of a coach or the owner.</param>
public sealed record HandOverInput([property: JsonRequired] Guid CoachId);

/// <summary>Who changed which fields of a file, and when.</summary>
public sealed record StudentChangeView(DateTimeOffset At, string Name, AcademyRole Role, IReadOnlyList<string> Fields);

/// <summary>A student's file as it is read.</summary>
public sealed record StudentFileView : IVersioned
{
    public required Guid StudentId { get; init; }

    /// <summary>0 while nothing was written.</summary>
    public required int Version { get; init; }

    public required StudentFile File { get; init; }

    /// <summary>The season today, from the competitions or the coach's own word.</summary>
    public required Season Season { get; init; }

    /// <summary>Distances that no number of the wedge grid covers.</summary>
    public required IReadOnlyList<GridGap> GridGaps { get; init; }

    /// <summary>The parts that can hurt, and whether there is a lead and a trail one.</summary>
    public required IReadOnlyList<PainPart> BodyParts { get; init; }

    public required bool MayBePublishedTo { get; init; }

    /// <summary>Whether the student is under 18, so that a guardian answers for them.</summary>
    public required bool IsMinor { get; init; }

    /// <summary>Whether the caller may change the coach's part too.</summary>
    public required bool CanChangeAll { get; init; }

    /// <summary>Where the last real rounds lose strokes, in words.</summary>
    public required string LostStrokes { get; init; }

    /// <summary>The latest changes, newest first.</summary>
    public required IReadOnlyList<StudentChangeView> Changes { get; init; }
}

/// <summary>A part that can hurt, and whether there is a lead and a trail one.</summary>
public sealed record PainPart(BodyPart Part, bool IsPaired)
{
    public static IReadOnlyList<PainPart> All { get; } =
    [.. Enum.GetValues<BodyPart>().Select(part => new PainPart(part, part.IsPaired()))];
}
