namespace MorningRound.Server.Hosting;

/// <summary>The server cannot start on what it was given, for a reason that whoever started it can mend.</summary>
/// <param name="message">The reason, in one line, and what to do.</param>
public sealed class StartRefusedException(string message) : Exception(message);
