using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Places;
using MorningRound.Core.Units;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>The segment that is made of a drill: its clubs, balls, focus.</summary>
internal sealed partial class DraftInProgress
{
    private const int FewClubs = 3;

    private static readonly Club[] Rare = [Club.LobWedge, Club.GapWedge, Club.Wood7, Club.Iron3, Club.Iron4];

    private bool _isDislikedIn;

    private PracticeSegment ToSegment(ShelvedDrill shelved, Slot slot, PlaceKind place, int minutes)
    {
        var drill = shelved.Drill;
        var rung = drill.BeginningRung(_context.Level);
        var protocol = drill.ProtocolAt(rung).For(_context.PlayerAt(place));
        var isHoles = slot.Phase == Phase.OnCourse && IsHoles(drill) && place == PlaceKind.Range;
        var (clubs, disliked) = WithDisliked(ClubsFor(drill, protocol, slot, place), drill, slot);
        var segment = new PracticeSegment
        {
            Id = NextId(),
            Title = drill.Name,
            Instruction = disliked,
            Minutes = minutes,
            Phase = slot.Phase,
            Intent = slot.Intent,
            Area = drill.Area,
            Place = place,
            Clubs = clubs,
            Cue = drill.Cues.Count > 0 ? drill.Cues[0] : "",
            Feedback = drill.Feedback,
            Focus = slot.Intent == Intent.Technique ? FocusWords(drill) : "",
            SlowRepetitions = IsSlow(drill, slot),
            FullRoutine = slot.Phase == Phase.OnCourse,
            Holes = isHoles ? HolesIn(minutes) : null,
            Play = isHoles ? HolesFor(HolesIn(minutes)) : null,
            Exit =
                drill.UsualBalls > 0 && protocol.CountBy is CountBy.Segment or CountBy.Drill
                    ? new AfterBalls()
                    : new AfterMinutes(),
            Balls = drill.UsualBalls == 0 ? 0 : 1,
            Priority = slot.Intent == Intent.Performance ? 1 : 2,
            Drill = new PlannedDrill
            {
                DrillId = shelved.Id,
                Drill = drill,
                Rung = rung,
                Goal = drill.UsualGoal(rung),
            },
        };
        if (slot.Phase == Phase.Block)
            (_blockSkill, _blockArea) = (drill.Skill, drill.Area);

        return segment.WithBalls(BallsFor(segment)) with
        {
            Exit = segment.Exit,
        };
    }

    /// <summary>
    /// The clubs of a drill that are in the bag and allowed, short ones first. Whatever the drill itself names comes from the bag
    /// already; a beginner has two or three.
    /// </summary>
    private IReadOnlyList<Club> ClubsFor(Drill drill, ScoringProtocol protocol, Slot slot, PlaceKind place)
    {
        IReadOnlyList<Club> named = protocol switch
        {
            CalledShots called => called.Clubs,
            ProximityLevels levels => [.. levels.Stations.Select(s => s.Club).Distinct()],
            CarryGrid grid => [.. grid.Cells.Select(c => c.Club).Distinct()],
            Window window => [.. window.Clubs.Select(c => c.Club)],
            _ => [],
        };
        var bag = _context.Student?.Coach.Bag.Select(b => b.Club).ToList() ?? [];
        var forbidden = Forbidden(place);
        // Where the bag is not on record, only what nearly everybody carries.
        bool IsUsable(Club club) => (bag.Count == 0 ? !Rare.Contains(club) : bag.Contains(club)) && !forbidden.Contains(club);
        if (named.Count > 0)
            return named.All(c => IsUsable(c) || (bag.Count == 0 && !forbidden.Contains(c)))
                ? [.. named.OrderByDescending(c => c)]
                : [];

        var wanted = Wanted(drill, slot).Where(IsUsable).ToList();
        var liked = wanted.Where(c => _context.Student?.Own.DislikedClubs.Contains(c) != true).ToList();
        if (liked.Count > 0)
            wanted = liked;
        return [.. wanted.Take(_context.Level == Level.New ? FewClubs : wanted.Count).OrderByDescending(c => c)];
    }

    private Club[] Wanted(Drill drill, Slot slot) =>
        drill.ClubGroup switch
        {
            ClubGroup.None => [],
            ClubGroup.Putter => [Club.Putter],
            ClubGroup.Wedges => slot.Phase == Phase.Block
                ? [Club.SandWedge, Club.PitchingWedge, Club.GapWedge]
                : [Club.SandWedge, Club.PitchingWedge, Club.GapWedge, Club.LobWedge],
            ClubGroup.ShortIrons => [Club.Iron9, Club.Iron8],
            ClubGroup.MidIrons => slot.Phase == Phase.Block ? [Club.Iron7] : [Club.Iron7, Club.Iron6, Club.Iron8],
            ClubGroup.LongIronsAndHybrids => [Club.Hybrid, Club.Iron4, Club.Iron5],
            ClubGroup.Woods => [Club.Wood5, Club.Wood3, Club.Wood7],
            ClubGroup.WoodsAndHybrids => [Club.Hybrid, Club.Wood5, Club.Wood7, Club.Wood3],
            ClubGroup.Driver => [Club.Driver],
            _ when IsHoles(drill) =>
            [
                Club.PitchingWedge,
                Club.Iron7,
                .. _about.Area switch
                {
                    Area.Wedge or Area.Iron => new[] { Club.Hybrid },
                    Area.Wood => [Club.Hybrid, Club.Wood5, Club.Wood3],
                    _ => [Club.Driver],
                },
            ],
            _ => drill.Area switch
            {
                Area.Putting => [Club.Putter],
                Area.Chip => [Club.SandWedge, Club.PitchingWedge, Club.Iron8],
                Area.Pitch or Area.Bunker => [Club.SandWedge, Club.PitchingWedge],
                Area.Wedge => [Club.PitchingWedge, Club.SandWedge],
                Area.Body => [],
                Area.Driver => [Club.Driver, Club.Iron7, Club.PitchingWedge],
                Area.Wood => [Club.Hybrid, Club.Wood5, Club.Wood3],
                _ when _about.Area == Area.Wedge => [Club.SandWedge, Club.PitchingWedge, Club.Iron9],
                _ when _about.Area == Area.Driver => [Club.Iron7, Club.Driver, Club.PitchingWedge],
                _ => [Club.Iron9, Club.Iron7, Club.Hybrid, Club.Iron5],
            },
        };

