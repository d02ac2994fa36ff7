namespace Kostel.Data.Search;

/// <summary>How a kind of row is indexed.</summary>
/// <param name="Table">Where its rows stand.</param>
/// <param name="Columns">Those of which the text is made, and those that tell whether there is one: a change of another one changes nothing.</param>
/// <param name="Text">Its text, as SQL of a row <c>r</c>.</param>
/// <param name="Lecture">Its lecture, or NULL.</param>
/// <param name="Course">Its course, or NULL.</param>
/// <param name="Ref">What tells it from others of its lecture or course.</param>
/// <param name="Start">Where it begins, in milliseconds.</param>
/// <param name="End">Where it ends.</param>
/// <param name="Speaker">Who speaks.</param>
/// <param name="Owner">Whose it is; NULL for what belongs to nobody alone.</param>
/// <param name="Which">Which rows are indexed.</param>
internal sealed record IndexedRows(
    IndexedKind Kind, string Table, string Columns, string Text, string Lecture = "r.LectureId", string Course = "NULL", string Ref = "r.Id", string Start = "0", string End = "0",
    string Speaker = "NULL", string Owner = "NULL", string Which = "1")
{
    /// <summary>Everything that is indexed.</summary>
    public static readonly IReadOnlyList<IndexedRows> All =
    [
        new(IndexedKind.Passage, "Passages", "Words, SpeakerKey", Each("r.Words", "$", "text"), Ref: "r.Key", Start: "r.StartMs", End: "r.EndMs", Speaker: "r.SpeakerKey"),
        new(IndexedKind.Title, "Lectures", "Title", "r.Title", Lecture: "r.Id", Ref: "''"),
        new(IndexedKind.Chapter, "Chapters", "Title, StartMs, EndMs", "r.Title", Ref: "r.Number", Start: "r.StartMs", End: "r.EndMs"),
        new(IndexedKind.Mark, "Marks", "Text, Resolved, Quote, DeletedAt", "r.Text || ' ' || coalesce(r.Resolved, '') || ' ' || r.Quote", Start: "r.StartMs", End: "r.EndMs", Owner: "r.OwnerId", Which: "r.DeletedAt IS NULL"),
        new(IndexedKind.Card, "Cards", "Content", Members("r.Content", "question", "answer", "statement", "missing"), Start: Member("r.Source", "startMs"), End: Member("r.Source", "endMs")),
        new(IndexedKind.Summary, "Summaries", "Parts", $"(SELECT group_concat(json_extract(l.value, '$.quote'), ' ') FROM json_each(r.Parts, {Inside("r.Parts")}) p, json_each(p.value, '$.lines') l)"),
        new(IndexedKind.Sheet, "Sheets", "Name, Content, DeletedAt",
            $"r.Name || ' ' || coalesce((SELECT group_concat(c.value, ' ') FROM json_each(r.Content, {Under("r.Content", "parts")}) p, json_each(p.value, '$.lines') l, json_each(l.value, '$.cells') c), '')",
            Course: "r.CourseId", Owner: "r.OwnerId", Which: "r.DeletedAt IS NULL"),
        new(IndexedKind.Question, "Questions", "Text, DeletedAt", "r.Text", Course: "r.CourseId", Owner: "r.OwnerId", Which: "r.DeletedAt IS NULL"),
        new(IndexedKind.Thread, "Threads", "Title, IsNamed, DeletedAt", "r.Title", Course: "r.CourseId", Owner: "r.OwnerId", Which: "r.DeletedAt IS NULL AND r.IsNamed"),
        new(IndexedKind.Term, "Terms", "Written", "r.Written", Lecture: "NULL", Course: "r.CourseId", Ref: "r.Number"),
        new(IndexedKind.Course, "Courses", "Title", "r.Title", Lecture: "NULL", Course: "r.Id", Ref: "''"),
    ];

    private static string Inside(string column) => $"CASE WHEN json_type({column}, '$.is') IS NULL THEN '$' ELSE '$.is' END";

    private static string Under(string column, string member) => $"CASE WHEN json_type({column}, '$.is') IS NULL THEN '$.{member}' ELSE '$.is.{member}' END";

    private static string Each(string column, string from, string member) =>
        $"(SELECT group_concat(json_extract(w.value, '{from}.{member}'), ' ') FROM json_each({column}, {Inside(column)}) w)";

    private static string Member(string column, string member) => $"coalesce(json_extract({column}, '$.is.{member}'), json_extract({column}, '$.{member}'), 0)";

    private static string Members(string column, params string[] members) => string.Join(" || ' ' || ", members.Select(m => $"coalesce(json_extract({column}, '$.is.{m}'), json_extract({column}, '$.{m}'), '')"));
}
