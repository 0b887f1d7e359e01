// How the scripts that use a running demo come in.

/** Signs the demo's instructor in on a page. */
export async function signInAsInstructor(page) {
  await page.goto('/sign-in');
  await page.getByText('I teach').click();
  await page.getByLabel('Login').fill('marit');
  await page.getByLabel('Password').fill('harbour lantern');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Today', level: 1 }).waitFor();
  return page;
}

/** Lets a learner of the demo's class in on a page. */
export async function joinAsLearner(page, name) {
  await page.goto('/sign-in');
  await page.getByLabel('Class code').fill('HARBOUR');
  await page.getByRole('button', { name: 'Find my class' }).click();
  await page.getByLabel('Your name').selectOption({ label: name });
  await page.getByLabel(/private word/).fill('anchor');
  await page.getByRole('button', { name: 'Go to my bench' }).click();
  await page.getByRole('heading', { name: `Good to see you, ${name}` }).waitFor();
  return page;
}
