using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace YokePair.Data.Migrations;

/// <inheritdoc />
public partial class JpegHalves : Migration
{
    /// <inheritdoc />
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.AddColumn<bool>(
            name: "IsJpeg",
            table: "Facts",
            type: "INTEGER",
            nullable: false,
            defaultValue: false);
    }

    /// <inheritdoc />
    protected override void Down(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.DropColumn(
            name: "IsJpeg",
            table: "Facts");
    }
}
