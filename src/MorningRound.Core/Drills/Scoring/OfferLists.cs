using MorningRound.Core.Drills.Flows;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Units;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// The lists of offers of a flow and what is said of them, each once: what is left is filled in by the phone, so that one list
/// serves many distances.
/// </summary>
/// <param name="laid">The holes.</param>
/// <param name="first">Lists that stand before all others.</param>
internal sealed class OfferLists(LaidHoles laid, IEnumerable<IReadOnlyList<FlowOffer>> first)
{
    private readonly bool _isTeeShots = laid.Way == WayToPlay.TeeShots;
    private readonly List<IReadOnlyList<FlowOffer>> _lists = [.. first];
    private readonly Dictionary<string, int> _known = [];
    private readonly Dictionary<(ShotOffer Offer, int Left), (int Number, FlowOffer Offer)> _knownOffers = [];
    private readonly List<FlowText> _notes = [];
    private readonly Dictionary<string, int> _knownNotes = [];

    public IReadOnlyList<IReadOnlyList<FlowOffer>> Lists => _lists;

    public IReadOnlyList<FlowText> Notes => _notes;

    /// <summary>The number of the list that offers these.</summary>
    /// <param name="offers">What is offered.</param>
    /// <param name="left">What is left, in whole units.</param>
    public int Add(IReadOnlyList<ShotOffer> offers, int left)
    {
        var list = offers.Select(o => OfferOf(o, left)).ToList();
        var key = string.Join(' ', list.Select(o => o.Number));
        if (_known.TryGetValue(key, out var known))
            return known;
        _lists.Add([.. list.Select(o => o.Offer)]);
        return _known[key] = _lists.Count - 1;
    }

    private (int Number, FlowOffer Offer) OfferOf(ShotOffer offer, int left)
    {
        // Tee shots alone are always played from the same place, and their flow does not count what is left.
        var key = (offer, _isTeeShots ? left : 0);
        if (_knownOffers.TryGetValue(key, out var known))
            return known;
        return _knownOffers[key] = (_knownOffers.Count, new FlowOffer(offer.With, [.. NotesOf(offer, left)]));
    }

    private IEnumerable<int> NotesOf(ShotOffer offer, int left)
    {
        if (_isTeeShots)
        {
            yield return Note(new FlowText(offer.Say(left, laid.Unit).In()));
            yield break;
        }

        if (offer.Numbers("{0}", "{1}", laid.Unit.Sign()) is { } numbers)
            yield return Note(new FlowText(numbers.In(), [.. Filled(offer)]));
        yield return Note(new FlowText(offer.Reason.In()));
    }

    private static IEnumerable<FlowValue> Filled(ShotOffer offer)
    {
        var carry = 10 * offer.Carry!.Value;
        yield return Flow.Value("left") with
        {
            Plus = -carry,
            InTenths = true,
            WithoutSign = true,
        };
        if (offer.IsForTheHole)
            yield return Flow.Value("left") with
            {
                Table = [carry, carry + 1],
                Words = ShotOffer.Sides,
            };
    }

    private int Note(FlowText note)
    {
        if (_knownNotes.TryGetValue(note.Text, out var known))
            return known;
        _notes.Add(note);
        return _knownNotes[note.Text] = _notes.Count - 1;
    }
}
