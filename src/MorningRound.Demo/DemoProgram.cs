using MorningRound.Server.Startup;

namespace MorningRound.Demo;

/// <summary>The server as it is, with a demo academy on a database of its own.</summary>
internal static class DemoProgram
{
    private static Task Main(string[] args) => MorningRoundServer.RunAsync(args, services => services.AddDemo());
}
