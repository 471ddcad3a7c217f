import { readFileSync, writeFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';
import type { CutPlanView } from '@aspecta/contract/cut';
import { signedArea, type Point } from '@aspecta/core/geometry';
import { clickOn, expect, readingsCsv, rollIn, signIn, test } from './house.ts';

/* The whole job as a person does it: from signing in to the last stitch and an arrived panel. */
test('one car from the first reading to the last stitch', async ({ page, house }, info) => {
  // Every weld of a repair is ticked off one by one.
  test.setTimeout(480_000);
  await signIn(page, house);
  const car = await rollIn(page, 'Test mule');

  await test.step('the board shows that nothing is known', async () => {
    await expect(page.locator('[data-state="unmeasured"]')).toHaveCount(46);
    await expect(page.getByRole('link', { name: /Take the first readings on Sill, left/ })).toBeVisible();
  });

  await test.step('readings come from a CSV, looked through before they are stored', async () => {
    const file = info.outputPath('quarter.csv');
    writeFileSync(
      file,
      readingsCsv('quarter-l', { u: 880, v: 520, radius: 62 }, { from: [640, 380], to: [1100, 600], step: 42 }),
    );
    await page.getByRole('button', { name: 'Import readings' }).click();
    await page.getByLabel('File of readings').setInputFiles(file);
    await expect(page.getByText('66 readings on 1 panel, all good.')).toBeVisible();
    await page.getByRole('button', { name: 'Store 66 readings' }).click();
    await expect(page.locator('[data-panel="quarter-l"]')).toHaveAttribute('data-state', 'thin');
  });

  await test.step('more readings are typed on the panel', async () => {
    await page.locator('[data-panel="quarter-l"]').focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Rear quarter, left' })).toBeVisible();
    await page.getByRole('button', { name: 'Take readings' }).click();
    await clickOn(page, 600, 400);
    await clickOn(page, 600, 450);
    await page.getByLabel('Metal left').fill('0,87 nought point eight six');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'Stored.' })).toBeVisible();
    await expect(page.getByText('Tap the place on the sheet.')).toBeVisible();
    await clickOn(page, 600, 500);
    await page.getByLabel('Metal left').fill('0.85');
    await page.getByRole('button', { name: 'Store' }).click();
    await page.getByRole('button', { name: 'Take readings' }).click();
    await expect(page.getByText(/kriged from 69 readings/)).toBeVisible();
  });

  await test.step('undo withdraws the reading, redo brings it back', async () => {
    await page.keyboard.press('Control+z');
    await expect(page.getByText(/kriged from 68 readings/)).toBeVisible();
    await page.keyboard.press('Control+Shift+Z');
    await expect(page.getByText(/kriged from 69 readings/)).toBeVisible();
  });

  await test.step('the map proposes a zone, and it is taken', async () => {
    await page.getByRole('button', { name: 'Take the proposed zone' }).click();
    await expect(page.getByText(/By its evidence: too thin to weld/)).toBeVisible();
    await page.getByRole('radio', { name: 'Rusted through' }).check();
    await page.getByLabel('Why not what the evidence says?').fill('Daylight through it under the wire wheel');
    await page.getByLabel('Note').fill('Behind the wheel arch');
    await page.getByRole('button', { name: 'Save the zone' }).click();
    await expect(page.getByRole('button', { name: /^Rusted through, [\d.]+ cm²/ })).toBeVisible();
  });

  let repair = '';
  await test.step('the verdict lays the options side by side; the person decides', async () => {
    await page.getByRole('link', { name: /Weigh treat, patch or whole panel/ }).click();
    // What cannot be done is folded away, with its reason.
    await page.getByText(/^Ruled out \(\d\)$/).click();
    await expect(page.getByText(/cannot be treated; it must be cut out/)).toBeVisible();
    // What is known for another car counts here once somebody takes it over.
    await expect(page.getByText('No price is known for this panel').first()).toBeVisible();
    await page
      .getByRole('button', { name: /^Harrow.*\(/ })
      .or(page.getByRole('button', { name: /, €.*\(/ }))
      .first()
      .click();
    await page.getByRole('button', { name: 'Add the price' }).click();
    await expect(page.getByText('No price is known for this panel').first()).toBeHidden();
    const patch = page.locator('.option', { has: page.getByRole('radio', { name: /Let in a patch/ }) });
    await patch.getByText('What is counted').click();
    await expect(patch.getByText('Tack and stitch')).toBeVisible();
    await expect(page.getByRole('radio', { name: /part of a repair panel|whole panel|Make the panel/ })).toHaveCount(3);
    // Who decides against the proposal says why.
    await page.getByRole('radio', { name: /Make the panel/ }).check();
    await page.getByRole('button', { name: /Decide: make the panel/ }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'The reason is missing' })).toBeVisible();
    await page.getByRole('radio', { name: /Let in a patch/ }).check();
    await page.getByLabel('You decide. Why?').fill('Small hole in good metal');
    await page.getByRole('button', { name: /Decide: let in a patch/ }).click();
    await expect(page).toHaveURL(/\/cut$/);
    repair = page.url().split('/').at(-2)!;
  });

  await test.step('the cut line has tape offsets, and its patch comes as DXF at 1:1', async () => {
    const before = await page.locator('.figure').first().textContent();
    await page.getByLabel('Sound metal beyond the damage').fill('1 1/4"');
    await page.keyboard.press('Tab');
    await expect(page.getByLabel('Sound metal beyond the damage')).toHaveValue('32 mm');
    await expect(page.locator('.figure').first()).not.toHaveText(before!);
    await expect(page.getByText('Saved.')).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'DXF' }).click(),
    ]);
    const dxf = new DxfParser().parseSync(readFileSync(await download.path(), 'utf8'))!;
    const outline = dxf.entities.find((entity) => entity.layer === 'PATCH') as unknown as {
      vertices: { x: number; y: number }[];
    };
    const plan = (await (await page.request.get(`${house.url}/api/repairs/${repair}/cut`)).json()) as CutPlanView;
    expect(Math.abs(signedArea(outline.vertices.map(({ x, y }): Point => [x, y])))).toBeCloseTo(
      Math.abs(signedArea(plan.line.patch)),
      2,
    );
    expect(plan.corners.every((corner) => corner.error < 1)).toBe(true);
    const [card] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('link', { name: 'Cut card' }).click(),
    ]);
    expect(
      readFileSync(await card.path())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });

  await test.step('tacks and stitches are laid out and played', async () => {
    await page.getByRole('link', { name: /Plan every weld/ }).click();
    await page.getByRole('button', { name: 'Lay out every weld', exact: true }).click();
    await expect(page.getByText(/tacks, (\d+ plugs, )?\d+ stitches/)).toBeVisible();
    await page.getByRole('button', { name: 'Play the sequence' }).click();
    await expect(page.getByText(/^([2-9]|\d\d+) \/ \d+/)).toBeVisible();
    await page.getByRole('button', { name: 'Stop' }).click();
  });

  await test.step('cautions are read before the bench', async () => {
    await page.getByRole('button', { name: 'Begin at the bench', exact: true }).click();
    await expect(page.getByText('Fire watch.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'To the bench' })).toBeDisabled();
    await page.getByLabel(/I have read these/).check();
    await page.getByRole('button', { name: 'To the bench' }).click();
    await expect(page).toHaveURL(/\/bench$/);
  });

  await test.step('every step is ticked off, to the last stitch; a reload goes on where it was', async () => {
    const total = Number(/of (\d+)/.exec((await page.getByText(/^0 of \d+$/).textContent())!)![1]);
    for (let n = 1; n <= total; n++) {
      await page.getByRole('button', { name: /^Done$|^Cooling/ }).click();
      await expect(page.getByText(`${n} of ${total}`, { exact: true })).toBeVisible();
      if (n === 5) {
        await page.reload();
        await expect(page.getByText(`5 of ${total}`, { exact: true })).toBeVisible();
      }
    }
    await expect(page.getByText('The last weld is done.')).toBeVisible();
    await page.getByRole('link', { name: 'To the Board' }).click();
    await page.getByRole('button', { name: 'Mark as done' }).click();
    await expect(page.locator('[data-panel="quarter-l"]')).toHaveAttribute('data-state', 'done');
  });

  await test.step('a rotten sill is drawn by hand and becomes an order', async () => {
    await page.goto(`${house.url}/vehicles/${car}/panels/boot-floor`);
    await page.getByRole('button', { name: 'Draw a zone' }).click();
    for (const [u, v] of [
      [200, 150],
      [800, 150],
      [800, 620],
      [200, 620],
    ] as const)
      await clickOn(page, u, v);
    await page.getByRole('button', { name: 'Close the zone', exact: true }).first().click();
    await page.getByRole('radio', { name: 'Rusted through' }).check();
    await page.getByRole('radio', { name: 'Opened up' }).check();
    await page.getByRole('button', { name: 'Save the zone' }).click();
    await page.getByRole('link', { name: /Weigh treat, patch or whole panel/ }).click();
    await page.getByLabel('Maker').fill('Harrow Pressings');
    await page.getByLabel(/^Price/).fill('95');
    await page.getByLabel('Carriage').fill('24.00');
    await page.getByLabel('Delivery, days').fill('5');
    await page.getByRole('button', { name: 'Add the price' }).click();
    // Worked by hand: (95.00 + 24.00) × 1.21 = 143.99.
    const whole = page.locator('.option', { has: page.getByRole('radio', { name: /Fit a whole panel/ }) });
    await expect(whole.getByText('panel landed €143.99 from Harrow Pressings, 5 days')).toBeVisible();
    await page.getByRole('radio', { name: /Fit a whole panel/ }).check();
    await page.getByLabel('You decide. Why?').fill('A third of it is gone');
    await page.getByRole('button', { name: /Decide: fit a whole panel/ }).click();
    await expect(page).toHaveURL(/\/orders$/);
  });

  await test.step('the panel is ordered, confirmed, and arrives', async () => {
    const line = page.locator('[data-order="boot-floor"]').filter({ hasText: 'Test mule' });
    await expect(line).toContainText('€143.99');
    for (const state of ['Ordered', 'Confirmed']) {
      await line.getByRole('button', { name: state, exact: true }).click();
      await line.getByLabel('Should arrive on').fill('2031-03-01');
      await line.getByRole('button', { name: `Note: ${state.toLowerCase()}` }).click();
      await expect(line.locator('.state strong')).toHaveText(state);
    }
    await page.goto(`${house.url}/vehicles/${car}`);
    await expect(page.locator('[data-panel="boot-floor"]')).toHaveAttribute('aria-label', /panel is on its way/);
    await page.goto(`${house.url}/orders`);
    await line.getByRole('button', { name: 'Arrived', exact: true }).click();
    await line.getByRole('button', { name: 'Note: arrived' }).click();
    await line.getByRole('button', { name: 'Check it against the car' }).click();
    const check = page.getByRole('dialog');
    await check
      .getByRole('radiogroup', { name: 'Made for this side of the car' })
      .getByRole('radio', { name: 'Right' })
      .check();
    await check.getByLabel('Too short by, mm').fill('20');
    await expect(check.getByRole('status')).toContainText('It is short');
    await check.getByRole('radio', { name: 'Use it, after work on it' }).check();
    await check.getByRole('button', { name: 'Note: use it, after work on it' }).click();
    await expect(line).toContainText('Use it, after work on it: 2.0 h');
    await expect(line.locator('.state strong')).toHaveText('Checked');
  });
});
