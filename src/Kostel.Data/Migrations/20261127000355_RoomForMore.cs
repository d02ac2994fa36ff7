using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class RoomForMore : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "People",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_People", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "CardMemories",
                columns: table => new
                {
                    CardId = table.Column<int>(type: "INTEGER", nullable: false),
                    OwnerId = table.Column<int>(type: "INTEGER", nullable: false),
                    Stability = table.Column<double>(type: "REAL", nullable: true),
                    Difficulty = table.Column<double>(type: "REAL", nullable: true),
                    DueAt = table.Column<DateTime>(type: "TEXT", nullable: false),
                    ReviewedAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CardMemories", x => new { x.CardId, x.OwnerId });
                    table.ForeignKey(
                        name: "FK_CardMemories_Cards_CardId",
                        column: x => x.CardId,
                        principalTable: "Cards",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_CardMemories_People_OwnerId",
                        column: x => x.OwnerId,
                        principalTable: "People",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Visits",
                columns: table => new
                {
                    LectureId = table.Column<string>(type: "TEXT", nullable: false),
                    OwnerId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Visits", x => new { x.LectureId, x.OwnerId });
                    table.ForeignKey(
                        name: "FK_Visits_Lectures_LectureId",
                        column: x => x.LectureId,
                        principalTable: "Lectures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_Visits_People_OwnerId",
                        column: x => x.OwnerId,
                        principalTable: "People",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.InsertData(
                table: "People",
                column: "Id",
                value: 1);

            // What was learned of cards, and what was opened, is the person's.
            migrationBuilder.Sql(
                """
                INSERT INTO CardMemories (CardId, OwnerId, Stability, Difficulty, DueAt, ReviewedAt, Version)
                SELECT Id, 1, Stability, Difficulty, DueAt, ReviewedAt, Version FROM Cards;
                INSERT INTO Visits (LectureId, OwnerId, At) SELECT Id, 1, OpenedAt FROM Lectures WHERE OpenedAt IS NOT NULL;
                """);

            migrationBuilder.AddColumn<string>(
                name: "Kind",
                table: "Jobs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Payload",
                table: "Jobs",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Priority",
                table: "Jobs",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "AfterId",
                table: "Jobs",
                type: "INTEGER",
                nullable: true);

            // What a job was asked for was columns, and is a payload of its kind. Accuracy is written as a number there.
            migrationBuilder.Sql(
                """
                UPDATE Jobs SET Kind = 'voices', Payload = json_object('v', 1, 'is', json_object('voices', Voices)) WHERE OnlyVoices;
                UPDATE Jobs SET Kind = 'transcription', Payload = json_object('v', 1, 'is', json_object(
                    'choice', json_object(
                        'accuracy', CASE Accuracy WHEN 'Accurate' THEN 1 ELSE 0 END,
                        'language', Language,
                        'byService', json(CASE WHEN ByService THEN 'true' ELSE 'false' END),
                        'voices', Voices),
                    'languageIsGuessed', json(CASE WHEN LanguageIsGuessed THEN 'true' ELSE 'false' END))) WHERE NOT OnlyVoices;
                """);

            // Evidence is one thing, and names its lecture. What is stored as JSON says of which form it is.
            migrationBuilder.Sql(
                """
                UPDATE Cards SET Source = json_object('v', 1, 'is', json_object('passageId', Source ->> '$.passageId', 'startMs', Source ->> '$.startMs', 'endMs', Source ->> '$.endMs', 'quote', Source ->> '$.quote', 'lectureId', LectureId));
                UPDATE QuizQuestionRow SET Source = json_object('v', 1, 'is', json_object('passageId', Source ->> '$.passageId', 'startMs', Source ->> '$.startMs', 'endMs', Source ->> '$.endMs', 'quote', Source ->> '$.quote', 'lectureId', (SELECT LectureId FROM Quizzes WHERE Quizzes.Id = QuizQuestionRow.QuizId)));
                UPDATE Questions SET Answer = json_object('v', 1, 'is', json_object(
                    'isSaid', json(Answer -> '$.isSaid'),
                    'lines', json((SELECT json_group_array(json_object('passageId', line.value ->> '$.passageId', 'startMs', line.value ->> '$.startMs', 'endMs', line.value ->> '$.endMs', 'quote', line.value ->> '$.text', 'lectureId', Questions.LectureId)) FROM json_each(Questions.Answer, '$.lines') AS line)),
                    'unheardWords', json(Answer -> '$.unheardWords')));
                UPDATE Summaries SET Parts = json_object('v', 1, 'is', json((SELECT json_group_array(json_object(
                    'chapter', part.value ->> '$.chapter',
                    'startMs', part.value ->> '$.startMs',
                    'lines', json((SELECT json_group_array(json_object('passageId', line.value ->> '$.passageId', 'startMs', line.value ->> '$.startMs', 'endMs', line.value ->> '$.endMs', 'quote', line.value ->> '$.quote', 'lectureId', Summaries.LectureId)) FROM json_each(part.value, '$.lines') AS line))))
                    FROM json_each(Summaries.Parts) AS part)));
                """);

            migrationBuilder.DropPrimaryKey(
                name: "PK_Settings",
                table: "Settings");

            migrationBuilder.AddColumn<int>(
                name: "OwnerId",
                table: "Settings",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<int>(
                name: "OwnerId",
                table: "Reviews",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<int>(
                name: "OwnerId",
                table: "Questions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<int>(
                name: "OwnerId",
                table: "Marks",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<int>(
                name: "OwnerId",
                table: "Attempts",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddPrimaryKey(
                name: "PK_Settings",
                table: "Settings",
                columns: new[] { "OwnerId", "Name" });

            // When the day begins is chosen by a person, the rest so far for the library.
            migrationBuilder.Sql(
                """
                UPDATE Settings SET OwnerId = 1 WHERE Name = 'day-begins';
                """);

            migrationBuilder.AlterColumn<string>(
                name: "LectureId",
                table: "Jobs",
                type: "TEXT",
                nullable: true,
                oldClrType: typeof(string),
                oldType: "TEXT");

            migrationBuilder.DropIndex(
                name: "IX_Cards_DueAt",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "OpenedAt",
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
                name: "Difficulty",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "DueAt",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "ReviewedAt",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "Stability",
                table: "Cards");

            migrationBuilder.DropColumn(
                name: "Accuracy",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "Voices",
                table: "Jobs");

            migrationBuilder.DropColumn(
                name: "OnlyVoices",
                table: "Jobs");

            migrationBuilder.CreateIndex(
                name: "IX_Reviews_OwnerId",
                table: "Reviews",
                column: "OwnerId");

            migrationBuilder.CreateIndex(
                name: "IX_Questions_OwnerId",
                table: "Questions",
                column: "OwnerId");

            migrationBuilder.CreateIndex(
                name: "IX_Marks_OwnerId",
                table: "Marks",
                column: "OwnerId");

            migrationBuilder.CreateIndex(
                name: "IX_Jobs_AfterId",
                table: "Jobs",
                column: "AfterId");

            migrationBuilder.CreateIndex(
                name: "IX_Attempts_OwnerId",
                table: "Attempts",
                column: "OwnerId");

            migrationBuilder.CreateIndex(
                name: "IX_CardMemories_DueAt",
                table: "CardMemories",
                column: "DueAt");

            migrationBuilder.CreateIndex(
                name: "IX_CardMemories_OwnerId",
                table: "CardMemories",
                column: "OwnerId");

            migrationBuilder.CreateIndex(
                name: "IX_Visits_OwnerId",
                table: "Visits",
                column: "OwnerId");

            migrationBuilder.AddForeignKey(
                name: "FK_Attempts_People_OwnerId",
                table: "Attempts",
                column: "OwnerId",
                principalTable: "People",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_Jobs_Jobs_AfterId",
                table: "Jobs",
                column: "AfterId",
                principalTable: "Jobs",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_Marks_People_OwnerId",
                table: "Marks",
                column: "OwnerId",
                principalTable: "People",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_Questions_People_OwnerId",
                table: "Questions",
                column: "OwnerId",
                principalTable: "People",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_Reviews_People_OwnerId",
                table: "Reviews",
                column: "OwnerId",
                principalTable: "People",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new System.NotSupportedException("A library does not go back to an earlier form; a backup of it does.");
    }
}
