/** Milliseconds after which nothing is expected of a request any more. */
const GIVE_UP_AFTER = 20_000;

/**
 * Asks the server, as `fetch` does, and gives up after a while. A request that is under way when a tablet goes to sleep
 * or leaves the network may never end, and whoever waits for it would send nothing else until the page is loaded anew.
 */
export const ask = (address: string, init: RequestInit = {}): Promise<Response> =>
  fetch(address, { ...init, signal: AbortSignal.timeout(GIVE_UP_AFTER) });

/** Tells the server something as JSON, and gives up after a while. */
export const tell = (address: string, method: 'POST' | 'PUT', what: unknown): Promise<Response> =>
  ask(address, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(what),
  });

/** Whether the same may well be taken later: the server is in trouble, has too much to do, or wants one to sign in. */
export const mayPass = (status: number): boolean => status >= 500 || [401, 408, 429].includes(status);
