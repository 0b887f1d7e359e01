import type { ExerciseData } from '../formats/exercise';
import { expectationSentence } from '../expectations';
import { kindOf } from '../parts';

/** One difference between two revisions of an exercise, as a sentence. */
export interface RevisionChange {
  readonly subject: 'text' | 'parts' | 'connections' | 'layout' | 'program' | 'scenarios' | 'rules';
  readonly text: string;
}

/** What changed from one revision of an exercise to a later one; empty when nothing did. */
export function revisionChanges(before: ExerciseData, after: ExerciseData): readonly RevisionChange[] {
  return [
    ...texts(before, after),
    ...partChanges(before, after),
    ...connectionChanges(before, after),
    ...(sameLayout(before, after) ? [] : [{ subject: 'layout', text: 'The layout is another.' } as const]),
    ...programChanges(before.program, after.program),
    ...scenarioChanges(before, after),
    ...ruleChanges(before, after),
  ];
}

function texts(before: ExerciseData, after: ExerciseData): readonly RevisionChange[] {
  const changes: RevisionChange[] = [];
  const say = (text: string): void => void changes.push({ subject: 'text', text });
  if (before.title !== after.title) say(`The title was “${before.title}”, now “${after.title}”.`);
  if (before.aim !== after.aim) say(`The aim was “${before.aim}”.`);
  if (before.board !== after.board) say(`The board was ${before.board}, now ${after.board}.`);
  for (const concept of after.concepts.introduces)
    if (!before.concepts.introduces.includes(concept))
      say(`It teaches ${concept.replace(/-/g, ' ')} as well.`);
  for (const concept of before.concepts.introduces)
    if (!after.concepts.introduces.includes(concept))
      say(`It no longer teaches ${concept.replace(/-/g, ' ')}.`);
  return changes;
}

type Part = ExerciseData['parts'][number];

const describe = ({ kind, value }: Part): string => {
  if (kind === 'board' || kind === 'breadboard') return `${value} ${kind}`;
  const read = kindOf(kind).readValue(value);
  return read.ok ? kindOf(kind).describe(read.value) : `${value} ${kind}`;
};

function partChanges(before: ExerciseData, after: ExerciseData): readonly RevisionChange[] {
  const find = ({ parts }: ExerciseData, ref: string): Part | undefined =>
    parts.find((part) => part.ref === ref);
  const changes: RevisionChange[] = [];
  const say = (text: string): void => void changes.push({ subject: 'parts', text });
  for (const part of after.parts) {
    const old = find(before, part.ref);
    if (!old) say(`${part.ref} is new: ${describe(part)}.`);
    else if (describe(old) !== describe(part))
      say(`${part.ref} was ${describe(old)}, now ${describe(part)}.`);
    else if (JSON.stringify(old.accept) !== JSON.stringify(part.accept))
      say(
        part.accept
          ? `${part.ref}: ${part.accept.from} to ${part.accept.to} pass as well.`
          : `${part.ref}: no other value passes.`,
      );
  }
  for (const part of before.parts) if (!find(after, part.ref)) say(`${part.ref} is gone: ${describe(part)}.`);
  return changes;
}

function connectionChanges(before: ExerciseData, after: ExerciseData): readonly RevisionChange[] {
  const partition = ({ nets }: ExerciseData): readonly string[] =>
    nets.filter(({ points }) => points.length > 1).map(({ points }) => [...points].sort().join(', '));
  const [old, now] = [new Set(partition(before)), new Set(partition(after))];
  return [
    ...[...now].filter((net) => !old.has(net)).map((net) => `Joined now: ${net}.`),
    ...[...old].filter((net) => !now.has(net)).map((net) => `No longer joined so: ${net}.`),
  ].map((text) => ({ subject: 'connections', text }));
}

const sameLayout = (before: ExerciseData, after: ExerciseData): boolean =>
  (before.layout ?? '').trim() === (after.layout ?? '').trim();

function programChanges(before: string, after: string): readonly RevisionChange[] {
  if (before === after) return [];
  const [old, now] = [before.split('\n'), after.split('\n')];
  const gone = old.filter((line) => line.trim() !== '' && !now.includes(line)).length;
  const added = now.filter((line) => line.trim() !== '' && !old.includes(line)).length;
  return [{ subject: 'program', text: `The program: ${added} lines new or changed, ${gone} gone.` }];
}

function scenarioChanges(before: ExerciseData, after: ExerciseData): readonly RevisionChange[] {
  const say = ({ scenarios }: ExerciseData): readonly string[] =>
    scenarios.flatMap((scenario) =>
      scenario.expect.map((one) => `${scenario.name}: ${expectationSentence(one)}`),
    );
  const [old, now] = [say(before), say(after)];
  return [
    ...now.filter((text) => !old.includes(text)).map((text) => `Expected now – ${text}.`),
    ...old.filter((text) => !now.includes(text)).map((text) => `Not expected any more – ${text}.`),
  ].map((text) => ({ subject: 'scenarios', text }));
}

const ruleChanges = (before: ExerciseData, after: ExerciseData): readonly RevisionChange[] =>
  JSON.stringify(before.rules) === JSON.stringify(after.rules)
    ? []
    : [{ subject: 'rules', text: 'It follows other house rules of its own.' }];
