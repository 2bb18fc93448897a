using Microsoft.AspNetCore.Identity;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

/// <summary>
/// The second half of making or using a passkey. The first half left a cookie; where it is gone, or never was, Identity
/// throws, and here that is an answer like any other.
/// </summary>
internal static class PasskeyCeremonies
{
    extension(SignInManager<Account> signIn)
    {
        /// <summary>What came of making a passkey; null where nobody had begun to.</summary>
        public Task<PasskeyAttestationResult?> FinishMakingPasskeyAsync(string credential) =>
            UnlessNotBegunAsync(async () => (PasskeyAttestationResult?)await signIn.PerformPasskeyAttestationAsync(credential));

        /// <summary>What came of using a passkey; null where nobody had begun to.</summary>
        public Task<PasskeyAssertionResult<Account>?> FinishUsingPasskeyAsync(string credential) =>
            UnlessNotBegunAsync(async () =>
                (PasskeyAssertionResult<Account>?)await signIn.PerformPasskeyAssertionAsync(credential)
            );
    }

    private static async Task<T?> UnlessNotBegunAsync<T>(Func<Task<T?>> finish)
        where T : class
    {
        try
        {
            return await finish();
        }
        catch (InvalidOperationException)
        {
            return null;
        }
    }
}
