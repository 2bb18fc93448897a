namespace MorningRound.Core.Plans.Check;

internal static class BalanceRules
{
    /// <summary>From this length on a session has to leave the block.</summary>
    private const int TransferMinutes = 45;

    public static IEnumerable<PlanRule> All { get; } =
    [
        new(FindingId.PhaseOrder, FindingLevel.Advice, PhaseOrder),
        new(FindingId.Balance, FindingLevel.Advice, Balance),
        new(FindingId.NoTransfer, FindingLevel.Advice, NoTransfer),
        new(FindingId.SameCriterion, FindingLevel.Note, SameCriterion),
    ];

    private static IEnumerable<Found> PhaseOrder(CheckedPlan seen)
    {
        foreach (var part in seen.Practice.Where(s => CheckedPlan.PartOf(s) is not null).GroupBy(CheckedPlan.PartOf))
        {
            var first = part.FirstOrDefault(s => s.Phase is Phase.Random or Phase.OnCourse);
            if (first is null) continue;
            foreach (var late in part.SkipWhile(s => s != first).Where(s => s.Phase == Phase.Block))
            {
                yield return new Found(late.Id, "Block comes after random here; the same shot over and over belongs before the one that changes.", $"Move it before “{first.Title}”", () =>
                {
                    var rest = seen.Plan.Segments.Where(s => s.Id != late.Id).ToList();
                    rest.Insert(rest.FindIndex(s => s.Id == first.Id), late);
                    return seen.Plan with { Segments = rest };
                });
            }
        }
    }

    private static IEnumerable<Found> Balance(CheckedPlan seen)
    {
        if (seen.MinutesAfterWarmUp == 0 || seen.Context.ApproachOf(seen.Plan) is not { } approach) yield break;
        var bands = Approaches.Bands(approach, seen.Context.Season, seen.Context.Level);
        var name = Approaches.All.Single(s => s.Approach == approach).Name;
        foreach (var band in bands)
        {
            var minutes = MinutesOf(seen, band.Of);
            var percent = 100.0 * minutes / seen.MinutesAfterWarmUp;
            if (percent >= band.Least - 1e-9 && percent <= band.Most + 1e-9) continue;
            var isTooMuch = percent > band.Most;
            var bound = seen.MinutesAfterWarmUp * (isTooMuch ? band.Most : band.Least) / 100;
            var by = (int)Math.Ceiling(Math.Abs(minutes - bound) - 1e-9);
            var asked = band.Most >= 100 ? $"at least {band.Least:0}" : band.Least <= 0 ? $"at most {band.Most:0}" : $"{band.Least:0} to {band.Most:0}";
            yield return new Found(null,
                $"{Capital(band.Of.InWords())} has {percent:0} % of the minutes after warm-up; “{name}” asks for {asked} %: {by} min too {(isTooMuch ? "many" : "few")}.",
                "Divide the minutes by the approach", () => Balanced(seen, bands));
        }
    }

    private static int MinutesOf(CheckedPlan seen, ShareOf of) => seen.Practice.Where(s => s.Phase != Phase.WarmUp && of.Counts(s)).Sum(s => Math.Max(0, s.Minutes));

    /// <summary>Minutes after warm-up divided anew: every share moved into its band, each segment of it in proportion and at its own pace.</summary>
    private static SessionPlan Balanced(CheckedPlan seen, IReadOnlyList<ShareBand> bands)
    {
        var groups = seen.Practice.Where(s => s.Phase != Phase.WarmUp).GroupBy(s => bands.FirstOrDefault(b => b.Of.Counts(s))).ToList();
        var shares = groups.Select(g => 100.0 * g.Sum(s => s.Minutes) / seen.MinutesAfterWarmUp).ToList();
        // Into the middle of the band where the share lies outside; what that takes or leaves is shared by the groups that have room.
        var wanted = groups.Select((g, i) => g.Key is { } band && (shares[i] < band.Least || shares[i] > band.Most) ? (band.Least + Math.Min(band.Most, 100)) / 2 : shares[i]).ToList();
        for (var round = 0; round < 20 && Math.Abs(wanted.Sum() - 100) > 0.01; round++)
        {
            var missing = 100 - wanted.Sum();
            var room = groups.Select((g, i) => Room(g.Key, wanted[i], missing > 0)).ToList();
            if (room.Sum() <= 0.01) break;
            for (var i = 0; i < wanted.Count; i++) wanted[i] += Math.Sign(missing) * Math.Min(room[i], Math.Abs(missing) * room[i] / room.Sum());
        }

        var minutes = new Dictionary<Guid, int>();
        foreach (var (group, i) in groups.Select((g, i) => (g, i)))
        {
            var had = group.Sum(s => s.Minutes);
            foreach (var segment in group)
                minutes[segment.Id] = Math.Max(1, (int)Math.Round(seen.MinutesAfterWarmUp * wanted[i] / 100 * segment.Minutes / Math.Max(1, had), MidpointRounding.AwayFromZero));
        }

        // Rounding may leave a minute over, or one too many; the longest segment carries it.
        var longest = minutes.MaxBy(m => m.Value).Key;
        minutes[longest] = Math.Max(1, minutes[longest] + seen.MinutesAfterWarmUp - minutes.Values.Sum());
        return seen.Plan with
        {
            Segments = [.. seen.Plan.Segments.Select(s => s is PracticeSegment p && minutes.TryGetValue(p.Id, out var now) && now != p.Minutes
                ? Mending.Lasting(p, now)
                : s)],
        };
    }

    private static double Room(ShareBand? band, double share, bool upwards) =>
        upwards ? Math.Max(0, Math.Min(100, band?.Most ?? 100) - share) : Math.Max(0, share - (band?.Least ?? 0));

    private static IEnumerable<Found> NoTransfer(CheckedPlan seen)
    {
        if (seen.Minutes < TransferMinutes || seen.Practice.Count == 0 || seen.IsOnlyWarmUp || seen.Practice.Any(s => s.Phase is Phase.Random or Phase.OnCourse)) yield break;
        const string Why = "Nothing in it proves that it holds when the shot changes: no random and no on-course part.";
        var last = seen.Practice.LastOrDefault(s => s is { Phase: Phase.Block, Intent: Intent.Skill });
        yield return last is null
            ? new Found(null, Why)
            : new Found(null, Why, $"Make “{last.Title}” random", () => seen.With(last, s => s with { Phase = Phase.Random }));
    }

    private static IEnumerable<Found> SameCriterion(CheckedPlan seen)
    {
        foreach (var skill in seen.Practice.Where(s => s.SkillOrDrills.Length > 0 && s.CriterionOrDrills.Length > 0).GroupBy(s => (s.AreaOrDrills, s.SkillOrDrills)))
        {
            var block = skill.FirstOrDefault(s => s.Phase == Phase.Block);
            if (block is null) continue;
            foreach (var other in skill.Where(s => s.Phase is Phase.Random or Phase.OnCourse && s.CriterionOrDrills != block.CriterionOrDrills))
            {
                yield return new Found(other.Id, $"{Capital(skill.Key.SkillOrDrills)} is counted differently here than in block, so it cannot be told what carries over.",
                    "Count it as in block", () => seen.With(other, s => s with { Criterion = block.CriterionOrDrills }));
            }
        }
    }

    private static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];
}
