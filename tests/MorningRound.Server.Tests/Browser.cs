using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using MorningRound.Core.Units;

namespace MorningRound.Server.Tests;

/// <summary>An answer of the server, with its body read.</summary>
/// <param name="Status">How it ended.</param>
/// <param name="Text">The body.</param>
/// <param name="Body">The body as JSON; null where it is something else, or nothing.</param>
/// <param name="Headers">What stands above it.</param>
public sealed record Answer(HttpStatusCode Status, string Text, JsonNode? Body, HttpResponseHeaders Headers)
{
    /// <summary>The fields a refusal names.</summary>
    public IEnumerable<string> Fields => Body?["errors"]?.AsObject().Select(e => e.Key) ?? [];

    public T Get<T>(string name) => Body![name]!.GetValue<T>();
}

/// <summary>Calls the server as one person's browser would.</summary>
public sealed class Browser(HttpClient client)
{
    public Task<Answer> GetAsync(string path) => SendAsync(HttpMethod.Get, path);

    public Task<Answer> PostAsync(string path, object? body = null) => SendAsync(HttpMethod.Post, path, body);

    /// <summary>Removes a row of a version; 1 is that of a row that was only made.</summary>
    public Task<Answer> DeleteAsync(string path, int version = 1) =>
        SendAsync(HttpMethod.Delete, path, null, ("If-Match", $"\"{version}\""));

    /// <summary>Puts a new row, or with a version changes one.</summary>
    public Task<Answer> PutAsync(string path, object body, int? version = null) =>
        SendAsync(HttpMethod.Put, path, body, version is { } v ? ("If-Match", $"\"{v}\"") : ("If-None-Match", "*"));

    /// <summary>A file that is taken away.</summary>
    public async Task<byte[]> DownloadAsync(string path)
    {
        using var response = await client.GetAsync(path);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        return await response.Content.ReadAsByteArrayAsync();
    }

    /// <summary>How many bytes an answer has on its way, compressed as every browser asks for it.</summary>
    public async Task<long> CompressedBytesAsync(string path)
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, path);
        request.Headers.AcceptEncoding.ParseAdd("gzip");
        using var response = await client.SendAsync(request);
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        return (await response.Content.ReadAsByteArrayAsync()).Length;
    }

    public async Task<Answer> SendAsync(
        HttpMethod method,
        string path,
        object? body = null,
        params (string Name, string Value)[] headers
    )
    {
        using var request = new HttpRequestMessage(method, path);
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        if (body is not null)
            request.Content = new StringContent(
                body as string ?? JsonSerializer.Serialize(body),
                Encoding.UTF8,
                "application/json"
            );
        using var response = await client.SendAsync(request);
        var text = await response.Content.ReadAsStringAsync();
        var isJson = response.Content.Headers.ContentType?.MediaType?.Contains("json", StringComparison.Ordinal) == true;
        return new Answer(response.StatusCode, text, isJson && text.Length > 0 ? JsonNode.Parse(text) : null, response.Headers);
    }
}
