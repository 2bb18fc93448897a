using MorningRound.Core.Courses;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.OnCourse;

/// <summary>Holes in words.</summary>
public static class HoleWords
{
    /// <summary>
    /// How a hole lies where it is played: between which edges, on which side of them there is trouble, what lies across, which
    /// side is safe. Trouble is named by the edge it lies beyond.
    /// </summary>
    public static Message HowItLies(LaidHole hole, LaidHoles laid)
    {
        List<Message> said = [];
        if (hole.Fairway is { } fairway)
            said.Add(TheFairway(fairway, laid));
        if (hole.Bend != Bend.Straight)
            said.Add(OnCourseSentences.Bends.Of(hole.Bend));
        said.AddRange(Trouble(hole, TargetSide.Left));
        said.AddRange(Trouble(hole, TargetSide.Right));
        if (hole.Across is { } across)
            said.Add(OnCourseSentences.CrossesAt.Of(across.Kind, across.From, across.To, laid.Unit.Sign()));
        if (hole.SafeSide is { } safe)
            said.Add(OnCourseSentences.SafeSide.Of(safe));
        return OnCourseSentences.Lies.Of(new MessageList(" ", said));
    }

    /// <summary>That there is no fairway in what lies across, and where that is; null where nothing lies across.</summary>
    public static Message? NoFairwayIn(LaidHole hole, LaidHoles laid) =>
        hole.Across is { } across
            ? OnCourseSentences.NoFairwayThere.Of(across.Kind, across.From, across.To, laid.Unit.Sign())
            : null;

    private static Message TheFairway(LaidFairway fairway, LaidHoles laid)
    {
        var unit = laid.Unit.Sign();
        return fairway switch
        {
            { Left: { } left, Right: { } right } => OnCourseSentences.Between.Of(Edge(left), Edge(right), fairway.Width, unit),
            _ when laid.IsMeasured => OnCourseSentences.BayShows.Of(fairway.Width, unit),
            { Centre: "" } => OnCourseSentences.NothingToAimAt.Of(fairway.Width, unit, fairway.Width / 2),
            _ => OnCourseSentences.StraightAt.Of(fairway.Centre, fairway.Width, unit, fairway.Width / 2),
        };
    }

    private static IEnumerable<Message> Trouble(LaidHole hole, TargetSide side)
    {
        if ((side == TargetSide.Left ? hole.Left : hole.Right) is not { } kind)
            yield break;
        // An edge between two targets has just been named, and its name is long.
        yield return (side == TargetSide.Left ? hole.Fairway?.Left : hole.Fairway?.Right) is { Targets: [var target] }
            ? OnCourseSentences.TroubleBeyond.Of(kind, side, target)
            : OnCourseSentences.TroubleAlong.Of(kind, side);
    }

    private static object Edge(FairwayEdge edge) =>
        edge.Targets is [var from, var to] ? OnCourseSentences.Halfway.Of(from, to) : edge.Targets[0];
}
