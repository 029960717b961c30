using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Locker : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.CreateTable(
            name: "Locker",
            columns: table => new
            {
                Key = table.Column<string>(type: "TEXT", nullable: false),
                Revision = table.Column<int>(type: "INTEGER", nullable: false),
                Json = table.Column<byte[]>(type: "BLOB", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Locker", x => x.Key);
            });

        migrationBuilder.CreateTable(
            name: "LockerEdits",
            columns: table => new
            {
                Number = table.Column<int>(type: "INTEGER", nullable: false),
                Label = table.Column<string>(type: "TEXT", nullable: false),
                Before = table.Column<byte[]>(type: "BLOB", nullable: false),
                After = table.Column<byte[]>(type: "BLOB", nullable: false),
                Revision = table.Column<int>(type: "INTEGER", nullable: false),
                Undone = table.Column<bool>(type: "INTEGER", nullable: false)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_LockerEdits", x => x.Number);
            });
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropTable(
            name: "Locker");

        migrationBuilder.DropTable(
            name: "LockerEdits");
    }
}
