/** Benchmarks; {@code bench/run} runs them all. */
package entaxis.bench;
