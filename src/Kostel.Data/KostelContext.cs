using Kostel.Core.Answers;
using Kostel.Core.Study;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Kostel.Data.Stored;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Kostel.Data;

/// <summary>The library on SQLite.</summary>
public sealed class KostelContext(DbContextOptions<KostelContext> options, TranscriptCache transcripts) : DbContext(options)
{
    /// <summary>Transcripts that need not be read again.</summary>
    public TranscriptCache Transcripts => transcripts;

    public DbSet<CourseRow> Courses => Set<CourseRow>();

    public DbSet<LectureRow> Lectures => Set<LectureRow>();

    public DbSet<TermRow> Terms => Set<TermRow>();

    public DbSet<EarlierTranscriptRow> EarlierTranscripts => Set<EarlierTranscriptRow>();

    public DbSet<UploadRow> Uploads => Set<UploadRow>();

    public DbSet<SpeakerRow> Speakers => Set<SpeakerRow>();

    public DbSet<PassageRow> Passages => Set<PassageRow>();

    public DbSet<ChapterRow> Chapters => Set<ChapterRow>();

    public DbSet<UtteranceRow> Utterances => Set<UtteranceRow>();

    public DbSet<JobRow> Jobs => Set<JobRow>();

    public DbSet<ThreadRow> Threads => Set<ThreadRow>();

    public DbSet<QuestionRow> Questions => Set<QuestionRow>();

    public DbSet<SummaryRow> Summaries => Set<SummaryRow>();

    public DbSet<SheetRow> Sheets => Set<SheetRow>();

    public DbSet<EarlierSheetRow> EarlierSheets => Set<EarlierSheetRow>();

    public DbSet<CardRow> Cards => Set<CardRow>();

    public DbSet<CardMemoryRow> CardMemories => Set<CardMemoryRow>();

    public DbSet<PersonRow> People => Set<PersonRow>();

    public DbSet<VisitRow> Visits => Set<VisitRow>();

    public DbSet<ReviewRow> Reviews => Set<ReviewRow>();

    public DbSet<QuizRow> Quizzes => Set<QuizRow>();

    public DbSet<AttemptRow> Attempts => Set<AttemptRow>();

    public DbSet<EditRow> Edits => Set<EditRow>();

    public DbSet<OriginalRow> Originals => Set<OriginalRow>();

    public DbSet<MarkRow> Marks => Set<MarkRow>();

    public DbSet<FeedRow> Feeds => Set<FeedRow>();

    public DbSet<EpisodeRow> Episodes => Set<EpisodeRow>();

    public DbSet<MeaningRow> Meanings => Set<MeaningRow>();

    public DbSet<HeardRow> Heard => Set<HeardRow>();

    public DbSet<PlanRow> Plans => Set<PlanRow>();

    public DbSet<RecordingRow> Recordings => Set<RecordingRow>();

    public DbSet<RecordedWordsRow> RecordedWords => Set<RecordedWordsRow>();

