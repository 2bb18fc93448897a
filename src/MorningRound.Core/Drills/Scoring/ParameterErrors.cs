using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>Checks that several protocols share.</summary>
internal static class ParameterErrors
{
    private const int MostDistances = 12;

    /// <summary>Whole distances from near to far, none twice.</summary>
    public static FieldErrors RequireDistances(
        this FieldErrors errors,
        IReadOnlyList<int> distances,
        int farthest,
        string path
    ) =>
        errors
            .Require(distances.Count is >= 1 and <= MostDistances, path, $"Between 1 and {MostDistances} distances, please.")
            .Require(distances.All(d => d >= 1 && d <= farthest), path, $"Distances lie between 1 and {farthest}.")
            .Require(
                distances.Zip(distances.Skip(1)).All(pair => pair.First < pair.Second),
                path,
                "Distances go from near to far, each once."
            );

    public static FieldErrors RequireUnit(this FieldErrors errors, LengthUnit unit, string path, params LengthUnit[] allowed) =>
        errors.Require(
            allowed.Contains(unit),
            path,
            $"In {string.Join(" or ", allowed.Select(a => a.ToString().ToLowerInvariant()))}, please."
        );
}
