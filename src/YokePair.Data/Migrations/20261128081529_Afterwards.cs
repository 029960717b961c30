using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Afterwards : Migration
{
    private static readonly string[] StartAndEnd = ["Start", "End"];

    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.AddColumn<DateTime>(
            name: "End",
            table: "Assignments",
            type: "TEXT",
            nullable: true);

        // What is kept already ends when its last part does.
        migrationBuilder.Sql("""
            UPDATE Assignments SET End = (SELECT datetime(max(json_extract(value, '$.end'))) FROM json_each(CAST(Plan AS TEXT), '$.parts'))
            WHERE json_valid(CAST(Plan AS TEXT))
            """);

        migrationBuilder.CreateTable(
            name: "Answers",
            columns: table => new
            {
                Question = table.Column<string>(type: "TEXT", nullable: false),
                Answer = table.Column<string>(type: "TEXT", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Answers", x => x.Question);
            });

        migrationBuilder.CreateTable(
            name: "Used",
            columns: table => new
            {
                AssignmentKey = table.Column<string>(type: "TEXT", nullable: false),
                At = table.Column<DateTime>(type: "TEXT", nullable: false),
                Revision = table.Column<int>(type: "INTEGER", nullable: false),
                Folder = table.Column<string>(type: "TEXT", nullable: false),
                Delivered = table.Column<string>(type: "TEXT", nullable: true),
                Faulty = table.Column<byte[]>(type: "BLOB", nullable: false),
                Roll = table.Column<byte[]>(type: "BLOB", nullable: true),
                Figures = table.Column<byte[]>(type: "BLOB", nullable: false),
                Told = table.Column<byte[]>(type: "BLOB", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Used", x => x.AssignmentKey);
                table.ForeignKey(
                    name: "FK_Used_Assignments_AssignmentKey",
                    column: x => x.AssignmentKey,
                    principalTable: "Assignments",
                    principalColumn: "Key",
                    onDelete: ReferentialAction.Cascade);
            });

        migrationBuilder.CreateIndex(
            name: "IX_Assignments_Start_End",
            table: "Assignments",
            columns: StartAndEnd);
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropTable(
            name: "Answers");

        migrationBuilder.DropTable(
            name: "Used");

        migrationBuilder.DropIndex(
            name: "IX_Assignments_Start_End",
            table: "Assignments");

        migrationBuilder.DropColumn(
            name: "End",
            table: "Assignments");
    }
}
