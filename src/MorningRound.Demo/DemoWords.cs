namespace MorningRound.Demo;

/// <summary>What the signed-in student and the coach say to each other.</summary>
internal static class DemoWords
{
    public const string Said = "The line is coming. On Saturday, call every shot out loud before you pick the club.";

    public const string Answered = "Did that, and the seven was much calmer. The four still goes left.";

    public const string Asked = "On Thursday I only have forty minutes. Putts or the start line?";
}
