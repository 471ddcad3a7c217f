import { clickOn, expect, PLAIN_HOST, rollIn, signIn, test } from './house.ts';
import scenario from '../demo/scenario.json' with { type: 'json' };

/* Where the network does not reach: the page opens, everything is recorded, and nothing is lost. */
test.describe('without network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the page opens again, two hundred entries of all kinds are kept over a reload, and one that is refused is mended', async ({
    page,
    context,
    house,
  }) => {
    await signIn(page, house);
    const car = await rollIn(page, 'Far from the router');
    const panelPage = `${house.url}/vehicles/${car}/panels/roof`;
    await page.goto(`${house.url}/vehicles/${car}/walk`);
    await expect(page.getByRole('button', { name: 'Nothing shows: next place' })).toBeVisible();
    await page.goto(panelPage);
    await expect(page.getByRole('button', { name: 'Take readings' })).toBeVisible();
    // From the second visit on the page comes from this device.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.reload();
    await expect(page.getByRole('button', { name: 'Take readings' })).toBeVisible();

    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText('The server cannot be reached.')).toBeVisible();
    await expect(page.getByText(/What you see is as it was/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Roof skin' }).first()).toBeVisible();

    // One zone, one find, then as many readings as make two hundred; one of them is a slip.
    await page.getByRole('button', { name: 'Draw a zone' }).click();
    for (const [u, v] of [
      [200, 200],
      [400, 200],
      [400, 350],
    ] as const)
      await clickOn(page, u, v);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Save the zone' }).click();
    await expect(page.getByText('1 entry kept on this device')).toBeVisible();
    await page.getByRole('button', { name: 'Take readings' }).click();
    const many = 198;
    for (let i = 0; i < many; i++) await clickOn(page, 120 + 40 * (i % 18), 420 + 30 * Math.floor(i / 18));
    await page
      .getByLabel('Metal left')
      .fill(Array.from({ length: many }, (_, i) => (i === 60 ? '9' : '0.83')).join(' '));
    await page.getByRole('button', { name: 'Store' }).click();
    await expect(page.getByText(`${many + 1} entries kept on this device`)).toBeVisible({ timeout: 60_000 });

    await page.goto(`${house.url}/vehicles/${car}/walk`);
    // A find is one tap, and the place counts as looked at.
    await page.getByRole('button', { name: 'Small blisters' }).click();
    await expect(page.getByText(`${many + 3} entries kept on this device`)).toBeVisible();
    await page.reload();
    await expect(page.getByText(`${many + 3} entries kept on this device`)).toBeVisible();

    // What was never opened here says so.
    await page.goto(`${house.url}/vehicles/${car}/panels/boot-floor`);
    await expect(page.getByText(/has not been opened on this device before/)).toBeVisible();

    await context.setOffline(false);
    const bar = page.getByRole('alert').filter({ hasText: '1 entry could not be stored.' });
    await expect(bar).toBeVisible({ timeout: 60_000 });
    await expect(page.getByText('The server cannot be reached.')).toBeHidden();
    const stored = async () =>
      ((await (await page.request.get(`${house.url}/api/vehicles/${car}/panels/roof/readings`)).json()) as unknown[])
        .length;
    await expect.poll(stored, { timeout: 60_000 }).toBe(many - 1);
    // The refusal is there on every page, until somebody mends it.
    await page.goto(house.url);
    await bar.getByRole('button', { name: 'Look' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByText('Metal 9.00 mm on Roof skin')).toBeVisible();
    await expect(dialog.getByRole('alert')).toHaveText(/at most 4.9 mm/);
    await dialog.getByLabel('Metal left, mm').fill('0.9');
    await dialog.getByRole('button', { name: 'Store it like this' }).click();
    await expect(bar).toBeHidden();
    // What is mended waits in the outbox for its turn like every other entry.
    await expect.poll(stored, { timeout: 60_000 }).toBe(many);
    const zones = (await (
      await page.request.get(`${house.url}/api/vehicles/${car}/panels/roof/zones`)
    ).json()) as unknown[];
    expect(zones).toHaveLength(1);
    const walk = (await (await page.request.get(`${house.url}/api/vehicles/${car}/walk`)).json()) as {
      places: { state: string }[];
    };
    expect(walk.places.filter(({ state }) => state === 'looked')).toHaveLength(1);
    const finds = (await (await page.request.get(`${house.url}/api/vehicles/${car}/finds`)).json()) as unknown[];
    expect(finds).toHaveLength(1);
  });
});

test('a telephone in the workshop, over plain http, can store what it reads', async ({ page, house }) => {
  const url = house.url.replace('127.0.0.1', PLAIN_HOST);
  await page.goto(`${url}/sign-in`);
  expect(await page.evaluate(() => window.isSecureContext)).toBe(false);
  // One click works for whoever sits at the machine, not for the network.
  await expect(page.getByRole('button', { name: 'Sign in to the demo' })).toBeHidden();
  await page.getByLabel('E-mail').fill(scenario.people[0]!.email);
  await page.getByLabel('Password').fill(scenario.password);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  const car = await rollIn(page, 'Over plain http');
  await page.goto(`${url}/vehicles/${car}/panels/roof`);
  await page.getByRole('button', { name: 'Take readings' }).click();
  await clickOn(page, 400, 400);
  await page.getByLabel('Metal left').fill('0.84');
  await page.getByRole('button', { name: 'Store' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Stored.' })).toBeVisible();
});
