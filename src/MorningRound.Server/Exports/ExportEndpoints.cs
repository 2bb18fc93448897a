using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Exports;

public static class ExportEndpoints
{
    public static void MapExports(this IEndpointRouteBuilder api)
    {
        var exports = api.MapGroup("/exports").WithTags("Exports");
        exports
            .MapGet(
                "/{table}.csv",
                (
                    string table,
                    DateOnly? from,
                    DateOnly? to,
                    Guid? student,
                    Caller caller,
                    ExportService service,
                    CancellationToken cancel
                ) =>
                {
                    var asked = QueryValues.Named<ExportTable>(table, "table") ?? ExportTable.Sessions;
                    var span = service.Span(caller, from, to, student);
                    return TypedResults.Stream(
                        stream => service.WriteAsync(caller, asked, span, stream, cancel),
                        "text/csv",
                        $"morning-round-{table}-{span.From:yyyy-MM-dd}-{span.To:yyyy-MM-dd}.csv"
                    );
                }
            )
            .RequireAuthorization(Policies.Coach);
        exports.MapGet(
            "/students/{studentId:guid}",
            (Guid studentId, Caller caller, ExportService service, CancellationToken cancel) =>
                service.StudentAsync(caller, studentId, cancel)
        );
    }
}
