using MorningRound.Core.Calendar;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;

namespace MorningRound.Core.Students;

/// <summary>What a student's file must satisfy to be kept.</summary>
public static class StudentFileRules
{
    /// <summary>Characters of a line.</summary>
    public const int LongestLine = 200;

    /// <summary>Characters of a note.</summary>
    public const int LongestNote = 2000;

    /// <summary>The most steps of a routine, and the most set-up basics.</summary>
    public const int MostSteps = 12;

    /// <summary>The most entries of a list.</summary>
    public const int MostEntries = 40;
    private const double Largest = 999;

    /// <summary>Everything wrong, each with its path; empty when the file can be kept.</summary>
    /// <param name="file">The file.</param>
    /// <param name="today">The academy's today: days lie within 20 years of it, and what has happened not after it.</param>
    public static IReadOnlyList<FieldError> Check(StudentFile file, DateOnly today)
    {
        var errors = new FieldErrors();
        CheckOwn(file.Own, today, errors);
        CheckCoachs(file.Coach, today, errors);
        return errors.Found;
    }

    private static void CheckOwn(StudentSection own, DateOnly today, FieldErrors errors)
    {
        const string path = "own";
        errors
            .Require(own.Units is LengthUnit.Yards or LengthUnit.Metres, $"{path}.units", "Yards or metres, please.")
            .RequireOnce(own.BelievedStrengths, $"{path}.believedStrengths")
            .RequireOnce(own.BelievedWeaknesses, $"{path}.believedWeaknesses")
            .RequireOnce(own.DislikedClubs, $"{path}.dislikedClubs")
            .RequireOnce(own.DislikedSides, $"{path}.dislikedSides")
            .RequireOnce(own.Equipment, $"{path}.equipment");
        CheckLines(own.Routine, $"{path}.routine", errors);

        errors.RequireAtMost(own.Windows.Count, MostEntries, $"{path}.windows");
        for (var i = 0; i < own.Windows.Count; i++)
            errors.RequireIn(own.Windows[i].Minutes, FieldRanges.AvailableMinutes, $"{path}.windows[{i}].minutes", "minutes");

        errors.RequireAtMost(own.Absences.Count, MostEntries, $"{path}.absences");
        for (var i = 0; i < own.Absences.Count; i++)
        {
            var (absence, at) = (own.Absences[i], $"{path}.absences[{i}]");
            errors
                .RequireNear(absence.FirstDay, today, $"{at}.firstDay")
                .RequireNear(absence.LastDay, today, $"{at}.lastDay")
                .Require(absence.LastDay >= absence.FirstDay, $"{at}.lastDay", "The last day cannot come before the first.")
                .AllowText(absence.Note, $"{at}.note", LongestLine);
        }

        errors.RequireAtMost(own.Competitions.Count, MostEntries, $"{path}.competitions");
        for (var i = 0; i < own.Competitions.Count; i++)
        {
            var (competition, at) = (own.Competitions[i], $"{path}.competitions[{i}]");
            errors
                .Require(
                    competition.Id != Guid.Empty && own.Competitions.Count(c => c.Id == competition.Id) == 1,
                    $"{at}.id",
                    "Every competition needs an id of its own."
                )
                .RequireText(competition.Name, $"{at}.name", LongestLine)
                .RequireNear(competition.FirstDay, today, $"{at}.firstDay")
                .RequireNear(competition.LastDay, today, $"{at}.lastDay")
                .RequireNear(competition.ArrivalDay, today, $"{at}.arrivalDay")
                .Require(
                    competition.LastDay >= competition.FirstDay,
                    $"{at}.lastDay",
                    "The last day cannot come before the first."
                )
                .Require(
                    competition.ArrivalDay is not { } arrival || arrival <= competition.LastDay,
                    $"{at}.arrivalDay",
                    "The arrival cannot come after the last day."
                )
                .AllowText(competition.Course, $"{at}.course", LongestLine)
                .Require(
                    competition.GreenSpeedFeet is not { } speed || FieldRanges.GreenSpeedFeet.Contains(speed),
                    $"{at}.greenSpeedFeet",
                    "Between 4 and 16 feet, please."
                )
                .AllowText(competition.Debrief, $"{at}.debrief", LongestNote)
                .RequireOnce(competition.Held, $"{at}.held")
                .RequireOnce(competition.DidNotHold, $"{at}.didNotHold")
                .Require(
                    !competition.Held.Intersect(competition.DidNotHold).Any(),
                    $"{at}.didNotHold",
                    "The same cannot have held and not held."
                )
                .Require(
                    competition.LastDay <= today || competition is { Held.Count: 0, DidNotHold.Count: 0 },
                    $"{at}.held",
                    "What held is said when it is over."
                );
        }
    }

