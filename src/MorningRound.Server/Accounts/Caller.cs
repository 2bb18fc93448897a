using System.Security.Claims;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>Who makes a call, as the sign-in cookie says. Every query starts from the academy in it.</summary>
public sealed record Caller(Guid AcademyId, AcademyRole Role, Guid? StudentId, string TimeZone, Guid AccountId)
{
    public const string AcademyClaim = "academy";
    public const string RoleClaim = "academy_role";
    public const string StudentClaim = "student";
    public const string TimeZoneClaim = "time_zone";

    public bool IsCoach => Role is AcademyRole.Owner or AcademyRole.Coach;

    /// <summary>
    /// Reads the caller for minimal APIs' parameter binding. The fallback policy has already required a sign-in.
    /// </summary>
    public static ValueTask<Caller> BindAsync(HttpContext context)
    {
        var user = context.User;
        return ValueTask.FromResult(
            new Caller(
                Guid.Parse(user.FindFirstValue(AcademyClaim)!),
                Enum.Parse<AcademyRole>(user.FindFirstValue(RoleClaim)!),
                user.FindFirstValue(StudentClaim) is { } student ? Guid.Parse(student) : null,
                user.FindFirstValue(TimeZoneClaim)!,
                Guid.Parse(user.FindFirstValue(ClaimTypes.NameIdentifier)!)
            )
        );
    }

    /// <summary>Stops a student who asks for somebody else's things. The answer does not say whether they exist.</summary>
    public void EnsureCanAccess(Guid studentId, string what)
    {
        if (!IsCoach && studentId != StudentId)
            throw ApiProblemException.NotFound(what);
    }
}

/// <summary>The names of the authorization policies.</summary>
public static class Policies
{
    public const string Owner = "owner";
    public const string Coach = "coach";
    public const string Student = "student";
    public const string Guardian = "guardian";

    /// <summary>Everybody who is signed in, guardians too. What says nothing else is for owners, coaches and students.</summary>
    public const string Anybody = "anybody";
}
