import { writeFileSync } from 'node:fs';
import { demoRepair, expect, readingsCsv, rollIn, signIn, tapOn, test } from './house.ts';

/* The main steps on a tablet held upright, by touch. */
test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true });

test('the main job by touch on a tablet', async ({ page, house }, info) => {
  await signIn(page, house);
  await rollIn(page, 'Touch mule');
  const file = info.outputPath('floor.csv');
  writeFileSync(
    file,
    readingsCsv('floor-front-r', { u: 420, v: 250, radius: 60 }, { from: [240, 120], to: [620, 420], step: 48 }),
  );
  await page.getByRole('button', { name: 'Import readings' }).tap();
  await page.getByLabel('File of readings').setInputFiles(file);
  await page.getByRole('button', { name: /Store \d+ readings/ }).tap();

  await page.locator('[data-panel="floor-front-r"]').tap();
  await expect(page.getByRole('heading', { name: 'Front floor, right' })).toBeVisible();
  await page.getByRole('button', { name: 'Take readings' }).tap();
  await tapOn(page, 700, 300);
  await page.getByRole('radio', { name: 'Probe' }).tap();
  await page.getByRole('button', { name: 'sound' }).tap();
  await expect(page.getByRole('status').filter({ hasText: 'Stored.' })).toBeVisible();
  await page.getByRole('button', { name: 'Take readings' }).tap();

  await page.getByRole('button', { name: 'Take the proposed zone' }).tap();
  await page.getByRole('radio', { name: 'Rusted through' }).tap();
  await page.getByLabel('Why not what the evidence says?').fill('Daylight through it');
  await page.getByRole('button', { name: 'Save the zone' }).tap();
  await page.getByRole('link', { name: /Weigh treat/ }).tap();
  await page.getByLabel('You decide. Why?').fill('Flat floor, easy patch');
  await page.getByRole('radio', { name: /Let in a patch/ }).tap();
  await page.getByRole('button', { name: /Decide: let in a patch/ }).tap();
  await expect(page.getByText('Where does the saw go?')).toBeVisible();
  await page.getByRole('button', { name: 'Corner 2', exact: true }).tap();
  await page.getByRole('link', { name: /Plan every weld/ }).tap();
  await page.getByRole('button', { name: 'Lay out every weld', exact: true }).tap();
  await page.getByRole('button', { name: 'Begin at the bench', exact: true }).tap();
  await page.getByLabel(/I have read these/).tap();
  await page.getByRole('button', { name: 'To the bench' }).tap();
  for (let n = 1; n <= 3; n++) {
    await page.getByRole('button', { name: /^Done$|^Cooling/ }).tap();
    await expect(page.getByText(new RegExp(`^${n} of \\d+$`))).toBeVisible();
  }
  const done = (await page.getByRole('button', { name: /^Done$|^Cooling/ }).boundingBox())!;
  expect(done.height).toBeGreaterThan(80);
  await page.getByRole('button', { name: 'Back' }).tap();
  await expect(page.getByText(/^2 of \d+$/)).toBeVisible();
});

test('another device follows the bench at the same step', async ({ page, browser, house }) => {
  await signIn(page, house);
  const { car, repair } = await demoRepair(page, house, 'patch');
  const path = `${house.url}/vehicles/${car}/repairs/${repair}/bench`;
  const other = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await signIn(other, house);
  await Promise.all([page.goto(path), other.goto(path)]);
  const count = Number(/^(\d+) of/.exec((await page.getByText(/^\d+ of \d+$/).textContent())!)![1]);
  await other.getByRole('button', { name: /^Done$|^Cooling/ }).click();
  await expect(page.getByText(new RegExp(`^${count + 1} of \\d+$`))).toBeVisible();
});
