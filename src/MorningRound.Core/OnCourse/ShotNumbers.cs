using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>Something a shot can be played with, and how far that goes.</summary>
public sealed record ShotNumber
{
    /// <summary>What it is recorded as: "iron7", "sandWedge-ten".</summary>
    public required string Value { get; init; }

    /// <summary>The club.</summary>
    public required Club Club { get; init; }

    /// <summary>The length of the swing, where it is one of the wedge grid's; null for a stock full swing.</summary>
    public SwingLength? Swing { get; init; }

    /// <summary>How far it carries here, in whole units of the play; null where nobody measured. It is never guessed.</summary>
    public int? Carry { get; init; }

    /// <summary>
    /// Whether it was measured under other conditions than these: another ball, another ground. Such numbers are shown with it.
    /// </summary>
    public bool IsUnlike { get; init; }

    /// <summary>
    /// How far it carries from a lie, in whole units of the play: rough takes 5 % off a wedge, 10 % off an iron and 15 % off a
    /// wood or a hybrid; a punch out of trees goes half as far. Null where nobody measured.
    /// </summary>
    /// <remarks>Source: from memory; 10 % for irons and the half are the product's own.</remarks>
    public int? CarryFrom(Lie lie) =>
        Carry is { } carry ? (int)Math.Round(carry * ShareFrom(lie), MidpointRounding.AwayFromZero) : null;

    private double ShareFrom(Lie lie) =>
        lie switch
        {
            Lie.Rough when Club >= Club.PitchingWedge => 0.95,
            Lie.Rough when Club >= Club.Iron3 => 0.90,
            Lie.Rough => 0.85,
            Lie.Recovery => 0.5,
            _ => 1,
        };

    /// <summary>As it stands on a button.</summary>
    public string InWords() => Swing is { } swing ? $"{Club.InWords()}, {swing.InWords()}" : Club.InWords();
}

/// <summary>What a player's clubs do on a ground: the numbers that choices are made from.</summary>
public static class ShotNumbers
{
    /// <summary>What a putter is recorded as. It can be chosen near a green, and carries nothing.</summary>
    public static string Putter { get; } = NameOf(Club.Putter);

    /// <summary>
    /// Every club of the bag but the putter with its carry, and every part swing of the wedge grid, the longest first; what
    /// nobody measured comes last. Where the bag is not on record, every club without a number.
    /// </summary>
    /// <param name="player">The player, on a ground.</param>
    /// <param name="unit">The unit of the play: yards or metres.</param>
    public static IReadOnlyList<ShotNumber> Of(PlayerNumbers player, LengthUnit unit)
    {
        var clubs =
            player.Bag.Count > 0
                ? player.Bag
                : [.. Enum.GetValues<Club>().Where(c => c != Club.Putter).Select(c => new BagClub { Club = c })];
        int Here(MarkedLength carry) =>
            (int)Math.Round(carry.In(unit).Value * (1 + (player.CarriesFurtherPercent / 100.0)), MidpointRounding.AwayFromZero);
        return
        [
            .. clubs
                .Where(c => c.Club != Club.Putter)
                .Select(c => new ShotNumber
                {
                    Value = NameOf(c.Club),
                    Club = c.Club,
                    Carry =
                        c.Carry is { } carry ? Here(carry)
                        : player.WedgeGrid.FirstOrDefault(n => n.Club == c.Club && n.Swing == SwingLength.Full) is { } full
                            ? Here(full.Carry)
                        : null,
                    IsUnlike = c.Carry is not null && !IsLike(c, player.Surface),
                })
                .Concat(
                    player
                        .WedgeGrid.Where(n => n.Swing != SwingLength.Full && player.Has(n.Club))
                        .Select(n => new ShotNumber
                        {
                            Value = $"{NameOf(n.Club)}-{NameOf(n.Swing)}",
                            Club = n.Club,
                            Swing = n.Swing,
                            Carry = Here(n.Carry),
                        })
                )
                .OrderByDescending(n => n.Carry ?? -1)
                .ThenBy(n => n.Club),
        ];
    }

    /// <summary>
    /// Whether a carry was measured as it is hit here. What nobody noted rules nothing out; on a ground that is no range nothing
    /// is known.
    /// </summary>
    private static bool IsLike(BagClub club, RangeSurface? surface) =>
        surface is not { } here
        || (
            club.Ball is null or BallKind.RangeBall
            && (
                club.From is null
                || club.From
                    == here switch
                    {
                        RangeSurface.Grass => HitFrom.Grass,
                        RangeSurface.Mat => HitFrom.Mat,
                        _ => HitFrom.Indoors,
                    }
            )
        );

    private static string NameOf<T>(T named)
        where T : struct, Enum
    {
        var name = named.ToString();
        return char.ToLowerInvariant(name[0]) + name[1..];
    }
}
