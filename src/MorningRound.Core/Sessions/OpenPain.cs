using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;

namespace MorningRound.Core.Sessions;

/// <summary>What one log says of pain and of feeling unwell: as much of it as decides what still counts.</summary>
public sealed record PainNotes
{
    /// <summary>When the session began; null where the log does not say.</summary>
    public DateTimeOffset? StartedAt { get; init; }

    /// <summary>Pain as it was reported, mended reports as they are now.</summary>
    public IReadOnlyList<PainReported> Pain { get; init; } = [];

    /// <summary>How earlier pain was when the session began.</summary>
    public IReadOnlyList<PainFollowedUp> FollowUps { get; init; } = [];

    /// <summary>How the student felt when feeling unwell ended the session; null where it did not.</summary>
    public Unwell? Unwell { get; init; }

    /// <summary>The notes of a log; null where it says nothing of either.</summary>
    public static PainNotes? Of(SessionLog log) =>
        log.Pain.Count + log.FollowUps.Count == 0 && log.Unwell is null
            ? null
            : new PainNotes
            {
                StartedAt = log.StartedAt,
                Pain = log.Pain,
                FollowUps = log.FollowUps,
                Unwell = log.Unwell,
            };
}

/// <summary>What was said of pain on one day.</summary>
/// <param name="Day">The day of the session.</param>
/// <param name="Notes">What its log says.</param>
public sealed record PainOnDay(DateOnly Day, PainNotes Notes);

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
    /// <param name="said">What logs say of pain, in any order.</param>
    /// <param name="file">The student's file, with what was cleared.</param>
    public static IReadOnlyList<OpenPain> Of(IEnumerable<PainOnDay> said, StudentFile file)
    {
        var open = new Dictionary<(BodyPart Part, BodySide? Side, string Where), OpenPain>();
        foreach (var (day, notes) in said.OrderBy(s => s.Day).ThenBy(s => s.Notes.StartedAt))
        {
            // How it was is said before practice begins, new pain after it.
            foreach (var followUp in notes.FollowUps)
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

            foreach (var pain in notes.Pain)
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
    /// The parts a plan must spare, each once: uncleared pain of the file and reported pain that needs clearing, and as mild ones
    /// the parts that are a little sore.
    /// </summary>
    /// <param name="file">The student's file.</param>
    /// <param name="reported">Pain reported in sessions that still counts.</param>
    public static IReadOnlyList<HurtPart> HurtParts(StudentFile file, IEnumerable<OpenPain> reported) =>
        [
            .. file
                .Coach.PainfulParts.Where(p => !p.IsCleared)
                .Select(p => new HurtPart(p.Part, p.Side))
                .Concat(
                    reported.OrderByDescending(p => p.NeedsClearing).Select(p => new HurtPart(p.Part, p.Side, !p.NeedsClearing))
                )
                .DistinctBy(h => (h.Part, h.Side)),
        ];
}
