using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class PracticeResults : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "AccountId",
                table: "session_logs",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "drill_results",
                columns: table => new
                {
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    LogId = table.Column<Guid>(type: "uuid", nullable: false),
                    SegmentId = table.Column<Guid>(type: "uuid", nullable: false),
                    StudentId = table.Column<Guid>(type: "uuid", nullable: false),
                    ComparabilityKey = table.Column<string>(type: "character varying(32)", maxLength: 32, nullable: false),
                    Day = table.Column<DateOnly>(type: "date", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_drill_results", x => new { x.AcademyId, x.LogId, x.SegmentId });
                    table.ForeignKey(
                        name: "FK_drill_results_session_logs_AcademyId_LogId",
                        columns: x => new { x.AcademyId, x.LogId },
                        principalTable: "session_logs",
                        principalColumns: new[] { "AcademyId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_drill_results_AcademyId_StudentId_ComparabilityKey_Day",
                table: "drill_results",
                columns: new[] { "AcademyId", "StudentId", "ComparabilityKey", "Day" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "drill_results");

            migrationBuilder.DropColumn(
                name: "AccountId",
                table: "session_logs");
        }
    }
}
