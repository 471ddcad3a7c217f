import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { textOf } from '@aspecta/server/testing/pdfText';
import { clickOn, placeOn, expect, rollIn, signIn, test } from './house.ts';

/* The inspection as people do it: walking round with a phone, reading by gauge, tracing a picture, two at one car. */

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('a walk-round: look, find with one tap, skip, and see how much of the risk is covered', async ({
    page,
    house,
  }) => {
    await signIn(page, house);
    const car = await rollIn(page, 'Walked');
    await page.getByRole('link', { name: 'Walk-round' }).tap();
    const card = page.getByRole('complementary');
    await expect(card.getByText('0 of 90, 0 skipped')).toBeVisible();
    const first = await card.getByRole('heading').textContent();
    await expect(card.getByText('Load-bearing: what is found here goes to the top')).toBeVisible();
    await card.getByRole('button', { name: 'Rusted through' }).tap();
    await expect(card.getByText('1 of 90, 0 skipped')).toBeVisible();
    await card.getByRole('button', { name: 'Next place' }).tap();
    await expect(card.getByRole('heading')).not.toHaveText(first!);
    await card.getByRole('button', { name: 'Skip it' }).tap();
    await expect(card.getByText('1 of 90, 1 skipped')).toBeVisible();
    await card.getByRole('button', { name: 'Nothing shows: next place' }).tap();
    await expect(card.getByText('2 of 90, 1 skipped')).toBeVisible();
    await expect(card.getByText(/Some of it is on load-bearing metal/)).toBeVisible();
    await page.goto(`${house.url}/vehicles/${car}/walk`);
    await expect(page.getByText('2 of 90, 1 skipped')).toBeVisible();
  });
});

test('a panel is read from the simulated gauge, where advised, until it can be called', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Gauged');
  await page.goto(`${house.url}/vehicles/${car}/panels/front-valance`);
  await page.getByRole('button', { name: 'By gauge' }).click();
  await page.getByRole('button', { name: /Connect Thickness gauge/ }).click();
  await page.getByRole('button', { name: 'Zero it' }).click();
  await expect(page.getByText('Zeroed.')).toBeVisible();

  await test.step('a row by pressing the button only', async () => {
    await page.getByRole('radio', { name: 'A row' }).check();
    await page.getByLabel('Step, mm').fill('300');
    await clickOn(page, 150, 70);
    await clickOn(page, 1150, 70);
    await expect(page.getByText('4 to go')).toBeVisible();
  });
  const press = page.getByRole('button', { name: 'Press the gauge’s button' });
  const stored = async () =>
    Number(
      /(\d+) stored/.exec(
        (await page
          .getByText(/\d+ stored\./)
          .textContent({ timeout: 500 })
          .catch(() => '')) ?? '',
      )?.[1] ?? 0,
    );
  await test.step('the row is read to its end; what does not couple is asked for again', async () => {
    for (let i = 0; i < 30 && (await page.getByText(/\d to go/).isVisible()); i++) {
      const before = await stored();
      await press.click();
      await expect
        .poll(async () => (await stored()) > before || (await page.getByText(/No coupling/).isVisible()))
        .toBe(true);
    }
    expect(await stored()).toBe(4);
  });
  await test.step('then where it tells most, until the layer can be called', async () => {
    await page.getByRole('radio', { name: 'Where advised' }).check();
    for (let i = 0; i < 90; i++) {
      if (!(await press.isEnabled())) {
        // The advice comes a moment after the last reading; once the layer is called there is none.
        await expect
          .poll(
            async () =>
              (await press.isEnabled()) || (await page.getByRole('button', { name: /Read here next/ }).count()) === 0,
          )
          .toBe(true);
        if (!(await press.isEnabled())) break;
      }
      const before = await stored();
      await press.click();
      await expect
        .poll(async () => (await stored()) > before || (await page.getByText(/No coupling/).isVisible()))
        .toBe(true);
    }
    await page.getByRole('button', { name: 'By gauge' }).click();
    await expect(page.getByText('This layer can be called:')).toBeVisible();
    await expect(page.getByText(/kriged from \d+ readings/)).toBeVisible();
  });
});

