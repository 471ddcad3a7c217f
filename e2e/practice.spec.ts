import { expect, signIn, test } from './house.ts';

/* A made-up car is played twice with the same decisions, and has the same score; on a phone as well. */
test('practice is played and scored, twice the same with the same number', async ({ page, house }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, house);
  const play = async () => {
    await expect(page.getByText('readings left')).toBeVisible();
    for (;;) {
      await page.getByRole('radio', { name: 'Whole panel' }).check();
      const next = page.locator('.next').getByRole('button');
      await expect(next).not.toHaveText(/Say what is done/);
      const last = (await next.textContent())!.includes('See the truth');
      await next.click();
      if (last) break;
    }
    const points = page.locator('.figure');
    await expect(points).toContainText('of 100');
    return points.textContent();
  };
  await page.goto(`${house.url}/practice?car=42&level=2`);
  const first = await play();
  await page.getByRole('button', { name: 'Play this car once more' }).click();
  expect(await play()).toBe(first);
  await expect(page.getByText(/Your best with this car/)).toBeVisible();
});
