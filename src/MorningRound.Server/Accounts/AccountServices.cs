using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Accounts;

public static class AccountServices
{
    /// <summary>
    /// Identity with cookies, the policies by role, and keys that live in the database so that copies can share them.
    /// </summary>
    public static IServiceCollection AddAccounts(this IServiceCollection services, IConfiguration configuration)
    {
        services.AddDataProtection().SetApplicationName("MorningRound").PersistKeysToDbContext<MorningRoundDb>();
        services
            .AddIdentityCore<Account>(options =>
            {
                MorningRoundDb.ConfigureIdentity(options);
                options.User.RequireUniqueEmail = true;
                options.Password = PasswordRules.Options;
                // Asks below whether an account is open, at every way in. Tries are counted by this application's own guard.
                options.SignIn.RequireConfirmedAccount = true;
                options.Lockout.AllowedForNewUsers = false;
            })
            .AddEntityFrameworkStores<MorningRoundDb>()
            .AddSignInManager()
            .AddDefaultTokenProviders()
            .AddPasswordValidator<CommonPasswords>()
            .AddClaimsPrincipalFactory<CallerClaims>();
        services.AddScoped<IUserConfirmation<Account>, OpenAccounts>();
        services.Configure<DataProtectionTokenProviderOptions>(options => options.TokenLifespan = AccountLinks.Lifetime);
        services
            .AddAuthentication(IdentityConstants.ApplicationScheme)
            .AddIdentityCookies(cookies =>
            {
                cookies.TwoFactorUserIdCookie!.Configure(options =>
                {
                    options.Cookie.Name = "morning-round-second-step";
                    options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                    options.CookieManager = new HostCookies();
                });
                cookies.ApplicationCookie!.Configure(options =>
                {
                    options.Cookie.Name = CookieNames.SignIn;
                    options.CookieManager = new HostCookies();
                    options.Cookie.HttpOnly = true;
                    options.Cookie.SameSite = SameSiteMode.Lax;
                    options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                    options.ExpireTimeSpan = TimeSpan.FromDays(30);
                    options.SlidingExpiration = true;
                    // This is an API: it says so instead of sending the browser to a page.
                    options.Events.OnSigningIn = SignInRegister.BeginAsync;
                    options.Events.OnValidatePrincipal = SignInRegister.ValidateAsync;
                    options.Events.OnSigningOut = SignInRegister.EndAsync;
                    options.Events.OnRedirectToLogin = context => Answer(context.Response, StatusCodes.Status401Unauthorized);
                    options.Events.OnRedirectToAccessDenied = context => Answer(context.Response, StatusCodes.Status403Forbidden);
                });
            });
        services
            .AddAuthorizationBuilder()
            .SetFallbackPolicy(For(AcademyRole.Owner, AcademyRole.Coach, AcademyRole.Student))
            .AddPolicy(Policies.Anybody, For(Enum.GetValues<AcademyRole>()))
            .AddPolicy(Policies.Owner, For(AcademyRole.Owner))
            .AddPolicy(Policies.Coach, For(AcademyRole.Owner, AcademyRole.Coach))
            .AddPolicy(Policies.Student, For(AcademyRole.Student))
            .AddPolicy(Policies.Guardian, For(AcademyRole.Guardian));
        services.AddHttpContextAccessor().AddSingleton<KnownDevices>();
        services.AddSingleton<AccountMails>().AddHostedService(provider => provider.GetRequiredService<AccountMails>());
        services.AddScoped<Tidying>().AddPeriodicWork<TidyingClock>(configuration);
        return services
            .AddScoped<SecurityLog>()
            .AddScoped<SignInGuard>()
            .AddScoped<AccountLinks>()
            .AddScoped<SignInService>()
            .AddScoped<MyAccountService>()
            .AddScoped<AcademyOpening>()
            .AddScoped<InvitationService>()
            .AddScoped<FoundingService>()
            .AddScoped<PeopleService>();
    }

    private static AuthorizationPolicy For(params AcademyRole[] roles) =>
        new AuthorizationPolicyBuilder()
            .RequireAuthenticatedUser()
            .RequireClaim(Caller.RoleClaim, [.. roles.Select(role => role.ToString())])
            .Build();

    private static Task Answer(HttpResponse response, int status)
    {
        response.StatusCode = status;
        return Task.CompletedTask;
    }

    /// <summary>Lets nobody in whose account is closed, whichever way they come.</summary>
    private sealed class OpenAccounts : IUserConfirmation<Account>
    {
        public Task<bool> IsConfirmedAsync(UserManager<Account> manager, Account user) =>
            Task.FromResult(user.State == AccountState.Active);
    }

    private sealed class CallerClaims(UserManager<Account> accounts, IOptions<IdentityOptions> options, MorningRoundDb db)
        : UserClaimsPrincipalFactory<Account>(accounts, options)
    {
        protected override async Task<ClaimsIdentity> GenerateClaimsAsync(Account user)
        {
            var identity = await base.GenerateClaimsAsync(user);
            var timeZone = await db.Academies.Where(a => a.Id == user.AcademyId).Select(a => a.TimeZone).SingleAsync();
            identity.AddClaim(new Claim(Caller.AcademyClaim, user.AcademyId.ToString()));
            identity.AddClaim(new Claim(Caller.RoleClaim, user.Role.ToString()));
            identity.AddClaim(new Claim(Caller.TimeZoneClaim, timeZone));
            if (user.StudentId is { } student)
                identity.AddClaim(new Claim(Caller.StudentClaim, student.ToString()));
            return identity;
        }
    }
}
