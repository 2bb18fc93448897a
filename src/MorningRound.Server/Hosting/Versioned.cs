namespace MorningRound.Server.Hosting;

/// <summary>An answer with a version, which goes back as <c>If-Match</c> when it is edited.</summary>
public interface IVersioned
{
    int Version { get; }
}

internal static class VersionedAnswers
{
    /// <summary>Says the version of every answer that has one as its <c>ETag</c>.</summary>
    public static RouteGroupBuilder WithETags(this RouteGroupBuilder group) =>
        group.AddEndpointFilter(
            async (context, next) =>
            {
                var answer = await next(context);
                if (answer is IVersioned versioned)
                    context.HttpContext.Response.Headers.ETag = RowVersion.ETag(versioned.Version);
                return answer;
            }
        );
}
