// The ways through the product that are counted, each from the page where it begins to its end.
import { readFileSync } from 'node:fs';
import { Hands } from './hands.mjs';

const { layout, program } = JSON.parse(readFileSync('demo/course/02-leading-lights.json', 'utf8'));
/** The program as somebody writes it: without remarks. */
const PROGRAM = program.replace(/ *\/\/.*$/gm, '').replace(/^\n+/, '');

/** Ends in the order of the bench's list, with the labels of their fields. */
const LEGS = { anode: 'long leg', cathode: 'short leg', 1: 'one end', 2: 'other end' };
const ends = layout
  .trim()
  .split('\n')
  .slice(1)
  .map((row) => row.split(','))
  .filter(([, , , leg]) => leg !== '')
  .map(([ref, , , leg, at]) => ({
    ref,
    label: `${LEGS[leg]} of ${ref}`,
    place: at.slice(at.indexOf('.') + 1),
  }))
  .sort((one, other) => Number(other.ref.startsWith('W')) - Number(one.ref.startsWith('W')));

/** An exercise from nothing to a class that has it. */
export async function published(page) {
  const hands = new Hands(page);
  await page.goto('/');
  await page.getByRole('link', { name: /The working harbour/ }).click();
  const title = page.getByLabel('Title', { exact: true });
  await hands.tap(title);
  await hands.type('Two lights');
  await hands.press('Enter');
  await hands.see(page.getByLabel('New part line').and(page.locator(':focus')));
  for (const line of ['red 12 (2-13)', 'green 11 (2-13)']) {
    await hands.type(line);
    await hands.press('Enter');
  }
  await hands.tap(page.getByRole('textbox', { name: 'Aim' }));
  await hands.type('Two LEDs take turns.');
  await hands.tap(page.getByLabel('Reference program'));
  await hands.press('ControlOrMeta+a');
  await hands.write(PROGRAM);
  await hands.tap(page.getByLabel('What must be seen?'));
  await hands.type('D1 and D2 lit 0.8 s, dark 0.8 s');
  await hands.press('Enter');
  await hands.see(page.getByText(/The reference passes/));
  await page.getByText('All changes saved.').waitFor();
  await hands.tap(page.getByRole('button', { name: /^Publish/ }));
  const line = page.getByRole('list', { name: 'Classes' }).getByRole('listitem').first();
  await hands.tap(line.getByRole('button', { name: 'Publish', exact: true }));
  await hands.see(line.getByText('open, revision 1'));
  return hands.line;
}

/** From an idea to its handout, ready to print: a new exercise with one LED, tried, seen, made into pages. */
export async function printed(page) {
  const hands = new Hands(page);
  await page.goto('/');
  await page
    .getByRole('link', { name: /The working harbour/ })
    .first()
    .click();
  await hands.tap(page.getByLabel('Title', { exact: true }));
  await hands.type('Pier light');
  await hands.press('Enter');
  await hands.see(page.getByLabel('New part line').and(page.locator(':focus')));
  await hands.type('amber 12');
  await hands.press('Enter');
  await hands.tap(page.getByText('Programs made from the connections'));
  await hands.tap(page.getByLabel('to test the wiring'));
  await hands.tap(page.getByRole('button', { name: 'Put it in the editor' }));
  await hands.tap(page.getByLabel('What must be seen?'));
  await hands.type('D1 is on at 0.5 s');
  await hands.press('Enter');
  await page.getByText('All changes saved.').waitFor();
  await hands.tap(page.getByRole('link', { name: 'Handout', exact: true }));
  await hands.see(page.getByRole('article', { name: 'Preview' }));
  await hands.press('p');
  await hands.see(page.getByRole('link', { name: /^Open pier-light-student/ }));
  await hands.tap(page.getByRole('link', { name: /^Open pier-light-student/ }));
  return hands.line;
}

/** The bench of exercise 2 for a learner, with nothing on it. */
async function openBench(page) {
  await page.goto('/');
  const item = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Leading lights' }) });
  await item.getByRole('link', { name: /bench/ }).click();
  await page.getByText('Saved on this tablet').waitFor();
  await page.getByRole('tab', { name: 'Task' }).click();
}

