namespace MorningRound.Core.Wording;

/// <summary>
/// A sentence that the core can say: what it is called, and how it reads in English. The sentences of a capability stand in one
/// file of theirs; another language is another such file with the same names.
/// </summary>
/// <param name="Id">Its name, unique among all sentences.</param>
/// <param name="English">The sentence, with a place such as <c>{0}</c> or <c>{1:0.0}</c> for each argument.</param>
public sealed record Sentence(string Id, string English)
{
    /// <summary>The sentence about something in particular.</summary>
    /// <param name="arguments">
    /// Numbers, texts, words of golf (clubs, places, parts that hurt), lists of them, or other messages.
    /// </param>
    public Message Of(params IReadOnlyList<object> arguments) => new(this, arguments);
}

/// <summary>Something to be said: which sentence, and of what. Two messages are equal when both are.</summary>
public sealed class Message(Sentence sentence, IReadOnlyList<object> arguments) : IEquatable<Message>
{
    /// <summary>Which sentence.</summary>
    public string Id => sentence.Id;

    /// <summary>What it says it of, in the order of the places in the sentence.</summary>
    public IReadOnlyList<object> Arguments { get; } = arguments;

    /// <summary>The message as text, in the language of a set of sentences.</summary>
    /// <param name="sentences">Sentences by name; null says it in English.</param>
    public string In(IReadOnlyDictionary<string, string>? sentences = null)
    {
        var text = Fill(sentences);
        return IsWhole ? char.ToUpperInvariant(text[0]) + text[1..] : text;
    }

    /// <inheritdoc/>
    public bool Equals(Message? other) => other is not null && Id == other.Id && Arguments.SequenceEqual(other.Arguments);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Message);

    /// <inheritdoc/>
    public override int GetHashCode() => Arguments.Aggregate(Id.GetHashCode(StringComparison.Ordinal), HashCode.Combine);

    /// <inheritdoc/>
    public override string ToString() => In();

    /// <summary>Whether it is a sentence of its own and not a part of one.</summary>
    private bool IsWhole => sentence.English.EndsWith('.');

    private string Fill(IReadOnlyDictionary<string, string>? sentences) =>
        string.Format(
            System.Globalization.CultureInfo.InvariantCulture,
            sentences is null ? sentence.English : sentences[Id],
            [.. Arguments.Select(a => Say(a, sentences))]
        );

    private static object Say(object argument, IReadOnlyDictionary<string, string>? sentences) =>
        argument switch
        {
            Message { IsWhole: true } whole => whole.In(sentences),
            Message part => part.Fill(sentences),
            MessageList list => string.Join(list.Between, list.Messages.Select(m => Say(m, sentences))),
            _ => Words.Of(argument),
        };
}

/// <summary>Several messages one after another, as an argument of a sentence. Two lists are equal when all they say is.</summary>
/// <param name="between">What stands between two of them.</param>
/// <param name="messages">The messages, in their order.</param>
public sealed class MessageList(string between, IReadOnlyList<Message> messages) : IEquatable<MessageList>
{
    /// <summary>What stands between two of them.</summary>
    public string Between => between;

    /// <summary>The messages, in their order.</summary>
    public IReadOnlyList<Message> Messages => messages;

    /// <inheritdoc/>
    public bool Equals(MessageList? other) =>
        other is not null && Between == other.Between && Messages.SequenceEqual(other.Messages);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as MessageList);

    /// <inheritdoc/>
    public override int GetHashCode() => Messages.Aggregate(Between.GetHashCode(StringComparison.Ordinal), HashCode.Combine);
}
