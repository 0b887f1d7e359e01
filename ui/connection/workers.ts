/** A worker that runs circuits. */
export const rehearsalWorker = (): Worker =>
  new Worker(new URL('../../workers/web/rehearsal.worker.ts', import.meta.url), { type: 'module' });

/** A worker that looks programs over while they are typed. */
export const programWorker = (): Worker =>
  new Worker(new URL('../../workers/web/program.worker.ts', import.meta.url), { type: 'module' });

/** Milliseconds in which a worker has loaded what it needs. */
const WARM = 20_000;

/** Loads what workers need, so that it is there when they are wanted, with a connection or without. */
export function warmWorkers(): void {
  for (const start of [rehearsalWorker, programWorker]) {
    const worker = start();
    worker.postMessage('warm');
    setTimeout(() => worker.terminate(), WARM);
  }
}
