using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class DrillsPlacesFiles : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "assignment_drills",
                columns: table => new
                {
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    AssignmentId = table.Column<Guid>(type: "uuid", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_assignment_drills", x => new { x.AcademyId, x.AssignmentId });
                    table.ForeignKey(
                        name: "FK_assignment_drills_assignments_AcademyId_AssignmentId",
                        columns: x => new { x.AcademyId, x.AssignmentId },
                        principalTable: "assignments",
                        principalColumns: new[] { "AcademyId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "drills",
                columns: table => new
                {
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Area = table.Column<string>(type: "character varying(24)", maxLength: 24, nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    UpdatedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    RemovedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    Version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_drills", x => new { x.AcademyId, x.Id });
                    table.ForeignKey(
                        name: "FK_drills_academies_AcademyId",
                        column: x => x.AcademyId,
                        principalTable: "academies",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "places",
                columns: table => new
                {
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_places", x => new { x.AcademyId, x.Id });
                    table.ForeignKey(
                        name: "FK_places_academies_AcademyId",
                        column: x => x.AcademyId,
                        principalTable: "academies",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "student_changes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    StudentId = table.Column<Guid>(type: "uuid", nullable: false),
                    AccountId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Fields = table.Column<string[]>(type: "text[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_student_changes", x => x.Id);
                    table.ForeignKey(
                        name: "FK_student_changes_students_AcademyId_StudentId",
                        columns: x => new { x.AcademyId, x.StudentId },
                        principalTable: "students",
                        principalColumns: new[] { "AcademyId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "student_files",
                columns: table => new
                {
                    AcademyId = table.Column<Guid>(type: "uuid", nullable: false),
                    StudentId = table.Column<Guid>(type: "uuid", nullable: false),
                    Document = table.Column<string>(type: "jsonb", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_student_files", x => new { x.AcademyId, x.StudentId });
                    table.ForeignKey(
                        name: "FK_student_files_students_AcademyId_StudentId",
                        columns: x => new { x.AcademyId, x.StudentId },
                        principalTable: "students",
                        principalColumns: new[] { "AcademyId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_drills_AcademyId_Area",
                table: "drills",
                columns: new[] { "AcademyId", "Area" });

            migrationBuilder.CreateIndex(
                name: "IX_student_changes_AcademyId_StudentId_At",
                table: "student_changes",
                columns: new[] { "AcademyId", "StudentId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "assignment_drills");

            migrationBuilder.DropTable(
                name: "drills");

            migrationBuilder.DropTable(
                name: "places");

            migrationBuilder.DropTable(
                name: "student_changes");

            migrationBuilder.DropTable(
                name: "student_files");
        }
    }
}
