using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class AccuracyAndTerms : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Accuracy",
                table: "Uploads",
                type: "TEXT",
                nullable: false,
                defaultValue: "Fast");

            migrationBuilder.AddColumn<DateTime>(
                name: "MadeAt",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "MadeWith",
                table: "Lectures",
                type: "TEXT",
                nullable: false,
                defaultValue: "Fast");

            migrationBuilder.AddColumn<string>(
                name: "Accuracy",
                table: "Jobs",
                type: "TEXT",
                nullable: false,
                defaultValue: "Fast");

            migrationBuilder.AddColumn<int>(
                name: "TermsVersion",
                table: "Courses",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "EarlierTranscripts",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    Accuracy = table.Column<string>(type: "TEXT", nullable: false),
                    MadeAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    WordCount = table.Column<int>(type: "INTEGER", nullable: false),
                    Transcript = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_EarlierTranscripts", x => x.Id);
                    table.ForeignKey(
                        name: "FK_EarlierTranscripts_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Terms",
                columns: table => new
                {
                    CourseId = table.Column<int>(type: "INTEGER", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Written = table.Column<string>(type: "TEXT", nullable: false),
                    SoundsLike = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Terms", x => new { x.CourseId, x.Number });
                    table.ForeignKey(
                        name: "FK_Terms_Courses_CourseId",
                        column: x => x.CourseId,
                        principalTable: "Courses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_EarlierTranscripts_LectureId",
                table: "EarlierTranscripts",
                column: "LectureId");

            // Lectures that have a transcript got it when they were brought in.
            migrationBuilder.Sql("UPDATE Lectures SET MadeAt = AddedAt WHERE Id IN (SELECT LectureId FROM Passages)");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "EarlierTranscripts");

            migrationBuilder.DropTable(
                name: "Terms");

            migrationBuilder.DropColumn(
                name: "Accuracy",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "MadeAt",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "MadeWith",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "Accuracy",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "TermsVersion",
                table: "Courses");
        }
    }
}
