import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '@/core/course/house-rules';
import { makeHandout } from '@/core/handout';
import { beacon, grammars } from '@/core/testing/beacon';
import { runsOf } from './fonts';
import { pdfOf, type PrintOptions } from './index';

const handout = makeHandout(
  beacon,
  {
    form: 'student',
    rules: DEFAULT_HOUSE_RULES,
    place: 'Exercise 1',
    address: 'http://room.example/bench/1',
  },
  grammars,
);
const usual: PrintOptions = { paper: 'A4', columns: 1 };
const print = async (count: number, options: Partial<PrintOptions> = {}): Promise<string> =>
  (
    await pdfOf(
      Array.from({ length: count }, () => handout),
      { ...usual, ...options },
    )
  ).toString('latin1');
const pages = (pdf: string): number => pdf.match(/\/Type \/Page\b/g)!.length;

describe('a PDF', () => {
  test('is tagged, says its language and title, and maps what is drawn to letters', async () => {
    const pdf = await print(1);
    expect(pdf).toMatch(/^%PDF-1\.7/);
    expect(pdf).toContain('/StructTreeRoot');
    expect(pdf).toMatch(/\/MarkInfo/);
    expect(pdf).toMatch(/\/Lang \(en\)/);
    expect(pdf).toContain('/ToUnicode');
    for (const tag of ['/H1', '/H2', '/LBody', '/Table', '/TR', '/Figure'])
      expect(pdf, tag).toContain(`/S ${tag}`);
  });

  test('is of the paper that is asked for', async () => {
    expect(await print(1)).toMatch(/\/MediaBox \[0 0 595\.28 841\.89\]/);
    expect(await print(1, { paper: 'Letter' })).toMatch(/\/MediaBox \[0 0 612 792\]/);
  });

  test('of several handouts has its contents before them, and each in the outline', async () => {
    const [one, three] = [await print(1), await print(3)];
    expect(pages(three)).toBe(3 * pages(one) + 1);
    expect(three.match(/\/Title \(/g)!.length).toBeGreaterThanOrEqual(3);
  });

  test('tells how far it has come', async () => {
    const done: number[] = [];
    await print(3, { onProgress: (count) => void done.push(count) });
    expect(done).toEqual([1, 2, 3]);
  });

  test('may have two columns', async () => {
    expect(pages(await print(1, { columns: 2 }))).toBeLessThanOrEqual(pages(await print(1)) + 1);
  });
});

describe('a text on paper', () => {
  test('takes each sign from the first font that has it, and stays together where it can', () => {
    const runs = runsOf('330 Ω resistor ≠ 4k7 → größer', 'text');
    expect(runs.map(({ text }) => text).join('')).toBe('330 Ω resistor ≠ 4k7 → größer');
    expect(new Set(runs.map(({ font }) => font)).size).toBeGreaterThan(1);
    expect(runsOf('plain words', 'text')).toHaveLength(1);
  });
});
