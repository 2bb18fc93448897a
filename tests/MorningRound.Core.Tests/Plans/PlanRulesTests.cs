using System.Text.Json;
using CsCheck;
using MorningRound.Core.Drills;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Serialization;

namespace MorningRound.Core.Tests.Plans;

public class PlanRulesTests
{
    [Fact]
    public void An_unfinished_plan_can_be_kept_but_not_published()
    {
        var plan = new SessionPlan { Title = "Tuesday", Segments = [] };
        Assert.Empty(PlanRules.ToKeep(plan));
        Assert.Equal(["purpose", "segments"], PlanRules.ToPublish(plan).Select(e => e.Path));
    }

    [Fact]
    public void A_plan_of_nothing_but_pauses_cannot_be_published() =>
        Assert.Equal(["segments"], PlanRules.ToPublish(Given.Plan(Given.Pause(1, 5))).Select(e => e.Path));

    [Fact]
    public void A_plan_of_more_text_than_a_session_can_mean_is_not_kept()
    {
        // 20 segments of 2,000 letters each are kept, 40 of 2,000 letters of three bytes are not.
        SessionPlan Of(int segments, char letter) =>
            Given.Plan([
                .. Enumerable
                    .Range(1, segments)
                    .Select(n =>
                        Given.Segment(n, Phase.Block, 10) with
                        {
                            Instruction = new string(letter, 2000),
                            Cue = new string(letter, 400),
                        }
                    ),
            ]);
        Assert.Empty(PlanRules.ToKeep(Of(20, 'x')));
        Assert.Equal(["segments"], PlanRules.ToKeep(Of(40, '漢')).Select(e => e.Path));
    }

    public static TheoryData<string, PracticeSegment> WrongSegments =>
        new()
        {
            { "segments[0].minutes", Given.Segment(1, Phase.Block, -5) },
            { "segments[0].minutes", Given.Segment(1, Phase.Block, 241) },
            { "segments[0].balls", Given.Segment(1, Phase.Block, 10, -1) },
            { "segments[0].balls", Given.Segment(1, Phase.Block, 10) with { Exit = new AfterBalls() } },
            { "segments[0].title", Given.Segment(1, Phase.Block, 10) with { Title = "  " } },
            { "segments[0].title", Given.Segment(1, Phase.Block, 10) with { Title = new string('x', 121) } },
            { "segments[0].instruction", Given.Segment(1, Phase.Block, 10) with { Instruction = new string('x', 2001) } },
            { "segments[0].cue", Given.Segment(1, Phase.Block, 10) with { Cue = new string('x', 401) } },
            { "segments[0].clubs", Given.Segment(1, Phase.Block, 10) with { Clubs = [Club.Iron7, Club.Iron7] } },
            { "segments[0].bridge", Given.Segment(1, Phase.Block, 10) with { Bridge = true } },
            { "segments[0].holes", Given.Segment(1, Phase.Block, 10) with { Holes = 3 } },
            { "segments[0].holes", Given.Segment(1, Phase.OnCourse, 10) with { Holes = 19 } },
            { "segments[0].exit.criterion", Given.Segment(1, Phase.Block, 10) with { Exit = new UntilMet { Criterion = "" } } },
            {
                "segments[0].hideStages",
                Given.Segment(1, Phase.Block, 10) with
                {
                    HideStages = [new HideStage(), new HideStage(), new HideStage(), new HideStage()],
                }
            },
            {
                "segments[0].hideStages[1].hide",
                Given.Segment(1, Phase.Block, 10) with
                {
                    HideStages = [new HideStage(), new HideStage { Hide = [Hidden.Video, Hidden.Video] }],
                }
            },
            { "segments[0].id", Given.Segment(0, Phase.Block, 10) },
        };

    [Theory]
    [MemberData(nameof(WrongSegments))]
    public void A_wrong_segment_is_named_by_its_field(string path, PracticeSegment segment) =>
        Assert.Equal([path], PlanRules.ToKeep(Given.Plan(segment)).Select(e => e.Path));

    [Fact]
    public void What_is_hidden_goes_by_equal_stages_of_the_segment_and_else_by_the_drill()
    {
        // First the picture, then the numbers, then neither: common practice, no source.
        var staged = Given.Segment(1, Phase.Block, 30) with
        {
            HideStages = [new HideStage { Hide = [Hidden.Result] }, new HideStage { Hide = [Hidden.Numbers] }, new HideStage()],
        };
        Assert.Equal([(0.0, 1), (1 / 3.0, 1), (2 / 3.0, 0)], staged.Hiding().Select(h => (h.From, h.Hide.Count)));
        Assert.Equal([Hidden.Numbers], staged.Hiding()[1].Hide);
        Assert.Empty((staged with { HideStages = [] }).Hiding());
        Assert.Empty((staged with { HideStages = [new HideStage(), new HideStage()] }).Hiding());

        var drill = Drills.DrillTests.Gate with { Hide = [Hidden.Numbers] };
        var plain = Given.Segment(1, Phase.Block, 30) with
        {
            Drill = new PlannedDrill { DrillId = Guid.CreateVersion7(), Drill = drill },
        };
        Assert.Equal([Hidden.Numbers], Assert.Single(plain.Hiding()).Hide);
        // A segment that shows all shows what its drill would hide.
        Assert.Empty((plain with { HideStages = [new HideStage()] }).Hiding());
    }

    [Fact]
    public void Two_segments_cannot_share_an_id() =>
        Assert.Equal(
            ["segments[1].id"],
            PlanRules.ToKeep(Given.Plan(Given.Segment(1, Phase.Block, 5), Given.Pause(1, 5))).Select(e => e.Path)
        );

    [Fact]
    public void A_session_longer_than_eight_hours_is_refused() =>
        Assert.Equal(
            ["segments"],
            PlanRules
                .ToKeep(Given.Plan(Given.Segment(1, Phase.Block, 240), Given.Segment(2, Phase.Random, 240), Given.Pause(3, 1)))
                .Select(e => e.Path)
        );

    [Fact]
    public void Overlong_texts_are_named()
    {
        var plan = Given.Plan() with { Title = "", Purpose = new string('x', 401), SuccessTest = new string('x', 401) };
        Assert.Equal(["title", "purpose", "successTest"], PlanRules.ToKeep(plan).Select(e => e.Path));
    }

    [Fact]
    public void Every_generated_plan_can_be_kept_and_comes_back_from_json_as_it_was() =>
        GenPlan.Any.ForEachSeed(plan =>
        {
            Assert.Empty(PlanRules.ToKeep(plan));
            var written = JsonSerializer.Serialize(plan, CoreJson.Options);
            var read = JsonSerializer.Deserialize<SessionPlan>(written, CoreJson.Options)!;
            Assert.Equal(written, JsonSerializer.Serialize(read, CoreJson.Options));
        });

    [Theory]
    [InlineData(12, "until three centred running, at most 12 balls")]
    [InlineData(1, "until three centred running, at most 1 ball")]
    [InlineData(0, "until three centred running, at most 8 min")]
    public void An_aim_says_its_cap(int balls, string words) =>
        Assert.Equal(
            words,
            new UntilMet { Criterion = "three centred running" }.InWords(Given.Segment(1, Phase.WarmUp, 8, balls))
        );

    [Fact]
    public void Minutes_and_balls_say_their_number()
    {
        var segment = Given.Segment(1, Phase.Block, 15, 20);
        Assert.Equal("after 15 min", new AfterMinutes().InWords(segment));
        Assert.Equal("after 20 balls", new AfterBalls().InWords(segment));
    }
}
