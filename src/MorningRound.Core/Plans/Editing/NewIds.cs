namespace MorningRound.Core.Plans.Editing;

/// <summary>Ids for segments that a fix or a draft adds.</summary>
internal static class NewIds
{
    /// <summary>
    /// An id that follows from another and that the plan does not have yet, so that the same change always gives the same plan.
    /// </summary>
    public static Guid From(Guid other, SessionPlan plan)
    {
        for (var which = 0; ; which++)
        {
            var id = From(other, which);
            if (plan.Segments.All(s => s.Id != id))
                return id;
        }
    }

    /// <summary>The id of a number, following from another id.</summary>
    public static Guid From(Guid other, int which)
    {
        Span<byte> bytes = stackalloc byte[20];
        other.TryWriteBytes(bytes);
        BitConverter.TryWriteBytes(bytes[16..], which);
        return new Guid(System.Security.Cryptography.SHA256.HashData(bytes).AsSpan(0, 16));
    }
}
