import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { textOf, type TextFile } from './files';
import { sortOut } from './sort-out';
import { unpack, type ArchiveLimits } from './unpack';
import { namedIn, wordsIn } from './whose';

const LIMITS: ArchiveLimits = { packed: 200_000, entries: 50, file: 10_000, unpacked: 40_000 };
const text = new TextEncoder();

interface Given {
  readonly name: string;
  readonly content: string | Uint8Array;
  readonly password?: string;
  readonly at?: Date;
}

/** An archive as a computer packs it. */
async function zip(files: readonly Given[]): Promise<Uint8Array> {
  const writer = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false });
  for (const { name, content, password, at } of files)
    await writer.add(
      name,
      typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content),
      {
        ...(password === undefined ? {} : { password }),
        ...(at ? { lastModDate: at } : {}),
      },
    );
  return writer.close();
}

describe('an archive', () => {
  test('gives its files with their folders and dates, without what the system left in it', async () => {
    const at = new Date(2027, 2, 26, 18, 30, 10);
    const packed = await zip([
      { name: 'hand-ins/', content: '' },
      { name: 'hand-ins/Adda/beacon.ino', content: 'void loop() {}', at },
      { name: '__MACOSX/hand-ins/._Adda', content: 'x' },
      { name: 'hand-ins/.DS_Store', content: 'x' },
    ]);
    const read = await unpack(packed, LIMITS);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    expect(read.value.files.map(({ path, changedAt }) => [path, changedAt])).toEqual([
      ['hand-ins/Adda/beacon.ino', at.getTime()],
    ]);
    expect(read.value.aside).toEqual([]);
  });

  test.each([
    ['is too large', (whole: Uint8Array) => whole, { packed: 20 }, /at most 1 kB are taken/],
    ['is cut short', (whole: Uint8Array) => whole.slice(0, -30), {}, /damaged/],
    [
      'has a list that is broken',
      (whole: Uint8Array) =>
        whole.map((byte, at) => (at > whole.length - 130 && at < whole.length - 22 ? 0xff : byte)),
      {},
      /damaged/,
    ],
    ['is none', () => text.encode('this is no archive, but long enough'), {}, /no ZIP archive/],
    ['is empty', () => new Uint8Array(), {}, /no ZIP archive/],
    ['has too many files', (whole: Uint8Array) => whole, { entries: 1 }, /more than 1 files/],
    ['unpacks to too much', (whole: Uint8Array) => whole, { unpacked: 5 }, /Unpacked, this archive has more/],
  ] as const)('is refused when it %s', async (_, change, limits, expected) => {
    const packed = await zip([
      { name: 'a.txt', content: 'hello there' },
      { name: 'b.txt', content: 'hello again' },
    ]);
    const read = await unpack(change(packed), { ...LIMITS, ...limits });
    expect(read.ok ? '' : read.problems[0]!.message).toMatch(expected);
  });

  test('that packs a gigabyte into a megabyte is stopped when it has unpacked what it may', async () => {
    const bomb = await zip([{ name: 'bomb.txt', content: new Uint8Array(50_000_000) }]);
    expect(bomb.length).toBeLessThan(LIMITS.packed);
    const read = await unpack(bomb, LIMITS);
    expect(read.ok && read.value.aside).toEqual([{ path: 'bomb.txt', why: 'It is larger than 10 kB.' }]);
  });

  test('that says of a file that it is small is not believed', async () => {
    const packed = await zip([{ name: 'bomb.txt', content: new Uint8Array(2_000_000) }]);
    const view = new DataView(packed.buffer, packed.byteOffset);
    // The size in the list of files, which the writer has put 24 bytes behind its mark.
    const list = packed.findIndex((byte, at) => byte === 0x50 && view.getUint32(at, true) === 0x02014b50);
    view.setUint32(list + 24, 12, true);
    const read = await unpack(packed, LIMITS);
    expect(read.ok ? read.value.files : []).toEqual([]);
  });

  test('keeps names aside that climb out of it, and files that are locked', async () => {
    const packed = await zip([
      { name: 'fine.txt', content: 'x' },
      { name: '../../etc/passwd', content: 'x' },
      { name: 'C:\\windows\\x.txt', content: 'x' },
      { name: 'locked.txt', content: 'x', password: 'secret' },
    ]);
    const read = await unpack(packed, LIMITS);
    if (!read.ok) throw new Error(read.problems[0]?.message);
    expect(read.value.files.map(({ path }) => path)).toEqual(['fine.txt']);
    expect(read.value.aside).toHaveLength(3);
    expect(read.value.aside.map(({ why }) => why).join()).toMatch(/leads out.*leads out.*password/s);
  });

  test('never throws, whatever its bytes are', async () => {
    const packed = await zip([{ name: 'a.txt', content: 'hello there' }]);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(packed.length - 1), fc.integer({ min: 0, max: 255 })), {
          minLength: 1,
          maxLength: 8,
        }),
        async (changes) => {
          const bytes = packed.slice();
          for (const [at, byte] of changes) bytes[at] = byte;
          const read = await unpack(bytes, LIMITS);
          expect(typeof read.ok).toBe('boolean');
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('a file from outside', () => {
  const read = (path: string, bytes: Uint8Array) => textOf({ path, bytes });
  test.each([
    ['UTF-8', text.encode('größer')],
    ['UTF-8 with its mark', new Uint8Array([0xef, 0xbb, 0xbf, ...text.encode('größer')])],
    ['UTF-16', new Uint8Array([0xff, 0xfe, ...[...'größer'].flatMap((letter) => [letter.charCodeAt(0), 0])])],
    ['what older spreadsheets write', new Uint8Array([...'größer'].map((letter) => letter.charCodeAt(0)))],
  ])('is read in %s', (_, bytes) => {
    expect(read('a.csv', bytes)).toMatchObject({ ok: true, value: { text: 'größer' } });
  });

  test.each([
    ['a picture', 'IMG_2.JPG', /picture/],
    ['a text document', 'program.docx', /plain text/],
    ['a program for the chip', 'blink.hex', /source/],
    ['an archive in the archive', 'all.zip', /Unpack it/],
    ['something with signs that no text has', 'x.ino', /no text/],
  ])('is not read when it is %s', (_, path, expected) => {
    const result = read(path, new Uint8Array([1, 2, 0, 3]));
    expect(result.ok ? '' : result.problems[0]!.message).toMatch(expected);
  });
});

const learners = ['Adda', 'Anna Berg', 'Anna Holm', 'Ben', 'Béla Kovač', 'Ben (2)'].map((name) => ({
  id: name,
  name,
}));

describe('whose a file is', () => {
  test.each([
    ['Adda/beacon.ino', 'Adda'],
    ['beacon_adda_final.ino', 'Adda'],
    ['AddaBeacon.ino', 'Adda'],
    ['Anna Berg - beacon.csv', 'Anna Berg'],
    ['berg_anna.ino', 'Anna Berg'],
    ['annaholm/program.ino', 'Anna Holm'],
    ['bela-kovac.ino', 'Béla Kovač'],
    ['ben (2)/beacon.ino', 'Ben (2)'],
  ])('is read from %s', (path, expected) => {
    expect(namedIn(wordsIn(path), learners)).toEqual({ is: 'found', id: expected });
  });

  test.each([
    ['anna.ino', ['Anna Berg', 'Anna Holm']],
    ['somebody.ino', []],
    ['benjamin.ino', []],
  ])('is not guessed from %s', (path, ids) => {
    expect(namedIn(wordsIn(path), learners)).toEqual({ is: 'unclear', ids });
  });
});

const exercises = [
  { id: 'beacon', name: 'Beacon' },
  { id: 'night-bell', name: 'Night bell' },
];
const TABLE = 'ref,kind,value,leg,at\n';
const PROGRAM = 'void setup() {}\nvoid loop() {}\n';
const file = (path: string, content: string, changedAt?: number): TextFile => ({
  path,
  text: content,
  ...(changedAt === undefined ? {} : { changedAt }),
});
const sorted = (files: readonly TextFile[], usual?: string) =>
  sortOut(files, learners, exercises, usual).handIns.map(({ learnerId, exerciseId, wiring, program }) => [
    learnerId,
    exerciseId,
    wiring?.path,
    program?.path,
  ]);

describe('hand-ins from files', () => {
  test('are put together whether they lie in folders or side by side', () => {
    expect(
      sorted([
        file('Adda/Beacon/wiring.csv', TABLE),
        file('Adda/Beacon/Beacon.ino', PROGRAM),
        file('ben night bell.csv', TABLE),
        file('ben_night-bell.py', PROGRAM),
      ]),
    ).toEqual([
      ['Adda', 'beacon', 'Adda/Beacon/wiring.csv', 'Adda/Beacon/Beacon.ino'],
      ['Ben', 'night-bell', 'ben night bell.csv', 'ben_night-bell.py'],
    ]);
  });

  test('are for the exercise at hand where no other is named', () => {
    expect(sorted([file('Adda.ino', PROGRAM), file('Ben/night bell.ino', PROGRAM)], 'beacon')).toEqual([
      ['Adda', 'beacon', undefined, 'Adda.ino'],
      ['Ben', 'night-bell', undefined, 'Ben/night bell.ino'],
    ]);
  });

  test('know a table and a program by what is in them, whatever they are called', () => {
    expect(sorted([file('adda-1.txt', TABLE), file('adda-2.txt', PROGRAM)], 'beacon')).toEqual([
      ['Adda', 'beacon', 'adda-1.txt', 'adda-2.txt'],
    ]);
  });

  test('are told by the head of a program, where the path says nothing', () => {
    expect(sorted([file('sketch_mar26a/sketch_mar26a.ino', `// Adda\n${PROGRAM}`)], 'beacon')).toEqual([
      ['Adda', 'beacon', undefined, 'sketch_mar26a/sketch_mar26a.ino'],
    ]);
  });

  test('that are nobody’s stay together, for somebody to say whose', () => {
    const { handIns } = sortOut(
      [file('in/x17/wiring.csv', TABLE), file('in/x17/code.ino', PROGRAM), file('in/anna.ino', PROGRAM)],
      learners,
      exercises,
    );
    expect(
      handIns.map(({ learnerId, couldBe, wiring, program }) => [
        learnerId,
        couldBe,
        wiring?.path,
        program?.path,
      ]),
    ).toEqual([
      [undefined, ['Anna Berg', 'Anna Holm'], undefined, 'in/anna.ino'],
      [undefined, [], 'in/x17/wiring.csv', 'in/x17/code.ino'],
    ]);
  });

  test('have the later of two files for the same, and the other aside', () => {
    const { handIns, aside } = sortOut(
      [file('adda/beacon.ino', PROGRAM, 1000), file('adda/beacon (2).ino', PROGRAM, 2000)],
      learners,
      exercises,
    );
    expect(handIns.map(({ program, changedAt }) => [program?.path, changedAt])).toEqual([
      ['adda/beacon (2).ino', 2000],
    ]);
    expect(aside).toEqual([{ path: 'adda/beacon.ino', why: expect.stringContaining('the later one') }]);
  });

  test('keep aside what is neither, and what is too long', () => {
    const { handIns, aside } = sortOut(
      [
        file('adda/notes.txt', 'remember the milk'),
        file('adda/beacon.ino', `${PROGRAM}${' '.repeat(30_000)}`),
      ],
      learners,
      exercises,
    );
    expect(handIns).toEqual([]);
    expect(aside.map(({ why }) => why)).toEqual([
      'It is neither a wiring table nor a program.',
      expect.stringContaining('at most 20,000 are taken'),
    ]);
  });

  test('lose no file: each is in a hand-in or aside', () => {
    const path = fc.string({
      unit: fc.constantFrom(...'adda/ben-1 beacon.incosvtx'),
      minLength: 1,
      maxLength: 30,
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(path, { maxLength: 12 }),
        fc.infiniteStream(fc.constantFrom(TABLE, PROGRAM, 'x')),
        (paths, texts) => {
          const files = paths.map((one) => file(one, texts.next().value as string));
          const { handIns, aside } = sortOut(files, learners, exercises, 'beacon');
          const used = handIns.flatMap(({ wiring, program, stated }) =>
            [wiring, program, stated].flatMap((one) => one?.path ?? []),
          );
          expect([...used, ...aside.map((one) => one.path)].sort()).toEqual([...paths].sort());
        },
      ),
    );
  });
});
