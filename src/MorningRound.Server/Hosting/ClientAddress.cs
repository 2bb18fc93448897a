namespace MorningRound.Server.Hosting;

/// <summary>Where a call comes from.</summary>
internal static class ClientAddress
{
    /// <summary>
    /// The network address, as the proxy in front told it where there is one; empty outside a call. Of an IPv6 address only the
    /// half that names the network: the other half is a household's to choose, anew for every try.
    /// </summary>
    public static string Of(HttpContext? context)
    {
        if (context?.Connection.RemoteIpAddress is not { } address)
            return "";
        if (address.IsIPv4MappedToIPv6)
            address = address.MapToIPv4();
        if (address.AddressFamily != System.Net.Sockets.AddressFamily.InterNetworkV6)
            return address.ToString();
        var bytes = address.GetAddressBytes();
        Array.Clear(bytes, 8, 8);
        return $"{new System.Net.IPAddress(bytes)}/64";
    }
}
