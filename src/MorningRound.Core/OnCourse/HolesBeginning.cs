using MorningRound.Core.Courses;
using MorningRound.Core.Units;

namespace MorningRound.Core.OnCourse;

/// <summary>What holes on the bench start as. It is there to be changed. The product's own.</summary>
/// <param name="Quick">A quick hole of each par.</param>
/// <param name="Factor">How wide a fairway is laid, as a share of the real one.</param>
public sealed record HolesBeginning(IReadOnlyList<QuickHole> Quick, double Factor)
{
    /// <summary>The usual one.</summary>
    public static HolesBeginning Usual { get; } = new([Hole(3, 140), Hole(4, 105), Hole(5, 75)], FairwayLayout.UsualFactor);

    private static QuickHole Hole(int par, double usuallyLeft) =>
        new() { Par = par, UsuallyLeft = new MarkedLength(usuallyLeft, LengthUnit.Yards) };
}
