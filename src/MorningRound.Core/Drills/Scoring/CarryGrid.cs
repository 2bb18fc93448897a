using MorningRound.Core.Drills.Flows;
using MorningRound.Core.Golf;
using MorningRound.Core.Plans;
using MorningRound.Core.Students;
using MorningRound.Core.Units;
using MorningRound.Core.Validation;
using MorningRound.Core.Wording;

namespace MorningRound.Core.Drills.Scoring;

/// <summary>
/// One cell: a club, a swing length, and the number it should carry; without one, the student's own grid fills it.
/// </summary>
public sealed record GridCell
{
    /// <summary>The wedge.</summary>
    public required Club Club { get; init; }

    /// <summary>The length of the swing.</summary>
    public required SwingLength Swing { get; init; }

    /// <summary>The number to reach, in the unit of the grid; null leaves it to the player.</summary>
    public double? Carry { get; init; }
}

/// <summary>
/// A carry for each club and swing length, up to a number of balls a cell; the first ball within tolerance ends the cell. A
/// shot altered to reach the number counts for the cell, but not as stock carry.
/// </summary>
public sealed record CarryGrid : ScoringProtocol
{
    private static readonly FlowQuestionChoice AskAltered = new([
        new FlowOption("stock", "As it comes"),
        new FlowOption("altered", "Altered to fit"),
    ]);

    /// <summary>The cells, in the order in which they are played.</summary>
    public required IReadOnlyList<GridCell> Cells { get; init; }

    /// <summary>Balls for each cell, 1 to 3.</summary>
    public int BallsPerCell { get; init; } = 3;

    /// <summary>How far off a carry may be, in percent of the number. 4 is the product's own default.</summary>
    public double TolerancePercent { get; init; } = 4;

    /// <summary>Yards or metres.</summary>
    public LengthUnit Unit { get; init; } = LengthUnit.Yards;

    /// <inheritdoc/>
    public override string Title => "Carry grid";

    /// <inheritdoc/>
    public override CountBy CountBy => CountBy.Drill;

    /// <summary>Two balls a cell: some take one, some take three.</summary>
    public override int? OwnStrokes => Cells.Count * Math.Min(2, BallsPerCell);

    /// <inheritdoc/>
    public override int? PlannedAttempts => null;

    /// <inheritdoc/>
    public override IReadOnlyList<MeasureKind> MeasureKinds { get; } =
    [new("hits", "cells hit", "", Better.Higher), new("balls", "balls used", "", Better.Lower)];

    /// <inheritdoc/>
    public override ScoringProtocol? Harder() => BallsPerCell > 1 ? this with { BallsPerCell = BallsPerCell - 1 } : null;

    /// <inheritdoc/>
    public override ScoringProtocol? Easier() => BallsPerCell < 3 ? this with { BallsPerCell = BallsPerCell + 1 } : null;

    /// <summary>
    /// With the student's own numbers in the cells that have none. A cell the student has no number for is replaced by one of the
    /// student's that is not in the grid yet; where there is none either, it stays open.
    /// </summary>
    public override ScoringProtocol For(PlayerNumbers player)
    {
        if (player.WedgeGrid.Count == 0 || Cells.All(c => c.Carry is not null))
            return this;
        var spare = new Queue<WedgeNumber>(
            player.WedgeGrid.Where(n => !Cells.Any(c => c.Club == n.Club && c.Swing == n.Swing)).OrderBy(n => n.Carry.ToLength())
        );
        var filled = Cells
            .Select(cell =>
            {
                if (cell.Carry is not null)
                    return cell;
                var own = player.WedgeGrid.FirstOrDefault(n => n.Club == cell.Club && n.Swing == cell.Swing);
                if (own is null && !spare.TryDequeue(out own))
                    return cell;
                return new GridCell
                {
                    Club = own.Club,
                    Swing = own.Swing,
                    Carry = own.Carry.In(Unit).Value,
                };
            })
            .ToList();
        // Where the whole grid is the student's own, each club goes from its shortest number to its longest.
        return this with
        {
            Cells = Cells.Any(c => c.Carry is not null) ? filled : [.. filled.OrderBy(c => c.Club).ThenBy(c => c.Carry)],
        };
    }

    /// <inheritdoc/>
    public override string? WhatIsMissing() =>
        Cells.FirstOrDefault(c => c.Carry is null) is { } open ? $"The wedge grid has no number for {Named(open)}." : null;

    /// <summary>The carries in tenths that hit a cell, both included. Bounds are rounded inward.</summary>
    public (int Least, int Most) Accepted(double carry)
    {
        var (number, part) = ((decimal)carry * 10, (decimal)TolerancePercent / 100);
        return ((int)Math.Ceiling(number * (1 - part)), (int)Math.Floor(number * (1 + part)));
    }

    /// <inheritdoc/>
    public override double? ChanceOf(DrillGoal goal, double share) =>
        goal.Measure == "hits"
            ? Chances.AtLeast((int)Math.Ceiling(goal.Limit), Cells.Count, 1 - Math.Pow(1 - share, BallsPerCell))
            : null;

