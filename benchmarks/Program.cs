using BenchmarkDotNet.Running;
using MorningRound.Benchmarks;

BenchmarkSwitcher.FromAssembly(typeof(DrillBenchmarks).Assembly).Run(args);
