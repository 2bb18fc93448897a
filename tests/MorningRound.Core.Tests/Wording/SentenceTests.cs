using System.Globalization;
using System.Reflection;
using System.Text.RegularExpressions;
using MorningRound.Core.Golf;
using MorningRound.Core.Units;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Tests.Wording;

public class SentenceTests
{
    private static readonly Sentence[] All =
    [
        .. typeof(Sentence)
            .Assembly.GetTypes()
            .SelectMany(t => t.GetFields(BindingFlags.Static | BindingFlags.Public | BindingFlags.NonPublic))
            .Where(f => f.FieldType == typeof(Sentence))
            .Select(f => (Sentence)f.GetValue(null)!),
    ];

    [Fact]
    public void Every_sentence_has_a_name_of_its_own() => Assert.Equal(All.Length, All.Select(s => s.Id).Distinct().Count());

    [Fact]
    public void The_places_of_every_sentence_are_counted_from_nought_without_a_gap() =>
        Assert.All(
            All,
            s =>
            {
                var places = Regex
                    .Matches(s.English, @"\{(\d+)")
                    .Select(m => int.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture))
                    .Distinct()
                    .Order();
                Assert.Equal(Enumerable.Range(0, places.Count()), places);
            }
        );

    [Fact]
    public void A_number_keeps_the_digits_its_sentence_asks_for_and_words_of_golf_are_words()
    {
        var sentence = new Sentence("x", "{0:0.0} with the {1} on the {2}, the {3} sore.");
        Assert.Equal(
            "2.5 with the 7 iron on the putting green, the lead knee sore.",
            sentence.Of(2.46, Club.Iron7, PlaceKind.PuttingGreen, new HurtPart(BodyPart.Knee, BodySide.Lead)).In()
        );
    }

    [Fact]
    public void A_list_is_joined_and_a_whole_sentence_begins_with_a_capital()
    {
        Assert.Equal(
            "Mirror and launch monitor are missing.",
            new Sentence("x", "{0} are missing.").Of(new[] { Equipment.Mirror, Equipment.LaunchMonitor }).In()
        );
        Assert.Equal("missed 2", new Sentence("x", "missed {0}").Of(2).In());
    }

    [Fact]
    public void A_second_language_is_a_second_set_of_sentences_and_parts_are_said_in_it_too()
    {
        var (whole, part) = (new Sentence("whole", "No {0}."), new Sentence("part", "warm-up"));
        var german = new Dictionary<string, string> { ["whole"] = "Kein {0}.", ["part"] = "Aufwärmen" };
        Assert.Equal("Kein Aufwärmen.", whole.Of(part.Of()).In(german));
        Assert.Equal("No warm-up.", whole.Of(part.Of()).In());
    }

    [Fact]
    public void Messages_are_compared_by_what_they_say_of_what_and_not_by_their_text()
    {
        var (one, other) = (new Sentence("one", "{0} balls"), new Sentence("other", "{0} balls"));
        Assert.Equal(one.Of(3), one.Of(3));
        Assert.NotEqual(one.Of(3), one.Of(4));
        Assert.NotEqual(one.Of(3), other.Of(3));
    }
}
