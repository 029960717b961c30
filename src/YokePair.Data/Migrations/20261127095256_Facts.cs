using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Facts : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.CreateTable(
            name: "Facts",
            columns: table => new
            {
                Number = table.Column<int>(type: "INTEGER", nullable: false)
                    .Annotation("Sqlite:Autoincrement", true),
                Kind = table.Column<string>(type: "TEXT", nullable: false),
                Thing = table.Column<string>(type: "TEXT", nullable: false),
                At = table.Column<DateTime>(type: "TEXT", nullable: false),
                Day = table.Column<string>(type: "TEXT", nullable: true),
                Who = table.Column<string>(type: "TEXT", nullable: true),
                Where = table.Column<string>(type: "TEXT", nullable: true),
                With = table.Column<string>(type: "TEXT", nullable: true),
                OnTheWay = table.Column<bool>(type: "INTEGER", nullable: false),
                Words = table.Column<string>(type: "TEXT", nullable: true),
                Left = table.Column<double>(type: "REAL", nullable: true)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Facts", x => x.Number);
            });

        // What is recorded stays: not even the program itself changes or loses a fact.
        migrationBuilder.Sql("CREATE TRIGGER Facts_Unchanged BEFORE UPDATE ON Facts BEGIN SELECT RAISE(ABORT, 'a fact is never changed'); END");
        migrationBuilder.Sql("CREATE TRIGGER Facts_Kept BEFORE DELETE ON Facts BEGIN SELECT RAISE(ABORT, 'a fact is never lost'); END");
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropTable(
            name: "Facts");
    }
}
