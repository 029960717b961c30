using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class Phones : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.CreateTable(
            name: "Phones",
            columns: table => new
            {
                Id = table.Column<int>(type: "INTEGER", nullable: false)
                    .Annotation("Sqlite:Autoincrement", true),
                Name = table.Column<string>(type: "TEXT", nullable: false),
                TokenHash = table.Column<byte[]>(type: "BLOB", nullable: false),
                PairedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                Until = table.Column<DateTime>(type: "TEXT", nullable: true)
            },
            constraints: table =>
            {
                table.PrimaryKey("PK_Phones", x => x.Id);
            });

        migrationBuilder.CreateIndex(
            name: "IX_Phones_TokenHash",
            table: "Phones",
            column: "TokenHash",
            unique: true);
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropTable(
            name: "Phones");
    }
}
