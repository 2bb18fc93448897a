using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace MorningRound.Server.Storage.Migrations
{
    /// <inheritdoc />
    public partial class SessionsStopped : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "ended_by_pain",
                table: "assignments",
                newName: "is_stopped");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "is_stopped",
                table: "assignments",
                newName: "ended_by_pain");
        }
    }
}
