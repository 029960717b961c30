using System.Text;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data.Csv;

namespace YokePair.Data.Tests;

/// <summary>A table is opened in spreadsheets, which take some cells for formulas.</summary>
public sealed class GuardedTableTests
{
    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("+b", "'+b")]
    [InlineData("-ten", "'-ten")]
    [InlineData("@a", "'@a")]
    [InlineData("'=x", "''=x")]
    [InlineData("-12.5", "-12.5")]
    [InlineData("'quoted'", "'quoted'")]
    [InlineData("a=b", "a=b")]
    public void A_cell_that_looks_like_a_formula_is_guarded_and_comes_back_as_it_was(string name, string written)
    {
        Item thing = new OtherThing { Id = "x", Name = name };
        var table = LockerCsv.Write([thing]);
        Assert.Contains($";{written}", Encoding.UTF8.GetString(table).Replace("\"", "", StringComparison.Ordinal), StringComparison.Ordinal);
        var row = Assert.Single(WeighedImport.Of([thing], LockerCsv.Read(table).Things).Rows);
        Assert.Equal(RowAction.Same, row.Action);
    }

    [Fact]
    public void A_header_of_thousands_of_columns_is_refused_at_once() =>
        Assert.Contains("columns", Assert.Single(LockerCsv.Read(Encoding.UTF8.GetBytes(string.Join(';', Enumerable.Range(0, 50_000).Select(i => $"c{i}"))))
            .Problems).Message, StringComparison.Ordinal);
}
