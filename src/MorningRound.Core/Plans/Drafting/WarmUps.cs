using MorningRound.Core.Drills.Scoring;
using MorningRound.Core.Golf;
using MorningRound.Core.Places;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Plans.Drafting;

/// <summary>
/// Warm-ups of any length from five minutes, from the bag and the date. Common practice, no source. Everything is said in lead
/// and trail words, so that it holds for either hand.
/// </summary>
public static class WarmUps
{
    /// <summary>The fewest minutes of a warm-up.</summary>
    public const int Shortest = 5;

    /// <summary>The fewest minutes before a round for which the range is used at all.</summary>
    private const int RangeFrom = 15;

    /// <summary>From so many minutes on a warm-up ends with a few soft wedges to settle.</summary>
    private const int FullFrom = 25;

    /// <summary>Easy balls a minute at most: fifteen take about four minutes.</summary>
    private const double MostPace = 3.75;

    private const int MostStretching = 5;

    /// <summary>Ten balls with the whole routine, five of them to verify.</summary>
    private const int AimCheckMinutes = 6;

    /// <summary>
    /// The aim check that a warm-up ends with, without a plan: at the target of the ground that is nearest to a middle iron's
    /// carry.
    /// </summary>
    /// <param name="player">What is known of the player, and of the range's targets.</param>
    public static ScoringProtocol AimCheck(PlayerNumbers player) =>
        new MeasuredShots
        {
            What = "left or right of the target",
            Unit = LengthUnit.Yards.Sign(),
            Least = -9,
            Most = 9,
            Shots = Drills.Scoring.AimCheck.Balls,
            AimDistance = 140,
        }.For(player);

