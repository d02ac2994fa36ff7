using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class TypedContent : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // What a card and a question ask was columns of texts, and is a value that says of which kind it is.
            migrationBuilder.Sql(
                """
                UPDATE QuizQuestionRow SET Stem = '{"v":1,"is":' || json_object(
                    'kind', 'choice', 'stem', Stem, 'key', "Key",
                    'choices', json(CASE json_type(Choices) WHEN 'array' THEN Choices ELSE json_extract(Choices, '$.is') END)) || '}';
                UPDATE Cards SET Front = '{"v":1,"is":' || CASE
                    WHEN instr(Front, '____') > 0 THEN json_object('kind', 'gap', 'statement', Front, 'missing', Back)
                    ELSE json_object('kind', 'question', 'question', Front, 'answer', Back) END || '}';
                """);

            migrationBuilder.DropColumn(
                name: "Choices",
                table: "QuizQuestionRow");

            migrationBuilder.DropColumn(
                name: "Key",
                table: "QuizQuestionRow");

            migrationBuilder.DropColumn(
                name: "Back",
                table: "Cards");

            migrationBuilder.RenameColumn(
                name: "Stem",
                table: "QuizQuestionRow",
                newName: "Content");

            migrationBuilder.RenameColumn(
                name: "Front",
                table: "Cards",
                newName: "Content");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.RenameColumn(
                name: "Content",
                table: "QuizQuestionRow",
                newName: "Stem");

            migrationBuilder.RenameColumn(
                name: "Content",
                table: "Cards",
                newName: "Front");

            migrationBuilder.AddColumn<string>(
                name: "Choices",
                table: "QuizQuestionRow",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Key",
                table: "QuizQuestionRow",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "Back",
                table: "Cards",
                type: "TEXT",
                nullable: false,
                defaultValue: "");
        }
    }
}
