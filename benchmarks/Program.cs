using BenchmarkDotNet.Running;

BenchmarkSwitcher.FromAssembly(typeof(DrillBenchmarks).Assembly).Run(args);
