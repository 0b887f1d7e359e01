import { listText } from '../words/words';
import type { Task } from './task';

/**
 * What a learner finds otherwise in a task since they worked on an earlier one, in sentences; made of what tasks tell,
 * so that it tells no more. Empty when nothing that they can see has changed.
 */
export function taskChanges(before: Task, after: Task): readonly string[] {
  const changes: string[] = [];
  if (before.aim !== after.aim) changes.push(`What it is for now: ${after.aim}`);
  const bag = (task: Task) => new Map(task.parts.map(({ title, refs }) => [title, refs]));
  const [oldBag, newBag] = [bag(before), bag(after)];
  for (const [title, refs] of newBag) {
    const more = refs.length - (oldBag.get(title)?.length ?? 0);
    if (more > 0) changes.push(`New in the bag: ${counted(more, title)} (${listText(refs.slice(-more))}).`);
  }
  for (const [title, refs] of oldBag) {
    const fewer = refs.length - (newBag.get(title)?.length ?? 0);
    if (fewer > 0) changes.push(`No longer needed: ${counted(fewer, title)}.`);
  }
  const pins = (task: Task) => new Map(task.pins.map(({ pin, what }) => [pin, what]));
  const [oldPins, newPins] = [pins(before), pins(after)];
  for (const [pin, what] of newPins)
    if (oldPins.get(pin) !== what) changes.push(`Pin ${pin} is for: ${what}.`);
  for (const pin of oldPins.keys()) if (!newPins.has(pin)) changes.push(`Pin ${pin} is not used any more.`);
  const seen = (task: Task): ReadonlySet<string> =>
    new Set(
      task.runs.flatMap(({ done, seen: wanted }) => wanted.map((sentence) => [...done, sentence].join(': '))),
    );
  const [oldSeen, newSeen] = [seen(before), seen(after)];
  for (const sentence of newSeen) if (!oldSeen.has(sentence)) changes.push(`To be seen now: ${sentence}.`);
  for (const sentence of oldSeen)
    if (!newSeen.has(sentence)) changes.push(`Not asked for any more: ${sentence}.`);
  if (before.marked.join() !== after.marked.join())
    changes.push('How it is marked has changed. Look under “How it is marked”.');
  if (before.build !== after.build && after.build !== undefined)
    changes.push('Your instructor has changed what is said about the build. Read it again.');
  const known = new Set(before.cautions.map(({ text }) => text));
  for (const { text } of after.cautions) if (!known.has(text)) changes.push(text);
  return changes;
}

const counted = (count: number, title: string): string => (count === 1 ? title : `${count} × ${title}`);
