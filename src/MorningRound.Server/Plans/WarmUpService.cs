using MorningRound.Core.Calendar;
using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Plans.Drafting;
using MorningRound.Server.Accounts;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Plans;

/// <summary>
/// A student's warm-ups for today and the six days after, of every school and in steps of five minutes, so that a phone without a
/// signal has them. Which irons come changes from one day to the next and back, so there are two sets of them.
/// </summary>
public sealed class WarmUpService(PlanContextService contexts, DomainClock clock)
{
    private const int Days = 7;
    private static readonly int[] Lengths = [5, 10, 15, 20, 25, 30];

    public async Task<WarmUpsView> OfAsync(Caller caller, Guid studentId, CancellationToken cancel)
    {
        caller.EnsureCanAccess(studentId, "student");
        var today = clock.Today(caller.TimeZone);
        var context = await contexts.OfAsync(caller, studentId, today, cancel);
        var aim = WarmUps.AimCheck(context.PlayerAt(PlaceKind.Range));
        return new WarmUpsView(
            [.. Enumerable.Range(0, Days).Select(n => new WarmUpDay(today.Plus(n), n % 2))],
            [.. new[] { today, today.Plus(1) }.Select(day => new WarmUpSet([.. On(day, context)]))],
            new WarmUpAim(aim.Compile(0), aim)
        );
    }

    private static IEnumerable<WarmUpView> On(DateOnly day, PlanContext context) =>
        from before in Enum.GetValues<WarmUpBefore>()
        from minutes in Lengths
        from school in Enum.GetValues<WarmUpSchool>()
        let request = WarmUpRequest.Of(context with { Day = day }, minutes, before, school)
        let warmUp = WarmUps.Of(request)
        select new WarmUpView(
            before,
            minutes,
            school,
            warmUp.Why,
            [
                .. warmUp.Parts.Select(p => new WarmUpPartView(
                    p.Title,
                    p.Text,
                    p.Place,
                    p.Minutes,
                    p.Balls,
                    p.Clubs,
                    WarmUps.ToSegment(p, Guid.Empty) is var segment ? segment.Exit.InWords(segment) : "",
                    p.IsAimCheck
                )),
            ]
        );
}

/// <summary>Warm-ups for a week from today on.</summary>
/// <param name="Days">The days, each with the set that is its own.</param>
/// <param name="Sets">The sets: that of today, and that of tomorrow.</param>
/// <param name="Aim">The aim check that some of them end with.</param>
public sealed record WarmUpsView(IReadOnlyList<WarmUpDay> Days, IReadOnlyList<WarmUpSet> Sets, WarmUpAim Aim);

/// <summary>The aim check, as the phone walks it.</summary>
public sealed record WarmUpAim(AttemptFlow Flow, ScoringProtocol Protocol);

/// <summary>A day, and which set is its own.</summary>
public sealed record WarmUpDay(DateOnly Day, int Set);

/// <summary>Every warm-up of a day: before a round and before a block, each length, each school.</summary>
public sealed record WarmUpSet(IReadOnlyList<WarmUpView> WarmUps);

/// <summary>A warm-up as it is read.</summary>
public sealed record WarmUpView(
    WarmUpBefore Before,
    int Minutes,
    WarmUpSchool School,
    string Why,
    IReadOnlyList<WarmUpPartView> Parts
);

/// <summary>One part of it.</summary>
public sealed record WarmUpPartView(
    string Title,
    string Text,
    PlaceKind Place,
    int Minutes,
    int Balls,
    IReadOnlyList<Club> Clubs,
    string Ends,
    bool IsAimCheck
);
