using MorningRound.Core.Golf;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Review;

public class AttentionTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly AttentionFacts Quiet = new([], null, null, [Assigned(60, null, day: Today)], [], null, null);

    private static (AttentionReason Reason, string Text) Said(Attention attention) => (attention.Reason, attention.Text);

    private static AttentionReason ReasonFor(AttentionFacts facts) => Attention.At(facts, Today).Reason;

    [Fact]
    public void Nothing_special_is_on_track() => Assert.Equal(AttentionReason.OnTrack, ReasonFor(Quiet));

    private static OpenPain Hurts(int level, DateOnly lastOn) =>
        new()
        {
            Part = BodyPart.Knee,
            Side = BodySide.Lead,
            Where = "",
            Level = level,
            Sharp = false,
            Since = lastOn,
            LastOn = lastOn,
            NeedsClearing = level >= 4,
        };

    [Fact]
    public void Pain_that_somebody_has_to_clear_comes_before_everything_until_they_have()
    {
        var hurt = Quiet with { ThisWeek = [], Pain = [Hurts(5, Today.AddDays(-100))] };
        Assert.Equal((AttentionReason.Pain, "lead knee, 5 of 10"), Said(Attention.At(hurt, Today)));
        Assert.Equal(AttentionReason.NothingSet, ReasonFor(hurt with { Pain = [] }));
    }

    [Fact]
    public void Less_pain_is_not_on_track_either() =>
        Assert.Equal(
            (AttentionReason.LightPain, "lead knee, 2 of 10"),
            Said(Attention.At(Quiet with { Pain = [Hurts(2, Today)] }, Today))
        );

    [Fact]
    public void Feeling_unwell_is_looked_at_for_a_fortnight()
    {
        var unwell = Quiet with { Unwell = Unwell.Dizzy, UnwellOn = Today.AddDays(-14) };
        Assert.Equal((AttentionReason.Pain, "dizzy"), Said(Attention.At(unwell, Today)));
        Assert.Equal(AttentionReason.OnTrack, ReasonFor(unwell with { UnwellOn = Today.AddDays(-15) }));
    }

    [Fact]
    public void Practice_of_ones_own_is_nothing_that_was_set() =>
        Assert.Equal(AttentionReason.NothingSet, ReasonFor(Quiet with { ThisWeek = [Assigned(60, 60, Requirement.Own)] }));

    [Fact]
    public void Half_of_what_was_due_is_not_on_track() =>
        Assert.Equal(
            (AttentionReason.Behind, "30 of 60 min due"),
            Said(Attention.At(Quiet with { ThisWeek = [Assigned(60, 30, day: Today.AddDays(-1))] }, Today))
        );

    [Fact]
    public void What_was_practised_although_it_had_been_taken_out_wants_reading() =>
        Assert.Equal(AttentionReason.TakenOut, ReasonFor(Quiet with { KeptAfterTakenOutOn = Today.AddDays(-7) }));

    [Fact]
    public void Missed_must_sessions_are_counted_over_two_weeks()
    {
        var yesterday = Assigned(60, null, day: Today.AddDays(-1));
        Assert.Equal("missed 2", Attention.At(Quiet with { ThisWeek = [yesterday], LastWeek = [yesterday] }, Today).Text);
    }

    [Fact]
    public void A_missed_extra_is_not_missed() =>
        Assert.Equal(
            AttentionReason.OnTrack,
            ReasonFor(Quiet with { LastWeek = [Assigned(60, null, Requirement.Extra, day: Today.AddDays(-7))] })
        );

    [Fact]
    public void A_note_of_the_last_seven_days_wants_reading()
    {
        Assert.Equal(AttentionReason.Note, ReasonFor(Quiet with { LastNoteOn = Today.AddDays(-7) }));
        Assert.Equal(AttentionReason.OnTrack, ReasonFor(Quiet with { LastNoteOn = Today.AddDays(-8) }));
    }

    [Fact]
    public void A_week_of_nothing_but_excuses_is_away() =>
        Assert.Equal(AttentionReason.Away, ReasonFor(Quiet with { ThisWeek = [Assigned(60, null, excuse: Excuse.Away)] }));
}
