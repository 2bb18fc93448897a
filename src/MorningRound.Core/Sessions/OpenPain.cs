using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;

namespace MorningRound.Core.Sessions;

/// <summary>A log that says something about pain: reports, or how it was when the session began.</summary>
/// <param name="Day">The day of the session.</param>
/// <param name="Log">The log.</param>
public sealed record PainOnDay(DateOnly Day, SessionLog Log);

/// <summary>
/// Pain that was reported and still counts: from 4 of 10, or sharp, until the file says that somebody cleared it; less until the
/// student says that it is gone.
/// </summary>
public sealed record OpenPain
{
    /// <summary>The part that hurts.</summary>
    public required BodyPart Part { get; init; }

    /// <summary>Its side; null for a part without sides.</summary>
    public required BodySide? Side { get; init; }

    /// <summary>Where, in the words of whoever has another part.</summary>
    public required string Where { get; init; }

    /// <summary>As last reported, 1–10.</summary>
    public required int Level { get; init; }

    /// <summary>Whether it was sharp.</summary>
    public required bool Sharp { get; init; }

    /// <summary>The day it was first reported, of this time.</summary>
    public required DateOnly Since { get; init; }

    /// <summary>The day it was last reported.</summary>
    public required DateOnly LastOn { get; init; }

    /// <summary>Whether only the file can end it, because it was once 4 or more, or sharp.</summary>
    public required bool NeedsClearing { get; init; }

    /// <summary>Where and how bad: "lead knee, 2 of 10".</summary>
    public string InWords() =>
        new PainReported
        {
            Sequence = 0,
            At = default,
            Part = Part,
            Side = Side,
            Where = Where,
            Level = Level,
            Sharp = Sharp,
        }.InWords();

    /// <summary>The pain of a student that still counts, the worst first.</summary>
    /// <param name="logs">Logs that say something of pain, in any order.</param>
    /// <param name="file">The student's file, with what was cleared.</param>
    public static IReadOnlyList<OpenPain> Of(IEnumerable<PainOnDay> logs, StudentFile file)
    {
        var open = new Dictionary<(BodyPart Part, BodySide? Side, string Where), OpenPain>();
        foreach (var (day, log) in logs.OrderBy(l => l.Day).ThenBy(l => l.Log.StartedAt))
        {
            // How it was is said before practice begins, new pain after it.
            foreach (var followUp in log.FollowUps)
            {
                foreach (var key in open.Keys.Where(k => k.Part == followUp.Part && k.Side == followUp.Side).ToList())
                {
                    var before = open[key];
                    if (followUp.Level > 0)
                        open[key] = before with { Level = followUp.Level, LastOn = day };
                    else if (!before.NeedsClearing)
                        open.Remove(key);
                }
            }

            foreach (var pain in log.Pain)
            {
                var key = (pain.Part, pain.Side, pain.Where.Trim().ToLowerInvariant());
                var before = open.GetValueOrDefault(key);
                open[key] = new OpenPain
                {
                    Part = pain.Part,
                    Side = pain.Side,
                    Where = pain.Where,
                    Level = pain.Level,
                    Sharp = pain.Sharp,
                    Since = before?.Since ?? day,
                    LastOn = day,
                    NeedsClearing = before?.NeedsClearing == true || PainRule.EndsSession(pain.Level, pain.Sharp),
                };
            }
        }

        return
        [
            .. open
                .Values.Where(p =>
                    !file.Coach.PainfulParts.Any(c => c.Part == p.Part && c.Side == p.Side && c.ClearedOn >= p.LastOn)
                )
                .OrderByDescending(p => p.NeedsClearing)
                .ThenByDescending(p => p.Level)
                .ThenBy(p => p.Part)
                .ThenBy(p => p.Side),
        ];
    }

    /// <summary>
    /// The parts a plan must spare: uncleared pain of the file, and reported pain that needs clearing, each part once.
    /// </summary>
    /// <param name="file">The student's file.</param>
    /// <param name="reported">Pain reported in sessions that still counts.</param>
    public static IReadOnlyList<HurtPart> HurtParts(StudentFile file, IEnumerable<OpenPain> reported) =>
        [
            .. file
                .Coach.PainfulParts.Where(p => !p.IsCleared)
                .Select(p => new HurtPart(p.Part, p.Side))
                .Concat(reported.Where(p => p.NeedsClearing).Select(p => new HurtPart(p.Part, p.Side)))
                .Distinct(),
        ];
}
