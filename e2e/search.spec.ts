import { AxeBuilder } from '@axe-core/playwright';
import { demoRepair, expect, signIn, test } from './house.ts';

/* One key, a word, Enter: anything is found. */
test('a panel, a repair and a calculation are found by a word, with the keyboard alone', async ({ page, house }) => {
  await signIn(page, house);
  const { car } = await demoRepair(page, house, 'patch');
  await page.goto(`${house.url}/vehicles/${car}`);
  await expect(page.locator('[data-panel="sill-l"]')).toBeVisible();
  const to = async (words: string) => {
    await page.keyboard.press('/');
    const field = page.getByLabel('A panel, a repair, a part, a station, a calculation');
    await expect(field).toBeFocused();
    await field.fill(words);
    await expect(page.locator('.found .on')).toBeVisible();
  };
  await to('sill left');
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/panels\/sill-l$/);
  await to('dress quarter');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/dress$/);
  await to('plug weld spacing');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/book\//);
});
