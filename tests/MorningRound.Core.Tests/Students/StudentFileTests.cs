using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Students;
using MorningRound.Core.Units;

namespace MorningRound.Core.Tests.Students;

public class StudentFileTests
{
    private static readonly DateOnly Day = new(2026, 5, 6);

    private static Competition Open(DateOnly first, DateOnly? last = null) =>
        new()
        {
            Id = Given.Id(1),
            Name = "Island Open",
            FirstDay = first,
            LastDay = last ?? first,
        };

    private static StudentFile With(params Competition[] competitions) =>
        new() { Own = new StudentSection { Competitions = competitions } };

    [Theory]
    // The product's own days: six before is competition week, within 28 in season, 29 to 84 pre-season.
    [InlineData(0, Season.CompetitionWeek)]
    [InlineData(6, Season.CompetitionWeek)]
    [InlineData(7, Season.InSeason)]
    [InlineData(28, Season.InSeason)]
    [InlineData(29, Season.PreSeason)]
    [InlineData(84, Season.PreSeason)]
    [InlineData(85, Season.OffSeason)]
    [InlineData(-1, Season.OffSeason)]
    public void The_season_comes_from_the_next_competition(int daysAhead, Season season) =>
        Assert.Equal(season, Seasons.On(Day, With(Open(Day.AddDays(daysAhead)))));

    [Fact]
    public void A_competition_lasts_to_its_last_day_and_the_coach_can_overrule_the_season()
    {
        var underWay = With(Open(Day.AddDays(-2), Day));
        Assert.Equal(Season.CompetitionWeek, Seasons.On(Day, underWay));
        Assert.Equal(Season.OffSeason, Seasons.On(Day.AddDays(1), underWay));
        Assert.Equal(Season.InSeason, Seasons.On(Day, new StudentFile { Coach = new CoachSection { Season = Season.InSeason } }));
    }

    [Fact]
    public void Gaps_of_a_wedge_grid_are_what_no_number_covers_within_four_percent()
    {
        // One player's grid; the gaps are arithmetic: 62.4–72, 93.6–105.6, 114.4–120 yd.
        int[][] carries =
        [
            [60, 80, 90],
            [75, 90, 110],
            [85, 110, 125],
        ];
        Club[] clubs = [Club.LobWedge, Club.SandWedge, Club.GapWedge];
        SwingLength[] swings = [SwingLength.Nine, SwingLength.Ten, SwingLength.Full];
        var grid = clubs
            .SelectMany(
                (club, c) =>
                    swings.Select(
                        (swing, s) =>
                            new WedgeNumber
                            {
                                Club = club,
                                Swing = swing,
                                Carry = new MarkedLength(carries[c][s], LengthUnit.Yards),
                            }
                    )
            )
            .ToList();
        Assert.Equal(
            [(62.4, 72.0), (93.6, 105.6), (114.4, 120.0)],
            WedgeGrid.Gaps(grid).Select(g => (Math.Round(g.From.Value, 1), Math.Round(g.To.Value, 1)))
        );
        Assert.Empty(WedgeGrid.Gaps([]));
        Assert.Empty(WedgeGrid.Gaps(grid[..1]));
    }

    [Fact]
    public void Gaps_are_in_the_unit_of_the_first_number()
    {
        // By hand: 100 yd are 91.44 m; 80 × 1.04 = 83.2, and 91.44 × 0.96 = 87.7824.
        WedgeNumber Number(double carry, LengthUnit unit) =>
            new()
            {
                Club = Club.SandWedge,
                Swing = SwingLength.Full,
                Carry = new MarkedLength(carry, unit),
            };
        var gap = Assert.Single(WedgeGrid.Gaps([Number(80, LengthUnit.Metres), Number(100, LengthUnit.Yards)]));
        Assert.Equal((LengthUnit.Metres, LengthUnit.Metres), (gap.From.Unit, gap.To.Unit));
        Assert.Equal(83.2, gap.From.Value, 6);
        Assert.Equal(87.7824, gap.To.Value, 6);
    }

    [Fact]
    public void A_minor_needs_a_guardian_who_has_consented()
    {
        StudentFile Of(AgeBand age, Guardian? guardian = null) =>
            new()
            {
                Coach = new CoachSection { Age = age, Guardian = guardian },
            };
        Assert.True(Of(AgeBand.Adult).MayBePublishedTo);
        Assert.False(Of(AgeBand.TwelveToSeventeen).MayBePublishedTo);
        Assert.False(Of(AgeBand.UnderTwelve, new Guardian { Name = "Somebody" }).MayBePublishedTo);
        Assert.True(Of(AgeBand.UnderTwelve, new Guardian { Name = "Somebody", ConsentedOn = Day }).MayBePublishedTo);
        var withdrawn = Of(AgeBand.UnderTwelve, new Guardian { Name = "Somebody", WithdrewOn = Day });
        Assert.Equal((false, true), (withdrawn.MayBePublishedTo, withdrawn.IsConsentWithdrawn));
        // Whoever is of age answers for themselves.
        Assert.False(Of(AgeBand.Adult, new Guardian { Name = "Somebody", WithdrewOn = Day }).IsConsentWithdrawn);
    }

