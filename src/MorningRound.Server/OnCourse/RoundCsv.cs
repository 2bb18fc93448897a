using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using MorningRound.Core.OnCourse;
using MorningRound.Core.Validation;
using MorningRound.Server.Hosting;
using MorningRound.Server.Storage;

namespace MorningRound.Server.OnCourse;

/// <summary>
/// Rounds as CSV (RFC 4180): one line a hole, or one line a round where only totals were noted; then the column
/// <c>hole</c> is empty and <c>fairway</c> and <c>up_and_down</c> say "7/14".
/// </summary>
internal static class RoundCsv
{
    /// <summary>More lines no file has: the most rounds with eighteen holes each.</summary>
    private const int MostLines = 18 * RoundFile.MostRounds;

    private static readonly string[] Columns =
    [
        "round",
        "day",
        "course",
        "holes",
        "hole",
        "par",
        "score",
        "fairway",
        "green",
        "up_and_down",
        "putts",
        "green_putts",
        "penalties",
    ];

    private static readonly string[] Needed = ["day", "course", "par", "score"];

    public static string Write(IReadOnlyList<ListedRound> rounds)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (
            var csv = new CsvWriter(
                text,
                new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.Escape }
            )
        )
        {
            Line(csv, Columns);
            foreach (var (id, round) in rounds.Select(r => (r.Id, r.Round)))
            {
                object?[] head = [id, round.Day.ToString("O", CultureInfo.InvariantCulture), round.Course, round.HolesPlayed];
                foreach (var (i, hole) in round.Holes.Index())
                    Line(
                        csv,
                        [
                            .. head,
                            i + 1,
                            hole.Par,
                            hole.Score,
                            YesNo(hole.FairwayHit),
                            YesNo(hole.GreenHit),
                            null,
                            hole.Putts,
                            null,
                            hole.Penalties,
                        ]
                    );
                if (round.Holes.Count == 0 && round.Noted is { } noted)
                    Line(
                        csv,
                        [
                            .. head,
                            null,
                            noted.Par,
                            noted.Score,
                            OfAll(noted.Fairways),
                            noted.Greens,
                            OfAll(noted.UpAndDowns),
                            noted.Putts,
                            noted.PuttsOnGreensHit,
                            noted.Penalties,
                        ]
                    );
            }
        }

        return text.ToString();
    }

    /// <summary>
    /// The rounds of a text. Without a column <c>round</c> the lines of one day on one course are one round, whose id follows
    /// from them, so that the same text taken in twice changes nothing.
    /// </summary>
    /// <exception cref="ApiProblemException">Something cannot be read; every place is named by line and column.</exception>
    public static RoundFile Read(string text, Guid studentId)
    {
        var errors = new FieldErrors();
        using var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                DetectDelimiter = true,
                DetectDelimiterValues = [",", ";", "\t"],
                PrepareHeaderForMatch = header => header.Header.Trim().TrimStart('\uFEFF').ToLowerInvariant(),
                TrimOptions = TrimOptions.Trim,
                MissingFieldFound = null,
                BadDataFound = bad => errors.Require(false, $"lines[{bad.Context?.Parser?.RawRow}]", "This line cannot be read."),
            }
        );
        if (!csv.Read() || !csv.ReadHeader())
            throw ApiProblemException.Invalid("lines", "There is nothing in this file.");
        foreach (var needed in Needed.Where(n => !csv.HeaderRecord!.Any(h => Is(h, n))))
            errors.Require(false, needed, $"There is no column of this name. The columns are {string.Join(", ", Columns)}.");
        var lines = new List<Fields>();
        while (errors.Found.Count == 0 && csv.Read())
        {
            if (lines.Count == MostLines)
                throw ApiProblemException.Invalid("lines", $"At most {MostLines} lines, please.");
            lines.Add(new Fields(csv, errors, studentId));
        }

        var rounds = lines
            .GroupBy(l => l.RoundId)
            .Select(g => new ListedRound { Id = g.Key, Round = RoundOf([.. g], errors) })
            .ToList();
        return errors.Found.Count > 0 ? throw ApiProblemException.Invalid(errors.Found) : RoundFile.Of(rounds);

        static bool Is(string header, string name) =>
            header.Trim().TrimStart('\uFEFF').Equals(name, StringComparison.OrdinalIgnoreCase);
    }

    private static Round RoundOf(IReadOnlyList<Fields> lines, FieldErrors errors)
    {
        var first = lines[0];
        var holes = lines.Where(l => l.Hole is not null).OrderBy(l => l.Hole).ToList();
        foreach (var line in lines.Where(l => l.Day != first.Day || l.Course != first.Course))
            errors.Require(false, $"lines[{line.Number}].round", "A round is on one day and one course.");
        foreach (var line in holes.Where((l, i) => l.Hole != i + holes[0].Hole))
            errors.Require(false, $"lines[{line.Number}].hole", "Every hole once, and none left out.");
        // Beside holes, what they came to would be lost.
        foreach (var line in lines.Where(l => holes.Count > 0 && l.Hole is null))
            errors.Require(false, $"lines[{line.Number}].hole", "The holes of this round are noted: which one is this?");
        if (holes.Count == 0 && lines.Count > 1)
            errors.Require(false, $"lines[{lines[1].Number}].round", "What a round came to is one line.");
        return new Round
        {
            Day = first.Day,
            Course = first.Course,
            HolesPlayed = first.Holes ?? (holes.Count > 0 ? holes.Count : 18),
            Holes = [.. holes.Select(l => l.ToHole())],
            Noted = holes.Count == 0 ? first.ToTotals() : null,
        };
    }

    private static void Line(CsvWriter csv, IEnumerable<object?> fields)
    {
        foreach (var field in fields)
            csv.WriteField(field);
        csv.NextRecord();
    }

    private static string? YesNo(bool? said) =>
        said switch
        {
            true => "yes",
            false => "no",
            null => null,
        };

    private static string? OfAll(CountOf? count) =>
        count is null ? null : string.Create(CultureInfo.InvariantCulture, $"{count.Count}/{count.Of}");

    /// <summary>The fields of one line, read and complained of.</summary>
    private sealed class Fields
    {
        private readonly FieldErrors _errors;
        private readonly string[] _values;

        public Fields(CsvReader csv, FieldErrors errors, Guid studentId)
        {
            (_errors, Number) = (errors, csv.Parser.RawRow);
            _values = [.. Columns.Select(name => csv.TryGetField<string>(name, out var value) ? value?.Trim() ?? "" : "")];
            Day = DateOnly.TryParseExact(
                this["day"],
                "yyyy-MM-dd",
                CultureInfo.InvariantCulture,
                DateTimeStyles.None,
                out var day
            )
                ? day
                : Complain("day", "A day as 2026-05-06, please.", DateOnly.MinValue);
            (Course, Holes, Hole) = (this["course"], Whole("holes"), Whole("hole"));
            RoundId =
                this["round"].Length == 0 ? IdOf(studentId, Day, Course)
                : Guid.TryParse(this["round"], out var id) ? id
                : IdOf(studentId, Day, this["round"]);
        }

        public int Number { get; }

        public Guid RoundId { get; }

        public DateOnly Day { get; }

        public string Course { get; }

        public int? Holes { get; }

        public int? Hole { get; }

        private string this[string column] => _values[Array.IndexOf(Columns, column)];

        public RoundHole ToHole() =>
            new()
            {
                Par = Needed("par"),
                Score = Needed("score"),
                FairwayHit = YesOrNo("fairway"),
                GreenHit = YesOrNo("green"),
                Putts = Whole("putts"),
                Penalties = Whole("penalties") ?? 0,
            };

        public RoundTotals ToTotals() =>
            new()
            {
                Par = Needed("par"),
                Score = Needed("score"),
                Fairways = Share("fairway"),
                Greens = Whole("green"),
                UpAndDowns = Share("up_and_down"),
                Putts = Whole("putts"),
                PuttsOnGreensHit = Whole("green_putts"),
                Penalties = Whole("penalties"),
            };

        private int Needed(string column) => Whole(column) ?? Complain(column, "A number, please.", 0);

        private int? Whole(string column) =>
            this[column].Length == 0 ? null
            : int.TryParse(this[column], NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number
            : Complain(column, "A whole number, please.", 0);

        private bool? YesOrNo(string column) =>
            this[column].ToLowerInvariant() switch
            {
                "" => null,
                "yes" or "y" or "1" or "true" or "hit" => true,
                "no" or "n" or "0" or "false" or "missed" or "left" or "right" or "long" or "short" => false,
                _ => Complain(column, "Yes or no, please.", false),
            };

        private CountOf? Share(string column)
        {
            var parts = this[column].Split('/');
            return this[column].Length == 0 ? null
                : parts.Length == 2
                && int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var count)
                && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var of)
                    ? new CountOf(count, of)
                : Complain(column, "So many of so many, as 7/14, please.", new CountOf(0, 0));
        }

        private T Complain<T>(string column, string message, T instead)
        {
            _errors.Require(false, $"lines[{Number}].{column}", message);
            return instead;
        }

        private static Guid IdOf(Guid studentId, DateOnly day, string name) =>
            DerivedId.Of($"{studentId:N} {day:O} {name.ToLowerInvariant()}");
    }
}
