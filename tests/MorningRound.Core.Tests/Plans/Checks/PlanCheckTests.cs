using MorningRound.Core.Drills;
using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Plans;
using MorningRound.Core.Plans.Checks;
using MorningRound.Core.Sessions;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using static MorningRound.Core.Tests.Plans.Checks.GivenPlan;

namespace MorningRound.Core.Tests.Plans.Checks;

/// <summary>For each rule a plan that raises only it, and the smallest change that clears it.</summary>
public sealed class PlanCheckTests
{
    /// <summary>A plan, and what it is checked against.</summary>
    private sealed record Case(
        FindingId Id,
        FindingLevel Level,
        SessionPlan Plan,
        SessionPlan Cleared,
        PlanContext? Against = null,
        PlanContext? ClearedAgainst = null
    );

    private static readonly Competition InFiveDays = new()
    {
        Id = IdOf(800),
        Name = "The island cup",
        FirstDay = Day.AddDays(5),
        LastDay = Day.AddDays(6),
        GreenSpeedFeet = 10.5,
    };

    private static PlanContext With(Func<StudentFile, StudentFile> change) => Context with { Student = change(Adult) };

    private static SessionPlan Only(PlanConstraints frame, params Segment[] segments) =>
        Clean with
        {
            Constraints = frame,
            Segments = segments,
        };

    private static readonly PlanConstraints Unjudged = new();

    /// <summary>Half an hour of pace putting in block, which on the practice green is its own warm-up.</summary>
    private static readonly PracticeSegment Pace = Segment(
        20,
        "Pace",
        Phase.Block,
        Intent.Skill,
        Area.Putting,
        15,
        40,
        PlaceKind.PuttingGreen
    ) with
    {
        Skill = "pace",
    };

    private static readonly PlanContext Greens = Context with
    {
        Places =
        [
            Ground(1, PlaceKind.Range),
            new ListedPlace
            {
                Id = IdOf(102),
                Place = new Place
                {
                    Name = "Green",
                    Kind = PlaceKind.PuttingGreen,
                    GreenSpeedFeet = 8.5,
                    GreenSpeedOn = Day,
                },
            },
        ],
        Student = Adult with { Own = Adult.Own with { Competitions = [InFiveDays] } },
    };

    private static readonly PlanContext North = Context with
    {
        Places =
        [
            new ListedPlace
            {
                Id = IdOf(101),
                Place = new Place
                {
                    Name = "Range",
                    Kind = PlaceKind.Range,
                    FacesDegrees = 0,
                },
            },
        ],
    };

    private static readonly PracticeSegment Slow = Technique with { SlowRepetitions = true, Balls = 6 };

    private static ShotCall Call(Club club) => new(club, ShotShape.Straight, ShotHeight.Normal, "the board");

