using MorningRound.Core.Golf;
using MorningRound.Core.Wording;

namespace MorningRound.Core.OnCourse;

/// <summary>A part of the game in which strokes are lost, by what rounds count.</summary>
public enum LosingPart
{
    /// <summary>Greens missed.</summary>
    Greens,

    /// <summary>Missed greens that were not saved.</summary>
    UpAndDowns,

    /// <summary>Putts on greens that were hit.</summary>
    Putting,

    /// <summary>Penalty strokes.</summary>
    Penalties,
}

/// <summary>What rounds say of one part.</summary>
/// <param name="Part">The part.</param>
/// <param name="Now">
/// What it is over the last rounds, in eighteen holes; a share for up and down, putts a green for putting.
/// </param>
/// <param name="Before">What it was over the student's own rounds before those; null where there are fewer than three.</param>
/// <param name="Usual">What is usual at the level, from memory.</param>
/// <param name="Count">The greens hit, saves, putts or penalty strokes of the last rounds that noted them.</param>
/// <param name="Of">The holes, missed greens or greens hit that they are of.</param>
/// <param name="Strokes">Strokes that are lost by it in eighteen holes against what is usual; below zero they are gained.</param>
public sealed record PartOfRounds(LosingPart Part, double Now, double? Before, double Usual, int Count, int Of, double Strokes);

/// <summary>Where strokes are lost, by the counts of real rounds.</summary>
/// <param name="Rounds">How many of the last rounds it is read from.</param>
/// <param name="Parts">The parts that are known, the one that costs most first.</param>
/// <param name="Said">What follows, with its evidence; or that there are not enough rounds to say.</param>
public sealed record LostStrokes(int Rounds, IReadOnlyList<PartOfRounds> Parts, Message Said)
{
    /// <summary>Fewer rounds say nothing. The same number is looked at, and as many before it. The product's own.</summary>
    public const int Fewest = 3;

    /// <summary>The most of the last rounds that are read together. The product's own.</summary>
    public const int Most = 8;

    /// <summary>The rounds that are looked at in all: the last ones, and as many before them.</summary>
    public const int LookedAt = 2 * Most;

    /// <summary>Less than this many strokes in eighteen holes is nothing to work on. The product's own.</summary>
    private const double WorthSaying = 0.5;

    /// <summary>A green that is missed costs about this much, saved or not. The product's own.</summary>
    private const double GreenCosts = 0.7;

    /// <summary>Where strokes are lost over the last rounds, at most <see cref="Most"/> of them.</summary>
    /// <param name="rounds">The student's rounds, in any order.</param>
    /// <param name="level">The level whose usual counts stand beside.</param>
    public static LostStrokes Of(IReadOnlyCollection<Round> rounds, Level level)
    {
        var known = rounds.OrderByDescending(r => r.Day).Select(r => (r.HolesPlayed, Totals: r.Totals())).ToList();
        if (known.Count < Fewest)
            return new LostStrokes(known.Count, [], OnCourseSentences.TooFewRounds.Of(known.Count, Fewest));
        var last = known.Take(Math.Max(Fewest, Math.Min(Most, known.Count / 2))).ToList();
        var before = known.Skip(last.Count).ToList();
        IReadOnlyList<PartOfRounds> parts =
        [
            .. Enum.GetValues<LosingPart>()
                .Select(part => PartOf(part, last, before, level))
                .OfType<PartOfRounds>()
                .OrderByDescending(p => p.Strokes),
        ];
        return new LostStrokes(
            last.Count,
            parts,
            parts.Count == 0 ? OnCourseSentences.RoundsSayTooLittle.Of()
                : parts[0].Strokes < WorthSaying ? OnCourseSentences.NothingStandsOut.Of(last.Count)
                : OnCourseSentences.LostMost.Of(Named(parts[0].Part), parts[0].Strokes, last.Count, Shown(parts[0]))
        );
    }

    /// <summary>
    /// The areas in which enough is lost to work on it, with the strokes in eighteen holes, the most first; of parts that more
    /// than one area serves, the nearest area first. Empty where rounds do not say.
    /// </summary>
    public IEnumerable<(LosingPart Part, Area Area, double Strokes)> Areas() =>
        Parts.Where(p => p.Strokes >= WorthSaying).SelectMany(p => AreasOf(p.Part).Select(area => (p.Part, area, p.Strokes)));