    /// <summary>
    /// Some calls are awkward on purpose: the club and the side the student does not like come once, where the shot changes,
    /// and the student is told so.
    /// </summary>
    private (IReadOnlyList<Club> Clubs, string Instruction) WithDisliked(IReadOnlyList<Club> clubs, Drill drill, Slot slot)
    {
        if (
            _isDislikedIn
            || slot.Phase != Phase.Random
            || drill is not { Swing: SwingSize.Full, ClubGroup: ClubGroup.Any, Protocol: MakeRate }
            || _context.Student?.Own is not { } own
        )
            return (clubs, "");
        var club = own.DislikedClubs.Cast<Club?>().FirstOrDefault(c => c > Club.Driver && InBag(c!.Value) && c != Club.Putter);
        var side = own.DislikedSides.Cast<TargetSide?>().FirstOrDefault();
        if (club is null && side is null)
            return (clubs, "");
        _isDislikedIn = true;
        var words = new[]
        {
            club is { } named ? $"The {named.InWords()} is in it on purpose" : "",
            side is { } to
                ? $"{(club is null ? "Every" : "every")} third ball has the trouble on the {to.ToString().ToLowerInvariant()}"
                : "",
        };
        return (
            club is { } disliked ? [.. clubs.Append(disliked).Distinct().OrderByDescending(c => c)] : clubs,
            $"{string.Join(", and ", words.Where(w => w.Length > 0))}."
        );
    }

    private bool InBag(Club club) =>
        _context.Student?.Coach.Bag is { Count: > 0 } bag
        && bag.Any(b => b.Club == club)
        && !Forbidden(PlaceKind.Range).Contains(club);

    private IReadOnlyCollection<Club> Forbidden(PlaceKind place)
    {
        var grounds = _context.Places.Where(p => p.Place.Kind == place).ToList();
        return grounds.Count == 0
            ? []
            : [.. grounds[0].Place.ForbiddenClubs.Where(c => grounds.All(g => g.Place.ForbiddenClubs.Contains(c)))];
    }

    /// <summary>
    /// The coach's focus where the drill is of its area and works on its skill or on the change itself, or, where nobody said
    /// which area that is, where it answers the fault.
    /// </summary>
    private string FocusWords(Drill drill)
    {
        var focus = _context.Student?.Coach.Focus;
        bool IsOnIt(Area area) =>
            drill.Area == area && (focus.Skill.Length == 0 || drill.Skill == focus.Skill || drill.Skill == TheChange);
        return focus?.Goal.Length > 0 && (focus.Area is { } area ? IsOnIt(area) : AidFits(drill))
            ? focus.AimInWords()
            : KeepItGoing;
    }

    /// <summary>The skill of drills that serve whatever is being changed.</summary>
    private const string TheChange = "the change";

    private const string KeepItGoing = "Keep it going";

    /// <summary>
    /// The balls of a segment: the drill's own number where it has one; otherwise at the drill's own pace, within what is usual.
    /// </summary>
    private static int BallsFor(PracticeSegment segment)
    {
        if (segment.Drill is not { Drill: { UsualBalls: > 0 } drill } planned)
            return segment.Drill is null ? segment.Balls : 0;
        if (segment.Holes is { } holes)
            return BallsAHole * holes;
        if (planned.Protocol().OwnStrokes is { } own)
            return own;
        var pace = (double)drill.UsualBalls / drill.UsualMinutes;
        if (UsualPace.Of(segment) is { } usual)
            pace = Math.Clamp(pace, usual.Least + 0.05, usual.Most);
        return Math.Max(1, (int)Math.Round(pace * segment.Minutes, MidpointRounding.AwayFromZero));
    }

    /// <summary>A segment of other length, with the balls and holes that fit it.</summary>
    private static PracticeSegment Resized(PracticeSegment segment, int minutes)
    {
        var other = WithHolesIn(segment with { Minutes = minutes }, minutes);
        return other.WithBalls(segment.Drill is null ? segment.Balls * minutes / segment.Minutes : BallsFor(other));
    }

    /// <summary>
    /// Quick holes with the clubs that the draft is about, as long as the student's own clubs make them; null where no carry is
    /// on record.
    /// </summary>
    private HolesToPlay? HolesFor(int holes) =>
        QuickHoles.For(holes, _about.IsSet ? _about.Area : null, _context.PlayerAt(PlaceKind.Range), _context.Day.DayNumber % 4);

    private static PracticeSegment WithHolesIn(PracticeSegment segment, int minutes) =>
        segment.Holes is null ? segment : segment.WithHoles(HolesIn(minutes));

    private static int HolesIn(int minutes) => Math.Clamp(minutes / MinutesAHole, 1, PlanRules.MostHoles);
}
