using MorningRound.Core.Validation;

namespace MorningRound.Core.Courses;

/// <summary>A course with the id it keeps from file to file.</summary>
public sealed record ListedCourse
{
    /// <summary>Its id, which a file keeps.</summary>
    public required Guid Id { get; init; }

    /// <summary>The course.</summary>
    public required Course Course { get; init; }
}

/// <summary>Courses as an open file: JSON of the core's own types. Its schema is published in <c>docs/</c>.</summary>
public sealed record CourseFile
{
    /// <summary>What the format calls itself.</summary>
    public const string FormatName = "morning-round-courses";

    /// <summary>The version of the format that is written.</summary>
    public const int CurrentVersion = 1;

    /// <summary>The most courses a file may hold.</summary>
    public const int MostCourses = 50;

    /// <summary>Must be <see cref="FormatName"/>.</summary>
    public required string Format { get; init; }

    /// <summary>Must be <see cref="CurrentVersion"/>.</summary>
    public required int Version { get; init; }

    /// <summary>The courses, each with its id.</summary>
    public required IReadOnlyList<ListedCourse> Courses { get; init; }

    /// <summary>A file of today's version.</summary>
    public static CourseFile Of(IReadOnlyList<ListedCourse> courses) =>
        new()
        {
            Format = FormatName,
            Version = CurrentVersion,
            Courses = courses,
        };

    /// <summary>Everything wrong, each with its place in the file; empty when all of it can be imported.</summary>
    /// <param name="known">Courses that are there already; with them there must not be too many.</param>
    public IReadOnlyList<FieldError> Check(IReadOnlyCollection<Guid> known)
    {
        var errors = new FieldErrors()
            .Require(Format == FormatName, "format", $"This is not a course file; it should say {FormatName}.")
            .Require(Version == CurrentVersion, "version", $"This release reads version {CurrentVersion}.")
            .RequireAtMost(Courses.Count, MostCourses, "courses");
        if (Courses.Count > MostCourses)
            return errors.Found;
        errors.RequireAtMost(known.Concat(Courses.Select(c => c.Id)).Distinct().Count(), MostCourses, "courses");
        for (var i = 0; i < Courses.Count; i++)
        {
            var id = Courses[i].Id;
            errors
                .Require(
                    id != Guid.Empty && Courses.Count(c => c.Id == id) == 1,
                    $"courses[{i}].id",
                    "Every course needs an id of its own."
                )
                .Include(CourseRules.Check(Courses[i].Course).Select(e => e with { Path = $"courses[{i}].course.{e.Path}" }));
        }

        return errors.Found;
    }
}
