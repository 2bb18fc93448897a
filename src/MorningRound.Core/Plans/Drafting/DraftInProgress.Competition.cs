using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>The day of arriving at a competition, and the days on which it is played.</summary>
internal sealed partial class DraftInProgress
{
    /// <summary>More than this on the day of arrival would be work. The product's own number.</summary>
    private const int MostOnArrival = 45;

    private const int LongestWarmUp = 40;

    private bool IsPlayed(Competition competition) => _context.Day >= competition.FirstDay;

    /// <summary>On a day of play there is a warm-up and nothing else.</summary>
    private Drafted BeforePlaying(Competition competition)
    {
        var warmUp = WarmUps.Of(WarmUpFor(Math.Min(_request.Minutes, LongestWarmUp), WarmUpBefore.Round));
        foreach (var part in warmUp.Parts)
            Add(WarmUps.ToSegment(part, NextId()), part.Area == Area.Body ? DraftSentences.BodyFirst.Of() : warmUp.Reason);
        Compromise(null, DraftSentences.OnlyAWarmUp.Of(competition.Name));
        return Whole(
            $"Before {competition.Name}",
            "Come to the first tee ready, with one aim and nothing to repair",
            "The first ball is hit without a thought about the swing"
        );
    }

    /// <summary>On arrival: the speed of those greens, a start line, chips from their grass; no swing is looked at.</summary>
    private Drafted OnArrival(Competition competition)
    {
        var minutes = Math.Min(_request.Minutes, MostOnArrival);
        if (minutes >= 10)
        {
            var loosening = Math.Clamp(minutes / 10, 2, 4);
            Add(StretchSegment(loosening), DraftSentences.BodyFirst.Of());
            minutes -= loosening;
        }

        _room = minutes;
        var putting = _request.Places.Contains(PlaceKind.PuttingGreen) || !_request.Places.Contains(PlaceKind.ChippingGreen);
        var chipping = _request.Places.Contains(PlaceKind.ChippingGreen);
        var pace = putting ? minutes * (chipping ? 40 : 60) / 100 : 0;
        var chips = chipping ? (putting ? minutes * 30 / 100 : minutes) : 0;
        FillWith(pace, PlaceKind.PuttingGreen, d => d.Drill is { Area: Area.Putting, Skill: "pace" }, DraftSentences.ArrivalPace);
        FillWith(
            minutes - pace - chips,
            PlaceKind.PuttingGreen,
            d => d.Drill is { Area: Area.Putting, Skill: "start line" },
            DraftSentences.StartLine
        );
        FillWith(chips, PlaceKind.ChippingGreen, d => d.Drill.Area == Area.Chip, DraftSentences.ArrivalChips);
        if (!_segments.OfType<PracticeSegment>().Any(s => s.Phase != Phase.WarmUp))
        {
            Compromise(null, DraftSentences.ArrivalNeedsGreen.Of(competition.Name));
            return Nothing();
        }

        if (_request.Minutes > MostOnArrival)
            Compromise(null, DraftSentences.ArrivalIsShort.Of(competition.Name, MostOnArrival));
        return Whole(
            $"Arriving at {competition.Name}",
            "Learn how fast these greens are, and take one start line along",
            "The last long putts stop where you meant them to"
        );
    }

    /// <summary>A part of so many minutes with the best drill of a kind, known ones first.</summary>
    private void FillWith(int minutes, PlaceKind place, Func<Drills.ShelvedDrill, bool> isOfKind, Wording.Sentence why)
    {
        if (minutes < LeastSegment)
            return;
        var found = (
            from shelved in _shelf
            where isOfKind(shelved) && !_used.Contains(shelved.Id)
            from phase in shelved.Drill.Phases.Where(p => p is Phase.Block or Phase.Random)
            let slot = new Slot(phase, Intent.Skill, minutes, why.Of(), place)
            where Fits(shelved.Drill, slot, place, minutes)
            orderby _request.Known.Contains(shelved.Id) descending, Score(shelved, slot, place) descending
            select (Shelved: shelved, Slot: slot)
        ).FirstOrDefault();
        if (found.Shelved is null)
            return;
        _used.Add(found.Shelved.Id);
        Add(
            ToSegment(found.Shelved, found.Slot, place, Math.Min(minutes, Lengths(found.Shelved.Drill, found.Slot).Most)),
            why.Of()
        );
    }

    private Drafted Whole(string title, string purpose, string successTest)
    {
        var plan = new SessionPlan
        {
            Title = title,
            Purpose = purpose,
            SuccessTest = successTest,
            Constraints = new PlanConstraints
            {
                Minutes = _segments.Sum(s => s.Minutes),
                Balls = _request.Balls,
                Approach = Approach.Sharpen,
                Hot = _request.Hot,
                WarmedUpBefore = _request.WarmedUpBefore,
            },
            Segments = [.. _segments],
        };
        plan = WithinBalls(plan);
        return new Drafted(
            plan,
            [.. plan.Segments.Select(s => new SegmentReason(s.Id, _reasons[s.Id].In()))],
            [.. _compromises.Select(c => c.Message.In()).Distinct()],
            []
        );
    }
}
