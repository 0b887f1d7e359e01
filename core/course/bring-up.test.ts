import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../boards';
import { compileProgram } from '../program';
import { rehearse } from '../rehearsal/rehearse';
import { grammars } from '../testing/beacon';
import { ref } from '../brand';
import { blinkProgram, bringUpSteps, messageMeaning, systems } from './bring-up';

const boards = [...shippedBoards.values()];
const learner = shippedBoards.get('learner-5v')!;

describe('making a board ready', () => {
  test.each(boards.flatMap((board) => systems.map((system) => [board.id, system, board] as const)))(
    'goes step by step on %s with %s, from the bare board to its LED',
    (_, system, board) => {
      const steps = bringUpSteps(board, system);
      expect(steps[0]!.id).toBe('bare');
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      if (board.onBoard.length > 0) expect(steps.at(-1)!.id).toBe('blink');
      for (const { title, does, sees, otherwise } of steps) {
        expect(otherwise.length, title).toBeGreaterThan(0);
        for (const sentence of [...does, sees, ...otherwise]) expect(sentence).toMatch(/^[A-Z].*[.?]$/s);
      }
    },
  );

  test.each(boards.filter(({ onBoard }) => onBoard.length > 0))('blinks on a bare $id', (board) => {
    const source = blinkProgram(board, board.language.default);
    const { compiled, problems } = compileProgram(source, board, grammars);
    expect(problems.filter(({ severity }) => severity !== 'advice')).toEqual([]);
    const bare = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };
    const { ownLights } = rehearse(compiled!, bare, board, { seconds: 3.2 });
    const [changes] = ownLights.values();
    const lit = changes!.filter(({ currentMa }) => currentMa > 0.5).length;
    expect(lit).toBeGreaterThanOrEqual(3);
    expect(lit).toBeLessThanOrEqual(4);
  });
});

describe('what is so in one room', () => {
  const wifi = boards.find(({ network }) => network === true)!;
  const room = {
    packagesFrom: 'http://shelf.harbour.example/list',
    network: 'Quay boards',
    password: 'Low tide 7',
  };
  const textOf = (...given: Parameters<typeof bringUpSteps>): string =>
    bringUpSteps(...given)
      .flatMap(({ does }) => does)
      .join('\n');

  test('is told where it is needed, and not to a board that has no use for it', () => {
    const told = textOf(wifi, 'desktop', 'cpp', room);
    for (const text of Object.values(room)) expect(told).toContain(text);
    expect(textOf(learner, 'desktop', 'cpp', room)).not.toContain(room.password);
  });

  test('is asked for where nobody has said it', () => {
    expect(textOf(wifi, 'desktop', 'cpp')).toContain('Ask for the name and the password');
    expect(textOf(wifi, 'desktop', 'cpp', { ...room, password: '' })).toContain('It has no password.');
  });
});

describe('a message of an upload', () => {
  test.each([
    ['Error: cannot open port "COM5": Access is denied.', 'port'],
    ['can’t open device: Permission denied', 'port'],
    ['could not open port /dev/serial0: no such device', 'port'],
    ['programmer is not responding', 'board'],
    ['attempt 10 of 10: not in sync: answer 0x00', 'board'],
    ['A fatal error occurred: Failed to connect: Timed out waiting for packet header', 'board'],
    ['Device signature = 0x1e9514, expected signature is 0x1e950f', 'board'],
    ['fatal error: Servo.h: No such file or directory', 'libraries'],
    ['The program is too big; it exceeds the maximum', 'upload'],
    ["error: expected ';' before '}' token", 'upload'],
    ['OSError: [Errno 30] Read-only filesystem', 'driver'],
  ])('%j leads back to the step for it', (text, step) => {
    expect(messageMeaning(text, learner)?.step).toBe(step);
  });

  test('of which nothing is known is not guessed at, and one that means no harm is said to', () => {
    expect(messageMeaning('the quick brown fox', learner)).toBeUndefined();
    for (const message of learner.bringUp.harmlessMessages)
      expect(messageMeaning(`12:01 ${message.toUpperCase()}\n`, learner)?.step).toBeUndefined();
    expect(messageMeaning(learner.bringUp.harmlessMessages[0]!, learner)?.means).toBe('This means no harm.');
  });
});
