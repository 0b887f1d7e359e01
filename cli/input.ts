import { readFile, stat } from 'node:fs/promises';
import { resolve } from 'node:path';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { boardsOf, EXERCISE_LIMIT, readExercise, type Exercise } from '@/core/formats/exercise';
import { PROGRAM_LIMIT } from '@/core/program';
import type { Scenario } from '@/core/formats/scenario';
import { problemText, type Result } from '@/core/result';
import { STATED_LIMIT } from '@/core/messages/outside';
import { readStated } from '@/core/statements/sentences';
import { readWiring } from '@/core/wiring/read';
import { TABLE_LIMIT } from '@/core/wiring/table';
import type { Wiring } from '@/core/wiring/wiring';

/** Input that cannot be used: one line that names file, place and reason; exit code 2. */
export class Unusable extends Error {}

/** Options of a command line; unknown and missing ones are unusable input. */
export function options<T extends NonNullable<ParseArgsConfig['options']>>(
  words: readonly string[],
  known: T,
) {
  try {
    return parseArgs({ args: [...words], options: known, strict: true, allowPositionals: false }).values;
  } catch (error) {
    throw new Unusable(error instanceof Error ? error.message : 'the options cannot be read');
  }
}

export function required(value: string | undefined, name: string): string {
  if (value === undefined) throw new Unusable(`--${name} is missing`);
  return value;
}

/** Reads a text file of at most `limit` characters; binary and broken text is refused. */
export async function readText(path: string, folder: string, limit: number): Promise<string> {
  const full = resolve(folder, path);
  let bytes: Buffer;
  try {
    const info = await stat(full);
    if (info.isDirectory()) throw new Unusable(`${path}: this is a folder, a file is wanted`);
    if (info.size > limit * 4)
      throw new Unusable(
        `${path}: the file is too long: ${info.size} bytes, at most ${limit} characters are read`,
      );
    bytes = await readFile(full);
  } catch (error) {
    if (error instanceof Unusable) throw error;
    throw new Unusable(`${path}: the file cannot be opened`);
  }
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new Unusable(`${path}: this is not UTF-8 text`);
  }
  if (text.includes('\0'))
    throw new Unusable(
      `${path}: line ${text.slice(0, text.indexOf('\0')).split('\n').length}: this is not a text file: it holds a NUL character`,
    );
  if (text.length > limit)
    throw new Unusable(`${path}: the file is too long: ${text.length} characters, at most ${limit} are read`);
  return text;
}

/** The value of a result, or its first problem with the file's name. */
export function usable<T>(result: Result<T>, path: string): T {
  if (result.ok) return result.value;
  const [problem] = result.problems;
  throw new Unusable(`${path}: ${problem ? problemText(problem) : 'cannot be read'}`);
}

/** A wiring table; it may name the shipped boards, and that of the exercise it belongs to. */
export const loadWiring = async (path: string, folder: string, exercise?: Exercise): Promise<Wiring> =>
  usable(
    readWiring(await readText(path, folder, TABLE_LIMIT), {
      boards: boardsOf(exercise?.data ?? {}),
    }),
    path,
  );

export const loadExercise = async (path: string, folder: string): Promise<Exercise> =>
  usable(readExercise(await readText(path, folder, EXERCISE_LIMIT)), path);

/** A program; one that is longer than what is judged is read all the same, and judged to be too long. */
export const loadProgram = (path: string, folder: string): Promise<string> =>
  readText(path, folder, 10 * PROGRAM_LIMIT);

/** Sentences in which a learner says what theirs does. */
export const loadStated = async (
  path: string,
  folder: string,
  { data }: Exercise,
): Promise<readonly Scenario[]> =>
  usable(readStated(await readText(path, folder, STATED_LIMIT), data.parts), path);

/** `10s`, `500ms`, `10` in seconds. */
export function readDuration(text: string): number {
  const match = /^(\d+(?:\.\d+)?)\s*(ms|s|min)?$/.exec(text.trim());
  const seconds = match
    ? Number(match[1]) * (match[2] === 'ms' ? 0.001 : match[2] === 'min' ? 60 : 1)
    : Number.NaN;
  if (!(seconds > 0) || seconds > 3600)
    throw new Unusable(`“${text}” is no duration; write it like 10s or 500ms, at most 3600s`);
  return seconds;
}