    private static readonly Case[] Cases =
    [
        new(FindingId.NoPurpose, FindingLevel.Stop, Clean with { Purpose = " " }, Clean with { Purpose = "x" }),
        new(
            FindingId.NoFocus,
            FindingLevel.Advice,
            GivenPlan.With(Technique, s => s with { Focus = "" }),
            GivenPlan.With(Technique, s => s with { Focus = "keep it going" })
        ),
        new(FindingId.NoSuccessTest, FindingLevel.Note, Clean with { SuccessTest = "" }, Clean with { SuccessTest = "x" }),
        new(
            FindingId.OverTime,
            FindingLevel.Stop,
            Clean with
            {
                Constraints = Clean.Constraints with { Minutes = 54 },
            },
            Clean with
            {
                Constraints = Clean.Constraints with { Minutes = 55 },
            }
        ),
        new(
            FindingId.OverBalls,
            FindingLevel.Stop,
            Clean with
            {
                Constraints = Clean.Constraints with { Balls = 56 },
            },
            Clean with
            {
                Constraints = Clean.Constraints with { Balls = 57 },
            }
        ),
        new(FindingId.UnderTime, FindingLevel.Note, Warming(3, 3), Warming(5, 4)),
        new(
            FindingId.NoWarmUp,
            FindingLevel.Caution,
            Only(Unjudged, Technique with { Swing = SwingSize.Full }, CalledIrons),
            Only(Unjudged with { WarmedUpBefore = true }, Technique with { Swing = SwingSize.Full }, CalledIrons)
        ),
        new(
            FindingId.WarmUpScored,
            FindingLevel.Advice,
            GivenPlan.With(HalfSwings, s => s with { Drill = Planned(new Streak { Length = 5 }) }),
            GivenPlan.With(HalfSwings, s => s with { Drill = Planned(new Repetitions()) })
        ),
        new(
            FindingId.WarmUpTechnical,
            FindingLevel.Advice,
            GivenPlan.With(
                HalfSwings,
                s => s with { Intent = Intent.Technique, Focus = "keep it going", Feedback = FeedbackSource.OwnFeel }
            ),
            GivenPlan.With(
                HalfSwings,
                s =>
                    s with
                    {
                        Intent = Intent.Technique,
                        Focus = "keep it going",
                        Feedback = FeedbackSource.OwnFeel,
                        Bridge = true,
                    }
            )
        ),
        new(
            FindingId.PhaseOrder,
            FindingLevel.Advice,
            Clean with
            {
                Segments = [Stretch, HalfSwings, CalledIrons, Technique, Holes],
            },
            Clean with
            {
                Segments = [Stretch, HalfSwings, CalledIrons with { Area = Area.Putting, Balls = 15 }, Technique, Holes],
            }
        ),
        new(
            FindingId.Balance,
            FindingLevel.Advice,
            Clean with
            {
                Constraints = Clean.Constraints with { Approach = Approach.SlowBuild },
                Segments =
                [
                    Stretch,
                    HalfSwings,
                    Technique with
                    {
                        Minutes = 32,
                        Balls = 30,
                    },
                    Holes with
                    {
                        Minutes = 8,
                        Holes = 2,
                        Balls = 8,
                    },
                    CalledIrons with
                    {
                        Minutes = 7,
                        Balls = 7,
                    },
                ],
            },
            Clean with
            {
                Constraints = Clean.Constraints with { Approach = Approach.SlowBuild },
                Segments =
                [
                    Stretch,
                    HalfSwings,
                    Technique with
                    {
                        Minutes = 33,
                        Balls = 30,
                    },
                    Holes with
                    {
                        Minutes = 7,
                        Holes = 2,
                        Balls = 8,
                    },
                    CalledIrons with
                    {
                        Minutes = 7,
                        Balls = 7,
                    },
                ],
            }
        ),
        new(
            FindingId.NoFeedback,
            FindingLevel.Caution,
            GivenPlan.With(Technique, s => s with { Feedback = null }),
            GivenPlan.With(Technique, s => s with { Feedback = FeedbackSource.OwnFeel })
        ),
        new(
            FindingId.ManyFocuses,
            FindingLevel.Advice,
            Clean with
            {
                Constraints = Unjudged,
                Segments =
                [
                    Stretch,
                    HalfSwings,
                    Technique,
                    Technique with
                    {
                        Id = IdOf(31),
                        Focus = "Turn further",
                    },
                    CalledIrons,
                ],
            },
            Clean with
            {
                Constraints = Unjudged,
                Segments =
                [
                    Stretch,
                    HalfSwings,
                    Technique,
                    Technique with
                    {
                        Id = IdOf(31),
                        Focus = "Turn further",
                        Clubs = [Club.Driver],
                    },
                    CalledIrons,
                ],
            }
        ),
        new(
            FindingId.PaceFast,
            FindingLevel.Advice,
            GivenPlan.With(Technique, s => s with { Balls = 31 }),
            GivenPlan.With(Technique, s => s with { Balls = 30 })
        ),
        new(
            FindingId.PaceSlow,
            FindingLevel.Note,
            GivenPlan.With(Technique, s => s with { Balls = 7 }),
            GivenPlan.With(Technique, s => s with { Balls = 8 })
        ),
        new(
            FindingId.SameClubRun,
            FindingLevel.Advice,
            GivenPlan.With(CalledIrons, s => s with { Clubs = [Club.Iron7], Balls = 21 }),
            GivenPlan.With(CalledIrons, s => s with { Clubs = [Club.Iron7], Balls = 20 })
        ),
        new(
            FindingId.RepeatedCall,
            FindingLevel.Advice,
            GivenPlan.With(CalledIrons, s => s with { Calls = [Call(Club.Iron7), Call(Club.Iron7), Call(Club.Iron8)] }),
            GivenPlan.With(
                CalledIrons,
                s => s with { Calls = [Call(Club.Iron7), Call(Club.Iron7), Call(Club.Iron8)], DeclaredRun = 2 }
            )
        ),
        new(
            FindingId.NoTransfer,
            FindingLevel.Advice,
            Only(Unjudged, Stretch, HalfSwings, Technique with { Minutes = 35, Balls = 35 }),
            Only(Unjudged, Stretch, HalfSwings, Technique with { Minutes = 34, Balls = 35 })
        ),
        new(
            FindingId.SameCriterion,
            FindingLevel.Note,
            GivenPlan.With(CalledIrons, s => s with { Criterion = "On the board" }),
            GivenPlan.With(CalledIrons, s => s with { Criterion = "On the board", Skill = "aim" })
        ),
        new(
            FindingId.SimTooWide,
            FindingLevel.Note,
            GivenPlan.With(Holes, s => s with { FairwayYards = 35, RealFairwayYards = 40 }),
            GivenPlan.With(Holes, s => s with { FairwayYards = 34, RealFairwayYards = 40 })
        ),
        new(
            FindingId.AidsOut,
            FindingLevel.Note,
            GivenPlan.With(Holes, s => s with { Aids = [Equipment.AlignmentSticks] }),
            GivenPlan.With(Technique, s => s with { Aids = [Equipment.AlignmentSticks] })
        ),
        new(
            FindingId.HoleBalls,
            FindingLevel.Note,
            GivenPlan.With(Holes, s => Playing(s) with { Balls = 15 }),
            GivenPlan.With(Holes, s => Playing(s) with { Balls = 14 })
        ),
        new(
            FindingId.NoBreak,
            FindingLevel.Caution,
            Only(
                Unjudged,
                Stretch,
                HalfSwings,
                Technique with
                {
                    Minutes = 28,
                    Balls = 28,
                },
                CalledIrons with
                {
                    Minutes = 28,
                    Balls = 28,
                }
            ),
            Only(
                Unjudged,
                Stretch,
                HalfSwings,
                Technique with
                {
                    Minutes = 25,
                    Balls = 25,
                },
                CalledIrons with
                {
                    Minutes = 25,
                    Balls = 26,
                }
            )
        ),
        new(
            FindingId.Place,
            FindingLevel.Stop,
            GivenPlan.With(
                CalledIrons,
                s => s with { Drill = Planned(new Repetitions(), d => d with { Places = [PlaceKind.Bunker] }) }
            ),
            GivenPlan.With(
                CalledIrons,
                s => s with { Drill = Planned(new Repetitions(), d => d with { Places = [PlaceKind.Bunker, PlaceKind.Range] }) }
            )
        ),
        new(
            FindingId.Equipment,
            FindingLevel.Stop,
            GivenPlan.With(
                CalledIrons,
                s =>
                    s with
                    {
                        Drill = Planned(
                            new Repetitions(),
                            d => d with { Equipment = [new EquipmentNeed { Item = Equipment.LaunchMonitor }] }
                        ),
                    }
            ),
            GivenPlan.With(
                CalledIrons,
                s =>
                    s with
                    {
                        Drill = Planned(
                            new Repetitions(),
                            d =>
                                d with
                                {
                                    Equipment = [new EquipmentNeed { Item = Equipment.LaunchMonitor, Substitute = "the boards" }],
                                }
                        ),
                    }
            )
        ),
        new(
            FindingId.WrongGreen,
            FindingLevel.Advice,
            Only(Unjudged, Pace),
            Only(Unjudged, Pace with { Skill = "start line" }),
            Greens
        ),
        new(
            FindingId.Wind,
            FindingLevel.Note,
            Clean with
            {
                Constraints = Clean.Constraints with { WindFromDegrees = 180 },
            },
            Clean with
            {
                Constraints = Clean.Constraints with { WindFromDegrees = 90 },
            },
            North
        ),
        new(
            FindingId.CompetitionNear,
            FindingLevel.Advice,
            GivenPlan.With(Technique, _ => Slow),
            GivenPlan.With(Technique, _ => Slow),
            Context with
            {
                Day = InFiveDays.FirstDay.AddDays(-2),
                Student = Adult with { Own = Adult.Own with { Competitions = [InFiveDays] } },
            },
            Context with
            {
                Day = InFiveDays.FirstDay.AddDays(-3),
                Student = Adult with { Own = Adult.Own with { Competitions = [InFiveDays] } },
            }
        ),
        new(
            FindingId.Fatigue,
            FindingLevel.Caution,
            Clean,
            Clean,
            Context with
            {
                Load = Loaded(381).ForPlanning(),
            },
            Context with
            {
                Load = Loaded(380).ForPlanning(),
            }
        ),
        new(
            FindingId.Hurt,
            FindingLevel.Stop,
            GivenPlan.With(CalledIrons, s => s with { Drill = Loading }),
            GivenPlan.With(CalledIrons, s => s with { Drill = Loading }),
            Context with
            {
                Hurt = [new HurtPart(BodyPart.AnotherPart, null)],
            },
            Context with
            {
                Hurt = [new HurtPart(BodyPart.AnotherPart, null, Mild: true)],
            }
        ),
        new(
            FindingId.LongFirst,
            FindingLevel.Caution,
            GivenPlan.With(HalfSwings, s => s with { Swing = SwingSize.Full, Clubs = [Club.Wood3, Club.PitchingWedge] }),
            GivenPlan.With(HalfSwings, s => s with { Swing = SwingSize.Full, Clubs = [Club.PitchingWedge, Club.Wood3] })
        ),
        new(
            FindingId.Dose,
            FindingLevel.Advice,
            Only(Unjudged, Stretch, HalfSwings, Technique with { Minutes = 21, Balls = 41 }),
            Only(Unjudged, Stretch, HalfSwings, Technique with { Minutes = 21, Balls = 40 }),
            Context with
            {
                Level = Level.New,
            }
        ),
        new(
            FindingId.NoTarget,
            FindingLevel.Advice,
            GivenPlan.With(CalledIrons, s => s with { Criterion = "" }),
            GivenPlan.With(CalledIrons, s => s with { Criterion = "In the lane" })
        ),
        new(
            FindingId.NotThere,
            FindingLevel.Caution,
            Clean,
            Clean,
            With(f => f with { Coach = f.Coach with { Bag = Bag(Club.Iron5, Club.Iron6, Club.Iron7, Club.PitchingWedge) } }),
            With(f =>
                f with
                {
                    Coach = f.Coach with { Bag = Bag(Club.Iron5, Club.Iron6, Club.Iron7, Club.Iron8, Club.PitchingWedge) },
                }
            )
        ),
        new(
            FindingId.ClubsAndArea,
            FindingLevel.Advice,
            GivenPlan.With(CalledIrons, s => s with { Clubs = [Club.Putter] }),
            Clean
        ),
        new(
            FindingId.CompetitionDay,
            FindingLevel.Caution,
            Clean,
            Clean,
            Context with
            {
                Day = InFiveDays.FirstDay,
                Student = Adult with { Own = Adult.Own with { Competitions = [InFiveDays] } },
            },
            Context with
            {
                Day = InFiveDays.FirstDay.AddDays(-1),
                Student = Adult with { Own = Adult.Own with { Competitions = [InFiveDays] } },
            }
        ),
        new(
            FindingId.Minor,
            FindingLevel.Stop,
            Clean,
            Clean,
            With(f => f with { Coach = f.Coach with { Age = AgeBand.TwelveToSeventeen } }),
            With(f =>
                f with
                {
                    Coach = f.Coach with
                    {
                        Age = AgeBand.TwelveToSeventeen,
                        Guardian = new Guardian { Name = "Somebody Made-Up", ConsentedOn = Day },
                    },
                }
            )
        ),
    ];

