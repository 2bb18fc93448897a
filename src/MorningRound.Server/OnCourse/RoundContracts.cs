using MorningRound.Core.OnCourse;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.OnCourse;

/// <summary>A round with what it came to. The version goes back as <c>If-Match</c>.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Version">Its version.</param>
/// <param name="Round">As it was noted.</param>
/// <param name="Totals">What it came to.</param>
/// <param name="MakesSense">Whether greens and putts can give the score; null where they are not noted.</param>
public sealed record RoundView(Guid Id, int Version, Round Round, RoundTotals Totals, bool? MakesSense) : IVersioned;

/// <summary>Where rounds lose strokes, and what follows in words.</summary>
public sealed record LostStrokesView(int Rounds, IReadOnlyList<PartOfRounds> Parts, string Text)
{
    public static LostStrokesView Of(LostStrokes lost) => new(lost.Rounds, lost.Parts, lost.Said.In());
}

/// <summary>The latest rounds of a student, newest first, and where strokes are lost in them.</summary>
/// <param name="StudentName">Whose they are.</param>
/// <param name="Count">How many there are in all.</param>
/// <param name="Rounds">The latest of them.</param>
/// <param name="Lost">Where strokes are lost.</param>
/// <param name="Courses">
/// The courses that were played last, each once, with the pars of its holes where they are known: a new round begins with them.
/// </param>
public sealed record RoundsView(
    string StudentName,
    int Count,
    IReadOnlyList<RoundView> Rounds,
    LostStrokesView Lost,
    IReadOnlyList<PlayedCourse> Courses
);

/// <summary>A course that was played before, by name, with the pars of its holes; empty where nobody noted them.</summary>
public sealed record PlayedCourse(string Name, IReadOnlyList<int> Pars);

/// <summary>Rounds as lines of text with separators, one line a hole, as spreadsheets write them.</summary>
public sealed record RoundCsvInput(string Text);
