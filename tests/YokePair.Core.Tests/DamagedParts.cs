using System.Text;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Files damaged in what a part, a need or a light says: each is refused with its field.</summary>
public sealed class DamagedParts
{
    private const string Sound = """
        {"format":"yoke-pair/plan","version":1,"people":[{"id":"lead","handOverSeconds":10},{"id":"help","role":"assistant"}],"places":[{"id":"bag",
          "reachSeconds":60}],
         "items":[{"id":"f1","kind":"flash","place":"bag","guideNumber":36},{"id":"f2","kind":"flash","place":"bag","guideNumber":36},{"id":"s1",
           "kind":"support","place":"bag","form":"stand"},{"id":"p1","kind":"pack","place":"bag","outlets":2},
                  {"id":"t1","kind":"trigger","place":"bag","sends":"R1"},{"id":"b1","kind":"body","place":"bag","mount":"K","megapixels":24,
                    "isoCeiling":6400,"batteryType":"LB","slots":[{"type":"SD"}]},{"id":"led","kind":"light","place":"bag","luxAtOneM":500}],
         "parts":[{"id":"dance","ev":3,"stayBehindM":4,"temperatureC":20,"noted":{"fNumber":2.8,"shutterSeconds":0.01,"iso":3200},"frames":{"low":1,
           "likely":2,"high":3},"setups":[{"person":"lead","body":"b1","trigger":"t1"}],
           "lights":[{"flash":"f1","holder":"s1","pack":"p1"},{"flash":"f2","holder":"help","pack":"p1"},{"light":"led"}],
           "needs":[{"id":"n","shutterSeconds":0.01,"depthM":[2,3],"deliverable":{"widthCm":30,"heightCm":20},"stands":{"count":1,"distanceM":3},
             "bounce":{"ceilingM":3},"momentSeconds":5,"warningSeconds":2,"maxFNumber":4}]}]}
        """;

    [Fact]
    public void The_sound_file_is_read_and_kept_as_it_is()
    {
        var read = PlanFile.Read(Encoding.UTF8.GetBytes(Sound));
        Assert.Empty(read.Problems);
        Assert.Equal(PlanFile.Write(read.Plan!), PlanFile.Write(PlanFile.Read(PlanFile.Write(read.Plan!)).Plan!));
    }

    [Fact]
    public void A_word_that_is_none_is_answered_with_those_there_are()
    {
        var read = PlanFile.Read(Encoding.UTF8.GetBytes(Sound.Replace("\"role\":\"assistant\"", "\"role\":\"director\"", StringComparison.Ordinal)));
        Assert.Contains("\"photographer\" or \"assistant\"", Assert.Single(read.Problems).Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("\"stayBehindM\":4", "\"stayBehindM\":-1", "parts[0].stayBehindM")]
    [InlineData("\"temperatureC\":20", "\"temperatureC\":-90", "parts[0].temperatureC")]
    [InlineData("\"ev\":3", "\"ev\":40", "parts[0].ev")]
    [InlineData("\"fNumber\":2.8", "\"fNumber\":0", "parts[0].noted.fNumber")]
    [InlineData("\"low\":1", "\"low\":9", "parts[0].frames")]
    [InlineData("\"trigger\":\"t1\"", "\"trigger\":\"t1\",\"flash\":\"f1\"", "parts[0].setups[0].trigger")]
    [InlineData("\"trigger\":\"t1\"", "\"trigger\":\"f1\"", "parts[0].setups[0].trigger")]
    [InlineData("\"trigger\":\"t1\"", "\"support\":\"t1\"", "parts[0].setups[0].support")]
    [InlineData("\"flash\":\"f2\"", "\"flash\":\"f1\"", "parts[0].lights[1].flash")]
    [InlineData("\"flash\":\"f2\"", "\"flash\":\"none\"", "parts[0].lights[1].flash")]
    [InlineData("{\"light\":\"led\"}", "{\"light\":\"led\",\"flash\":\"f2\"}", "parts[0].lights[2]")]
    [InlineData("{\"light\":\"led\"}", "{\"spot\":\"bar\"}", "parts[0].lights[2]")]
    [InlineData("{\"light\":\"led\"}", "null", "parts[0].lights[2]")]
    [InlineData("\"outlets\":2", "\"outlets\":1", "parts[0].lights[1].pack")]
    [InlineData("\"holder\":\"s1\"", "\"holder\":\"p1\"", "parts[0].lights[0].holder")]
    [InlineData("\"depthM\":[2,3]", "\"depthM\":[3,2]", "parts[0].needs[0].depthM")]
    [InlineData("\"widthCm\":30", "\"widthCm\":0", "parts[0].needs[0].deliverable.widthCm")]
    [InlineData("\"count\":1", "\"count\":0", "parts[0].needs[0].stands.count")]
    [InlineData("\"count\":1", "\"count\":99", "parts[0].needs[0].stands.count")]
    [InlineData("\"ceilingM\":3", "\"ceilingM\":1", "parts[0].needs[0].bounce.ceilingM")]
    [InlineData("\"momentSeconds\":5", "\"momentSeconds\":0", "parts[0].needs[0].momentSeconds")]
    [InlineData("\"warningSeconds\":2", "\"warningSeconds\":-2", "parts[0].needs[0].warningSeconds")]
    [InlineData("\"maxFNumber\":4", "\"maxFNumber\":0", "parts[0].needs[0].maxFNumber")]
    [InlineData("\"handOverSeconds\":10", "\"handOverSeconds\":-1", "people[0].handOverSeconds")]
    [InlineData("\"luxAtOneM\":500", "\"luxAtOneM\":0", "items[6].luxAtOneM")]
    [InlineData("\"role\":\"assistant\"", "\"role\":\"director\"", "people[1].role")]
    public void A_damaged_one_is_refused_with_its_field(string sound, string damaged, string field)
    {
        Assert.Contains(sound, Sound, StringComparison.Ordinal);
        var read = PlanFile.Read(Encoding.UTF8.GetBytes(Sound.Replace(sound, damaged, StringComparison.Ordinal)));
        Assert.Null(read.Plan);
        Assert.Contains(field, read.Problems.Select(p => p.Field));
        Assert.All(read.Problems, p => Assert.NotEmpty(p.Message));
    }
}