    /// <summary>The areas of practice that a part of the game is made of, the nearest first. The product's own.</summary>
    private static Area[] AreasOf(LosingPart part) =>
        part switch
        {
            LosingPart.Greens => [Area.Iron, Area.Wedge],
            LosingPart.UpAndDowns => [Area.Chip, Area.Pitch, Area.Bunker],
            LosingPart.Putting => [Area.Putting],
            _ => [Area.Driver, Area.Wood],
        };

    /// <summary>
    /// What is usual at a level in eighteen holes: greens, the share of missed ones saved, putts a green hit, penalty strokes.
    /// From memory.
    /// </summary>
    private static (double Greens, double Saved, double Putts, double Penalties) UsualAt(Level level) =>
        level switch
        {
            Level.New => (2, 0.08, 2.35, 4),
            Level.Improving => (5, 0.2, 2.1, 2.5),
            Level.SingleFigure => (9, 0.4, 1.93, 1.2),
            _ => (12, 0.55, 1.82, 0.6),
        };

    private static PartOfRounds? PartOf(
        LosingPart part,
        IReadOnlyList<(int Holes, RoundTotals Totals)> last,
        IReadOnlyList<(int Holes, RoundTotals Totals)> before,
        Level level
    )
    {
        if (Counted(part, last) is not { } counted)
            return null;
        var now = Figure(part, counted);
        var usual = UsualAt(level);
        var greens = Counted(LosingPart.Greens, last) is { } hit ? Figure(LosingPart.Greens, hit) : usual.Greens;
        var (standard, strokes) = part switch
        {
            LosingPart.Greens => (usual.Greens, (usual.Greens - now) * GreenCosts),
            LosingPart.UpAndDowns => (usual.Saved, (usual.Saved - now) * (18 - greens)),
            LosingPart.Putting => (usual.Putts, (now - usual.Putts) * greens),
            _ => (usual.Penalties, now - usual.Penalties),
        };
        var earlier = Counted(part, before);
        return new PartOfRounds(
            part,
            now,
            earlier is null ? null : Figure(part, earlier),
            standard,
            counted.Count,
            counted.Of,
            strokes
        );
    }

    /// <summary>What is counted over the rounds in which it was noted; null where it was noted in fewer than three.</summary>
    private static CountOf? Counted(LosingPart part, IReadOnlyList<(int Holes, RoundTotals Totals)> rounds)
    {
        CountOf? One((int Holes, RoundTotals Totals) round) =>
            (part, round.Totals) switch
            {
                (LosingPart.Greens, { Greens: { } greens }) => new CountOf(greens, round.Holes),
                (LosingPart.UpAndDowns, { UpAndDowns: { } saved }) => saved,
                (LosingPart.Putting, { PuttsOnGreensHit: { } putts, Greens: { } greens }) => new CountOf(putts, greens),
                (LosingPart.Penalties, { Penalties: { } penalties }) => new CountOf(penalties, round.Holes),
                _ => null,
            };
        var noted = rounds.Select(One).OfType<CountOf>().ToList();
        var of = noted.Sum(n => n.Of);
        return noted.Count < Fewest || of == 0 ? null : new CountOf(noted.Sum(n => n.Count), of);
    }

    /// <summary>In eighteen holes, or of one missed green, or putts a green.</summary>
    private static double Figure(LosingPart part, CountOf counted) =>
        (part is LosingPart.Greens or LosingPart.Penalties ? 18.0 : 1) * counted.Count / counted.Of;

    private static Message Named(LosingPart part) =>
        (
            part switch
            {
                LosingPart.Greens => OnCourseSentences.LostOnGreens,
                LosingPart.UpAndDowns => OnCourseSentences.LostOnSaves,
                LosingPart.Putting => OnCourseSentences.LostOnPutts,
                _ => OnCourseSentences.LostOnPenalties,
            }
        ).Of();

    private static Message Shown(PartOfRounds part) =>
        (
            part.Part switch
            {
                LosingPart.Greens => OnCourseSentences.GreensNow,
                LosingPart.UpAndDowns => OnCourseSentences.SavesNow,
                LosingPart.Putting => OnCourseSentences.PuttsNow,
                _ => OnCourseSentences.PenaltiesNow,
            }
        ).Of(part.Count, part.Of, part.Part == LosingPart.UpAndDowns ? 100 * part.Usual : part.Usual);
}
