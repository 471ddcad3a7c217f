import { expect, signIn, test } from './house.ts';

/* Another school: what each comes to, what it would move, and the repair that follows once it is kept. */
test('a house rule says what it would move before it is kept; what contradicts another is refused at its field', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  await page.getByRole('link', { name: 'House rules' }).click();
  const metal = page.locator('section', { has: page.getByRole('heading', { name: 'How metal is worked' }) });
  // Each school in a sentence, with what it comes to by the rates of the shop.
  await expect(metal.getByText(/^\d+\.\d h, €\d+$/).first()).toBeVisible({ timeout: 60_000 });
  const move = async (school: string) => {
    await metal.getByRole('radio', { name: school }).click();
    await page.getByRole('button', { name: 'What would these rules move?' }).click();
    return page.getByText(/^Together [+−].* at half of the cases\.$/);
  };
  const together = await move('Metal until none is needed');
  await expect(together).toContainText('+', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Save the rules' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved.' })).toBeVisible();
  await expect(metal.getByText(/Changed last – A seen weld is made level/)).toBeVisible();

  // A limit that leaves a class empty.
  await page.getByText('Classes of metal').click();
  const thin = page.getByLabel('Thin down to, % of as built');
  await thin.fill('80');
  await page.getByRole('button', { name: 'Save the rules' }).click();
  await expect(page.getByText(/make this share smaller/)).toBeVisible();
  await thin.fill('50');

  await metal.getByRole('radio', { name: 'Level, then filler' }).click();
  await page.getByRole('button', { name: 'Save the rules' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Saved.' })).toBeVisible();
  await page.reload();
  await expect(metal.getByRole('radio', { name: 'Level, then filler' })).toBeChecked();
});
