using System.Security.Cryptography;
using System.Text;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// Founds an academy while the server runs, for whoever knows the set-up secret: it stands in a file beside the data, for those
/// who run the server, and they decide who gets to know it.
/// </summary>
public sealed class FoundingService(
    MorningRoundDb db,
    AcademyOpening opening,
    SignInGuard guard,
    SecurityLog log,
    IConfiguration configuration,
    IHttpContextAccessor calls
)
{
    /// <summary>Opens an academy with its first owner.</summary>
    /// <exception cref="ApiProblemException">422 where the secret is not right or a field will not do, 423 after too many tries.
    /// </exception>
    public async Task<Account> FoundAsync(Founding founding, CancellationToken cancel)
    {
        var counted = await guard.CountAsync(GuardedSecret.SetUp, "", null, calls.HttpContext!, cancel);
        if (!IsSecret(founding.Secret, await SecretAsync(cancel)))
            throw ApiProblemException.Invalid("secret", "This is not the secret that stands beside this server's data.");
        await guard.WasRightAsync(counted, cancel);

        var errors = new FieldErrors();
        AcademyOpening.CheckAcademy(errors, founding.AcademyName, founding.TimeZone, "academyName");
        AcademyOpening.Check(errors, founding.Name, founding.Email, founding.Password);
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);

        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var academyId = await opening.OpenAsync(founding.AcademyName, founding.TimeZone, cancel);
        var owner = await opening.AddAsync(academyId, AcademyRole.Owner, null, founding.Name, founding.Email, founding.Password);
        await opening.SetUpAsync(academyId, cancel);
        await log.AddAsync(academyId, SecurityEventKind.AcademyFounded, cancel, owner.Id, owner.Id);
        await transaction.CommitAsync(cancel);
        return owner;
    }

    /// <summary>The secret; empty where this server founds nothing.</summary>
    private async Task<string> SecretAsync(CancellationToken cancel) =>
        configuration["MORNING_ROUND_SETUP_SECRET_FILE"] is { Length: > 0 } file && File.Exists(file)
            ? (await File.ReadAllTextAsync(file, cancel)).Trim()
            : "";

    private static bool IsSecret(string tried, string secret) =>
        secret.Length > 0
        && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(tried.Trim()), Encoding.UTF8.GetBytes(secret));
}