    /// <inheritdoc/>
    protected override void Check(FieldErrors errors, string path)
    {
        errors
            .Require(Cells.Count is >= 1 and <= 24, $"{path}.cells", "Between 1 and 24 cells, please.")
            .Require(
                Cells.Select(c => (c.Club, c.Swing)).Distinct().Count() == Cells.Count,
                $"{path}.cells",
                "Each club and swing length stands in the grid once."
            )
            .RequireBetween(BallsPerCell, 1, 3, $"{path}.ballsPerCell", "balls")
            .Require(TolerancePercent is >= 1 and <= 20, $"{path}.tolerancePercent", "Between 1 and 20 percent, please.")
            .RequireUnit(Unit, $"{path}.unit", LengthUnit.Yards, LengthUnit.Metres);
        for (var i = 0; i < Cells.Count; i++)
            errors.Require(
                Cells[i].Carry is null or (>= 5 and <= 350),
                $"{path}.cells[{i}].carry",
                "A carry lies between 5 and 350."
            );
    }

    /// <inheritdoc/>
    protected override AttemptFlow CompileWith(ulong seed)
    {
        var flow = new FlowBuilder()
            .Registers("_tries", "hits", "balls", "altered")
            .Display($"{{0}} of {Cells.Count} cells hit, {{1}} balls", Flow.Value("hits"), Flow.Value("balls"));
        for (var i = 0; i < Cells.Count; i++)
        {
            var cell = Cells[i];
            var (least, most) = Accepted(cell.Carry!.Value);
            var next = i + 1 < Cells.Count ? $"cell{i + 1}" : null;
            FlowEffect[] on = next is null ? [] : [Flow.Set("_tries", 0)];
            FlowEffect[] ball = [Flow.Add("balls")];
            flow.State(
                    $"cell{i}",
                    $"{Named(cell)}: {Written.Plain(cell.Carry.Value)} {Unit.Sign()}, {Written.Plain(least / 10.0)} to "
                        + $"{Written.Plain(most / 10.0)} counts",
                    NumberRange.Positive.Asked("Carry", Unit.Sign()),
                    Flow.Part(Flow.Number(least, most), [], $"hit{i}"),
                    Flow.Part(Flow.Always, [], $"miss{i}")
                )
                .At(i, distance: cell.Carry.Value)
                .State(
                    $"hit{i}",
                    "How was it hit?",
                    AskAltered,
                    Flow.Done(Flow.Choice("altered"), [.. ball, Flow.Add("hits"), Flow.Add("altered"), .. on], next),
                    Flow.Done(Flow.Choice("stock"), [.. ball, Flow.Add("hits"), .. on], next)
                )
                .At(i, step: FlowStep.Hit, distance: cell.Carry.Value)
                .State(
                    $"miss{i}",
                    "How was it hit?",
                    AskAltered,
                    Missed("altered", [.. ball, Flow.Add("altered")], on, i, next),
                    Missed("stock", ball, on, i, next)
                )
                .At(i, step: FlowStep.Missed, distance: cell.Carry.Value);
        }

        return flow.Build();
    }

    private protected override IEnumerable<ScorerQuestion> Play(ulong seed, Tally tally)
    {
        foreach (var cell in Cells)
        {
            var (least, most) = Accepted(cell.Carry!.Value);
            for (var ball = 0; ball < BallsPerCell; ball++)
            {
                var carry = new ScorerQuestionNumber(NumberRange.Positive);
                yield return carry;
                var altered = new ScorerQuestionChoice("stock", "altered");
                yield return altered;
                tally["balls"]++;
                tally.EndAttempt();
                if (altered.Answer == "altered")
                    tally["altered"]++;
                else
                    tally.Keep(Named(cell), carry.Answer);
                if (carry.Answer < least || carry.Answer > most)
                    continue;
                tally["hits"]++;
                break;
            }
        }
    }

    private protected override double? Value(string measure, Tally tally) => tally[measure];

    private protected override Message Say(Tally tally)
    {
        var balls = DrillSentences.Balls.Of(tally["balls"]);
        return tally["altered"] > 0
            ? DrillSentences.CellsAltered.Of(tally["hits"], Cells.Count, balls, tally["altered"])
            : DrillSentences.Cells.Of(tally["hits"], Cells.Count, balls);
    }

    private IEnumerable<FlowTransition> Missed(string answer, FlowEffect[] then, FlowEffect[] on, int cell, string? next) =>
        BallsPerCell == 1
            ? Flow.Done(Flow.Choice(answer), then, next)
            :
            [
                .. Flow.Done(Flow.Choice(answer).And("_tries", BallsPerCell - 1), [.. then, .. on], next),
                .. Flow.Done(Flow.Choice(answer), [.. then, Flow.Add("_tries")], $"cell{cell}"),
            ];

    private static string Named(GridCell cell) => $"{cell.Club.InWords()}, {cell.Swing.InWords()}";
}
