import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Newest, type Told } from './newest';

/** A server that answers when and as the test says. */
class Server {
  readonly heard: string[] = [];
  private readonly open: ((answer: Response | Error) => void)[] = [];

  readonly fetch = (_: string, { body }: RequestInit): Promise<Response> => {
    this.heard.push(JSON.parse(String(body)) as string);
    return new Promise((resolve, reject) => {
      this.open.push((answer) => (answer instanceof Error ? reject(answer) : resolve(answer)));
    });
  };

  /** Answers the oldest that waits, and lets the client go on. */
  async answer(status: number | 'no connection', body: unknown = null): Promise<void> {
    this.open.shift()!(
      status === 'no connection'
        ? new TypeError('Failed to fetch')
        : new Response(body === null ? null : JSON.stringify(body), { status }),
    );
    await vi.advanceTimersByTimeAsync(0);
  }
}

let server: Server;
let told: Told<string>[];
let newest: Newest<string>;
beforeEach(() => {
  vi.useFakeTimers();
  server = new Server();
  told = [];
  vi.stubGlobal('fetch', server.fetch);
  newest = new Newest('/api/value', (one) => told.push(one));
});
afterEach(() => {
  newest.close();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('the newest of several messages', () => {
  test('is told after the one that is under way, and those between are not told', async () => {
    for (const message of ['140', '14', '12.5']) newest.tell(message);
    expect(server.heard).toEqual(['140']);
    await server.answer(204);
    expect(server.heard).toEqual(['140', '12.5']);
    expect(told.at(-1)).toEqual({ state: 'on its way' });
    await server.answer(204);
    expect(told.at(-1)).toEqual({ state: 'taken', message: '12.5' });
  });

  test.each(['no connection', 500, 503, 408, 429, 401] as const)(
    'is told again after %s until it is taken',
    async (trouble) => {
      newest.tell('12.5');
      for (let time = 1; time <= 3; time += 1) {
        await server.answer(trouble);
        expect(told.at(-1)).toEqual({ state: 'waiting' });
        await vi.advanceTimersByTimeAsync(5000);
        expect(server.heard).toHaveLength(time + 1);
      }
      await server.answer(204);
      expect(told.at(-1)).toEqual({ state: 'taken', message: '12.5' });
      await vi.advanceTimersByTimeAsync(60_000);
      expect(server.heard).toHaveLength(4);
    },
  );

  test('that has to wait for a sign-in says so', async () => {
    newest.tell('12.5');
    await server.answer(401, { message: 'You are signed out.' });
    expect(told.at(-1)).toEqual({ state: 'waiting', why: 'You are signed out.' });
  });

  test('is told at once when the connection is back', async () => {
    newest.tell('12.5');
    await server.answer('no connection');
    newest.tryAgain();
    expect(server.heard).toEqual(['12.5', '12.5']);
    newest.tryAgain();
    expect(server.heard).toHaveLength(2);
  });

  test('that is refused for what it is, is not told again; a better one is', async () => {
    newest.tell('a lot');
    await server.answer(400, { message: 'This is no number.' });
    expect(told.at(-1)).toEqual({ state: 'refused', why: 'This is no number.' });
    newest.tryAgain();
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.heard).toEqual(['a lot']);
    newest.tell('3');
    await server.answer(204);
    expect(told.at(-1)).toEqual({ state: 'taken', message: '3' });
  });

  test('that was typed while an older one was refused counts instead of it', async () => {
    newest.tell('a lot');
    newest.tell('3');
    await server.answer(400, { message: 'This is no number.' });
    await server.answer(204);
    expect(told.at(-1)).toEqual({ state: 'taken', message: '3' });
    expect(told.some(({ state }) => state === 'refused')).toBe(false);
  });

  test('goes out before the page is left, and nobody is told of it any more', async () => {
    newest.tell('1');
    newest.tell('2');
    newest.close();
    const before = told.length;
    await server.answer(204);
    expect(server.heard).toEqual(['1', '2']);
    await server.answer('no connection');
    await vi.advanceTimersByTimeAsync(60_000);
    expect(server.heard).toEqual(['1', '2']);
    expect(told).toHaveLength(before);
  });
});
