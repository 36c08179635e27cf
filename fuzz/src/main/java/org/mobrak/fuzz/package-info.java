/**
 * Coverage-guided fuzzing of the readers of files, outside the normal build: {@code fuzz/run.sh SECONDS} runs each for a time.
 *
 * <p>In: bytes the fuzzer makes up from samples of each kind. Out: nothing, or the input on which a reader crashed, hung or
 * left something behind. What is found becomes a test in {@code core}.
 */
package org.mobrak.fuzz;
