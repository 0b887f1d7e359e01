import { legName } from '../brand';
import { ok } from '../result';
import type { PartKind } from './kind';

const legs = [
  { name: legName('1'), title: 'one end' },
  { name: legName('2'), title: 'other end' },
] as const;

/** Wires and clip leads join their ends; they differ in where they can be fastened. */
const conductor = (kind: string, title: string, prefix: string, alsoTyped: readonly string[]): PartKind => ({
  kind,
  alsoTyped,
  prefix,
  title,
  legs,
  conductor: true,
  joints: [[legs[0].name, legs[1].name]],
  symmetrical: true,
  readValue: (text) => ok({ text: text.trim().toLowerCase() }),
  elements: () => [],
  describe: (value) => (value.text === '' ? title : `${value.text} ${title}`),
});

export const wire = conductor('wire', 'wire', 'W', ['jumper']);
export const clip = conductor('clip', 'clip lead', 'C', ['clip-lead']);
