using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class HonestCompletion : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "completion_rules",
                table: "assignments",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<double>(
                name: "reported_minutes",
                table: "assignments",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.CreateIndex(
                name: "ix_assignments_completion_rules",
                table: "assignments",
                column: "completion_rules",
                filter: "completion_rules < 2");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_assignments_completion_rules",
                table: "assignments");

            migrationBuilder.DropColumn(
                name: "completion_rules",
                table: "assignments");

            migrationBuilder.DropColumn(
                name: "reported_minutes",
                table: "assignments");
        }
    }
}
