// The least a web application can be: what ./bench holds the start of the real one against.
var app = WebApplication.CreateBuilder(args).Build();
app.MapGet("/health/ready", () => "Healthy");
app.Run();