    private static void CheckCoachs(CoachSection coachs, DateOnly today, FieldErrors errors)
    {
        const string path = "coach";
        errors
            .AllowText(coachs.Focus.Fault, $"{path}.focus.fault", LongestLine)
            .AllowText(coachs.Focus.Measured, $"{path}.focus.measured", LongestLine)
            .AllowText(coachs.Focus.Now, $"{path}.focus.now", LongestLine)
            .AllowText(coachs.Focus.Goal, $"{path}.focus.goal", LongestLine)
            .AllowText(coachs.Focus.Skill, $"{path}.focus.skill", LongestLine)
            .Require(
                coachs.Focus.RepetitionsAsked is not { } asked || FieldRanges.Repetitions.Contains(asked),
                $"{path}.focus.repetitionsAsked",
                "Between 100 and 20,000 repetitions, please."
            )
            .Require(
                coachs.Bag.Select(b => b.Club).Distinct().Count() == coachs.Bag.Count,
                $"{path}.bag",
                "Each club stands in the bag once."
            )
            .Require(
                coachs.WedgeGrid.Select(n => (n.Club, n.Swing)).Distinct().Count() == coachs.WedgeGrid.Count,
                $"{path}.wedgeGrid",
                "Each club and swing length has one number."
            );
        if (coachs.Focus.Quantity is { } quantity)
        {
            var at = $"{path}.focus.quantity";
            errors
                .RequireText(quantity.What, $"{at}.what", LongestLine)
                .AllowText(quantity.Unit, $"{at}.unit", 10)
                .Require(quantity.Least is not null || quantity.Most is not null, $"{at}.least", "A band needs an end.")
                .Require((quantity.Least ?? -Largest) <= (quantity.Most ?? Largest), $"{at}.most", "The lower end comes first.")
                .Require(
                    new[] { quantity.Start, quantity.Least, quantity.Most }.All(n => n is null || Math.Abs(n.Value) <= Largest),
                    $"{at}.start",
                    $"Numbers lie between −{Largest} and {Largest}."
                )
                .AllowText(quantity.Measure, $"{at}.measure", LongestLine)
                .Require(
                    quantity.DrillId is null == (quantity.Measure.Length == 0),
                    $"{at}.measure",
                    "Name both the drill and what of it is meant, or neither."
                )
                .Require(quantity.Rung is null or (>= 0 and < 20), $"{at}.rung", "A step of a ladder is counted from 0.")
                .Require(
                    quantity.StartCount is not { } count || FieldRanges.StartingAttempts.Contains(count),
                    $"{at}.startCount",
                    "Between 1 and 10,000 attempts, please."
                )
                .Require(
                    quantity.StartLow is null == quantity.StartHigh is null
                        && (quantity.StartLow ?? -Largest) <= (quantity.StartHigh ?? Largest)
                        && Math.Abs(quantity.StartLow ?? 0) <= Largest
                        && Math.Abs(quantity.StartHigh ?? 0) <= Largest,
                    $"{at}.startLow",
                    $"Both ends of where it started, the lower one first, between −{Largest} and {Largest}."
                )
                .RequirePast(quantity.StartedOn, today, $"{at}.startedOn")
                .RequireNear(quantity.By, today, $"{at}.by");
        }

        CheckLines(coachs.SetUpBasics, $"{path}.setUpBasics", errors);
        for (var i = 0; i < coachs.Bag.Count; i++)
        {
            CheckCarry(coachs.Bag[i].Carry, $"{path}.bag[{i}].carry", errors);
            errors.RequirePast(coachs.Bag[i].MeasuredOn, today, $"{path}.bag[{i}].measuredOn");
        }

        for (var i = 0; i < coachs.WedgeGrid.Count; i++)
            CheckCarry(coachs.WedgeGrid[i].Carry, $"{path}.wedgeGrid[{i}].carry", errors);

        errors.RequireAtMost(coachs.PainfulParts.Count, MostEntries, $"{path}.painfulParts");
        for (var i = 0; i < coachs.PainfulParts.Count; i++)
        {
            var (part, at) = (coachs.PainfulParts[i], $"{path}.painfulParts[{i}]");
            errors
                .RequireSide(part.Part, part.Side, $"{at}.side")
                .RequirePast(part.Since, today, $"{at}.since")
                .RequirePast(part.ClearedOn, today, $"{at}.clearedOn")
                .Require(
                    part.ClearedOn is null == string.IsNullOrWhiteSpace(part.ClearedBy),
                    $"{at}.clearedBy",
                    "Say both who cleared it and when, or neither."
                )
                .AllowText(part.ClearedBy, $"{at}.clearedBy", LongestLine)
                .Require(
                    part.ClearedOn is not { } cleared || cleared >= part.Since,
                    $"{at}.clearedOn",
                    "It cannot be cleared before it began."
                )
                .AllowText(part.Note, $"{at}.note", LongestNote);
        }

        if (coachs.Guardian is { } guardian)
        {
            errors
                .RequireText(guardian.Name, $"{path}.guardian.name", LongestLine)
                .AllowText(guardian.Contact, $"{path}.guardian.contact", LongestLine)
                .RequirePast(guardian.ConsentedOn, today, $"{path}.guardian.consentedOn")
                .RequirePast(guardian.WithdrewOn, today, $"{path}.guardian.withdrewOn")
                .Require(
                    guardian.ConsentedOn is null || guardian.WithdrewOn is null,
                    $"{path}.guardian.consentedOn",
                    "Consent is either given or taken back."
                );
        }
    }

    private static void CheckLines(IReadOnlyList<string> lines, string path, FieldErrors errors)
    {
        errors.RequireAtMost(lines.Count, MostSteps, path);
        for (var i = 0; i < lines.Count; i++)
            errors.RequireText(lines[i], $"{path}[{i}]", LongestLine);
    }

    private static void CheckCarry(MarkedLength? carry, string path, FieldErrors errors) =>
        errors.Require(
            carry is null
                || (
                    carry.Unit is LengthUnit.Yards or LengthUnit.Metres
                    && FieldRanges.CarryYards.Contains(carry.Value)
                    && carry.ToLength() <= Length.FromYards(FieldRanges.CarryYards.Most)
                ),
            path,
            $"A carry lies between {FieldRanges.CarryYards.Least:0} and {FieldRanges.CarryYards.Most:0} yards (or in metres)."
        );
}