    private static SessionPlan Warming(int stretch, int swings) =>
        Clean with
        {
            Segments = [Stretch with { Minutes = stretch }, HalfSwings with { Minutes = swings }, Technique, CalledIrons, Holes],
        };

    private static IReadOnlyList<BagClub> Bag(params Club[] clubs) => [.. clubs.Select(c => new BagClub { Club = c })];

    private static PlannedDrill Loading =>
        Planned(new Repetitions(), d => d with { Loads = [new BodyLoad { Part = BodyPart.AnotherPart }] });

    /// <summary>Four weeks of 400 a week with effort 4, and this week so much already.</summary>
    private static Load Loaded(double thisWeek) =>
        new()
        {
            ThisWeek = thisWeek,
            MeanBefore = 400,
            MeanEffort = 4,
        };

    public static TheoryData<FindingId> Ids => [.. Enum.GetValues<FindingId>()];

    [Fact]
    public void Nothing_can_be_said_against_the_clean_plan() => Assert.Empty(PlanCheck.Run(Clean, Context));

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_plan_raises_only_this_and_the_smallest_change_clears_it(FindingId id)
    {
        var given = Cases.Single(c => c.Id == id);
        var found = PlanCheck.Run(given.Plan, given.Against ?? Context);
        Assert.Equal([(id, given.Level)], found.Select(f => (f.Id, f.Level)));
        Assert.EndsWith(".", found[0].Why, StringComparison.Ordinal);
        Assert.DoesNotContain(PlanCheck.Run(given.Cleared, given.ClearedAgainst ?? given.Against ?? Context), f => f.Id == id);
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_fix_that_is_offered_clears_it_and_raises_nothing_heavier(FindingId id)
    {
        var given = Cases.Single(c => c.Id == id);
        var against = given.Against ?? Context;
        foreach (var found in PlanCheck.Run(given.Plan, against).Where(f => f.Fix is not null))
        {
            var mended = PlanCheck.Fix(given.Plan, against, found.Id, found.SegmentId);
            var after = PlanCheck.Run(mended, against);
            Assert.DoesNotContain(after, f => f.Id == id && f.SegmentId == found.SegmentId);
            Assert.DoesNotContain(after, f => f.Level > found.Level);
            Assert.Superset(given.Plan.Segments.Select(s => s.Id).ToHashSet(), mended.Segments.Select(s => s.Id).ToHashSet());
        }
    }

    [Theory]
    [InlineData(FindingId.NoFocus)]
    [InlineData(FindingId.OverTime)]
    [InlineData(FindingId.OverBalls)]
    [InlineData(FindingId.UnderTime)]
    [InlineData(FindingId.NoWarmUp)]
    [InlineData(FindingId.WarmUpScored)]
    [InlineData(FindingId.WarmUpTechnical)]
    [InlineData(FindingId.PhaseOrder)]
    [InlineData(FindingId.Balance)]
    [InlineData(FindingId.NoFeedback)]
    [InlineData(FindingId.ManyFocuses)]
    [InlineData(FindingId.PaceFast)]
    [InlineData(FindingId.SameClubRun)]
    [InlineData(FindingId.RepeatedCall)]
    [InlineData(FindingId.SameCriterion)]
    [InlineData(FindingId.SimTooWide)]
    [InlineData(FindingId.AidsOut)]
    [InlineData(FindingId.HoleBalls)]
    [InlineData(FindingId.NoBreak)]
    [InlineData(FindingId.CompetitionNear)]
    public void A_fix_is_offered(FindingId id)
    {
        var given = Cases.Single(c => c.Id == id);
        Assert.NotNull(Assert.Single(PlanCheck.Run(given.Plan, given.Against ?? Context)).Fix);
    }

    /// <summary>
    /// What a swing loads follows from its size: a little by half swings, much by full ones; common practice, no source.
    /// </summary>
    [Theory]
    [InlineData(BodyPart.WristOrHand, BodySide.Trail, "Half swings", "Low point, Called irons, Four quick holes")]
    [InlineData(BodyPart.Elbow, BodySide.Trail, "Half swings", "Low point, Called irons, Four quick holes")]
    [InlineData(BodyPart.LowerBack, null, "Half swings", "Low point, Called irons, Four quick holes")]
    [InlineData(BodyPart.Knee, BodySide.Lead, "Half swings", "Low point, Called irons, Four quick holes")]
    [InlineData(BodyPart.Knee, BodySide.Trail, "Low point, Called irons, Four quick holes", "")]
    [InlineData(BodyPart.Neck, null, "Half swings, Low point, Called irons, Four quick holes", "")]
    [InlineData(BodyPart.Shoulder, BodySide.Lead, "Half swings", "Low point, Called irons, Four quick holes")]
    public void A_segment_without_a_drill_loads_what_its_swings_load(BodyPart part, BodySide? side, string light, string heavy)
    {
        var found = PlanCheck.Run(Clean, Context with { Hurt = [new HurtPart(part, side)] });
        string Titles(FindingLevel level) =>
            string.Join(
                ", ",
                found
                    .Where(f => f.Id == FindingId.Hurt && f.Level == level)
                    .Select(f => Clean.Segments.Single(s => s.Id == f.SegmentId).Title)
            );
        Assert.Equal((light, heavy), (Titles(FindingLevel.Caution), Titles(FindingLevel.Stop)));
        // What is only a little sore is the draft's business, and the student's.
        Assert.Empty(PlanCheck.Run(Clean, Context with { Hurt = [new HurtPart(part, side, Mild: true)] }));
    }

    [Theory]
    [InlineData(Area.Putting, PlaceKind.PuttingGreen, 20, false)]
    [InlineData(Area.Chip, PlaceKind.ChippingGreen, 20, true)]
    [InlineData(null, PlaceKind.PuttingGreen, 20, false)]
    [InlineData(null, PlaceKind.Range, 20, true)]
    [InlineData(Area.Iron, PlaceKind.Range, 0, false)]
    [InlineData(Area.Body, PlaceKind.Range, 20, false)]
    public void Putting_talking_and_stretching_spare_the_wrist(Area? area, PlaceKind place, int balls, bool loads) =>
        Assert.Equal(
            loads,
            (Technique with { Area = area, Place = place, Balls = balls }).LoadOn(BodyPart.WristOrHand, BodySide.Trail)
                is not null
        );

    /// <summary>
    /// As it comes off the shelf: 14 balls in 20 minutes is the slowest that called shots go, and has to stay within that.
    /// </summary>
    [Fact]
    public void Minutes_divided_anew_keep_every_part_at_its_pace()
    {
        var plan = Clean with
        {
            Segments =
            [
                Stretch,
                HalfSwings,
                Technique with
                {
                    Minutes = 12,
                },
                CalledIrons with
                {
                    Minutes = 20,
                    Balls = 14,
                },
                Holes with
                {
                    Minutes = 13,
                    Holes = 3,
                    Balls = 9,
                },
            ],
        };
        var offered = Assert.Single(PlanCheck.Run(plan, Context));
        Assert.Equal((FindingId.Balance, "Divide the minutes by the approach"), (offered.Id, offered.Fix));
        var mended = PlanCheck.Fix(plan, Context, offered.Id, offered.SegmentId);
        Assert.Empty(PlanCheck.Run(mended, Context));
        Assert.Equal(plan.Segments.Sum(s => s.Minutes), mended.Segments.Sum(s => s.Minutes));
    }

    [Fact]
    public void Holes_are_shared_by_the_halves_when_a_pause_parts_them()
    {
        var round = Holes with { Minutes = 70, Holes = 18, Balls = 54 };
        var plan = Only(Unjudged with { Approach = Approach.PlayIt }, Stretch, HalfSwings, round);
        var mended = PlanCheck.Fix(plan, Context, FindingId.NoBreak, round.Id);
        var parts = mended.Practice().Where(s => s.Phase == Phase.OnCourse).ToList();
        Assert.Equal([18, 54, 70], new[] { parts.Sum(s => s.Holes ?? 0), parts.Sum(s => s.Balls), parts.Sum(s => s.Minutes) });
        Assert.Equal(2, parts.Count);
    }

    [Fact]
    public void A_reason_is_kept_with_what_it_overrules_and_never_overrules_a_stop()
    {
        var plan = GivenPlan.With(Technique, s => s with { Focus = "" }) with
        {
            Purpose = "",
            Overruled =
            [
                new OverruledFinding(FindingId.NoFocus, Technique.Id, "Only to warm to it"),
                new OverruledFinding(FindingId.NoPurpose, null, "Because"),
            ],
        };
        var found = PlanCheck.Run(plan, Context);
        Assert.Equal("Only to warm to it", found.Single(f => f.Id == FindingId.NoFocus).OverruledBecause);
        Assert.Null(found.Single(f => f.Id == FindingId.NoPurpose).OverruledBecause);
        Assert.False(PlanCheck.CanPublish(found));
    }

    [Fact]
    public void The_heaviest_come_first_and_then_the_order_of_the_plan()
    {
        var plan = GivenPlan.With(Technique, s => s with { Focus = "", Feedback = null, Balls = 31 }) with { Purpose = "" };
        Assert.Equal(
            [FindingId.NoPurpose, FindingId.NoFeedback, FindingId.NoFocus, FindingId.PaceFast],
            PlanCheck.Run(plan, Context).Select(f => f.Id)
        );
    }

    [Fact]
    public void Walks_between_places_count_as_time()
    {
        var range = Ground(1, PlaceKind.Range);
        var green = new ListedPlace
        {
            Id = IdOf(102),
            Place = new Place
            {
                Name = "Green",
                Kind = PlaceKind.PuttingGreen,
                Walks = [new WalkTo(range.Id, 6)],
            },
        };
        var putts = Segment(9, "Putts", Phase.Random, Intent.Skill, Area.Putting, 10, 10, PlaceKind.PuttingGreen) with
        {
            Criterion = "Holed",
        };
        var plan = Only(new PlanConstraints { Minutes = 38 }, Stretch, HalfSwings, Technique, putts);
        Assert.Contains("6 of them walking", Assert.Single(PlanCheck.Run(plan, Context with { Places = [range, green] })).Why);
        Assert.Empty(PlanCheck.Run(plan, Context));
    }

    [Theory]
    [InlineData(Hand.Right, 270, true)]
    [InlineData(Hand.Right, 90, false)]
    [InlineData(Hand.Right, 0, false)]
    [InlineData(Hand.Left, 90, true)]
    [InlineData(Hand.Left, 270, false)]
    [InlineData(Hand.Left, 180, true)]
    public void Wind_off_the_lead_side_is_the_other_side_for_a_left_hander(Hand hand, int from, bool pulls) =>
        // Common practice, no source: into the wind or off the trail side, never with it or off the lead side.
        Assert.Equal(
            pulls,
            PlanCheck
                .Run(Clean with { Constraints = Clean.Constraints with { WindFromDegrees = from } }, North with { Hand = hand })
                .Any(f => f.Id == FindingId.Wind)
        );

    [Fact]
    public void Driver_at_the_very_start_of_a_long_session_is_a_caution()
    {
        var plan = Only(
            Unjudged,
            Stretch,
            HalfSwings with
            {
                Clubs = [Club.Driver, Club.Iron7],
            },
            Technique with
            {
                Minutes = 45,
                Balls = 40,
            },
            new Pause
            {
                Id = IdOf(70),
                Title = "Water",
                Minutes = 5,
            },
            CalledIrons with
            {
                Minutes = 31,
                Balls = 31,
            }
        );
        var found = Assert.Single(PlanCheck.Run(plan, Context));
        Assert.Equal((FindingId.Fatigue, HalfSwings.Id), (found.Id, found.SegmentId));
        Assert.Equal("Leave the driver out here", found.Fix);
    }

    [Theory]
    [InlineData(14, 91, true)]
    [InlineData(15, 91, false)]
    [InlineData(14, 90, false)]
    public void Driver_is_early_before_minute_15_and_a_session_long_beyond_90(int before, int minutes, bool isFound)
    {
        var plan = Only(
            Unjudged,
            Stretch with
            {
                Minutes = before,
            },
            HalfSwings with
            {
                Clubs = [Club.Driver, Club.Iron7],
            },
            Technique with
            {
                Minutes = minutes - before - HalfSwings.Minutes,
            }
        );
        Assert.Equal(isFound, PlanCheck.Run(plan, Context).Any(f => f.Id == FindingId.Fatigue));
    }

    [Fact]
    public void Pain_reported_lately_counts_until_somebody_has_cleared_the_part()
    {
        var pain = new PainReported
        {
            Sequence = 1,
            At = default,
            Part = BodyPart.Knee,
            Side = BodySide.Lead,
            Level = 5,
            Sharp = false,
        };
        Assert.Equal([new HurtPart(BodyPart.Knee, BodySide.Lead)], HurtOf(Adult, Day, pain));
        Assert.Equal([new HurtPart(BodyPart.Knee, BodySide.Lead, Mild: true)], HurtOf(Adult, Day, pain with { Level = 3 }));
        var cleared = Adult with
        {
            Coach = Adult.Coach with
            {
                PainfulParts =
                [
                    new PainfulPart
                    {
                        Part = BodyPart.Knee,
                        Side = BodySide.Lead,
                        Since = Day.AddDays(-9),
                        ClearedOn = Day,
                        ClearedBy = "A physiotherapist",
                    },
                ],
            },
        };
        Assert.Empty(HurtOf(cleared, Day, pain));
        Assert.Equal([new HurtPart(pain.Part, pain.Side)], HurtOf(cleared, Day.AddDays(1), pain));

        static IReadOnlyList<HurtPart> HurtOf(StudentFile file, DateOnly day, PainReported pain) =>
            OpenPain.HurtParts(file, OpenPain.Of([new PainOnDay(day, PainNotes.Of(SessionLog.From([pain]))!)], file));
    }

    [Fact]
    public void For_a_squad_what_holds_for_some_names_them_and_what_holds_for_all_keeps_its_fix()
    {
        var plan = GivenPlan.With(Technique, s => s with { Focus = "" });
        var minor = With(f => f with { Coach = f.Coach with { Age = AgeBand.TwelveToSeventeen } });
        var found = PlanCheck.RunForSquad(
            plan,
            Context with
            {
                Student = null,
            },
            [("Ada", Context), ("Bo", minor), ("Cy", minor)]
        );
        Assert.Equal([FindingId.Minor, FindingId.NoFocus], found.Select(f => f.Id));
        Assert.Equal(
            ("Bo, Cy: The student is a minor, and no guardian's consent is on record.", null),
            (found[0].Why, found[0].Fix)
        );
        Assert.NotNull(found[1].Fix);
    }
}
