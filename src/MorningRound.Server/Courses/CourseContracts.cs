using MorningRound.Core.Courses;
using MorningRound.Server.Hosting;

namespace MorningRound.Server.Courses;

/// <summary>A course. The version goes back as <c>If-Match</c>.</summary>
public sealed record CourseView(Guid Id, int Version, Course Course) : IVersioned;
