WebApplication.CreateBuilder(args).Build().Run(); public partial class Program;