    public DbSet<SettingRow> Settings => Set<SettingRow>();

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<Enum>().HaveConversion<string>();
        configurationBuilder.Properties<DateTime>().HaveConversion<UtcConverter>();
    }

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<CourseRow>(e =>
        {
            e.HasIndex(c => c.Title).IsUnique();
            e.Property(c => c.TermsVersion).IsConcurrencyToken();
            AsJson(e.Property(c => c.Routine));
        });
        modelBuilder.Entity<TermRow>(e =>
        {
            e.HasKey(t => new { t.CourseId, t.Number });
            e.HasOne<CourseRow>().WithMany().HasForeignKey(t => t.CourseId);
        });
        modelBuilder.Entity<EarlierTranscriptRow>(e => AsJson(OfLecture(e).Property(t => t.Transcript)));
        modelBuilder.Entity<LectureRow>(e =>
        {
            e.Property(l => l.Version).IsConcurrencyToken();
            e.HasIndex(l => l.ContentHash);
            AsJson(e.Property(l => l.BroughtChapters));
            AsJson(e.Property(l => l.HeardCorrections));
            AsJson(e.Property(l => l.CaptionStreams));
            e.HasOne(l => l.Course).WithMany().HasForeignKey(l => l.CourseId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<SpeakerRow>(e => PartOfLecture(e, s => new { s.LectureId, s.Number }));
        modelBuilder.Entity<PassageRow>(e =>
        {
            PartOfLecture(e, p => new { p.LectureId, p.Key });
            e.HasIndex(p => new { p.LectureId, p.Number });
            AsJson(e.Property(p => p.Words));
        });
        modelBuilder.Entity<ChapterRow>(e => PartOfLecture(e, c => new { c.LectureId, c.Number }));
        modelBuilder.Entity<UtteranceRow>(e =>
        {
            PartOfLecture(e, u => new { u.LectureId, u.Number });
            AsJson(e.Property(u => u.Words));
        });
        modelBuilder.Entity<JobRow>(e =>
        {
            e.HasOne<LectureRow>().WithMany().HasForeignKey(j => j.LectureId).OnDelete(DeleteBehavior.Cascade);
            e.HasIndex(j => j.State);
            e.HasOne<JobRow>().WithMany().HasForeignKey(j => j.AfterId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<UploadRow>().Ignore(u => u.Choice);
        modelBuilder.Entity<RecordingRow>(e =>
        {
            AsJson(OfPerson(e).Property(r => r.Marks));
            AsJson(e.Property(r => r.Corrections));
        });
        modelBuilder.Entity<RecordedWordsRow>(e =>
        {
            e.HasKey(w => new { w.RecordingId, w.Number });
            e.HasOne<RecordingRow>().WithMany().HasForeignKey(w => w.RecordingId);
            AsJson(e.Property(w => w.Words));
        });
        modelBuilder.Entity<ThreadRow>(e =>
        {
            e.HasOne<LectureRow>().WithMany().HasForeignKey(t => t.LectureId).OnDelete(DeleteBehavior.Cascade);
            e.HasOne<CourseRow>().WithMany().HasForeignKey(t => t.CourseId).OnDelete(DeleteBehavior.Cascade);
            OfPerson(e).HasMany(t => t.Questions).WithOne().HasForeignKey(q => q.ThreadId);
        });
        modelBuilder.Entity<QuestionRow>(e =>
        {
            e.HasIndex(q => q.LectureId);
            AsJson(OfPerson(e).Property(q => q.Answer));
            AsJson(e.Property(q => q.Written));
        });
        modelBuilder.Entity<SummaryRow>(e => AsJson(OfLecture(e).Property(s => s.Parts)));
        modelBuilder.Entity<SheetRow>(e =>
        {
            e.HasOne<LectureRow>().WithMany().HasForeignKey(s => s.LectureId).OnDelete(DeleteBehavior.Cascade);
            e.HasOne<CourseRow>().WithMany().HasForeignKey(s => s.CourseId).OnDelete(DeleteBehavior.Cascade);
            OfPerson(e).Property(s => s.Version).IsConcurrencyToken();
            AsJson(e.Property(s => s.Content));
        });
        modelBuilder.Entity<EarlierSheetRow>(e =>
        {
            e.HasKey(s => new { s.SheetId, s.Version });
            e.HasOne<SheetRow>().WithMany().HasForeignKey(s => s.SheetId);
            AsJson(e.Property(s => s.Content));
        });
        modelBuilder.Entity<CardRow>(e =>
        {
            OfLecture(e).Property(c => c.Version).IsConcurrencyToken();
            e.HasMany(c => c.Memories).WithOne().HasForeignKey(m => m.CardId);
            e.HasIndex(c => new { c.LectureId, c.SourceKey }).IsUnique();
            AsJson(e.Property(c => c.Content));
            AsJson(e.Property(c => c.Source));
        });
        modelBuilder.Entity<CardMemoryRow>(e =>
        {
            e.HasKey(m => new { m.CardId, m.OwnerId });
            OfPerson(e).HasIndex(m => m.DueAt);
            e.Ignore(m => m.State);
            e.Property(m => m.Version).IsConcurrencyToken();
        });
        modelBuilder.Entity<PersonRow>().HasData(new PersonRow { Id = PersonRow.TheOne });
        modelBuilder.Entity<VisitRow>(e => PartOfLecture(OfPerson(e), v => new { v.LectureId, v.OwnerId }));
        modelBuilder.Entity<ReviewRow>(e =>
        {
            OfPerson(e);
            e.HasOne<CardRow>().WithMany().HasForeignKey(r => r.CardId);
            AsJson(e.Property(r => r.Before));
        });
        modelBuilder.Entity<QuizRow>(e =>
        {
            OfLecture(e);
            e.HasMany(q => q.Questions).WithOne().HasForeignKey(q => q.QuizId);
        });
        modelBuilder.Entity<QuizQuestionRow>(e =>
        {
            e.HasKey(q => new { q.QuizId, q.Number });
            AsJson(e.Property(q => q.Content));
            AsJson(e.Property(q => q.Source));
        });
        modelBuilder.Entity<AttemptRow>(e =>
        {
            OfPerson(e);
            e.HasOne<QuizRow>().WithMany().HasForeignKey(a => a.QuizId);
            AsJson(e.Property(a => a.Choices));
        });
        modelBuilder.Entity<EditRow>(e =>
        {
            AsJson(OfLecture(e).Property(r => r.Patch));
            AsJson(e.Property(r => r.Made));
        });
        modelBuilder.Entity<OriginalRow>(e =>
        {
            PartOfLecture(e, o => o.LectureId);
            AsJson(e.Property(o => o.Transcript));
        });
        modelBuilder.Entity<MarkRow>(e => OfPerson(OfLecture(e)).Property(m => m.Version).IsConcurrencyToken());
        modelBuilder.Entity<FeedRow>(e =>
        {
            e.HasIndex(f => f.Address).IsUnique();
            e.HasOne<CourseRow>().WithMany().HasForeignKey(f => f.CourseId).OnDelete(DeleteBehavior.SetNull);
        });
        modelBuilder.Entity<EpisodeRow>(e =>
        {
            e.HasKey(x => new { x.FeedId, x.Key });
            e.HasOne<FeedRow>().WithMany().HasForeignKey(x => x.FeedId);
            e.HasOne<LectureRow>().WithMany().HasForeignKey(x => x.LectureId).OnDelete(DeleteBehavior.SetNull);
            AsJson(e.Property(x => x.Captions));
        });
        modelBuilder.Entity<MeaningRow>(e => PartOfLecture(e, m => m.LectureId));
        modelBuilder.Entity<HeardRow>(e => AsJson(PartOfLecture(OfPerson(e), h => new { h.LectureId, h.OwnerId }).Property(h => h.Stretches)));
        modelBuilder.Entity<PlanRow>(e => AsJson(OfPerson(e).Property(p => p.Parts)));
        modelBuilder.Entity<SettingRow>().HasKey(s => new { s.OwnerId, s.Name });
    }

    private static EntityTypeBuilder<T> PartOfLecture<T>(EntityTypeBuilder<T> entity, System.Linq.Expressions.Expression<Func<T, object?>> key)
        where T : class
    {
        entity.HasKey(key);
        return OfLecture(entity);
    }

    private static EntityTypeBuilder<T> OfLecture<T>(EntityTypeBuilder<T> entity)
        where T : class
    {
        entity.HasOne<LectureRow>().WithMany().HasForeignKey("LectureId");
        return entity;
    }

    private static EntityTypeBuilder<T> OfPerson<T>(EntityTypeBuilder<T> entity)
        where T : class
    {
        entity.HasOne<PersonRow>().WithMany().HasForeignKey("OwnerId");
        return entity;
    }

    /// <summary>Stores an immutable value as JSON; it is replaced, never changed in place.</summary>
    private static void AsJson<T>(PropertyBuilder<T> property) => property.HasConversion(
        new ValueConverter<T, string>(
            v => VersionedJson.Write(v),
            s => VersionedJson.Read<T>(s)),
        new ValueComparer<T>((a, b) => ReferenceEquals(a, b), v => v!.GetHashCode(), v => v));

    private sealed class UtcConverter() : ValueConverter<DateTime, DateTime>(
        v => v.ToUniversalTime(), v => DateTime.SpecifyKind(v, DateTimeKind.Utc));
}
