import { writeFileSync } from 'node:fs';
import { clickOn, expect, placeOn, rollIn, signIn, test, type House } from './house.ts';
import type { Page } from '@playwright/test';

/* What goes wrong at the car: nothing is lost, and it is said plainly. */
async function newPanel(page: Page, house: House, name: string, panel: string): Promise<string> {
  await signIn(page, house);
  const car = await rollIn(page, name);
  await page.goto(`${house.url}/vehicles/${car}/panels/${panel}`);
  return car;
}
const stored = async (page: Page, house: House, car: string, panel: string) =>
  ((await (await page.request.get(`${house.url}/api/vehicles/${car}/panels/${panel}/readings`)).json()) as unknown[])
    .length;

test('a wrong CSV is explained line by line and stores nothing', async ({ page, house }, info) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Paper trouble');
  const file = info.outputPath('wrong.csv');
  writeFileSync(
    file,
    'panel,layer,u_mm,v_mm,coating_um,metal_mm,note\nroof,outer,300,300,120,0.85,\nrof,outer,1,1,,1,\nroof,outer,300,300,120,-0.2,\nroof,outer,abc,300,120,0.8,\n',
  );
  await page.getByRole('button', { name: 'Import readings' }).click();
  await page.getByLabel('File of readings').setInputFiles(file);
  await expect(page.getByText('3 lines cannot be taken; nothing has been stored.')).toBeVisible();
  await expect(page.getByRole('row', { name: /3 panel/ })).toContainText('no panel "rof"');
  await expect(page.getByRole('row', { name: /4 metalMm/ })).toContainText('at least 0 mm');
  await expect(page.getByRole('row', { name: /5 u/ })).toContainText('"abc"');
  await expect(page.getByRole('button', { name: /Store/ })).toBeHidden();
  expect(await stored(page, house, car, 'roof')).toBe(0);
});

test('a negative thickness, text and a place off the sheet are refused at the field', async ({ page, house }) => {
  const car = await newPanel(page, house, 'Slip of the pen', 'roof');
  await page.getByRole('button', { name: 'Take readings' }).click();
  await clickOn(page, 500, 500);
  for (const [text, message] of [
    ['-0.3', /at least 0 mm/],
    ['thick', /is not a thickness/],
    ['9', /at most 4.9 mm/],
  ] as const) {
    await page.getByLabel('Metal left').fill(text);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText(message);
    await expect(page.getByLabel('Metal left')).toHaveValue(text);
  }
  await page.getByRole('button', { name: 'Forget it' }).click();
  await clickOn(page, -30, 500);
  await page.getByLabel('Metal left').fill('0.8');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText(/outside Roof skin/);
  expect(await stored(page, house, car, 'roof')).toBe(0);
});

test('a crossing zone is refused before it is sent; dragging a corner mends it', async ({ page, house }) => {
  await newPanel(page, house, 'Bow tie', 'bonnet');
  await page.getByRole('button', { name: 'Draw a zone' }).click();
  for (const [u, v] of [
    [300, 300],
    [600, 700],
    [600, 300],
    [300, 700],
  ] as const)
    await clickOn(page, u, v);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText(/crosses itself: side 1 meets side 3/);
  await expect(page.getByRole('button', { name: 'Save the zone' })).toBeDisabled();
  const [from, to] = [await placeOn(page, 600, 700), await placeOn(page, 450, 150)];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByRole('alert')).toBeHidden();
  await page.getByRole('button', { name: 'Save the zone' }).click();
  await expect(page.getByRole('button', { name: /^Too thin to weld,/ })).toBeVisible();
});

