using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class First : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.CreateTable(
            name: "Assignments",
            columns: table => new
            {
                Key = table.Column<string>(type: "TEXT", maxLength: 80, nullable: false),
                Name = table.Column<string>(type: "TEXT", nullable: false),
                Start = table.Column<DateTime>(type: "TEXT", nullable: true),
                Revision = table.Column<int>(type: "INTEGER", nullable: false),
                Plan = table.Column<byte[]>(type: "BLOB", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Assignments", x => x.Key);
            });

        migrationBuilder.CreateTable(
            name: "Edits",
            columns: table => new
            {
                AssignmentKey = table.Column<string>(type: "TEXT", nullable: false),
                Number = table.Column<int>(type: "INTEGER", nullable: false),
                Revision = table.Column<int>(type: "INTEGER", nullable: false),
                Label = table.Column<string>(type: "TEXT", nullable: false),
                Before = table.Column<byte[]>(type: "BLOB", nullable: false),
                After = table.Column<byte[]>(type: "BLOB", nullable: false),
                Undone = table.Column<bool>(type: "INTEGER", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Edits", x => new { x.AssignmentKey, x.Number });
                table.ForeignKey(
                    name: "FK_Edits_Assignments_AssignmentKey",
                    column: x => x.AssignmentKey,
                    principalTable: "Assignments",
                    principalColumn: "Key",
                    onDelete: ReferentialAction.Cascade);
            });
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropTable(
            name: "Edits");

        migrationBuilder.DropTable(
            name: "Assignments");
    }
}
