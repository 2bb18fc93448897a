using MorningRound.Core.Plans;
using MorningRound.Server.Storage;

namespace MorningRound.Server.Tests.Storage;

public class StoredDocumentTests
{
    private static readonly SessionPlan Plan = new() { Title = "Kept", Segments = [new Pause { Id = Guid.CreateVersion7(), Title = "Water", Minutes = 3 }] };

    [Fact]
    public void A_document_says_its_format_and_comes_back()
    {
        var text = StoredDocuments.Write(Plan);
        Assert.Contains("\"version\":1", text, StringComparison.Ordinal);
        Assert.Equal(3, Assert.IsType<Pause>(StoredDocuments.Read<SessionPlan>(text).Segments[0]).Minutes);
    }

    [Fact]
    public void A_document_of_a_later_release_is_refused_instead_of_guessed_at()
    {
        var later = StoredDocuments.Write(Plan).Replace("\"version\":1", "\"version\":2", StringComparison.Ordinal);
        Assert.Throws<NotSupportedException>(() => StoredDocuments.Read<SessionPlan>(later));
    }
}
