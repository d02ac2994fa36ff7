using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kostel.Data.Migrations
{
    /// <inheritdoc />
    public partial class CourseSheets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AlterColumn<string>(
                name: "LectureId",
                table: "Sheets",
                type: "TEXT",
                nullable: true,
                oldClrType: typeof(string),
                oldType: "TEXT");

            migrationBuilder.AddColumn<int>(
                name: "CourseId",
                table: "Sheets",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Subject",
                table: "Sheets",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_Sheets_CourseId",
                table: "Sheets",
                column: "CourseId");

            migrationBuilder.AddForeignKey(
                name: "FK_Sheets_Courses_CourseId",
                table: "Sheets",
                column: "CourseId",
                principalTable: "Courses",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Sheets_Courses_CourseId",
                table: "Sheets");

            migrationBuilder.DropIndex(
                name: "IX_Sheets_CourseId",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "CourseId",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "Subject",
                table: "Sheets");

            migrationBuilder.AlterColumn<string>(
                name: "LectureId",
                table: "Sheets",
                type: "TEXT",
                nullable: false,
                defaultValue: "",
                oldClrType: typeof(string),
                oldType: "TEXT",
                oldNullable: true);
        }
    }
}
