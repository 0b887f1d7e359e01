import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { create, type Font } from 'fontkit';

const here = createRequire(import.meta.url);

/** What a text on paper can look like. */
export const faces = ['text', 'strong', 'title', 'mono', 'mono-strong'] as const;
export type Face = (typeof faces)[number];

const file = (name: string, style: string): string => {
  const family = name
    .split('-')
    .map((word) => word[0]!.toUpperCase() + word.slice(1))
    .join('');
  return `@expo-google-fonts/${name}/${style}/${family}_${style}.ttf`;
};
const MATH = file('noto-sans-math', '400Regular');

/** The files of each face, first to last where a sign has to be looked for; all of them are shipped. */
const FILES: Readonly<Record<Face, readonly string[]>> = {
  text: [file('atkinson-hyperlegible-next', '400Regular'), file('noto-sans', '400Regular'), MATH],
  strong: [file('atkinson-hyperlegible-next', '700Bold'), file('noto-sans', '700Bold'), MATH],
  title: [file('besley', '700Bold'), file('noto-sans', '700Bold'), MATH],
  mono: [file('atkinson-hyperlegible-mono', '400Regular'), file('noto-sans-mono', '400Regular'), MATH],
  'mono-strong': [file('atkinson-hyperlegible-mono', '700Bold'), file('noto-sans-mono', '700Bold'), MATH],
};

interface Loaded {
  readonly name: string;
  readonly bytes: Buffer;
  readonly font: Font;
}

const loaded = new Map<string, Loaded>();

function load(path: string): Loaded {
  const known = loaded.get(path);
  if (known) return known;
  const bytes = readFileSync(here.resolve(path));
  // None of the shipped files is a collection.
  const made = { name: path.replace(/^.*\//, ''), bytes, font: create(bytes) as Font };
  loaded.set(path, made);
  return made;
}

/** A stretch of text that one file has all signs of. */
export interface Run {
  readonly text: string;
  /** The name under which `register` has given the file to a document. */
  readonly font: string;
}

/** Which file of a face has a sign; looked up once. */
const homes = new Map<string, string>();

function homeOf(sign: string, face: Face): string {
  const key = `${face} ${sign}`;
  const known = homes.get(key);
  if (known !== undefined) return known;
  const code = sign.codePointAt(0)!;
  const home = FILES[face].find((one) => load(one).font.hasGlyphForCodePoint(code)) ?? FILES[face][0]!;
  const { name } = load(home);
  homes.set(key, name);
  return name;
}

/** Cuts a text into runs, each in the first file of its face that has its signs; a sign that none has becomes a box. */
export function runsOf(text: string, face: Face): readonly Run[] {
  const runs: { text: string; font: string }[] = [];
  for (const sign of text) {
    const last = runs.at(-1);
    // A space stays where it is: it would cut a word from its sign.
    const font = last && sign === ' ' ? last.font : homeOf(sign, face);
    if (last?.font === font) last.text += sign;
    else runs.push({ text: sign, font });
  }
  return runs;
}

/** Makes all faces known to a document, which then embeds what it uses of them. */
export function register(document: { registerFont(name: string, src: Buffer): unknown }): void {
  const files = new Set(Object.values(FILES).flat());
  for (const path of files) {
    const { name, bytes } = load(path);
    document.registerFont(name, bytes);
  }
}
