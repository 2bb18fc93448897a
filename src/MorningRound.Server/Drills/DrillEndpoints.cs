using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Drills;

public static class DrillEndpoints
{
    public static void MapDrills(this IEndpointRouteBuilder api)
    {
        var drills = api.MapGroup("/drills").WithTags("Drills").RequireAuthorization(Policies.Coach);
        drills.MapGet("/", FindAsync);
        drills.MapGet("/protocols", () => Protocols.All);
        drills
            .MapPost(
                "/check",
                (DrillTrial trial, Caller caller, DrillService service, CancellationToken cancel) =>
                    service.CheckAsync(caller, trial, cancel)
            )
            .Costs(Costly.Check);
        drills.MapPost("/score", Score);
        drills.MapGet(
            "/file",
            (Caller caller, DrillService service, CancellationToken cancel) => service.ExportAsync(caller, cancel)
        );
        drills
            .MapPost(
                "/file",
                (DrillFile file, Caller caller, DrillService service, CancellationToken cancel) =>
                    service.ImportAsync(caller, file, cancel)
            )
            .Costs(Costly.Import);
        drills.MapGet(
            "/{id:guid}",
            (Guid id, Caller caller, DrillService service, CancellationToken cancel) => service.GetAsync(caller, id, cancel)
        );
        drills.MapPut(
            "/{id:guid}",
            (Guid id, Drill drill, RowVersion expected, Caller caller, DrillService service, CancellationToken cancel) =>
                service.SaveAsync(caller, id, drill, expected, cancel)
        );
        drills.MapDelete(
            "/{id:guid}",
            async (Guid id, RowVersion expected, Caller caller, DrillService service, CancellationToken cancel) =>
            {
                await service.RemoveAsync(caller, id, expected, cancel);
                return TypedResults.NoContent();
            }
        );
    }

    /// <summary>
    /// The shelf, as far as it fits what is asked. Names at hand are parted by commas; an empty list is nothing at hand.
    /// </summary>
    private static Task<IReadOnlyList<DrillSummary>> FindAsync(
        Caller caller,
        DrillService service,
        CancellationToken cancel,
        string text = "",
        string? area = null,
        string? intent = null,
        string? phase = null,
        string? place = null,
        int? minutes = null,
        string? protocol = null,
        string? atHand = null
    ) =>
        service.FindAsync(
            caller,
            new DrillSearch
            {
                Text =
                    text.Length <= DrillRules.LongestName
                        ? text
                        : throw ApiProblemException.Invalid("text", $"At most {DrillRules.LongestName} characters, please."),
                Area = QueryValues.Named<Area>(area, "area"),
                Intent = QueryValues.Named<Intent>(intent, "intent"),
                Phase = QueryValues.Named<Phase>(phase, "phase"),
                Place = QueryValues.Named<PlaceKind>(place, "place"),
                Minutes = minutes,
                Protocol = protocol,
                AtHand = atHand is null ? null : EquipmentIn(atHand),
            },
            cancel
        );

    private static List<Equipment> EquipmentIn(string names) =>
        [
            .. names
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(name => QueryValues.Named<Equipment>(name, "atHand")!.Value),
        ];

    private static ProtocolResult Score(ScoreInput input)
    {
        var errors = new FieldErrors()
            .RequireAtMost(input.Inputs.Count, ScoreInput.MostInputs, "inputs")
            .Include(input.Protocol.Check("protocol"));
        if (errors.Found.Count == 0 && input.Protocol.WhatIsMissing() is { } missing)
            errors.Require(false, "protocol", missing);
        if (errors.Found.Count > 0)
            throw ApiProblemException.Invalid(errors.Found);
        return input.Protocol.Score(input.Inputs, input.Seed);
    }
}
