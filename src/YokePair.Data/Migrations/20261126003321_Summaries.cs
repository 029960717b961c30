using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Summaries : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.AddColumn<byte[]>(
            name: "Summary",
            table: "Assignments",
            type: "BLOB",
            nullable: true);

        migrationBuilder.AddColumn<int>(
            name: "SummaryLocker",
            table: "Assignments",
            type: "INTEGER",
            nullable: true);

        migrationBuilder.AddColumn<int>(
            name: "SummaryRevision",
            table: "Assignments",
            type: "INTEGER",
            nullable: true);
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropColumn(
            name: "Summary",
            table: "Assignments");

        migrationBuilder.DropColumn(
            name: "SummaryLocker",
            table: "Assignments");

        migrationBuilder.DropColumn(
            name: "SummaryRevision",
            table: "Assignments");
    }
}
