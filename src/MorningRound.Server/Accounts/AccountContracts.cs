using System.Text.Json.Serialization;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public sealed record Credentials(string Email, string Password);

public enum DemoPerson
{
    Coach,
    Student,
}

public sealed record DemoSignIn([property: JsonRequired] DemoPerson As);

/// <summary>Who is signed in, if anybody, and what the browser needs to know about time.</summary>
/// <param name="Person">None when nobody is signed in.</param>
/// <param name="Demo">None where there is no demo.</param>
/// <param name="Now">The time of the job, from which the browser takes "now".</param>
public sealed record SignInView(PersonView? Person, DemoView? Demo, DateTimeOffset Now);

public sealed record PersonView(
    Guid AccountId,
    string Name,
    AcademyRole Role,
    Guid? StudentId,
    string AcademyName,
    string TimeZone,
    DateOnly Today,
    string Week
);

/// <summary>A coach or the owner of an academy, to choose from.</summary>
public sealed record CoachView(Guid AccountId, string Name);

/// <summary>The demo and its age.</summary>
/// <param name="MadeFor">The day its history leads up to.</param>
/// <param name="IsStale">Whether that was a fortnight ago or more.</param>
public sealed record DemoView(DateOnly MadeFor, bool IsStale);

/// <summary>A link to hand on.</summary>
/// <param name="Path">The path on this server.</param>
/// <param name="ExpiresAt">When it stops working.</param>
public sealed record InvitationLink(string Path, DateTimeOffset ExpiresAt);

/// <summary>What a link is for. No academy means: the first one is to be set up.</summary>
public sealed record InvitationView(string? AcademyName, AcademyRole Role, string? StudentName);

/// <summary>What somebody fills in to accept. A student's name is known; an owner also names the academy.</summary>
public sealed record Acceptance
{
    public required string Email { get; init; }

    public required string Password { get; init; }

    public string? Name { get; init; }

    public string? AcademyName { get; init; }

    /// <summary>An IANA name such as Europe/Lisbon; only for a new academy.</summary>
    public string? TimeZone { get; init; }
}
