using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class BringingIn : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "HeldOnIsGuessed",
                table: "Uploads",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "SameAs",
                table: "Uploads",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "BroughtChapters",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CaptionStreams",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "ContentHash",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "HasCopy",
                table: "Lectures",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "SourceAddress",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Routine",
                table: "Courses",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Feeds",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Address = table.Column<string>(type: "TEXT", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    CourseId = table.Column<int>(type: "INTEGER", nullable: true),
                    IsFollowed = table.Column<bool>(type: "INTEGER", nullable: false),
                    Tag = table.Column<string>(type: "TEXT", nullable: true),
                    ChangedAt = table.Column<string>(type: "TEXT", nullable: true),
                    CheckedAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    NextAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Problem = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Feeds", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Feeds_Courses_CourseId",
                        column: x => x.CourseId,
                        principalTable: "Courses",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateTable(
                name: "Episodes",
                columns: table => new
                {
                    FeedId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", nullable: false),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Title = table.Column<string>(type: "TEXT", nullable: false),
                    PublishedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Media = table.Column<string>(type: "TEXT", nullable: false),
                    Page = table.Column<string>(type: "TEXT", nullable: true),
                    Bytes = table.Column<long>(type: "INTEGER", nullable: true),
                    DurationMs = table.Column<int>(type: "INTEGER", nullable: true),
                    ChapterFile = table.Column<string>(type: "TEXT", nullable: true),
                    Captions = table.Column<string>(type: "TEXT", nullable: false),
                    LectureId = table.Column<string>(type: "TEXT", nullable: true),
                    IsNew = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Episodes", x => new { x.FeedId, x.Key });
                    table.ForeignKey(
                        name: "FK_Episodes_Feeds_FeedId",
                        column: x => x.FeedId,
                        principalTable: "Feeds",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Episodes_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Lectures_ContentHash",
                table: "Lectures",
                column: "ContentHash");

            migrationBuilder.CreateIndex(
                name: "IX_Episodes_LectureId",
                table: "Episodes",
                column: "LectureId");

            migrationBuilder.CreateIndex(
                name: "IX_Feeds_Address",
                table: "Feeds",
                column: "Address",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Feeds_CourseId",
                table: "Feeds",
                column: "CourseId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Episodes");

            migrationBuilder.DropTable(
                name: "Feeds");

            migrationBuilder.DropIndex(
                name: "IX_Lectures_ContentHash",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "HeldOnIsGuessed",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "SameAs",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "BroughtChapters",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "CaptionStreams",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "ContentHash",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "HasCopy",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "SourceAddress",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "Routine",
                table: "Courses");
        }
    }
}
