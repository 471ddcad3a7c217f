import { randomUUID } from 'node:crypto';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* Three panels in one parcel; one has the wrong flange, is kept as sheet, and comes from somebody else. */
test('three wanted panels are ordered in one parcel, arrive together, and one of them does not serve', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Three sheets deep');
  const { post } = await api(page, house);
  const wanted = { vehicleId: car, maker: 'Tail & Sons', quantity: 1, carriage: 2000, due: null, note: '' };
  for (const [panel, price] of [
    ['rear-deck', 14_000],
    ['rear-valance', 8000],
    ['boot-floor', 12_000],
  ] as const)
    await post('/orders', { ...wanted, id: randomUUID(), panel, price });

  await page.goto(`${house.url}/orders?car=${car}`);
  const basket = page.locator('.basket li').filter({ hasText: 'Tail & Sons' });
  await expect(basket).toContainText('€340.00 goods + €20.00 carriage');
  await basket.getByRole('button', { name: 'Order these 3 together' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Carriage of the parcel, before tax, EUR').fill('30,01');
  await dialog.getByLabel('Should arrive on').fill('2031-03-01');
  await dialog.getByRole('button', { name: 'Note: 3 ordered together' }).click();
  await expect(dialog).toHaveCount(0);

  // The whole parcel arrives at a tap.
  const line = page.locator('[data-order="rear-valance"]').filter({ hasText: 'Three sheets deep' });
  await expect(line).toContainText('In one parcel with');
  await line.getByRole('button', { name: 'Arrived', exact: true }).click();
  await expect(line.getByText(/^The whole parcel:/)).toBeVisible();
  await line.getByRole('button', { name: 'Note: arrived' }).click();
  const checks = page.getByRole('button', { name: 'Check it against the car' });
  await expect(checks).toHaveCount(3);

  // On a phone the wrong flange is found; it is kept as sheet and wanted from somebody else.
  await page.setViewportSize({ width: 390, height: 844 });
  await line.getByRole('button', { name: 'Check it against the car' }).click();
  await dialog.getByRole('radiogroup', { name: 'Flanges' }).getByRole('radio', { name: 'Wrong' }).check();
  await expect(dialog.getByRole('status')).toContainText('A flange is wrong');
  await dialog.getByRole('radio', { name: 'Keep it as sheet' }).check();
  await dialog.getByText('Put it into the book again, from somebody else').click();
  await dialog.getByLabel('Maker').fill('Second press');
  await dialog.getByLabel('Price each, before tax, EUR').fill('95');
  await dialog.getByRole('button', { name: 'Note: keep it as sheet' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.locator('[data-order="rear-valance"]').filter({ hasText: 'Second press' })).toContainText('Wanted');

  // What the maker's parts were like is told where the next one is ordered.
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(page.getByRole('row', { name: /Tail & Sons/ })).toContainText('0 of 1');
  await page.getByRole('radio', { name: 'All' }).check();
  await expect(page.locator('[data-order="rear-valance"]').filter({ hasText: 'Kept as sheet' })).toBeVisible();
});