test('a picture is brought to true size and the damage is traced on it', async ({ page, house }, info) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Pictured');
  const file = info.outputPath('IMG_1.jpg');
  const rust = Buffer.from('<svg width="120" height="120"><circle cx="60" cy="60" r="60" fill="#8a4a22"/></svg>');
  await sharp({ create: { width: 800, height: 600, channels: 3, background: '#8a8f8c' } })
    .composite([{ input: rust, left: 340, top: 240 }])
    .jpeg()
    .toFile(file);
  await page.goto(`${house.url}/vehicles/${car}/panels/roof`);
  await page.getByRole('radio', { name: 'Pictures' }).check();
  await page.locator('input[type=file]').setInputFiles(file);
  await page.getByRole('link', { name: 'Mark points' }).click();
  await expect(page.getByText('0 of 4 points are known')).toBeVisible();
  await page.locator('summary', { hasText: 'A taped rectangle' }).click();
  // The picture lies on the sheet with its height upwards: 600 px high.
  for (const [x, y] of [
    [150, 100],
    [650, 110],
    [620, 500],
    [170, 480],
  ] as const)
    await clickOn(page, x, y);
  await page.getByLabel('Corner from the left, mm').fill('300');
  await page.getByLabel('Corner up, mm').fill('400');
  await page.getByLabel('Width, mm').fill('200');
  await page.getByLabel('Height, mm').fill('150');
  await page.getByRole('button', { name: 'Use the rectangle' }).click();
  await expect(page.getByText('By four points, and not checked.')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // One stroke on the rust outlines it: a circle of 60 px, which is about 18 cm² there.
  await page.getByRole('button', { name: 'Stroke damage' }).click();
  const [from, to] = [await placeOn(page, 380, 300), await placeOn(page, 415, 310)];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 5 });
  await page.mouse.up();
  const told = page.getByText(/of rust on the panel/).locator('..');
  await expect(told).toBeVisible();
  const stroked = Number(/([\d.]+) cm²/.exec((await told.textContent())!)![1]);
  expect(stroked).toBeGreaterThan(16);
  expect(stroked).toBeLessThan(21);
  await page.getByRole('button', { name: 'Keep its area' }).click();
  await expect(page.getByText('Rust stroked on it')).toBeVisible();
  await page.getByRole('button', { name: 'Trace', exact: true }).click();
  for (const [x, y] of [
    [300, 200],
    [450, 200],
    [450, 350],
    [300, 350],
  ] as const)
    await clickOn(page, x, y);
  await page.getByRole('button', { name: 'Make it a zone' }).click();
  await expect(page.getByRole('heading', { name: 'Roof' })).toBeVisible();
  await page.getByRole('radio', { name: 'Pitted' }).check();
  await page.getByRole('button', { name: 'Save the zone' }).click();
  // 150 × 150 px of a rectangle of about 480 × 390 px that is 200 × 150 mm: about 36 cm².
  const zone = page.getByRole('button', { name: /^Pitted, [\d.]+ cm²/ });
  await expect(zone).toBeVisible();
  const area = Number(/([\d.]+) cm²/.exec((await zone.textContent())!)![1]);
  expect(area).toBeGreaterThan(30);
  expect(area).toBeLessThan(42);
});

