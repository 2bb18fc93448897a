namespace MorningRound.Server.Hosting;

/// <summary>Reads values of a query.</summary>
internal static class QueryValues
{
    /// <summary>A name of the wire, such as <c>puttingGreen</c>; null where nothing was said.</summary>
    /// <exception cref="ApiProblemException">400 where there is no such name.</exception>
    public static T? Named<T>(string? name, string path)
        where T : struct, Enum =>
        string.IsNullOrEmpty(name) ? null
        : Enum.TryParse<T>(name, ignoreCase: true, out var value) && Enum.IsDefined(value) && !char.IsAsciiDigit(name[0]) ? value
        : throw ApiProblemException.Malformed(path, $"There is nothing called {name} here.");
}
