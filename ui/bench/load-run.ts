/** Loads what a bench needs to run; once, whoever asks. */
export const loadBenchRun = () => import('./BenchRun').then(({ BenchRun }) => BenchRun);
