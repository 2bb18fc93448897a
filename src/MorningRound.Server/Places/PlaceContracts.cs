using MorningRound.Core.Places;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Places;

/// <summary>A place. The version goes back as <c>If-Match</c>.</summary>
public sealed record PlaceView(Guid Id, int Version, Place Place) : IVersioned;
