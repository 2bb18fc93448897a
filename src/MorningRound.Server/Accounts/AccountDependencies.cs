using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>What an invitation says of the student it is for. Students are a capability that builds on this one.</summary>
public interface IStudentNames
{
    /// <summary>The student's name; null where there is no such student.</summary>
    Task<string?> NameAsync(Guid academyId, Guid studentId, CancellationToken cancel);

    /// <summary>The names of those of an academy who are there.</summary>
    Task<IReadOnlyDictionary<Guid, string>> NamesAsync(
        Guid academyId,
        IReadOnlyCollection<Guid> studentIds,
        CancellationToken cancel
    );
}

/// <summary>Guardians' consent for minors. Guardians are a capability that builds on this one.</summary>
public interface IConsents
{
    /// <summary>
    /// Notes that a guardian consents, and lets them see what is theirs to see of the child. Whether consent had been taken back
    /// before.
    /// </summary>
    Task<bool> GiveAsync(Account guardian, Guid studentId, CancellationToken cancel);

    /// <summary>Whether consent for a student was taken back, and not given since.</summary>
    Task<bool> IsWithdrawnAsync(Guid academyId, Guid studentId, CancellationToken cancel);
}

/// <summary>What another capability keeps for an account, and has to let go of when the account is taken away.</summary>
public interface IAccountEnding
{
    /// <summary>Hands what a coach looks after to another.</summary>
    Task HandOverAsync(Caller caller, Guid from, Guid to, CancellationToken cancel) => Task.CompletedTask;

    /// <summary>Ends what reaches the person behind an account: addresses, mails.</summary>
    Task EndAsync(Guid accountId, CancellationToken cancel) => Task.CompletedTask;
}

/// <summary>What another capability puts into an academy when it is opened. Doing it twice is doing it once.</summary>
public interface IAcademySetUp
{
    Task SetUpAsync(Guid academyId, CancellationToken cancel);
}

/// <summary>A demo academy, where this server has one.</summary>
public interface IDemo
{
    /// <summary>The demo and its age; null where the database holds no demo.</summary>
    Task<DemoView?> ViewAsync(CancellationToken cancel);

    /// <summary>The account behind a demo button; null where the database holds no demo.</summary>
    Task<Account?> AccountAsync(DemoPerson person, CancellationToken cancel);

    /// <summary>Lays the demo out in an empty database.</summary>
    Task LayOutAsync(CancellationToken cancel);
}
