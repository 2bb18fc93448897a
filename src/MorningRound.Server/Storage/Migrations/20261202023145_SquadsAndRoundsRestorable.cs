using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class SquadsAndRoundsRestorable : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "removed_at",
                table: "squads",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "squads",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "squads",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "removed_at",
                table: "rounds",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "rounds",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "rounds",
                type: "uuid",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "removed_at",
                table: "squads");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "squads");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "squads");

            migrationBuilder.DropColumn(
                name: "removed_at",
                table: "rounds");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "rounds");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "rounds");
        }
    }
}
