using MorningRound.Core.Sessions;
using MorningRound.Core.Statistics;

namespace MorningRound.Core.Progress;

/// <summary>Several comparable results read as one.</summary>
internal static class ResultsTogether
{
    /// <summary>
    /// The leading figure of results: attempts added up where it is a share; of a single result its own figure with its own
    /// doubt; otherwise the mean of the figures with the doubt of their spread.
    /// </summary>
    /// <param name="results">At least one, comparable with each other, each with a value.</param>
    public static GoalPoint Of(IReadOnlyList<DatedResult> results) =>
        Of(results, results[0].Result.Leading.Name, r => r.Result.Value!.Value);

    /// <summary>The same of another figure than the leading one.</summary>
    /// <param name="results">At least one, comparable with each other.</param>
    /// <param name="measure">The name of the figure.</param>
    /// <param name="value">The figure of a result.</param>
    public static GoalPoint Of(IReadOnlyList<DatedResult> results, string measure, Func<DatedResult, double> value)
    {
        var isLeading = results[0].Result.Leading.Name == measure;
        if (isLeading && results[0].Result.Leading.Unit == "%" && results.All(r => r.Result.Successes is not null))
        {
            var (made, of) = (results.Sum(r => r.Result.Successes!.Count), results.Sum(r => r.Result.Successes!.Of));
            return new GoalPoint(100.0 * made / of, Rate.Wilson(made, of).Times(100), of);
        }

        double[] values = [.. results.Select(value)];
        return new GoalPoint(
            values.Average(),
            isLeading && results.Count == 1 ? results[0].Result.Doubt : Sample.OfMean(values),
            results.Sum(r => r.Result.Attempts)
        );
    }
}
