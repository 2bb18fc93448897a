using MorningRound.Core.Review;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Review;

public class LookTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly LookFacts Quiet = new(null, null, [Assigned(60, null, day: Today)], [], null);

    private static LookReason ReasonFor(LookFacts facts) => Look.At(facts, Today).Reason;

    [Fact]
    public void Nothing_special_is_on_track() => Assert.Equal(LookReason.OnTrack, ReasonFor(Quiet));

    [Fact]
    public void Pain_comes_before_everything_for_a_fortnight()
    {
        var hurt = Quiet with { ThisWeek = [], WorstPart = "wrist, 5 of 10", PainEndedSessionOn = Today.AddDays(-14) };
        Assert.Equal(new Look(LookReason.Pain, "wrist, 5 of 10"), Look.At(hurt, Today));
        Assert.Equal(LookReason.NothingSet, ReasonFor(hurt with { PainEndedSessionOn = Today.AddDays(-15) }));
    }

    [Fact]
    public void Missed_must_sessions_are_counted_over_two_weeks()
    {
        var yesterday = Assigned(60, null, day: Today.AddDays(-1));
        Assert.Equal("missed 2", Look.At(Quiet with { ThisWeek = [yesterday], LastWeek = [yesterday] }, Today).Words);
    }

    [Fact]
    public void A_missed_extra_is_not_missed() =>
        Assert.Equal(LookReason.OnTrack, ReasonFor(Quiet with { LastWeek = [Assigned(60, null, Requirement.Extra, day: Today.AddDays(-7))] }));

    [Fact]
    public void A_note_of_the_last_seven_days_wants_reading()
    {
        Assert.Equal(LookReason.Note, ReasonFor(Quiet with { LastNoteOn = Today.AddDays(-7) }));
        Assert.Equal(LookReason.OnTrack, ReasonFor(Quiet with { LastNoteOn = Today.AddDays(-8) }));
    }

    [Fact]
    public void A_week_of_nothing_but_excuses_is_away() =>
        Assert.Equal(LookReason.Away, ReasonFor(Quiet with { ThisWeek = [Assigned(60, null, excuse: Excuse.Away)] }));
}
