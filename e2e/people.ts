import type { BrowserContext, Page } from 'playwright-core';
import type { Visitor, World } from './world';

/** Signs the demo instructor in. */
export async function signInAsInstructor(
  page: Page,
  login = 'marit',
  password = 'harbour lantern',
): Promise<void> {
  await page.goto('/sign-in');
  await page.getByText('I teach').click();
  await page.getByLabel('Login').fill(login);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
}

const signedIn = new Map<string, Parameters<BrowserContext['addCookies']>[0]>();

/** A page of the demo instructor; they sign in once for a world, as one does in an evening. */
export async function visitAsInstructor(world: World): Promise<Visitor> {
  const visitor = await world.visit();
  const cookies = signedIn.get(world.base);
  if (cookies) {
    await visitor.context.addCookies(cookies);
    await visitor.page.goto('/');
    await visitor.page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
  } else {
    await signInAsInstructor(visitor.page);
    signedIn.set(world.base, await visitor.context.cookies());
  }
  return visitor;
}

/** Lets a learner of the test class join, choosing their word. */
export async function joinAsLearner(
  page: Page,
  name: string,
  code = 'LANTERN',
  word = 'rudder',
): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('Class code').fill(code);
  await page.getByRole('button', { name: 'Find my class' }).click();
  await page.getByLabel('Your name').selectOption({ label: name });
  await page.getByLabel(/private word/).fill(word);
  await page.getByRole('button', { name: 'Go to my bench' }).click();
  await page.getByRole('heading', { name: `Good to see you, ${name}` }).waitFor();
}

export async function openBench(page: Page, tab: 'Task' | 'Wiring' = 'Wiring'): Promise<void> {
  await page.getByRole('link', { name: /bench/ }).first().click();
  await page.getByText('Saved on this tablet').waitFor();
  await page.getByRole('tab', { name: tab }).click();
}

export const PROGRAM = `const int LAMP = 13;

void setup() {
  pinMode(LAMP, OUTPUT);
}

void loop() {
  digitalWrite(LAMP, HIGH);
  delay(500);
  digitalWrite(LAMP, LOW);
  delay(2500);
}
`;

/** Ends of the beacon by the label of their field; the LED the wrong way round when asked. */
export const places = (isReversed: boolean): readonly (readonly [label: string, place: string])[] => [
  ['one end of W1', '13'],
  ['other end of W1', 'a5'],
  ['one end of W2', 'GND'],
  ['other end of W2', 'a-1'],
  ['long leg of D1', isReversed ? 'e6' : 'e5'],
  ['short leg of D1', isReversed ? 'e5' : 'e6'],
  ['one end of R1', 'd6'],
  ['other end of R1', 'a-6'],
];

export async function recordWiring(page: Page, isReversed: boolean): Promise<void> {
  await page.getByRole('tab', { name: 'Wiring' }).click();
  for (const [label, place] of places(isReversed)) await page.getByLabel(label, { exact: true }).fill(place);
}

export async function writeProgram(page: Page, program = PROGRAM): Promise<void> {
  await page.getByRole('tab', { name: 'Program' }).click();
  await page.getByLabel('Your program').fill(program);
}