/** Says one end by the keypad: by a key for the very hole or pin where there is one and it may be used, else spelt. */
async function say(hands, place, isPlain) {
  const keys = hands.page.getByRole('region', { name: /^Keys for/ });
  const next = keys.getByRole('button', { name: 'next' });
  const whole = keys.getByRole('button', { name: `hole ${place}, and on` });
  if (!isPlain && (await whole.count()) > 0) return hands.tap(whole);
  const pin = keys.getByRole('button', { name: `pin ${place}`, exact: true });
  if ((await pin.count()) > 0) {
    await hands.tap(pin);
    return hands.tap(next);
  }
  const [, column, row] = /^([a-j][+-]?)(\d+)$/.exec(place);
  const rail = `${column.endsWith('+') ? 'plus' : 'minus'} rail beside ${column[0]}`;
  await hands.tap(keys.getByRole('button', { name: column.length > 1 ? rail : column, exact: true }));
  for (const digit of row) await hands.tap(keys.getByRole('button', { name: digit, exact: true }));
  return hands.tap(next);
}

async function handIn(hands) {
  const { page } = hands;
  await hands.tap(page.getByRole('button', { name: /^Check/ }));
  await hands.see(page.getByText('It works, and it is the circuit from the exercise.'));
  await hands.tap(page.getByRole('button', { name: 'Say what you saw, and hand in' }));
  await hands.tap(page.getByText('It did what it should'));
  await hands.tap(page.getByRole('button', { name: 'Hand in', exact: true }));
  await hands.see(page.getByText('Handed in.'));
}

/** Exercise 2 on a tablet: recorded by taps, programmed, handed in. `isPlain`: without the keys for likely holes. */
export async function built(page, { isPlain = false } = {}) {
  const hands = new Hands(page, { isTouch: true });
  await openBench(page);
  await hands.tap(page.getByRole('button', { name: 'Record the wiring' }));
  const afresh = page.getByRole('button', { name: /^Start afresh/ });
  if (await afresh.isEnabled().catch(() => false)) await afresh.tap();
  await hands.tap(page.getByLabel(ends[0].label, { exact: true }));
  for (const { place } of ends) await say(hands, place, isPlain);
  const recording = { ...hands.line };
  await hands.tap(page.getByRole('tab', { name: 'Program' }));
  await hands.tap(page.getByLabel('Your program'));
  await hands.press('ControlOrMeta+a');
  await hands.write(PROGRAM);
  await handIn(hands);
  return { recording, whole: hands.line };
}

/** The same with the keys alone. */
export async function typed(page) {
  const hands = new Hands(page);
  await openBench(page);
  const tab = (name) => page.getByRole('tab', { name });
  await tab('Task').focus();
  await hands.press('ArrowRight');
  const first = page.getByLabel(ends[0].label, { exact: true });
  await hands.tabTo(first);
  for (const { place } of ends) {
    await hands.press('ControlOrMeta+a');
    await hands.type(place);
    await hands.press('Enter');
  }
  const recording = { ...hands.line };
  await hands.tabTo(tab('Wiring'), { back: true });
  await hands.press('ArrowRight');
  await hands.tabTo(page.getByLabel('Your program'));
  await hands.press('ControlOrMeta+a');
  await hands.write(PROGRAM);
  // Out of the editor, where Tab may set a line in.
  await hands.press('Escape');
  await hands.tabTo(page.getByRole('button', { name: /^Check/ }), { back: true });
  await hands.press('Enter');
  await hands.see(page.getByText('It works, and it is the circuit from the exercise.'));
  await hands.tabTo(page.getByRole('button', { name: 'Say what you saw, and hand in' }));
  await hands.press('Enter');
  await hands.tabTo(page.getByRole('radio').first());
  await hands.press('Space');
  await hands.tabTo(page.getByRole('button', { name: 'Hand in', exact: true }));
  await hands.press('Enter');
  await hands.see(page.getByText('Handed in.'));
  return { recording, whole: hands.line };
}
