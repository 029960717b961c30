using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Listed : Migration
{
    private static readonly string[] Shown =
        ["Key", "Name", "Start", "End", "Revision", "Archived", "DeletedAt", "SummaryRevision", "SummaryLocker", "Summary"];

    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.CreateIndex(
            name: "IX_Assignments_List",
            table: "Assignments",
            columns: Shown);
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropIndex(
            name: "IX_Assignments_List",
            table: "Assignments");
    }
}