    [Fact]
    public void What_is_wrong_with_a_file_is_named_with_its_path()
    {
        var file = new StudentFile
        {
            Own = new StudentSection
            {
                Units = LengthUnit.Inches,
                Routine = ["Breathe", " "],
                Competitions = [Open(Day, Day.AddDays(-1)) with { GreenSpeedFeet = 40 }],
            },
            Coach = new CoachSection
            {
                Bag = [new BagClub { Club = Club.Iron7, Carry = new MarkedLength(900, LengthUnit.Yards) }],
                PainfulParts =
                [
                    new PainfulPart { Part = BodyPart.Knee, Since = Day },
                    new PainfulPart
                    {
                        Part = BodyPart.Neck,
                        Since = Day,
                        ClearedOn = Day,
                    },
                ],
                Guardian = new Guardian { Name = "" },
            },
        };
        Assert.Equal(
            [
                "coach.bag[0].carry",
                "coach.guardian.name",
                "coach.painfulParts[0].side",
                "coach.painfulParts[1].clearedBy",
                "own.competitions[0].greenSpeedFeet",
                "own.competitions[0].lastDay",
                "own.routine[1]",
                "own.units",
            ],
            StudentFileRules.Check(file, Day).Select(e => e.Path).Order()
        );
        Assert.Empty(StudentFileRules.Check(new StudentFile(), Day));
    }

    public static TheoryData<string, DateOnly> DaysNobodyMeans =>
        new()
        {
            { "own.competitions[0].firstDay", DateOnly.MinValue },
            { "own.competitions[0].firstDay", Day.AddYears(-21) },
            { "own.competitions[0].lastDay", DateOnly.MaxValue },
            { "own.competitions[0].lastDay", Day.AddYears(21) },
            { "coach.guardian.consentedOn", Day.AddDays(1) },
            { "coach.painfulParts[0].since", Day.AddDays(1) },
            { "coach.painfulParts[0].since", DateOnly.MinValue },
            { "coach.bag[0].measuredOn", Day.AddDays(1) },
        };

    [Theory]
    [MemberData(nameof(DaysNobodyMeans))]
    public void A_day_that_nobody_can_mean_is_named_by_its_field(string path, DateOnly day)
    {
        var competition = Open(
            path.EndsWith("firstDay", StringComparison.Ordinal) ? day : Day,
            path.EndsWith("lastDay", StringComparison.Ordinal) ? day : Day
        );
        var file = new StudentFile
        {
            Own = new StudentSection { Competitions = path.StartsWith("own", StringComparison.Ordinal) ? [competition] : [] },
            Coach = new CoachSection
            {
                Bag = path.Contains("bag", StringComparison.Ordinal) ? [new BagClub { Club = Club.Iron7, MeasuredOn = day }] : [],
                PainfulParts = path.Contains("painful", StringComparison.Ordinal)
                    ? [new PainfulPart { Part = BodyPart.Neck, Since = day }]
                    : [],
                Guardian = path.Contains("guardian", StringComparison.Ordinal)
                    ? new Guardian { Name = "Somebody", ConsentedOn = day }
                    : null,
            },
        };
        Assert.Equal([path], StudentFileRules.Check(file, Day).Select(e => e.Path));
    }

    [Fact]
    public void Consent_is_either_given_or_taken_back()
    {
        var both = new Guardian
        {
            Name = "Somebody",
            ConsentedOn = Day,
            WithdrewOn = Day,
        };
        Assert.Equal(
            ["coach.guardian.consentedOn"],
            StudentFileRules.Check(new StudentFile { Coach = new CoachSection { Guardian = both } }, Day).Select(e => e.Path)
        );
    }

    [Fact]
    public void Days_are_reckoned_with_to_the_ends_of_the_calendar_and_not_beyond()
    {
        Assert.Equal(DateOnly.MinValue, DateOnly.MinValue.Plus(-1));
        Assert.Equal(DateOnly.MaxValue, DateOnly.MaxValue.Plus(int.MaxValue));
        Assert.Equal(Day.AddDays(30), Day.Plus(30));
        Assert.Equal(DateOnly.MaxValue, IsoWeek.Of(DateOnly.MaxValue).Sunday);
        Assert.Equal(DateOnly.MinValue, IsoWeek.Of(DateOnly.MinValue).Plus(-1).Monday);
        var file = new StudentFile { Own = new StudentSection { Competitions = [Open(DateOnly.MinValue, DateOnly.MaxValue)] } };
        Assert.Equal(Season.CompetitionWeek, Seasons.On(Day, file));
    }

    [Fact]
    public void A_marked_length_keeps_its_marking()
    {
        var board = new MarkedLength(150, LengthUnit.Yards);
        Assert.Same(board, board.In(LengthUnit.Yards));
        // 1 yd = 0.9144 m: International yard and pound agreement, 1959.
        Assert.Equal(137.16, board.In(LengthUnit.Metres).Value, 10);
        Assert.Equal("150 yd", board.ToString());
    }
}
