/** A worker that runs circuits. */
export const startWorker = (): Worker =>
  new Worker(new URL('../../workers/web/rehearsal.worker.ts', import.meta.url), { type: 'module' });

/** Milliseconds in which a worker has loaded what it needs. */
const WARM = 20_000;

/** Loads what runs programs, so that it is there when it is wanted, with a connection or without. */
export function warmRehearsal(): void {
  const worker = startWorker();
  worker.postMessage('warm');
  setTimeout(() => worker.terminate(), WARM);
}
