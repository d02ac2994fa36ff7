using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class FirmGround : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Cards_LectureId",
                table: "Cards");

            migrationBuilder.AddColumn<DateTime>(
                name: "TouchedAt",
                table: "Uploads",
                type: "TEXT",
                nullable: false,
                defaultValue: new DateTime(1, 1, 1, 0, 0, 0, 0, DateTimeKind.Unspecified));

            migrationBuilder.AddColumn<string>(
                name: "Before",
                table: "Reviews",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Notice",
                table: "EarlierTranscripts",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SourceKey",
                table: "Cards",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            // Cards from before there were keys: each has one of its own, of another form.
            migrationBuilder.Sql("UPDATE Cards SET SourceKey = 'card ' || Id");
            migrationBuilder.Sql("UPDATE Uploads SET TouchedAt = CreatedAt");

            migrationBuilder.CreateIndex(
                name: "IX_Cards_LectureId_SourceKey",
                table: "Cards",
                columns: new[] { "LectureId", "SourceKey" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Cards_LectureId_SourceKey",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "TouchedAt",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "Before",
                table: "Reviews");

            migrationBuilder.DropColumn(
                name: "Notice",
                table: "EarlierTranscripts");

            migrationBuilder.DropColumn(
                name: "SourceKey",
                table: "Cards");

            migrationBuilder.CreateIndex(
                name: "IX_Cards_LectureId",
                table: "Cards",
                column: "LectureId");
        }
    }
}
