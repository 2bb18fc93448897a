namespace MorningRound.Server.DataRights;

/// <summary>What is kept of a student, before it is deleted.</summary>
/// <param name="Name">The student's name, which is asked for before anything goes.</param>
/// <param name="Rows">How much of what goes, the most first.</param>
/// <param name="Mentions">Where others wrote of the student: that stays, and is for the owner to edit.</param>
/// <param name="HasMoreMentions">Whether there are more than are listed.</param>
public sealed record Traces(string Name, IReadOnlyList<TraceCount> Rows, IReadOnlyList<Mention> Mentions, bool HasMoreMentions);

/// <summary>So many rows of a kind.</summary>
public sealed record TraceCount(TraceKind Kind, int Count);

/// <summary>What is kept of students, by kind.</summary>
public enum TraceKind
{
    Account,
    File,
    Sessions,
    Logs,
    Entries,
    Results,
    Rounds,
    Words,
    Other,
}

/// <summary>A text of somebody else in which the student's name stands.</summary>
/// <param name="Where">What kind of text.</param>
/// <param name="Title">What it is called, or whose it is.</param>
/// <param name="Path">Where it is edited.</param>
public sealed record Mention(MentionKind Where, string Title, string Path);

public enum MentionKind
{
    Plan,
    Drill,
    Programme,
    Squad,
    TestDay,
    Place,
    Course,

    /// <summary>Another student's file or note.</summary>
    Student,

    /// <summary>What was said about another student's week.</summary>
    Week,
}

/// <summary>The name of whoever is to be forgotten, typed again.</summary>
public sealed record Forgetting(string Name);
