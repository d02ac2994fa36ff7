using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class LanguagesAndVoices : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "ByService",
                table: "Uploads",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Language",
                table: "Uploads",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Voices",
                table: "Uploads",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "LanguageIsGuessed",
                table: "Lectures",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "MadeBy",
                table: "Lectures",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "ByService",
                table: "Jobs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Language",
                table: "Jobs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "LanguageIsGuessed",
                table: "Jobs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<bool>(
                name: "OnlyVoices",
                table: "Jobs",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "Voices",
                table: "Jobs",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "MadeBy",
                table: "EarlierTranscripts",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ByService",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "Language",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "Voices",
                table: "Uploads");

            migrationBuilder.DropColumn(
                name: "LanguageIsGuessed",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "MadeBy",
                table: "Lectures");

            migrationBuilder.DropColumn(
                name: "ByService",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "Language",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "LanguageIsGuessed",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "OnlyVoices",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "Voices",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "MadeBy",
                table: "EarlierTranscripts");
        }
    }
}
