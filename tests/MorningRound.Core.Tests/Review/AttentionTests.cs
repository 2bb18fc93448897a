using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Progress;
using MorningRound.Core.Review;
using MorningRound.Core.Sessions;
using MorningRound.Core.Weeks;
using static MorningRound.Core.Tests.Given;

namespace MorningRound.Core.Tests.Review;

public class AttentionTests
{
    private static readonly DateOnly Today = new(2026, 5, 6);

    private static readonly AttentionFacts Quiet = new() { ThisWeek = [Assigned(60, null, day: Today)] };

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
        Assert.Equal((AttentionReason.Safety, "dizzy"), Said(Attention.At(unwell, Today)));
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

    [Fact]
    public void A_load_half_as_much_again_as_usual_is_a_reason_to_look_in_its_own_week_alone()
    {
        // Source: Gabbett, Br J Sports Med 50 (2016) 273: above 1.5 caution.
        var heavy = new Standing { Monday = Week.Monday, LoadRatio = 1.6 };
        Assert.Equal(
            (AttentionReason.Safety, "load 1.6 times the usual"),
            Said(Attention.At(Quiet with { Standing = heavy }, Today))
        );
        Assert.Equal(AttentionReason.OnTrack, ReasonFor(Quiet with { Standing = heavy with { LoadRatio = 1.5 } }));
        Assert.Equal(AttentionReason.OnTrack, ReasonFor(Quiet with { Standing = heavy with { Monday = Week.Plus(-1).Monday } }));
    }

    [Fact]
    public void From_the_middle_of_the_week_on_the_next_one_should_be_set()
    {
        var thursday = Today.AddDays(1);
        var quiet = Quiet with { ThisWeek = [Assigned(60, 60, day: Today)] };
        Assert.Equal(AttentionReason.OnTrack, Attention.At(quiet, Today).Reason);
        Assert.Equal((AttentionReason.NothingSet, "nothing set for next week"), Said(Attention.At(quiet, thursday)));
        Assert.Equal(AttentionReason.NothingSet, Attention.At(quiet, Today.AddDays(4)).Reason);
        Assert.Equal(AttentionReason.OnTrack, Attention.At(quiet with { IsNextWeekSet = true }, thursday).Reason);
    }

    [Fact]
    public void A_question_is_overdue_after_two_days()
    {
        Assert.Equal(AttentionReason.Unanswered, ReasonFor(Quiet with { WaitsSince = Today.AddDays(-2) }));
        Assert.Equal(AttentionReason.OnTrack, ReasonFor(Quiet with { WaitsSince = Today.AddDays(-1) }));
    }

    [Fact]
    public void A_greater_reason_counts_more_than_all_lesser_ones_together()
    {
        var pressing = Attention.At(Quiet with { Pain = [Hurts(5, Today)] }, Today);
        var much = Attention.At(
            Quiet with
            {
                ThisWeek = [],
                LastWeek = [Assigned(60, null, day: Today.AddDays(-7))],
                Pain = [Hurts(2, Today)],
                Unwell = Unwell.Dizzy,
                UnwellOn = Today,
                WaitsSince = Today.AddDays(-9),
                LastNoteOn = Today,
                KeptAfterTakenOutOn = Today,
                Standing = new Standing
                {
                    Plateau = new PlateauStanding("A drill", "held", Today),
                    DoneShares = Shares(0.9),
                    Trends = Trends(2, 0),
                },
            },
            Today
        );
        Assert.True(pressing.Score > much.Score);
        Assert.Equal(9, much.Reasons.Count);
        Assert.Equal(much.Reasons.Sum(r => r.Points), much.Score);
        Assert.Equal(much.Reasons.OrderBy(r => r.Reason), much.Reasons);
        // No reason without its evidence.
        Assert.All(much.Reasons, r => Assert.EndsWith(".", r.EvidenceText, StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_calm_scores_nothing() => Assert.Equal(0, Attention.At(Quiet, Today).Score);

    [Theory]
    [InlineData(0.8, 1, 0, true)]
    [InlineData(0.79, 1, 0, false)]
    [InlineData(0.9, 0, 0, false)]
    [InlineData(0.9, 3, 1, false)]
    public void Honest_effort_without_result_needs_results_to_say_so(double done, int judged, int better, bool isSaid) =>
        Assert.Equal(
            isSaid,
            ReasonFor(
                Quiet with
                {
                    Standing = new Standing { DoneShares = Shares(done), Trends = Trends(judged, better) },
                }
            ) == AttentionReason.EffortWithoutResult
        );

    private static DrillTrend[] Trends(int judged, int better) =>
        [.. Enumerable.Range(0, judged).Select(n => new DrillTrend(Today, n < better))];

    private static WeekShare[] Shares(double share) =>
        [.. Enumerable.Range(1, 4).Select(back => new WeekShare(IsoWeek.Of(Today).Plus(-back).Monday, share))];

    [Fact]
    public void Nine_weeks_later_the_same_standing_says_nothing_of_what_was_not_heard_since()
    {
        var standing = new Standing
        {
            DoneShares = Shares(0.9),
            Trends = Trends(2, 0),
            Plateau = new PlateauStanding("A drill", "held", Today),
            Goal = new GoalStanding(
                "start line",
                "%",
                GoalState.PerhapsMet,
                null,
                70,
                null,
                65,
                null,
                Today.AddDays(7),
                "Now 70 %.",
                Today
            ),
            LoadRatio = 2,
            Monday = IsoWeek.Of(Today).Monday,
        };
        Assert.Equal(0.9, standing.On(Today).DoneShare!.Value, 9);
        Assert.NotNull(standing.On(Today).Plateau);
        // A week on, one of the last four weeks is not known: no share of four is said.
        Assert.Null(standing.On(Today.AddDays(7)).DoneShare);
        var later = Today.AddDays(63);
        var read = standing.On(later);
        Assert.Equal((null, null, null), (read.DoneShare, read.Plateau, read.LoadIn(IsoWeek.Of(later))));
        // Drills without a result for four weeks are judged no more.
        Assert.Equal((2, 0), (standing.On(Today.AddDays(27)).JudgedDrills, standing.On(Today.AddDays(28)).JudgedDrills));
        Assert.Equal("Now 70 %. Past due date.", read.Goal!.Text);
        var reasons = Attention.At(Quiet with { Standing = standing }, later).Reasons.Select(r => r.Reason).ToList();
        Assert.DoesNotContain(AttentionReason.GoalMet, reasons);
        Assert.DoesNotContain(AttentionReason.Plateau, reasons);
        Assert.DoesNotContain(AttentionReason.EffortWithoutResult, reasons);
    }
}
