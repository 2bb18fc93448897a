using System.Collections;
using MorningRound.Core.Golf;

namespace MorningRound.Core.Wording;

/// <summary>The words of golf as arguments of a sentence, in English.</summary>
internal static class Words
{
    /// <summary>
    /// An argument as it is put into a sentence: a number stays one, so that the sentence can say how many digits it shows.
    /// </summary>
    public static object Of(object argument) =>
        argument switch
        {
            string or int or double => argument,
            Club club => club.InWords(),
            HurtPart hurt => BodyParts.InWords(hurt.Part, hurt.Side),
            PlaceKind place => Spaced(place.ToString()),
            Enum named => Spaced(named.ToString()),
            IEnumerable list => InARow([.. list.Cast<object>().Select(word => $"{Of(word)}")]),
            _ => argument.ToString() ?? "",
        };

    /// <summary>"a", "a and b", "a, b and c".</summary>
    private static string InARow(IReadOnlyList<string> words) =>
        words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.SkipLast(1))} and {words[^1]}";

    /// <summary>A name as words: "PuttingGreen" is "putting green".</summary>
    private static string Spaced(string name) =>
        string.Concat(
            name.Select((c, i) => char.IsUpper(c) && i > 0 ? $" {char.ToLowerInvariant(c)}" : char.ToLowerInvariant(c).ToString())
        );
}
