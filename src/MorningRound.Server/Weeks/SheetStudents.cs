using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Weeks;

internal static class SheetStudents
{
    /// <summary>The most students of one call.</summary>
    public const int Most = 200;

    /// <summary>The students that a call is about, each once.</summary>
    public static IReadOnlyList<Guid> Of(IReadOnlyList<Guid> students)
    {
        var errors = new FieldErrors()
            .Require(students.Count > 0, "students", "Name at least one student.")
            .RequireOnce(students, "students")
            .RequireAtMost(students.Count, Most, "students");
        return errors.Found.Count > 0 ? throw ApiProblemException.Invalid(errors.Found) : students;
    }
}
