using System.Text.Json.Serialization;
using MorningRound.Core.Validation;

namespace MorningRound.Core.OnCourse;

/// <summary>A hole of a real round, as far as it was noted.</summary>
public sealed record RoundHole
{
    /// <summary>3 to 6.</summary>
    public required int Par { get; init; }

    /// <summary>Strokes, penalties and putts among them.</summary>
    public required int Score { get; init; }

    /// <summary>Whether the tee shot found the fairway; null on a par 3, and where nobody noted it.</summary>
    public bool? FairwayHit { get; init; }

    /// <summary>
    /// Whether the green was reached in par less two, where somebody noted it; otherwise <see cref="GreenInRegulation"/> tells it
    /// from the putts.
    /// </summary>
    public bool? GreenHit { get; init; }

    /// <summary>Putts; null where nobody noted them.</summary>
    public int? Putts { get; init; }

    /// <summary>Penalty strokes.</summary>
    public int Penalties { get; init; }

    /// <summary>
    /// Whether the green was reached in par less two: as noted, or by the strokes that were no putts. Null where neither is
    /// known.
    /// </summary>
    [JsonIgnore]
    public bool? GreenInRegulation => GreenHit ?? (Putts is { } putts ? Score - putts <= Par - 2 : null);
}

/// <summary>What a round came to. Whatever nobody noted is null, which is not zero.</summary>
public sealed record RoundTotals
{
    /// <summary>The par of the holes played.</summary>
    public required int Par { get; init; }

    /// <summary>Strokes.</summary>
    public required int Score { get; init; }

    /// <summary>Fairways hit, of those there were.</summary>
    public CountOf? Fairways { get; init; }

    /// <summary>Greens in regulation.</summary>
    public int? Greens { get; init; }

    /// <summary>Missed greens that were saved, of those missed.</summary>
    public CountOf? UpAndDowns { get; init; }

    /// <summary>Putts.</summary>
    public int? Putts { get; init; }

    /// <summary>Putts on the greens that were hit; null where holes were not noted one by one.</summary>
    public int? PuttsOnGreensHit { get; init; }

    /// <summary>Penalty strokes.</summary>
    public int? Penalties { get; init; }
}

/// <summary>A real round: what it came to, or hole by hole.</summary>
public sealed record Round
{
    /// <summary>The day.</summary>
    public required DateOnly Day { get; init; }

    /// <summary>Where it was played, in a few words.</summary>
    public required string Course { get; init; }

    /// <summary>How many holes, 9 or 18.</summary>
    public required int HolesPlayed { get; init; }

    /// <summary>What it came to, where nobody noted the holes.</summary>
    public RoundTotals? Noted { get; init; }

    /// <summary>Hole by hole, in order; empty where only totals were noted.</summary>
    public IReadOnlyList<RoundHole> Holes { get; init; } = [];

    /// <summary>What it came to: the totals that were noted, or those the holes add up to.</summary>
    /// <exception cref="InvalidOperationException">Neither was noted, which <see cref="Check"/> refuses.</exception>
    public RoundTotals Totals() =>
        Holes.Count > 0
            ? new RoundTotals
            {
                Par = Holes.Sum(h => h.Par),
                Score = Holes.Sum(h => h.Score),
                Fairways = Holes.Any(h => h.FairwayHit is not null)
                    ? new CountOf(Holes.Count(h => h.FairwayHit is true), Holes.Count(h => h.FairwayHit is not null))
                    : null,
                Greens = Holes.All(h => h.GreenInRegulation is not null) ? Holes.Count(h => h.GreenInRegulation is true) : null,
                UpAndDowns = Holes.All(h => h.GreenInRegulation is not null)
                    ? new CountOf(
                        Holes.Count(h => h.GreenInRegulation is false && h.Score <= h.Par),
                        Holes.Count(h => h.GreenInRegulation is false)
                    )
                    : null,
                Putts = Holes.All(h => h.Putts is not null) ? Holes.Sum(h => h.Putts) : null,
                PuttsOnGreensHit = Holes.All(h => h.Putts is not null && h.GreenInRegulation is not null)
                    ? Holes.Where(h => h.GreenInRegulation is true).Sum(h => h.Putts)
                    : null,
                Penalties = Holes.Sum(h => h.Penalties),
            }
            : Noted ?? throw new InvalidOperationException("A round has totals or holes.");

