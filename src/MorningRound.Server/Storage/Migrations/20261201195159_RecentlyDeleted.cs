using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class RecentlyDeleted : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "test_days",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "test_days",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "programmes",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "programmes",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "plans",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "plans",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "removed_at",
                table: "places",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "places",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "places",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "drills",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "drills",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "removed_at",
                table: "courses",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "removed_by",
                table: "courses",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "written_by",
                table: "courses",
                type: "uuid",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "test_days");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "test_days");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "programmes");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "programmes");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "plans");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "plans");

            migrationBuilder.DropColumn(
                name: "removed_at",
                table: "places");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "places");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "places");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "drills");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "drills");

            migrationBuilder.DropColumn(
                name: "removed_at",
                table: "courses");

            migrationBuilder.DropColumn(
                name: "removed_by",
                table: "courses");

            migrationBuilder.DropColumn(
                name: "written_by",
                table: "courses");
        }
    }
}
