using System.Text.Json.Serialization;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public sealed record Credentials(string Email, string Password);

public enum DemoPerson
{
    Coach,
    Student,
    Guardian,
}

public sealed record DemoSignIn([property: JsonRequired] DemoPerson As);

/// <summary>Who is signed in, if anybody, and what the browser needs to know about time.</summary>
/// <param name="Person">None when nobody is signed in.</param>
/// <param name="Demo">None where there is no demo.</param>
/// <param name="Now">The time of the job, from which the browser takes "now".</param>
public sealed record SignInView(PersonView? Person, DemoView? Demo, DateTimeOffset Now)
{
    /// <summary>Whether the password was right, and a code is asked for before anybody is signed in.</summary>
    public bool NeedsSecondStep { get; init; }
}

/// <summary>A code of an authenticator app, or one of the recovery codes.</summary>
public sealed record SecondStep(string Code);

/// <summary>What a browser's part for passkeys is asked, as JSON of the Web Authentication standard.</summary>
public sealed record PasskeyOptions(string Options);

/// <summary>What it answered, as JSON of the same standard.</summary>
public sealed record PasskeyAnswer(string Credential);

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

/// <summary>Somebody's own account, as they see it.</summary>
/// <param name="Email">The address they sign in with.</param>
/// <param name="EmailIsConfirmed">Whether a mail has reached them there.</param>
/// <param name="MailIsSetUp">Whether this server can send mails at all.</param>
/// <param name="MayHaveSecondStep">Whether the second step is theirs to switch on: it is for those who see others' files.</param>
/// <param name="HasSecondStep">Whether a code is asked for after the password.</param>
/// <param name="RecoveryCodesLeft">How many of the codes for a lost phone are unused.</param>
/// <param name="Passkeys">The passkeys, the oldest first.</param>
/// <param name="SignIns">Where they are signed in, this device first.</param>
public sealed record MyAccountView(
    string Email,
    bool EmailIsConfirmed,
    bool MailIsSetUp,
    bool MayHaveSecondStep,
    bool HasSecondStep,
    int RecoveryCodesLeft,
    IReadOnlyList<PasskeyView> Passkeys,
    IReadOnlyList<SignInPlace> SignIns
);

/// <summary>A passkey.</summary>
/// <param name="Id">The credential's id, as it can stand in an address.</param>
/// <param name="Name">What its owner calls it.</param>
/// <param name="MadeAt">When it was made.</param>
public sealed record PasskeyView(string Id, string Name, DateTimeOffset MadeAt);

/// <summary>A device where somebody is signed in.</summary>
/// <param name="Id">The sign-in.</param>
/// <param name="Device">What the browser told of itself.</param>
/// <param name="Address">The network address it was made from.</param>
/// <param name="At">When.</param>
/// <param name="SeenAt">When it was last used, give or take an hour.</param>
/// <param name="IsThis">Whether it is the one that asks.</param>
public sealed record SignInPlace(Guid Id, string Device, string Address, DateTimeOffset At, DateTimeOffset SeenAt, bool IsThis);

/// <summary>A new password, and the one that was good until now.</summary>
public sealed record PasswordChange(string Current, string Password);

/// <summary>The password again, before something that protects the account is changed.</summary>
public sealed record PasswordAgain(string Current);

/// <summary>An address whose password was forgotten. It need not have an account.</summary>
public sealed record ForgottenPassword(string Email);

/// <summary>A new password by a one-time link.</summary>
public sealed record PasswordReset(Guid AccountId, string Token, string Password);

/// <summary>A confirmed address, by a link that a mail carried there.</summary>
public sealed record EmailConfirmation(Guid AccountId, string Token);

/// <summary>What an authenticator app has to know. It is asked for a code before anything is switched on.</summary>
/// <param name="Key">The secret, in groups of four, to type.</param>
/// <param name="Svg">The same as a picture to point a phone at: a QR code.</param>
public sealed record AuthenticatorSetUp(string Key, string Svg);

/// <summary>The codes for the day the phone is gone. They are shown once, and each is good once.</summary>
public sealed record RecoveryCodes(IReadOnlyList<string> Codes);

/// <summary>A new passkey, with a name to know it by.</summary>
public sealed record NewPasskey(string Name, string Credential);

/// <summary>Those who look after an academy, and who was asked to.</summary>
public sealed record PeopleView(IReadOnlyList<StaffView> Staff, IReadOnlyList<OpenInvitation> Invitations);

/// <summary>An owner or coach.</summary>
public sealed record StaffView(
    Guid AccountId,
    string Name,
    string Email,
    AcademyRole Role,
    AccountState State,
    bool HasSecondStep,
    DateTimeOffset? SeenAt
);

/// <summary>An invitation that nobody has used yet, and that still works.</summary>
public sealed record OpenInvitation(
    Guid Id,
    AcademyRole Role,
    string? StudentName,
    DateTimeOffset CreatedAt,
    DateTimeOffset ExpiresAt
);

/// <summary>Another role for an owner or coach.</summary>
public sealed record RoleChange([property: JsonRequired] AcademyRole Role);

/// <summary>Another state of an account.</summary>
/// <param name="State">What becomes of it.</param>
/// <param name="HandTo">Who looks after a coach's students once the coach is taken away; null for the caller.</param>
public sealed record StateChange([property: JsonRequired] AccountState State, Guid? HandTo = null);

/// <summary>The account of a student, as a coach sees it.</summary>
public sealed record StudentAccountView(Guid AccountId, string Email, AccountState State, DateTimeOffset? SeenAt);

/// <summary>An academy's name and zone.</summary>
public sealed record AcademyInput(string Name, string TimeZone);

/// <summary>A new academy, and its first owner.</summary>
public sealed record Founding
{
    /// <summary>What whoever started the server was told.</summary>
    public required string Secret { get; init; }

    public required string AcademyName { get; init; }

    /// <summary>An IANA name such as Europe/Lisbon.</summary>
    public required string TimeZone { get; init; }

    public required string Name { get; init; }

    public required string Email { get; init; }

    public required string Password { get; init; }
}

/// <summary>A line of the security log.</summary>
/// <param name="Actor">The name of who did it; null where nobody was signed in, or they are gone.</param>
/// <param name="Account">The name of the account it was done to.</param>
/// <param name="Student">The name of the student it is about.</param>
public sealed record SecurityLine(
    Guid Id,
    DateTimeOffset At,
    SecurityEventKind Kind,
    string? Actor,
    string? Account,
    string? Student,
    string Address
);

/// <summary>A page of the security log, the latest first.</summary>
/// <param name="KeptDays">How long a line is kept.</param>
/// <param name="Older">What to ask for to go on; null at the end.</param>
public sealed record SecurityPage(IReadOnlyList<SecurityLine> Lines, int KeptDays, Guid? Older);

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

/// <summary>
/// What somebody fills in to accept. A student's name is known; an owner also names the academy, a guardian consents.
/// </summary>
public sealed record Acceptance
{
    public required string Email { get; init; }

    public required string Password { get; init; }

    public string? Name { get; init; }

    public string? AcademyName { get; init; }

    /// <summary>An IANA name such as Europe/Lisbon; only for a new academy.</summary>
    public string? TimeZone { get; init; }

    /// <summary>Whether a guardian says that the child may practise here; only for guardians.</summary>
    public bool Consents { get; init; }
}

/// <summary>A guardian who has an account already consents for one more child.</summary>
public sealed record FurtherConsent(string Token, bool Consents);