    /// <summary>
    /// Whether greens and putts can give the score: below what they give at least, a green was reached early or something was
    /// noted wrongly. Null where greens or putts are not noted.
    /// </summary>
    public bool? MakesSense() =>
        Totals() is { Greens: { } greens, Putts: { } putts } totals
            ? totals.Score >= Card.LeastScore(totals.Par, HolesPlayed, greens, putts)
            : null;

    /// <summary>Everything wrong, each with its path; empty when the round can be kept.</summary>
    /// <param name="today">No round lies after it, nor more than twenty years before.</param>
    public IReadOnlyList<FieldError> Check(DateOnly today)
    {
        var errors = new FieldErrors()
            .Require(Day <= today, "day", "A round is played before it is noted.")
            .Require(Day.Year >= today.Year - 20, "day", "At most twenty years ago, please.")
            .RequireText(Course, "course", 80)
            .Require(HolesPlayed is 9 or 18, "holesPlayed", "9 or 18 holes.")
            .Require(Noted is not null || Holes.Count > 0, "noted", "What it came to, or its holes.")
            .Require(
                Holes.Count == 0 || Holes.Count == HolesPlayed,
                "holes",
                $"All {HolesPlayed} holes, or only what it came to."
            );
        // What follows is measured by the number of holes.
        if (HolesPlayed is not (9 or 18))
            return errors.Found;
        for (var i = 0; i < Math.Min(18, Holes.Count); i++)
        {
            var (hole, at) = (Holes[i], $"holes[{i}]");
            errors
                .RequireBetween(hole.Par, 3, 6, $"{at}.par", "as par")
                .RequireBetween(hole.Score, 1, 20, $"{at}.score", "strokes")
                .Require(
                    hole.Putts is null || hole.Putts >= 0 && hole.Putts <= hole.Score,
                    $"{at}.putts",
                    "Not more putts than strokes."
                )
                .Require(
                    hole.Penalties >= 0 && hole.Penalties < hole.Score,
                    $"{at}.penalties",
                    "Fewer penalty strokes than strokes."
                )
                .Require(hole.FairwayHit is null || hole.Par > 3, $"{at}.fairwayHit", "A par 3 has no fairway to hit.")
                .Require(
                    hole.GreenHit is not true || hole.Putts is not { } putts || hole.Score - putts <= hole.Par - 2,
                    $"{at}.greenHit",
                    "With these putts it took more strokes than that to reach the green."
                );
        }

        if (Noted is not { } noted || Holes.Count > 0)
            return errors.Found;
        return errors
            .RequireBetween(noted.Par, 3 * HolesPlayed, 6 * HolesPlayed, "noted.par", "as par")
            .RequireBetween(noted.Score, HolesPlayed, 20 * HolesPlayed, "noted.score", "strokes")
            .Require(
                noted.Greens is null || noted.Greens >= 0 && noted.Greens <= HolesPlayed,
                "noted.greens",
                "At most one a hole."
            )
            .Require(
                noted.Putts is null || noted.Putts >= 0 && noted.Putts <= noted.Score,
                "noted.putts",
                "Not more putts than strokes."
            )
            .Require(
                noted.PuttsOnGreensHit is null
                    || noted.PuttsOnGreensHit >= 0 && noted.PuttsOnGreensHit <= (noted.Putts ?? noted.Score),
                "noted.puttsOnGreensHit",
                "Not more than all putts."
            )
            .Require(
                noted.Penalties is null || noted.Penalties >= 0 && noted.Penalties < noted.Score,
                "noted.penalties",
                "Fewer penalty strokes than strokes."
            )
            .Include(CheckCount(noted.Fairways, HolesPlayed, "noted.fairways"))
            .Include(CheckCount(noted.UpAndDowns, HolesPlayed, "noted.upAndDowns"))
            .Found;
    }

    private static IReadOnlyList<FieldError> CheckCount(CountOf? count, int holes, string path) =>
        new FieldErrors()
            .Require(
                count is null || count.Count >= 0 && count.Count <= count.Of && count.Of <= holes,
                path,
                "So many of so many, and at most one a hole."
            )
            .Found;
}
