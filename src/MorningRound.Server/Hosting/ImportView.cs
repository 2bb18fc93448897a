namespace MorningRound.Server.Hosting;

/// <summary>What an import did.</summary>
public sealed record ImportView(int Added, int Changed, int Unchanged);