    /// <summary>
    /// A warm-up. Throws <see cref="ArgumentOutOfRangeException"/> below <see cref="Shortest"/>. The minutes of its parts add
    /// up to those asked for.
    /// </summary>
    public static WarmUp Of(WarmUpRequest request)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(request.Minutes, Shortest, nameof(request));
        var parts =
            request is { Before: WarmUpBefore.Round, Minutes: < RangeFrom } || !request.MaySwing(SwingSize.Half)
                ? WithoutRange(request)
                : OnRange(request);
        return new WarmUp(
            parts,
            (parts.Any(p => p.Place == PlaceKind.Range && p.Balls > 0) ? SchoolOf(request) : WarmUpSentences.WhyWithoutRange).Of()
        );
    }

    /// <summary>
    /// The clubs between the wedge and the longest for a day: every second iron of the bag by the parity of the running day, the
    /// pitching wedge, hybrids, woods and the driver every time. A beginner or a junior has a short and a middle iron and at
    /// most one wood. Short clubs first.
    /// </summary>
    public static IReadOnlyList<Club> UpTheBag(WarmUpRequest request)
    {
        var clubs = request.Clubs().OrderByDescending(c => c).ToList();
        if (request.HasOwnWarmUp)
        {
            Club? Nearest(params Club[] wanted) => wanted.Cast<Club?>().FirstOrDefault(c => clubs.Contains(c!.Value));
            Club?[] few =
            [
                Nearest(Club.Iron9, Club.Iron8, Club.PitchingWedge),
                Nearest(Club.Iron7, Club.Iron6),
                Nearest(Club.Hybrid, Club.Wood7, Club.Wood5, Club.Wood3, request.Level == Level.New ? Club.Hybrid : Club.Driver),
            ];
            return [.. few.OfType<Club>()];
        }

        var irons = clubs.Where(c => c is >= Club.Iron3 and <= Club.Iron9).ToList();
        var today = irons.Where((_, i) => (i + request.Day.DayNumber) % 2 == 0).ToList();
        return [.. clubs.Where(c => c is Club.PitchingWedge or <= Club.Hybrid || today.Contains(c))];
    }

    /// <summary>A part as a segment of a plan.</summary>
    public static PracticeSegment ToSegment(WarmUpPart part, Guid id) =>
        new()
        {
            Id = id,
            Title = part.Title,
            Instruction = part.Text,
            Minutes = part.Minutes,
            Balls = part.Balls,
            Phase = Phase.WarmUp,
            Intent = part.Area == Area.Body ? Intent.Body : Intent.Skill,
            Area = part.Area,
            Swing = part.Swing,
            Place = part.Place,
            Clubs = part.Clubs,
            Exit = part.Exit,
        };

    private static Sentence SchoolOf(WarmUpRequest request) =>
        request.HasOwnWarmUp
            ? WarmUpSentences.WhyOwn
            : request.School switch
            {
                WarmUpSchool.UntilCentred => WarmUpSentences.WhyUntilCentred,
                WarmUpSchool.FixedFives => WarmUpSentences.WhyFixedFives,
                WarmUpSchool.Free => WarmUpSentences.WhyFree,
                _ => WarmUpSentences.WhyTwoAClub,
            };

    /// <summary>
    /// Two minutes of five each of putting for pace and chipping, the rest walking and stretching: no full swing in it.
    /// </summary>
    private static List<WarmUpPart> WithoutRange(WarmUpRequest request)
    {
        var each = Math.Max(1, request.Minutes * 2 / 5);
        var mayChip = request.MaySwing(SwingSize.Chip);
        var mayPutt = request.MaySwing(SwingSize.Putt);
        var stretching = request.Minutes - (mayChip ? each : 0) - (mayPutt ? each : 0);
        var parts = new List<WarmUpPart>
        {
            new()
            {
                Title = "Walk and stretch",
                Text = Stretches.InWords(stretching, request.Hurt),
                Area = Area.Body,
                Place = PlaceKind.PuttingGreen,
                Minutes = stretching,
            },
        };
        if (mayChip)
            parts.Add(
                new WarmUpPart
                {
                    Title = "A few chips",
                    Text = "Short chips to a spot, one after the other. Nothing is counted.",
                    Area = Area.Chip,
                    Swing = SwingSize.Chip,
                    Place = PlaceKind.ChippingGreen,
                    Minutes = each,
                    Balls = 3 * each,
                    Clubs = [request.FirstClub()],
                }
            );
        if (mayPutt)
            parts.Add(Putts(each));
        return parts;
    }

    private static WarmUpPart Putts(int minutes) =>
        new()
        {
            Title = "Putts for pace",
            Text = "Long ones across the green, for the feel of its speed. No hole.",
            Area = Area.Putting,
            Swing = SwingSize.Putt,
            Place = PlaceKind.PuttingGreen,
            Minutes = minutes,
            Balls = 3 * minutes,
            Clubs = [Club.Putter],
        };

    /// <summary>
    /// Stretching, low-energy wedges, then the school's own part, before a round chips and putts, and of a full one a few soft
    /// wedges to settle.
    /// </summary>
    private static List<WarmUpPart> OnRange(WarmUpRequest request)
    {
        var isRound = request.Before == WarmUpBefore.Round;
        var isFull = request.Minutes >= FullFrom;
        var stretching = Math.Clamp(request.Minutes / (isRound ? 5 : 3), 2, MostStretching);
        var green = isRound ? Math.Max(3, request.Minutes / 4) : 0;
        var settling = isFull ? 2 : 0;
        var left = request.Minutes - stretching - green - settling;
        // Of a short one only the wedges; of a longer one they take the smaller part.
        var first = request.FirstClub();
        var hasLonger = request.MaySwing(SwingSize.Full) && UpTheBag(request).Any(c => c != first);
        var wedges = left < 6 || !hasLonger ? left : Math.Clamp(left * 2 / 5, 2, 6);
        var parts = new List<WarmUpPart>
        {
            new()
            {
                Title = "Stretch",
                Text = Stretches.InWords(stretching, request.Hurt),
                Area = Area.Body,
                Place = PlaceKind.Range,
                Minutes = stretching,
            },
            Wedges(request, first, wedges),
        };
        if (left > wedges)
            parts.AddRange(Longer(request, first, left - wedges));
        if (settling > 0)
            parts.Add(
                new WarmUpPart
                {
                    Title = "Soft wedges to settle",
                    Text = "A few soft ones, and leave.",
                    Area = Area.Wedge,
                    Swing = SwingSize.Half,
                    Place = PlaceKind.Range,
                    Minutes = settling,
                    Balls = 4,
                    Clubs = [first],
                }
            );
        if (green > 0)
            parts.Add(
                Putts(green) with
                {
                    Title = "Chips and putts for pace",
                    Text = "A few chips to a spot, then long putts for the speed of the green.",
                    Balls = 2 * green,
                }
            );
        return parts;
    }

    private static WarmUpPart Wedges(WarmUpRequest request, Club first, int minutes)
    {
        var isFives = request is { School: WarmUpSchool.FixedFives, HasOwnWarmUp: false };
        var balls = Math.Min(15, (int)(minutes * 2.5));
        return new WarmUpPart
        {
            Title = isFives ? "Tiny ones, growing ones" : "Easy wedges",
            Text = isFives
                ? "Five tiny swings, then five that grow, with a turn away between them."
                : "From about thirty paces, low energy, growing. Until ready: bad ones mean nothing.",
            Area = Area.Wedge,
            Swing = SwingSize.Half,
            Place = PlaceKind.Range,
            Minutes = minutes,
            Balls = isFives ? Math.Min(10, Math.Max(5, balls / 5 * 5)) : balls,
            Clubs = [first],
            Exit = isFives ? new AfterBalls() : new UntilMet { Criterion = "contact is centred three times running" },
        };
    }

    private static IEnumerable<WarmUpPart> Longer(WarmUpRequest request, Club first, int minutes)
    {
        var clubs = UpTheBag(request).Where(c => c != first).ToList();
        var most = (int)(minutes * MostPace);
        WarmUpPart Part(string title, string text, Area area, int length, int balls, params Club[] of) =>
            new()
            {
                Title = title,
                Text = text,
                Area = area,
                Swing = SwingSize.Full,
                Place = PlaceKind.Range,
                Minutes = length,
                Balls = Math.Max(1, Math.Min(balls, (int)(length * MostPace))),
                Clubs = of,
                Exit = new AfterBalls(),
            };
        var middle = clubs.FirstOrDefault(c => c is Club.Iron7 or Club.Iron6, clubs.Count > 0 ? clubs[0] : first);
        switch (request.HasOwnWarmUp ? WarmUpSchool.UntilCentred : request.School)
        {
            case WarmUpSchool.UntilCentred:
                var few = request.HasOwnWarmUp || clubs.Count <= 3 ? clubs : [clubs[0], middle, clubs[^1]];
                yield return Part(
                    request.HasOwnWarmUp ? "A few clubs, smooth" : "Longer, once it is centred",
                    $"{Named(few)}: no longer club before contact is centred three times running with this one.",
                    Area.Iron,
                    minutes,
                    4 * few.Count,
                    [.. few]
                ) with
                {
                    Exit = new UntilMet { Criterion = "contact is centred with each of them" },
                };
                yield break;
            case WarmUpSchool.FixedFives:
                // Two minutes go to speed and the long ones, where five balls of the check still fit.
                var aim =
                    minutes >= AimCheckMinutes + 2 ? AimCheckMinutes
                    : minutes >= AimCheckMinutes ? minutes - 2
                    : minutes;
                if (minutes > aim)
                {
                    var shortIron = clubs.FirstOrDefault(c => c is Club.Iron9 or Club.Iron8, middle);
                    Club[] longest = clubs.Contains(Club.Driver) ? [Club.Driver] : [.. clubs.TakeLast(1)];
                    yield return Part(
                        "Five for speed, two long ones",
                        $"Five with the {shortIron.InWords()} for speed only, then two with the {longest[0].InWords()}.",
                        Area.Iron,
                        minutes - aim,
                        7,
                        [.. new[] { shortIron }.Concat(longest).Distinct()]
                    );
                }

                yield return Part(
                    "Aim check",
                    "Five at one target with the club that carries to it, with your whole routine. Five more only to verify. "
                        + "The day's aim is one line, and nothing in the swing is touched.",
                    Area.Iron,
                    aim,
                    aim >= AimCheckMinutes ? 2 * Drills.Scoring.AimCheck.Balls : Drills.Scoring.AimCheck.Balls,
                    middle
                ) with
                {
                    IsAimCheck = true,
                };
                yield break;
            case WarmUpSchool.Free:
                yield return Part(
                    "Odd shapes",
                    $"With the {middle.InWords()}: a big curve one way, a big one the other, as low as you "
                        + "can, as high as you can. Then "
                        + "two as you like with the longest club.",
                    Area.Iron,
                    minutes,
                    Math.Min(12, most),
                    [.. new[] { middle }.Concat(clubs.TakeLast(1)).Distinct()]
                );
                yield break;
            default:
                Club[] some = [.. Spread(clubs, Math.Max(1, most / 2))];
                yield return Part(
                    "Two each up the bag",
                    "Two balls a club, never a third: the bad one is left behind.",
                    Area.Iron,
                    minutes,
                    2 * some.Length,
                    some
                );
                yield break;
        }
    }

    /// <summary>So many of the clubs, from the shortest to the longest; all of them where there are no more.</summary>
    private static IEnumerable<Club> Spread(IReadOnlyList<Club> clubs, int most) =>
        clubs.Count <= most
            ? clubs
            : Enumerable.Range(0, most).Select(i => clubs[most == 1 ? 0 : i * (clubs.Count - 1) / (most - 1)]);

    private static string Named(IReadOnlyList<Club> clubs)
    {
        var words = string.Join(", ", clubs.Select(c => c.InWords()));
        return words.Length == 0 ? "The longer clubs" : $"{char.ToUpperInvariant(words[0])}{words[1..]}";
    }
}
