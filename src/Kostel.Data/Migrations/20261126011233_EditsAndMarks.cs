using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class EditsAndMarks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropPrimaryKey(
                name: "PK_Passages",
                table: "Passages");

            migrationBuilder.DropIndex(
                name: "IX_Passages_LectureId_Key",
                table: "Passages");

            migrationBuilder.AddColumn<bool>(
                name: "Asks",
                table: "Speakers",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "HasSound",
                table: "Lectures",
                type: "INTEGER",
                nullable: false,
                defaultValue: true);

            migrationBuilder.AddColumn<int>(
                name: "TextVersion",
                table: "Lectures",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddPrimaryKey(
                name: "PK_Passages",
                table: "Passages",
                columns: new[] { "LectureId", "Key" });

            migrationBuilder.CreateTable(
                name: "Edits",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    What = table.Column<string>(type: "TEXT", nullable: false),
                    Patch = table.Column<string>(type: "TEXT", nullable: false),
                    IsUndone = table.Column<bool>(type: "INTEGER", nullable: false),
                    MadeAt = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Edits", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Edits_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Marks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", nullable: false),
                    StartMs = table.Column<int>(type: "INTEGER", nullable: false),
                    EndMs = table.Column<int>(type: "INTEGER", nullable: false),
                    Quote = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    Picture = table.Column<string>(type: "TEXT", nullable: true),
                    Resolved = table.Column<string>(type: "TEXT", nullable: true),
                    MadeAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Marks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Marks_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Originals",
                columns: table => new
                {
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    Transcript = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Originals", x => x.LectureId);
                    table.ForeignKey(
                        name: "FK_Originals_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Passages_LectureId_Number",
                table: "Passages",
                columns: new[] { "LectureId", "Number" });

            migrationBuilder.CreateIndex(
                name: "IX_Edits_LectureId",
                table: "Edits",
                column: "LectureId");

            migrationBuilder.CreateIndex(
                name: "IX_Marks_LectureId",
                table: "Marks",
                column: "LectureId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Edits");

            migrationBuilder.DropTable(
                name: "Marks");

            migrationBuilder.DropTable(
                name: "Originals");

            migrationBuilder.DropPrimaryKey(
                name: "PK_Passages",
                table: "Passages");

            migrationBuilder.DropIndex(
                name: "IX_Passages_LectureId_Number",
                table: "Passages");

            migrationBuilder.DropColumn(
                name: "Asks",
                table: "Speakers");

            migrationBuilder.DropColumn(
                name: "HasSound",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "TextVersion",
                table: "Lectures");

            migrationBuilder.AddPrimaryKey(
                name: "PK_Passages",
                table: "Passages",
                columns: new[] { "LectureId", "Number" });

            migrationBuilder.CreateIndex(
                name: "IX_Passages_LectureId_Key",
                table: "Passages",
                columns: new[] { "LectureId", "Key" },
                unique: true);
        }
    }
}
