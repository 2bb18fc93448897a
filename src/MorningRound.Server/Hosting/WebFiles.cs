using System.Diagnostics.CodeAnalysis;
using Microsoft.AspNetCore.Routing.Patterns;
using Microsoft.AspNetCore.Routing.Template;
using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Extensions.FileProviders;

namespace MorningRound.Server.Hosting;

/// <summary>The web application's files, and what every answer tells the browser about safety.</summary>
internal static class WebFiles
{
    /// <summary>What a page may ask a device for: to stay awake, and for passkeys. Nothing else is ever used.</summary>
    private const string Permissions =
        "camera=(), display-capture=(), geolocation=(), microphone=(), midi=(), payment=(), usb=(), "
        + "publickey-credentials-create=(self), publickey-credentials-get=(self), screen-wake-lock=(self)";

    public static void UseSecurityHeaders(this IApplicationBuilder app) =>
        app.Use(
            (context, next) =>
            {
                // Put on last, because an error clears what was written before it.
                context.Response.OnStarting(() =>
                {
                    var headers = context.Response.Headers;
                    headers.XContentTypeOptions = "nosniff";
                    headers["Referrer-Policy"] = "no-referrer";
                    headers.XFrameOptions = "DENY";
                    // Nobody else's page holds a window of this one, or takes its answers into itself.
                    headers["Cross-Origin-Opener-Policy"] = "same-origin";
                    headers["Cross-Origin-Resource-Policy"] = "same-origin";
                    headers["Permissions-Policy"] = Permissions;
                    if (context.Request.IsHttps)
                        headers.StrictTransportSecurity = "max-age=31536000";
                    // What is somebody's own is kept by no cache: the phone keeps what it needs itself.
                    if (context.Request.Path.StartsWithSegments("/api"))
                        headers.CacheControl = "no-store";
                    // Everything comes from here, and styles also from the page's own scripts, which know its nonce.
                    headers.ContentSecurityPolicy =
                        $"default-src 'self'; style-src 'self'{WebPage.NonceOf(context)}; img-src 'self' data:; base-uri 'none'; "
                        + "frame-ancestors 'none'; form-action 'self'";
                    return Task.CompletedTask;
                });
                return next(context);
            }
        );

    public static void UseWebFiles(this IApplicationBuilder app)
    {
        var files = app.ApplicationServices.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider;
        app.Use(
            (context, next) =>
            {
                UseCompressed(context.Request, files);
                return next(context);
            }
        );
        app.UseStaticFiles(
            new StaticFileOptions { OnPrepareResponse = Prepare, ContentTypeProvider = new CompressedContentTypes() }
        );
    }

    /// <summary>How files were compressed when the application was built, the tightest first.</summary>
    private static readonly (string Encoding, string Ending)[] Compressed = [("br", ".br"), ("gzip", ".gz")];

    /// <summary>Asks for the compressed copy of a file, where there is one that the browser takes.</summary>
    private static void UseCompressed(HttpRequest request, IFileProvider files)
    {
        if (!(HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method)) || !Path.HasExtension(request.Path.Value))
            return;
        var accepted = request.Headers.AcceptEncoding.ToString();
        foreach (var (encoding, ending) in Compressed)
        {
            if (accepted.Contains(encoding, StringComparison.Ordinal) && files.GetFileInfo(request.Path.Value + ending).Exists)
            {
                request.Path += ending;
                return;
            }
        }
    }

    private static void Prepare(StaticFileResponseContext context)
    {
        Cache(context);
        var encoding = Compressed.FirstOrDefault(c => context.File.Name.EndsWith(c.Ending, StringComparison.Ordinal)).Encoding;
        if (encoding is null)
            return;
        context.Context.Response.Headers.ContentEncoding = encoding;
        context.Context.Response.Headers.Append("Vary", "Accept-Encoding");
    }

    /// <summary>The type of a compressed file is that of what is compressed.</summary>
    private sealed class CompressedContentTypes : IContentTypeProvider
    {
        private readonly FileExtensionContentTypeProvider _types = new();

        public bool TryGetContentType(string subpath, [MaybeNullWhen(false)] out string contentType)
        {
            var ending = Compressed.FirstOrDefault(c => subpath.EndsWith(c.Ending, StringComparison.Ordinal)).Ending ?? "";
            return _types.TryGetContentType(subpath[..^ending.Length], out contentType);
        }
    }

    /// <summary>
    /// Addresses of the API that do not exist say so; everything else is a page, which the browser's router knows.
    /// </summary>
    public static void MapWebApplication(this WebApplication app)
    {
        app.Map(
                "/api/{**rest}",
                IResult (HttpContext context, EndpointDataSource endpoints) =>
                    throw (
                        MethodsAt(context, endpoints) switch
                        {
                            [] => ApiProblemException.NotFound("address"),
                            // The address takes this method, but not a body of this type: nothing else keeps a call from its
                            // endpoint.
                            var methods when methods.Contains(context.Request.Method) => ApiProblemException.WrongType(),
                            var methods => ApiProblemException.WrongMethod(context, methods),
                        }
                    )
            )
            .AllowAnonymous()
            .ExcludeFromDescription();
        var page = new WebPage(app.Environment.WebRootFileProvider);
        string[] methods = [HttpMethods.Get, HttpMethods.Head];
        app.MapMethods(WebPage.Path, methods, page.SendAsync).AllowAnonymous().ExcludeFromDescription();
        app.MapFallback(page.SendAsync).WithMetadata(new HttpMethodMetadata(methods)).AllowAnonymous();
    }

    /// <summary>The methods that the address of a call does answer to; empty where there is no such address.</summary>
    private static string[] MethodsAt(HttpContext context, EndpointDataSource endpoints) =>
        [
            .. endpoints
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e =>
                    e.Metadata.GetMetadata<IHttpMethodMetadata>() is not null
                    && e.RoutePattern.RawText!.StartsWith("/api", StringComparison.Ordinal)
                    && IsAt(context, e.RoutePattern)
                )
                .SelectMany(e => e.Metadata.GetMetadata<IHttpMethodMetadata>()!.HttpMethods)
                .Distinct()
                .Order(),
        ];

    /// <summary>
    /// Whether an address is the one of a pattern, with what the pattern asks of its parts: a word where an id belongs is none.
    /// </summary>
    private static bool IsAt(HttpContext context, RoutePattern pattern)
    {
        var values = new RouteValueDictionary();
        if (!new TemplateMatcher(TemplateParser.Parse(pattern.RawText!), []).TryMatch(context.Request.Path, values))
            return false;
        var policies = context.RequestServices.GetRequiredService<ParameterPolicyFactory>();
        return pattern.ParameterPolicies.All(of =>
            of.Value.Select(policy => policies.Create(pattern.GetParameter(of.Key), policy))
                .OfType<IRouteConstraint>()
                .All(constraint => constraint.Match(context, null, of.Key, values, RouteDirection.IncomingRequest))
        );
    }

    /// <summary>
    /// Files under assets carry a hash of their content in their name and never change; the rest is asked for again.
    /// </summary>
    private static void Cache(StaticFileResponseContext context) =>
        context.Context.Response.Headers.CacheControl = context.Context.Request.Path.StartsWithSegments("/assets")
            ? "public, max-age=31536000, immutable"
            : "no-cache";
}
