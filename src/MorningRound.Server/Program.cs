using MorningRound.Server.Startup;

await MorningRoundServer.RunAsync(args);
