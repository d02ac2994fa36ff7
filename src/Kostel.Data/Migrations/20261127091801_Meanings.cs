using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class Meanings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Meanings",
                columns: table => new
                {
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    TextVersion = table.Column<int>(type: "INTEGER", nullable: false),
                    Table = table.Column<string>(type: "TEXT", nullable: false),
                    Keys = table.Column<string>(type: "TEXT", nullable: false),
                    Directions = table.Column<byte[]>(type: "BLOB", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Meanings", x => x.LectureId);
                    table.ForeignKey(
                        name: "FK_Meanings_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Meanings");
        }
    }
}
