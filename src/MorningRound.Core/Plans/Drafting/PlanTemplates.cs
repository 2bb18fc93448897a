using MorningRound.Core.Golf;
using MorningRound.Core.Places;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>Plans to begin from, our own. Each passes the check without advice; drills can be put into their segments.</summary>
public static partial class PlanTemplates
{
    /// <summary>The templates for a day, whose date decides the clubs of a warm-up. Ids are the same every time.</summary>
    public static IReadOnlyList<SessionPlan> On(DateOnly day) =>
        [
            Plan(
                "Start line, then tee shots",
                "Start the ball where you look, and keep it when the club changes",
                "Twelve of the last twenty start between the two posts",
                50,
                60,
                Approach.EvenSplit,
                Stretch(4),
                Segment(
                    "Wedges to three paces of grass",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    7,
                    14,
                    "Half swings with the wedge to any patch you can see. Longer clubs only once three in a row feel easy.",
                    clubs: [Club.SandWedge, Club.Iron8]
                ) with
                {
                    Parts =
                    [
                        new SegmentPart
                        {
                            Label = "Half swings, growing",
                            Clubs = [Club.SandWedge],
                            Swing = SwingSize.Half,
                            Balls = 9,
                        },
                        new SegmentPart
                        {
                            Label = "Full swings, easy",
                            Clubs = [Club.Iron8],
                            Swing = SwingSize.Full,
                            Balls = 5,
                        },
                    ],
                },
                Technique(
                    "Between the posts",
                    Area.Iron,
                    19,
                    24,
                    "Two posts as a goal, the line through the middle. Watch the first third of the flight.",
                    "Start line",
                    FeedbackSource.BallFlight,
                    [Club.Iron8]
                ),
                Segment(
                    "Random irons: name your post",
                    Phase.Random,
                    Intent.Skill,
                    Area.Iron,
                    20,
                    22,
                    "Another club and another goal every ball. Say the goal before you take the club.",
                    clubs: [Club.Iron9, Club.Iron7, Club.Hybrid],
                    criterion: "Starts between the posts"
                )
            ),
            Plan(
                "Line, short ones, nine holes",
                "Start it on the line, and hole what has to be holed",
                "Nineteen putts or fewer over the nine holes",
                44,
                null,
                Approach.EvenSplit,
                Technique(
                    "One straight putt",
                    Area.Putting,
                    12,
                    20,
                    "Four to five feet, straight, with a gate of two tees well in front of the ball.",
                    "Start line",
                    FeedbackSource.Gate,
                    [Club.Putter],
                    PlaceKind.PuttingGreen
                ),
                Segment(
                    "Round one hole",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    10,
                    18,
                    "From four feet, another side every time, with the routine.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    criterion: "Holed"
                ),
                Segment(
                    "Another hole every putt",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    8,
                    12,
                    "Three to seven feet, a new hole each time.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    criterion: "Holed"
                ),
                Segment(
                    "Nine holes, one ball",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Putting,
                    14,
                    20,
                    "From 8 to 35 feet, everything holed out. Keep the card.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    holes: 9
                )
            ),
            Plan(
                "Short putts, little time",
                "Hole the short ones the same way every time",
                "More than half of the changing ones are holed",
                24,
                null,
                Approach.EvenSplit,
                Segment(
                    "All round the hole",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    12,
                    22,
                    "From four feet, a step to the side after every putt.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    criterion: "Holed"
                ),
                Segment(
                    "Another putt every time",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    12,
                    14,
                    "Three to eight feet, a new hole each time, the whole routine.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    criterion: "Holed"
                )
            ),
            WarmUp("Twenty minutes before a round", 20, day),
            WarmUp("Five minutes before a round", 5, day),
            Plan(
                "One change, slowly",
                "Make the change deliberate, one ball at a time",
                "The last five feel the same as the first five, and the film agrees",
                100,
                45,
                Approach.SlowBuild,
                Stretch(5),
                Segment(
                    "Soft half swings",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    6,
                    10,
                    "Half speed, waist to waist.",
                    clubs: [Club.SandWedge, Club.Iron9],
                    swing: SwingSize.Half
                ),
                Slow(38, 13),
                Water(4),
                Slow(33, 12),
                Segment(
                    "Three quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    14,
                    9,
                    "Tee shot, approach, pitch, with the swing you have today.",
                    clubs: [Club.PitchingWedge, Club.Iron7, Club.Hybrid],
                    holes: 3
                )
            ),
            Plan(
                "Strike it, then keep it",
                "Strike the ball before the ground, and keep it when the club changes",
                "Nine of the fourteen are clean and in the lane",
                52,
                54,
                Approach.ThreeParts,
                Stretch(4),
                Segment(
                    "Half swings",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    6,
                    10,
                    "Waist to waist, feel the ground.",
                    clubs: [Club.SandWedge, Club.Iron9],
                    swing: SwingSize.Half
                ),
                Technique(
                    "Ball, then ground",
                    Area.Iron,
                    14,
                    18,
                    "A towel a hand and a half behind the ball; it stays where it is.",
                    "Low point",
                    FeedbackSource.Contact,
                    [Club.Iron7]
                ),
                Segment(
                    "Every iron in turn",
                    Phase.Random,
                    Intent.Skill,
                    Area.Iron,
                    14,
                    14,
                    "Another iron and another target every ball.",
                    clubs: [Club.Iron9, Club.Iron8, Club.Iron7, Club.Iron6],
                    criterion: "Clean, and in the lane"
                ),
                Segment(
                    "Approaches",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    14,
                    12,
                    "Imagine the hole, play the second shot and what it leaves.",
                    clubs: [Club.PitchingWedge, Club.Iron8, Club.Iron6],
                    holes: 4
                )
            ),
            Plan(
                "A wet evening at home",
                "Keep the stroke and the eye awake indoors",
                "Eight of the changing ones stop on the coin or just past it",
                26,
                null,
                Approach.EvenSplit,
                Technique(
                    "Through the gate on the carpet",
                    Area.Putting,
                    13,
                    20,
                    "Two bottle caps as a gate a foot in front of the ball, a coin as the hole.",
                    "Start line",
                    FeedbackSource.Gate,
                    [Club.Putter],
                    PlaceKind.Home
                ),
                Segment(
                    "Another coin every time",
                    Phase.Random,
                    Intent.Skill,
                    Area.Putting,
                    13,
                    14,
                    "Three coins along the carpet, never the same one twice running.",
                    PlaceKind.Home,
                    [Club.Putter],
                    criterion: "Stops on the coin or just past it"
                )
            ),
            Plan(
                "Before you travel",
                "Take numbers and a start line to the course, and nothing else",
                "Eleven of the sixteen wedges land within five paces",
                64,
                40,
                Approach.Sharpen,
                Stretch(4),
                Segment(
                    "Easy ones",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    6,
                    12,
                    "Half speed, a turn away between them.",
                    clubs: [Club.SandWedge, Club.Iron8],
                    swing: SwingSize.Half
                ),
                Segment(
                    "Wedges to called boards",
                    Phase.Random,
                    Intent.Skill,
                    Area.Wedge,
                    20,
                    16,
                    "Another board every ball, your own number for it, the whole routine without hurry.",
                    clubs: [Club.SandWedge, Club.GapWedge, Club.PitchingWedge],
                    criterion: "Lands within five paces of the board"
                ),
                Technique(
                    "Look at it and leave it",
                    Area.Iron,
                    12,
                    10,
                    "Ball position, aim, posture. If the ball starts on its line, put the club away.",
                    "Keep it going",
                    FeedbackSource.BallFlight,
                    [Club.Iron6]
                ),
                Water(3),
                Segment(
                    "One straight putt",
                    Phase.Block,
                    Intent.Skill,
                    Area.Putting,
                    16,
                    30,
                    "Four to five feet through a gate, the same line every time.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter],
                    criterion: "Through without a touch"
                )
            ),
            Plan(
                "A round at the range",
                "Play the holes as they come, one ball, no second try",
                "Six of the ten tee shots inside the fairway you named",
                55,
                45,
                Approach.PlayIt,
                Stretch(4),
                Segment(
                    "Wedges until ready",
                    Phase.WarmUp,
                    Intent.Skill,
                    Area.Wedge,
                    6,
                    12,
                    "From some thirty paces, growing.",
                    clubs: [Club.SandWedge, Club.PitchingWedge],
                    swing: SwingSize.Half
                ),
                Segment(
                    "Ten quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Driver,
                    34,
                    30,
                    "Name a fairway between two targets. Then the shot that is left, then the next.",
                    clubs: [Club.Driver, Club.Iron7, Club.PitchingWedge],
                    holes: 10
                ),
                Segment(
                    "Putting out",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Putting,
                    11,
                    18,
                    "Hole out the putts you left yourself, the longest first.",
                    PlaceKind.PuttingGreen,
                    [Club.Putter]
                )
            ),
            Plan(
                "Three clubs and three holes",
                "Stand to it the same way, then trust the aim",
                "Two of the three holes without a change of mind over the ball",
                56,
                52,
                Approach.ThreeParts,
                Stretch(5),
                Technique(
                    "Half swings across a line",
                    Area.Iron,
                    6,
                    8,
                    "Draw a line in the grass. Half a swing, and look where the ground was touched. Forget the flight.",
                    "Set-up",
                    FeedbackSource.OwnFeel,
                    [Club.Iron9],
                    phase: Phase.WarmUp
                ),
                Technique(
                    "The same set-up, full swings",
                    Area.Iron,
                    17,
                    16,
                    "A stick along the toes. Step away after every ball and stand to it anew.",
                    "Set-up",
                    FeedbackSource.Sticks,
                    [Club.Iron7]
                ),
                Segment(
                    "Three clubs, any order",
                    Phase.Random,
                    Intent.Skill,
                    Area.Iron,
                    16,
                    15,
                    "Three clubs out of the bag. Take a different one and a different target for every ball.",
                    clubs: [Club.PitchingWedge, Club.Iron7, Club.Hybrid],
                    criterion: "Aimed where it was meant, by the stick laid down afterwards"
                ),
                Segment(
                    "Three quick holes",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Iron,
                    12,
                    10,
                    "Name the fairway before you tee up.",
                    clubs: [Club.PitchingWedge, Club.Iron7, Club.Driver],
                    holes: 3
                )
            ),
            Plan(
                "Round the green",
                "Land it where you look, and hole what is left",
                "Three of the five up and down",
                57,
                null,
                Approach.ThreeParts,
                Stretch(3, PlaceKind.ChippingGreen),
                Technique(
                    "Land it on the towel",
                    Area.Chip,
                    18,
                    22,
                    "The same chip, a towel a pace inside the green as the landing spot.",
                    "Landing spot",
                    FeedbackSource.Landing,
                    [Club.SandWedge],
                    PlaceKind.ChippingGreen
                ),
                Segment(
                    "Other lies, other clubs",
                    Phase.Random,
                    Intent.Skill,
                    Area.Chip,
                    18,
                    18,
                    "Change the lie and the club every ball.",
                    PlaceKind.ChippingGreen,
                    [Club.SandWedge, Club.PitchingWedge, Club.Iron9],
                    criterion: "Stops within two club lengths"
                ),
                Segment(
                    "Up and down",
                    Phase.OnCourse,
                    Intent.Performance,
                    Area.Chip,
                    18,
                    14,
                    "One ball: chip, then hole out. Keep the card.",
                    PlaceKind.ChippingGreen,
                    [Club.SandWedge, Club.Putter],
                    holes: 5
                )
            ),
        ];
}
