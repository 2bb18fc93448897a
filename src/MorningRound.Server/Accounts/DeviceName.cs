namespace MorningRound.Server.Accounts;

/// <summary>What a browser tells about itself, in words by which its owner knows it again.</summary>
internal static class DeviceName
{
    // In this order: most browsers name others beside themselves.
    private static readonly (string Sign, string Name)[] Browsers =
    [
        ("Edg", "Edge"),
        ("OPR/", "Opera"),
        ("SamsungBrowser/", "Samsung Internet"),
        ("Firefox/", "Firefox"),
        ("FxiOS/", "Firefox"),
        ("CriOS/", "Chrome"),
        ("Chrome/", "Chrome"),
        ("Safari/", "Safari"),
    ];

    private static readonly (string Sign, string Name)[] Systems =
    [
        ("iPhone", "iPhone"),
        ("iPad", "iPad"),
        ("Android", "Android"),
        ("Windows", "Windows"),
        ("Macintosh", "Mac"),
        ("CrOS", "Chromebook"),
        ("Linux", "Linux"),
    ];

    /// <summary>Such as "Firefox on Linux"; what nothing is known of is "another device".</summary>
    public static string Of(string userAgent) =>
        (Find(Browsers, userAgent), Find(Systems, userAgent)) switch
        {
            ({ } browser, { } system) => $"{browser} on {system}",
            ({ } browser, null) => browser,
            (null, { } system) => system,
            _ => "another device",
        };

    private static string? Find((string Sign, string Name)[] known, string userAgent) =>
        known.Where(k => userAgent.Contains(k.Sign, StringComparison.Ordinal)).Select(k => k.Name).FirstOrDefault();
}
