using MorningRound.Core.Golf;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Server.Sessions;

/// <summary>A hole of a card.</summary>
public sealed record HoleCardView
{
    public required int Number { get; init; }

    public required int Par { get; init; }

    public required MarkedLength Length { get; init; }

    /// <summary>Null while its putt waits.</summary>
    public required double? Score { get; init; }

    /// <summary>Null where none was played, or while it waits.</summary>
    public required double? Putts { get; init; }

    public required bool IsPickedUp { get; init; }

    /// <summary>Null on a par 3.</summary>
    public required bool? FairwayHit { get; init; }

    /// <summary>The side on which the tee shot missed; null where it did not, or nobody said.</summary>
    public required TargetSide? TeeShotMissed { get; init; }

    /// <summary>Null while it is open.</summary>
    public required bool? GreenInRegulation { get; init; }

    public static HoleCardView Of(HoleCard hole) =>
        new()
        {
            Number = hole.Number,
            Par = hole.Par,
            Length = hole.Length,
            Score = hole.Score,
            Putts = hole.Putts,
            IsPickedUp = hole.IsPickedUp,
            FairwayHit = hole.FairwayHit,
            TeeShotMissed = hole.FairwayHit is false ? hole.Shots[0].Finish.Rule().Side : null,
            GreenInRegulation = hole.GreenInRegulation,
        };
}

/// <summary>What played holes gave, as it would stand on paper, and where strokes were gained and lost.</summary>
public sealed record CardView
{
    public required IReadOnlyList<HoleCardView> Holes { get; init; }

    /// <summary>How many holes are over; what follows is of those.</summary>
    public required int Over { get; init; }

    public required int Par { get; init; }

    public required double Score { get; init; }

    public required double Putts { get; init; }

    /// <summary>Whether putts are what is usual from there, rather than hit.</summary>
    public required bool PuttsAreExpected { get; init; }

    public required int Penalties { get; init; }

    public required CountOf Fairways { get; init; }

    public required CountOf Greens { get; init; }

    public required CountOf UpAndDowns { get; init; }

    /// <summary>By part of the game; holes that were picked up are left out.</summary>
    public required IReadOnlyList<PartGained> Gained { get; init; }

    /// <summary>Null where nothing was played.</summary>
    public static CardView? Of(Card? card) =>
        card is not { Holes.Count: > 0 }
            ? null
            : new CardView
            {
                Holes = [.. card.Holes.Select(HoleCardView.Of)],
                Over = card.Over.Count(),
                Par = card.Par,
                Score = card.Score,
                Putts = card.Putts,
                PuttsAreExpected = card.Holes.Any(h => h.PuttsAreExpected),
                Penalties = card.Penalties,
                Fairways = card.Fairways,
                Greens = card.Greens,
                UpAndDowns = card.UpAndDowns,
                Gained = card.Gained,
            };
}
