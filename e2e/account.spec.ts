import { expect, signIn, test } from './house.ts';

/* From an invitation to the last day: join by a link, see one's car and no prices, change the password, be taken out. */
test('a customer joins by a link, sees the car he is shown, and is let go', async ({ page, browser, house }) => {
  await signIn(page, house);
  await page.getByRole('link', { name: 'House rules' }).click();
  const people = page.locator('section', { has: page.getByRole('heading', { name: 'People' }) });
  await people.getByLabel('Name').fill('Ottilie Marsh');
  await people.getByRole('radio', { name: 'Customer' }).check();
  await people.getByRole('button', { name: 'Make a link to join' }).click();
  const link = /https?:\/\/\S+\/join\/[\w-]+/.exec(
    (await people
      .getByText(/\/join\//)
      .first()
      .textContent())!,
  )![0];

  const other = await browser.newContext();
  const guest = await other.newPage();
  await guest.goto(link);
  await expect(guest.getByRole('heading', { name: /^Join / })).toBeVisible();
  await expect(guest.getByLabel('Your name')).toHaveValue('Ottilie Marsh');
  await guest.getByLabel('E-mail').fill('ottilie@marsh.example');
  await guest.getByLabel('Password').fill('password12');
  await guest.getByRole('button', { name: 'Join' }).click();
  // A common one is refused at its field, and what was typed stays.
  await expect(guest.getByRole('alert')).toBeVisible();
  await expect(guest.getByLabel('E-mail')).toHaveValue('ottilie@marsh.example');
  await guest.getByLabel('Password').fill('seven copper kettles whistle');
  await guest.getByRole('button', { name: 'Join' }).click();
  await expect(guest.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  await expect(guest.getByText('Marigold')).toHaveCount(0);

  await page.reload();
  await page
    .getByRole('row', { name: /Ottilie Marsh/ })
    .getByRole('button', { name: 'Cars he sees' })
    .click();
  await page
    .getByRole('dialog')
    .getByRole('checkbox', { name: /Marigold/ })
    .click();
  await expect(page.getByRole('dialog').getByRole('checkbox', { name: /Marigold/ })).toBeChecked();
  await page.getByRole('button', { name: 'Close' }).click();

  await guest.reload();
  await guest.getByText('Marigold').first().click();
  await expect(guest.getByText('How much of this body is known?')).toBeVisible();
  // No prices, no stations that would refuse him, and a way to what he may see.
  await expect(guest.getByText('€')).toHaveCount(0);
  await expect(guest.getByRole('navigation', { name: 'Order of the work' })).toHaveCount(0);
  await expect(guest.getByRole('link', { name: 'Orders' })).toHaveCount(0);
  await guest.getByRole('link', { name: 'Pictures' }).click();
  await expect(guest.getByRole('heading', { name: /^Pictures/ })).toBeVisible();

  await guest.getByRole('link', { name: /Your account|Ottilie/ }).click();
  await guest.getByLabel('Present password').fill('not the one');
  await guest.getByLabel('New password').fill('eight brass hinges squeak');
  await guest.getByRole('button', { name: 'Change the password' }).click();
  await expect(guest.getByRole('alert')).toBeVisible();
  await guest.getByLabel('Present password').fill('seven copper kettles whistle');
  await guest.getByRole('button', { name: 'Change the password' }).click();
  await expect(guest.getByText('Changed. You have been signed out everywhere else.')).toBeVisible();

  const row = people.getByRole('row', { name: /Ottilie Marsh/ });
  await row.getByRole('button', { name: 'Remove' }).click();
  await row.getByRole('button', { name: 'Really remove' }).click();
  await expect(row).toHaveCount(0);
  await guest.goto(house.url);
  await expect(guest.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible();
  await other.close();
});
