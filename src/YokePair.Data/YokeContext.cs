using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace YokePair.Data;

/// <summary>The database: one SQLite file with the assignments, the locker, and the log of edits made to each.</summary>
public sealed class YokeContext(DbContextOptions<YokeContext> options) : DbContext(options)
{
    public DbSet<AssignmentRow> Assignments => Set<AssignmentRow>();

    public DbSet<EditRow> Edits => Set<EditRow>();

    public DbSet<LockerRow> Locker => Set<LockerRow>();

    public DbSet<LockerEditRow> LockerEdits => Set<LockerEditRow>();

    public DbSet<FactRow> Facts => Set<FactRow>();

    public DbSet<PhoneRow> Phones => Set<PhoneRow>();

    public DbSet<UsedRow> Used => Set<UsedRow>();

    public DbSet<AnswerRow> Answers => Set<AnswerRow>();

    // Long: the tables, one after the other.
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<AssignmentRow>(row =>
        {
            row.ToTable("Assignments");
            row.HasKey(a => a.Key);
            row.Property(a => a.Key).HasMaxLength(80);
            row.HasIndex(a => new { a.Start, a.End });
            // All that the list of assignments shows: a row's plan lies before most of it and is fifty times as long.
            row.HasIndex(a => new
            {
                a.Key,
                a.Name,
                a.Start,
                a.End,
                a.Revision,
                a.Archived,
                a.DeletedAt,
                a.SummaryRevision,
                a.SummaryLocker,
                a.Summary,
            }).HasDatabaseName("IX_Assignments_List");
            row.Property(a => a.Revision).IsConcurrencyToken();
        });
        modelBuilder.Entity<EditRow>(row =>
        {
            row.ToTable("Edits");
            row.HasKey(e => new { e.AssignmentKey, e.Number });
            row.HasOne<AssignmentRow>().WithMany().HasForeignKey(e => e.AssignmentKey).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<LockerRow>(row =>
        {
            row.ToTable("Locker");
            row.HasKey(t => t.Key);
            row.Property(t => t.Revision).IsConcurrencyToken();
        });
        modelBuilder.Entity<LockerEditRow>(row =>
        {
            row.ToTable("LockerEdits");
            row.HasKey(e => e.Number);
            row.Property(e => e.Number).ValueGeneratedNever();
        });
        modelBuilder.Entity<FactRow>(row =>
        {
            row.ToTable("Facts");
            row.HasKey(f => f.Number);
            row.HasIndex(f => f.Origin).IsUnique();
        });
        modelBuilder.Entity<PhoneRow>(row =>
        {
            row.ToTable("Phones");
            row.HasKey(p => p.Id);
            row.HasIndex(p => p.TokenHash).IsUnique();
        });
        modelBuilder.Entity<UsedRow>(row =>
        {
            row.ToTable("Used");
            row.HasKey(u => u.AssignmentKey);
            row.HasOne<AssignmentRow>().WithOne().HasForeignKey<UsedRow>(u => u.AssignmentKey).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<AnswerRow>(row =>
        {
            row.ToTable("Answers");
            row.HasKey(a => a.Question);
        });
    }
}

/// <summary>
/// An assignment. The plan is kept whole, as the open file format: it is always read and analysed whole, unknown fields
/// survive, and a row is what an export would be (docs/decisions.md).
/// </summary>
public sealed class AssignmentRow
{
    /// <summary>Key in URLs, made from the plan's own id.</summary>
    public required string Key { get; init; }

    public required string Name { get; set; }

    /// <summary>Local start of the day, for ordering.</summary>
    public DateTime? Start { get; set; }

    /// <summary>Local end of the day, to know what else goes on at the same time; null = not known.</summary>
    public DateTime? End { get; set; }

    /// <summary>Counts every change, undo and redo included.</summary>
    public int Revision { get; set; }

    /// <summary>The plan file.</summary>
    public required byte[] Plan { get; set; }

    /// <summary>Out of the way, but kept.</summary>
    public bool Archived { get; set; }

    /// <summary>When it was deleted, UTC; it can be put back for a while. Null = it was not.</summary>
    public DateTime? DeletedAt { get; set; }

    /// <summary>What the list shows of it, as last worked out; null = nothing yet.</summary>
    public byte[]? Summary { get; set; }

    /// <summary>Revision that <see cref="Summary"/> was worked out of.</summary>
    public int? SummaryRevision { get; set; }

    /// <summary>Revision of the locker that <see cref="Summary"/> was worked out with.</summary>
    public int? SummaryLocker { get; set; }
}

/// <summary>One edit of an assignment, kept for undo, redo and to tell another tab what changed.</summary>
public sealed class EditRow
{
    public required string AssignmentKey { get; init; }

    public required int Number { get; init; }

    /// <summary>Revision it led to, by its making, undoing or redoing, whichever was last.</summary>
    public int Revision { get; set; }

    public required string Label { get; init; }

    /// <summary>The changed parts and items as they were.</summary>
    public required byte[] Before { get; init; }

    /// <summary>The changed parts and items as they became.</summary>
    public required byte[] After { get; init; }

    public bool Undone { get; set; }
}

/// <summary>Lets <c>dotnet ef</c> make migrations without the web program.</summary>
internal sealed class DesignTimeFactory : IDesignTimeDbContextFactory<YokeContext>
{
    public YokeContext CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<YokeContext>().UseSqlite("Data Source=design.db").Options);
}
