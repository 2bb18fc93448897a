using System.IO.Compression;
using System.Text;

namespace MorningRound.Server.DataRights;

/// <summary>
/// A ZIP that somebody takes away. It is whole on disk before the first byte goes out: what goes wrong is told as any other
/// error, and a slow line holds no moment of the database. The file goes once it was sent.
/// </summary>
/// <param name="FileName">What it is called on the other side.</param>
/// <param name="Content">What is in it, from the beginning.</param>
public sealed record Archive(string FileName, Stream Content)
{
    private static readonly UTF8Encoding Utf8 = new(encoderShouldEmitUTF8Identifier: false);

    /// <summary>Makes an archive out of what is put into it.</summary>
    internal static async Task<Archive> MakeAsync(string fileName, Func<ZipArchive, Task> fill, CancellationToken cancel)
    {
        // Made for the eyes of the server's user alone.
        var file = new FileStream(
            Path.GetTempFileName(),
            new FileStreamOptions
            {
                Access = FileAccess.ReadWrite,
                Options = FileOptions.Asynchronous | FileOptions.DeleteOnClose,
            }
        );
        try
        {
            await using (var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Create, leaveOpen: true, null, cancel))
                await fill(zip);
            file.Position = 0;
            return new Archive(fileName, file);
        }
        catch
        {
            await file.DisposeAsync();
            throw;
        }
    }

    /// <summary>A new file of an archive, for text.</summary>
    internal static async Task<StreamWriter> NewFileAsync(ZipArchive zip, string name, CancellationToken cancel) =>
        new(await zip.CreateEntry(name, CompressionLevel.Optimal).OpenAsync(cancel), Utf8) { NewLine = "\n" };
}
