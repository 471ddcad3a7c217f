import { demoRepair, expect, signIn, test } from './house.ts';

test('a station on paper: whose it is and where one is, without bars, the sheet as wide as the paper, all of it unfolded', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const { car } = await demoRepair(page, house, 'patch');
  await page.goto(`${house.url}/vehicles/${car}`);
  await expect(page.locator('.station .sheet svg').first()).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  // A window is wider than a sheet of paper.
  await page.setViewportSize({ width: 720, height: 1000 });
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(page.getByText(/printed by .*What is done since then is not on it/)).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Where you are' })).toContainText('Marigold');
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Order of the work' })).toBeHidden();
  const sheet = (await page.locator('.station .sheet').boundingBox())!;
  const drawing = (await page.locator('.station .sheet .host > svg').boundingBox())!;
  expect(drawing.x + drawing.width).toBeLessThanOrEqual(sheet.x + sheet.width + 1);
  const folded = page.locator('main details:not([open])');
  await expect(folded).toHaveCount(0);
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(folded.first()).toBeAttached();
});