test('two browsers on one car: each sees the other’s readings; one that lost the network sends later, once', async ({
  page,
  house,
  browser,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Shared');
  const other = await (await browser.newContext()).newPage();
  await signIn(other, house);
  for (const one of [page, other]) {
    await one.goto(`${house.url}/vehicles/${car}/panels/bonnet`);
    await one.getByRole('button', { name: 'Take readings' }).click();
  }
  const enter = async (who: typeof page, u: number, value: string) => {
    await clickOn(who, u, 600);
    await who.getByLabel('Metal left').fill(value);
    await who.getByRole('button', { name: 'Store' }).click();
  };
  await enter(page, 200, '0.88');
  await enter(page, 400, '0.87');
  await enter(other, 600, '0.86');
  for (const one of [page, other]) await one.getByRole('button', { name: 'Take readings' }).click();
  await expect(page.getByText(/kriged from 3 readings/)).toBeVisible();
  await expect(other.getByText(/kriged from 3 readings/)).toBeVisible();
  await other.context().setOffline(true);
  await other.getByRole('button', { name: 'Take readings' }).click();
  await enter(other, 800, '0.85');
  await expect(other.getByText('Kept on this device.')).toBeVisible();
  await other.context().setOffline(false);
  await expect(page.getByText(/kriged from 4 readings/)).toBeVisible();
  const stored = (await (
    await page.request.get(`${house.url}/api/vehicles/${car}/panels/bonnet/readings`)
  ).json()) as unknown[];
  expect(stored).toHaveLength(4);
  await other.context().close();
});

test('zones are joined, given an island and split; the report says what is known', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Reported');
  await page.goto(`${house.url}/vehicles/${car}/panels/boot-floor`);
  const draw = async (corners: readonly (readonly [number, number])[]) => {
    await page.getByRole('button', { name: 'Draw a zone' }).click();
    for (const [u, v] of corners) await clickOn(page, u, v);
    await page.getByRole('button', { name: 'Close the zone', exact: true }).first().click();
    await page.getByRole('radio', { name: 'Rusted through' }).check();
    await page.getByRole('button', { name: 'Save the zone' }).click();
    await expect(page.getByRole('heading', { name: 'Boot floor' })).toBeVisible();
  };
  const square = (u: number, v: number, size: number) =>
    [
      [u, v],
      [u + size, v],
      [u + size, v + size],
      [u, v + size],
    ] as const;
  await draw(square(200, 200, 200));
  await draw(square(350, 200, 200));
  await page
    .getByRole('button', { name: /^Rusted through, 400 cm²/ })
    .first()
    .click();
  await page.getByText('Shape', { exact: true }).click();
  await page.getByRole('button', { name: /Merge with rusted through/ }).click();
  await expect(page.getByRole('button', { name: /^Rusted through, 700 cm²/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Joining/ }).click();
  await expect(page.getByRole('button', { name: /^Rusted through, 400 cm²/ })).toHaveCount(2);
  await page.getByRole('button', { name: /^Redo: Joining/ }).click();
  await page.getByRole('button', { name: /^Rusted through, 700 cm²/ }).click();
  await page.getByText('Shape', { exact: true }).click();
  await page.getByRole('button', { name: 'Mark a sound island' }).click();
  for (const [u, v] of square(300, 260, 50)) await clickOn(page, u, v);
  await page.getByRole('button', { name: 'Keep the island' }).click();
  await page.getByRole('button', { name: 'Save the zone' }).click();
  await expect(page.getByRole('button', { name: /^Rusted through, 675 cm²/ })).toBeVisible();

  await page.goto(`${house.url}/vehicles/${car}`);
  await page.getByRole('button', { name: 'Report' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Report for the workshop (PDF)' }).click(),
  ]);
  const text = textOf(readFileSync(await download.path()));
  expect(text).toMatch(/Inspection: Reported, 1966/);
  expect(text).toMatch(/Rusted through: 675 cm²/);
  expect(text).toMatch(/Not inspected/);
});

test('a panel gets another outline from a drawing, as the shop’s own plan', async ({ page, house }, info) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Reshaped');
  await page.goto(`${house.url}/vehicles/${car}/panels/front-valance/outline`);
  const file = info.outputPath('valance.svg');
  const { writeFileSync } = await import('node:fs');
  writeFileSync(
    file,
    '<svg xmlns="http://www.w3.org/2000/svg" width="1300mm" height="150mm" viewBox="0 0 1300 150"><rect width="1300" height="150"/></svg>',
  );
  await page.getByLabel('DXF or SVG drawing').setInputFiles(file);
  await expect(page.getByText('1300 mm × 150 mm')).toBeVisible();
  await page.getByLabel('Name of your body plan').fill('Our saloon');
  await page.getByRole('button', { name: 'Save the outline' }).click();
  await expect(page.getByRole('heading', { name: 'Front valance' })).toBeVisible();
  await page.goto(`${house.url}/`);
  await page.getByRole('button', { name: 'Roll a car in' }).click();
  await expect(page.getByLabel('Body plan')).toContainText('Our saloon (own), 46 panels');
});

test('layer and place of a sheet stand in the address: a link and a reload show the same', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Looked at');
  await page.goto(`${house.url}/vehicles/${car}/panels/sill-l`);
  const layer = page.getByRole('complementary').getByRole('combobox').first();
  await layer.selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Zoom in' }).click();
  await expect(page).toHaveURL(/layer=.*at=|at=.*layer=/);
  const chosen = await layer.inputValue();
  const drawn = page.locator('section.sheet svg > g').first();
  const shown = await drawn.getAttribute('transform');
  await page.reload();
  await expect(layer).toHaveValue(chosen);
  const scaleOf = (text: string | null) => Number(/scale\(([\d.]+)/.exec(text!)![1]);
  await expect.poll(async () => scaleOf(await drawn.getAttribute('transform'))).toBeCloseTo(scaleOf(shown), 1);
  await page.getByRole('button', { name: 'Fit to the window' }).click();
  await expect(page).not.toHaveURL(/at=/);
});
