import { ok } from '../result';
import { defineKind, eitherWay, twoEnds, type PartKind } from './kind';

/** Wires and clip leads join their ends; they differ in where they can be fastened. */
const conductor = (
  kind: string,
  title: string,
  prefix: string,
  alsoTyped: readonly string[],
  fastens: PartKind['fastens'],
): PartKind =>
  defineKind({
    fastens,
    kind,
    alsoTyped,
    prefix,
    title,
    legs: twoEnds,
    footprint: { type: 'leads', rows: 1 },
    conductor: true,
    joints: [[twoEnds[0].name, twoEnds[1].name]],
    symmetrical: true,
    turns: eitherWay(twoEnds),
    body: 'module',
    sign: 'box',
    readValue: (text) => ok({ text: text.trim().toLowerCase() }),
    elements: () => [],
    describe: (value) => (value.text === '' ? title : `${value.text} ${title}`),
  });

export const wire = conductor('wire', 'wire', 'W', ['jumper'], 'in holes');
export const clip = conductor('clip', 'clip lead', 'CL', ['clip-lead'], 'anywhere');
