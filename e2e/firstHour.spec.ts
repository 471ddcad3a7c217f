import type { Locator } from '@playwright/test';
import { expect, forget, openHouse, tapOn, test } from './house.ts';

/* The first hour of a new shop, on a phone, in inches: set up, one car, one reading, one decision, led by *next*. */
test('an empty shop comes to its first decided repair on a phone, led by next', async ({ browser }) => {
  test.setTimeout(240_000);
  const house = await openHouse('start');
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    timezoneId: 'America/Denver',
  });
  const page = await context.newPage();
  let taps = 0;
  const tap = async (what: Locator) => {
    taps++;
    await what.tap();
  };
  const choose = async (name: string) => {
    taps++;
    await page.getByRole('radio', { name, exact: true }).check();
  };
  const next = (name: RegExp) => tap(page.getByRole('link', { name }).or(page.getByRole('button', { name })).last());

  await page.goto(house.url);
  await page.getByLabel('Name of the shop').fill('Creek Street Tin');
  await page.getByLabel('Your name').fill('Wren');
  await page.getByLabel('E-mail').fill('wren@creek.example');
  await page.getByLabel('Password').fill('four or five words here');
  await page.getByRole('radio', { name: 'Inches and fractions' }).check();
  await page.getByRole('button', { name: 'Open the shop' }).tap();
  await expect(page.getByText('The garage is empty')).toBeVisible();
  // Which day it is follows the clock of the place, not of the server.
  const shop = (await (await page.request.get(`${house.url}/api/shop`)).json()) as { timeZone: string };
  expect(shop.timeZone).toBe('America/Denver');

  await tap(page.getByRole('button', { name: 'Roll a car in' }));
  await page.getByLabel('Nickname').fill('Biscuit');
  await page.getByLabel('Year built').fill('1968');
  await tap(page.getByRole('button', { name: 'Roll in', exact: true }));
  await next(/Take the first readings on Sill, left/);
  await next(/Take the first reading at mark 1/);
  await page.getByLabel('Metal left').fill('0.020');
  await tap(page.getByRole('button', { name: 'Store', exact: true }));
  await expect(page.getByText('Stored.')).toBeVisible();
  expect(taps).toBeLessThanOrEqual(8);

  await tap(page.getByRole('button', { name: 'Draw a zone' }));
  // A long low panel is a finger high on a phone: corners lie close to each other, and none is swallowed.
  for (const [u, v] of [
    [120, 20],
    [400, 20],
    [400, 100],
    [120, 100],
  ] as const) {
    taps++;
    await tapOn(page, u, v);
  }
  await expect(page.getByText('4 corners').or(page.locator('.figure', { hasText: '4' }))).toBeVisible();
  await tap(page.getByRole('complementary', { name: 'Card' }).getByRole('button', { name: 'Close the zone' }));
  await choose('Rusted through');
  await choose('Pinholes');
  await tap(page.getByRole('button', { name: 'Save the zone' }));
  await next(/Weigh treat, patch or whole panel/);
  await expect(page.getByText('Let in a patch').first()).toBeVisible();
  // What is proposed is taken without a word; the proposal is kept as the reason.
  await tap(page.getByRole('button', { name: /^Decide: let in a patch/ }));
  await expect(page.getByText('Where does the saw go?')).toBeVisible();
  expect(taps).toBeLessThanOrEqual(25);
  await expect(page.getByRole('table')).toContainText('"');
  await context.close();
  await house.stop();
  forget(house.home);
});