test('two people changing one zone: the second sees both and chooses', async ({ page, browser, house }) => {
  const car = await newPanel(page, house, 'Two cooks', 'bonnet');
  await page.getByRole('button', { name: 'Draw a zone' }).click();
  for (const [u, v] of [
    [300, 300],
    [600, 300],
    [600, 600],
    [300, 600],
  ] as const)
    await clickOn(page, u, v);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save the zone' }).click();
  await expect(page.getByRole('button', { name: /^Too thin to weld,/ })).toBeVisible();

  const other = await (await browser.newContext()).newPage();
  await signIn(other, house);
  await other.goto(`${house.url}/vehicles/${car}/panels/bonnet`);
  await other.getByRole('button', { name: /^Too thin to weld,/ }).click();
  await page.getByRole('button', { name: /^Too thin to weld,/ }).click();
  await page.getByRole('radio', { name: 'Pitted' }).check();
  await page.getByRole('button', { name: 'Save the zone' }).click();
  await expect(page.getByRole('button', { name: /^Pitted/ })).toBeVisible();

  await other.getByLabel('Note').fill('I was here too');
  await other.getByRole('button', { name: 'Save the zone' }).click();
  const dialog = other.getByRole('dialog', { name: 'Somebody else has changed this zone' });
  await expect(dialog.getByRole('row', { name: /What it is/ })).toContainText('Pitted');
  await expect(dialog.getByRole('row', { name: /Note/ })).toContainText('I was here too');
  await dialog.getByRole('button', { name: 'Keep mine' }).click();
  await expect(other.getByRole('button', { name: /^Too thin to weld,/ })).toBeVisible();
});

test('a session that ends in the middle of typing: sign in again, and the typing is still there', async ({
  page,
  house,
}) => {
  const car = await newPanel(page, house, 'Long lunch', 'roof');
  await page.getByRole('button', { name: 'Take readings' }).click();
  await clickOn(page, 400, 400);
  await page.getByLabel('Metal left').fill('0.83');
  await page.context().clearCookies();
  await page.getByRole('button', { name: 'Store' }).click();
  const dialog = page.getByRole('dialog', { name: 'Sign in again' });
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('status').filter({ hasText: 'Stored.' })).toBeVisible();
  expect(await stored(page, house, car, 'roof')).toBe(1);
});

test('the network goes and comes back: the reading is kept, also over a closed page, and sent once', async ({
  page,
  context,
  house,
}) => {
  const car = await newPanel(page, house, 'Dead spot', 'roof');
  await page.getByRole('button', { name: 'Take readings' }).click();
  await clickOn(page, 400, 400);
  await context.setOffline(true);
  await page.getByLabel('Metal left').fill('0.84');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('The server cannot be reached.')).toBeVisible();
  await expect(page.getByText('1 entry kept on this device')).toBeVisible();
  await expect(page.getByText('Kept on this device.')).toBeVisible();
  await clickOn(page, 450, 450);
  await page.getByLabel('Metal left').fill('0.82');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('2 entries kept on this device')).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText('The server cannot be reached.')).toBeHidden();
  await expect.poll(() => stored(page, house, car, 'roof')).toBe(2);

  await context.setOffline(true);
  await clickOn(page, 500, 500);
  await page.getByLabel('Metal left').fill('0.81');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByText('1 entry kept on this device')).toBeVisible();
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(`${house.url}/vehicles/${car}/panels/roof`);
  await expect.poll(() => stored(again, house, car, 'roof')).toBe(3);
});

test('unknown addresses lead somewhere, and a viewer is offered no changes', async ({ page, house }) => {
  await signIn(page, house);
  await page.goto(`${house.url}/vehicles/00000000-0000-4000-8000-000000000000`);
  await expect(page.getByText('This page leads nowhere.')).toBeVisible();
  await page.goto(`${house.url}/no/such/thing`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByLabel('E-mail').fill('pell@lantern-lane.example');
  await page.getByLabel('Password').fill('only for the demo');
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Marigold' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Roll a car in' })).toBeHidden();
  await page.getByRole('link', { name: 'Open the board of Marigold' }).click();
  await expect(page.getByRole('button', { name: 'Import readings' })).toBeHidden();
});
