using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace MorningRound.Server.Storage;

/// <summary>Lets the migration tool build the model without a server or a database.</summary>
internal sealed class DesignTime : IDesignTimeDbContextFactory<MorningRoundDb>
{
    public MorningRoundDb CreateDbContext(string[] args)
    {
        var services = new ServiceCollection().Configure<IdentityOptions>(MorningRoundDb.ConfigureIdentity);
        var options = new DbContextOptionsBuilder<MorningRoundDb>();
        options.UseApplicationServiceProvider(services.BuildServiceProvider());
        MorningRoundDb.Configure(options, "Host=127.0.0.1;Database=none");
        return new MorningRoundDb(options.Options);
    }
}
