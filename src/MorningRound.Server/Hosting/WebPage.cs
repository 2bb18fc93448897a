using System.Security.Cryptography;
using Microsoft.Extensions.FileProviders;

namespace MorningRound.Server.Hosting;

/// <summary>
/// The one page of the web application. Each answer carries a nonce, in the page and in the header above it, with which its
/// scripts may write styles and nobody else may; whoever keeps the answer, as the service worker does, keeps the two together.
/// </summary>
internal sealed class WebPage(IFileProvider files)
{
    /// <summary>The address under which the page is asked for as a file.</summary>
    public const string Path = "/index.html";

    /// <summary>What stands in the file where the nonce goes.</summary>
    private const string Placeholder = "__nonce__";

    private static readonly object NonceKey = new();

    private volatile Kept? _kept;

    /// <summary>What the page's answer adds to where styles come from; empty for any other answer.</summary>
    public static string NonceOf(HttpContext context) =>
        context.Items.TryGetValue(NonceKey, out var nonce) ? $" 'nonce-{nonce}'" : "";

    public async Task SendAsync(HttpContext context)
    {
        var response = context.Response;
        if (await PageAsync(context.RequestAborted) is not { } page)
        {
            response.StatusCode = StatusCodes.Status404NotFound;
            return;
        }

        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
        context.Items[NonceKey] = nonce;
        response.ContentType = "text/html; charset=utf-8";
        response.Headers.CacheControl = "no-cache";
        if (!HttpMethods.IsHead(context.Request.Method))
            await response.WriteAsync(page.Replace(Placeholder, nonce, StringComparison.Ordinal), context.RequestAborted);
    }

    /// <summary>The file, read again when it has changed; null where the web application was not built.</summary>
    private async Task<string?> PageAsync(CancellationToken cancel)
    {
        var file = files.GetFileInfo(Path);
        if (!file.Exists)
            return null;
        if (_kept is { } kept && kept.ChangedAt == file.LastModified)
            return kept.Text;
        await using var stream = file.CreateReadStream();
        using var reader = new StreamReader(stream);
        var text = await reader.ReadToEndAsync(cancel);
        _kept = new Kept(file.LastModified, text);
        return text;
    }

    private sealed record Kept(DateTimeOffset ChangedAt, string Text);
}
