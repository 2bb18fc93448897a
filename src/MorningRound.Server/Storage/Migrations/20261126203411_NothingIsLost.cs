using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class NothingIsLost : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_accounts_academies_AcademyId",
                table: "accounts");

            migrationBuilder.DropForeignKey(
                name: "FK_assignment_drills_assignments_AcademyId_AssignmentId",
                table: "assignment_drills");

            migrationBuilder.DropForeignKey(
                name: "FK_assignments_students_AcademyId_StudentId",
                table: "assignments");

            migrationBuilder.DropForeignKey(
                name: "FK_drill_results_session_logs_AcademyId_LogId",
                table: "drill_results");

            migrationBuilder.DropForeignKey(
                name: "FK_drills_academies_AcademyId",
                table: "drills");

            migrationBuilder.DropForeignKey(
                name: "FK_places_academies_AcademyId",
                table: "places");

            migrationBuilder.DropForeignKey(
                name: "FK_plans_academies_AcademyId",
                table: "plans");

            migrationBuilder.DropForeignKey(
                name: "FK_session_entries_session_logs_AcademyId_LogId",
                table: "session_entries");

            migrationBuilder.DropForeignKey(
                name: "FK_session_entry_conflicts_session_logs_AcademyId_LogId",
                table: "session_entry_conflicts");

            migrationBuilder.DropForeignKey(
                name: "FK_session_logs_assignments_AcademyId_AssignmentId",
                table: "session_logs");

            migrationBuilder.DropForeignKey(
                name: "FK_student_changes_students_AcademyId_StudentId",
                table: "student_changes");

            migrationBuilder.DropForeignKey(
                name: "FK_student_files_students_AcademyId_StudentId",
                table: "student_files");

            migrationBuilder.DropForeignKey(
                name: "FK_students_academies_AcademyId",
                table: "students");

            migrationBuilder.AddColumn<string>(
                name: "Checkpoint",
                table: "session_logs",
                type: "character varying(400)",
                maxLength: 400,
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "ClockWasOff",
                table: "session_logs",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<Guid>(
                name: "ContinuesLogId",
                table: "session_logs",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "ContinuesSequence",
                table: "session_logs",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<bool>(
                name: "HasPain",
                table: "session_logs",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<long>(
                name: "ClockShift",
                table: "session_entries",
                type: "bigint",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "TakenOutAt",
                table: "assignments",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "sign_ins",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    AccountId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    EndedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_sign_ins", x => x.Id);
                    table.ForeignKey(
                        name: "FK_sign_ins_accounts_AccountId",
                        column: x => x.AccountId,
                        principalTable: "accounts",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_session_logs_with_pain",
                table: "session_logs",
                columns: new[] { "AcademyId", "StudentId" },
                filter: "\"HasPain\"");

            migrationBuilder.CreateIndex(
                name: "IX_sign_ins_AccountId",
                table: "sign_ins",
                column: "AccountId");

            migrationBuilder.AddForeignKey(
                name: "FK_accounts_academies_AcademyId",
                table: "accounts",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_assignment_drills_assignments_AcademyId_AssignmentId",
                table: "assignment_drills",
                columns: new[] { "AcademyId", "AssignmentId" },
                principalTable: "assignments",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_assignments_students_AcademyId_StudentId",
                table: "assignments",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_drill_results_session_logs_AcademyId_LogId",
                table: "drill_results",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_drills_academies_AcademyId",
                table: "drills",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_places_academies_AcademyId",
                table: "places",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_plans_academies_AcademyId",
                table: "plans",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_session_entries_session_logs_AcademyId_LogId",
                table: "session_entries",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_session_entry_conflicts_session_logs_AcademyId_LogId",
                table: "session_entry_conflicts",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_session_logs_assignments_AcademyId_AssignmentId",
                table: "session_logs",
                columns: new[] { "AcademyId", "AssignmentId" },
                principalTable: "assignments",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_student_changes_students_AcademyId_StudentId",
                table: "student_changes",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_student_files_students_AcademyId_StudentId",
                table: "student_files",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_students_academies_AcademyId",
                table: "students",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            // What was reported and agreed before this counts on like what is from now on.
            migrationBuilder.Sql(
                """
                UPDATE session_logs SET "HasPain" = jsonb_array_length("Reading" -> 'content' -> 'pain') > 0,
                    "Checkpoint" = nullif("Reading" -> 'content' -> 'agreed' ->> 'checkpoint', '')
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_accounts_academies_AcademyId",
                table: "accounts");

            migrationBuilder.DropForeignKey(
                name: "FK_assignment_drills_assignments_AcademyId_AssignmentId",
                table: "assignment_drills");

            migrationBuilder.DropForeignKey(
                name: "FK_assignments_students_AcademyId_StudentId",
                table: "assignments");

            migrationBuilder.DropForeignKey(
                name: "FK_drill_results_session_logs_AcademyId_LogId",
                table: "drill_results");

            migrationBuilder.DropForeignKey(
                name: "FK_drills_academies_AcademyId",
                table: "drills");

            migrationBuilder.DropForeignKey(
                name: "FK_places_academies_AcademyId",
                table: "places");

            migrationBuilder.DropForeignKey(
                name: "FK_plans_academies_AcademyId",
                table: "plans");

            migrationBuilder.DropForeignKey(
                name: "FK_session_entries_session_logs_AcademyId_LogId",
                table: "session_entries");

            migrationBuilder.DropForeignKey(
                name: "FK_session_entry_conflicts_session_logs_AcademyId_LogId",
                table: "session_entry_conflicts");

            migrationBuilder.DropForeignKey(
                name: "FK_session_logs_assignments_AcademyId_AssignmentId",
                table: "session_logs");

            migrationBuilder.DropForeignKey(
                name: "FK_student_changes_students_AcademyId_StudentId",
                table: "student_changes");

            migrationBuilder.DropForeignKey(
                name: "FK_student_files_students_AcademyId_StudentId",
                table: "student_files");

            migrationBuilder.DropForeignKey(
                name: "FK_students_academies_AcademyId",
                table: "students");

            migrationBuilder.DropTable(
                name: "sign_ins");

            migrationBuilder.DropIndex(
                name: "IX_session_logs_with_pain",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "Checkpoint",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "ClockWasOff",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "ContinuesLogId",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "ContinuesSequence",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "HasPain",
                table: "session_logs");

            migrationBuilder.DropColumn(
                name: "ClockShift",
                table: "session_entries");

            migrationBuilder.DropColumn(
                name: "TakenOutAt",
                table: "assignments");

            migrationBuilder.AddForeignKey(
                name: "FK_accounts_academies_AcademyId",
                table: "accounts",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_assignment_drills_assignments_AcademyId_AssignmentId",
                table: "assignment_drills",
                columns: new[] { "AcademyId", "AssignmentId" },
                principalTable: "assignments",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_assignments_students_AcademyId_StudentId",
                table: "assignments",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_drill_results_session_logs_AcademyId_LogId",
                table: "drill_results",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_drills_academies_AcademyId",
                table: "drills",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_places_academies_AcademyId",
                table: "places",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_plans_academies_AcademyId",
                table: "plans",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_session_entries_session_logs_AcademyId_LogId",
                table: "session_entries",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_session_entry_conflicts_session_logs_AcademyId_LogId",
                table: "session_entry_conflicts",
                columns: new[] { "AcademyId", "LogId" },
                principalTable: "session_logs",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_session_logs_assignments_AcademyId_AssignmentId",
                table: "session_logs",
                columns: new[] { "AcademyId", "AssignmentId" },
                principalTable: "assignments",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_student_changes_students_AcademyId_StudentId",
                table: "student_changes",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_student_files_students_AcademyId_StudentId",
                table: "student_files",
                columns: new[] { "AcademyId", "StudentId" },
                principalTable: "students",
                principalColumns: new[] { "AcademyId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_students_academies_AcademyId",
                table: "students",
                column: "AcademyId",
                principalTable: "academies",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}
