import { randomUUID } from 'node:crypto';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* Nobody's first decision is his last: a repair is decided again, its line is laid by hand, and work that is no rust is planned like damage. */
const square = (u: number, v: number, width: number, height: number): [number, number][] => [
  [u, v],
  [u + width, v],
  [u + width, v + height],
  [u, v + height],
];
const zone = { layer: 'outer', class: 'through', evidence: 'opened', holes: [], note: '', overruled: '' };

test('a decision is made again twice: the order is withdrawn, the line is laid by hand, the damage grows', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Second thoughts');
  const { get, post, put } = await api(page, house);
  const damage = { id: randomUUID(), panel: 'sill-l', ring: square(300, 30, 90, 50) };
  await post(`/vehicles/${car}/zones`, { ...zone, ...damage });
  const price = { panel: 'sill-l', maker: 'Harrow Pressings', price: 14_000, carriage: 2000, leadDays: 6 };
  await post(`/vehicles/${car}/offers`, price);

  // A whole sill at first.
  await page.goto(`${house.url}/vehicles/${car}/panels/sill-l/verdict`);
  await page.getByRole('radio', { name: /Fit a whole panel/ }).check();
  await page.getByLabel('You decide. Why?').fill('It looked bad from below');
  await page.getByRole('button', { name: /^Decide: fit a whole panel/ }).click();
  await expect(page).toHaveURL(/\/orders/);
  const order = page.locator('[data-order="sill-l"]').filter({ hasText: 'Second thoughts' });
  await expect(order.getByText('Wanted', { exact: true }).first()).toBeVisible();

  // On second thoughts a patch: then and now side by side, and the order is offered for withdrawal.
  await page.goto(`${house.url}/vehicles/${car}/panels/sill-l/verdict`);
  await page.getByRole('button', { name: 'Decide again' }).click();
  await page.getByRole('radio', { name: /Let in a patch/ }).check();
  await expect(page.locator('table.then')).toContainText('Whole panel');
  await expect(page.locator('table.then')).toContainText('Patch');
  await page.getByLabel('You decide again. Why now?').fill('Wire-wheeled: it is one spot');
  await page.getByRole('button', { name: /^Decide again: let in a patch/ }).click();
  await expect(page).toHaveURL(/\/orders/);
  await expect(order.getByText(/Not needed any more/)).toBeVisible();
  await order.getByRole('button', { name: 'Withdraw it' }).click();
  await order.getByRole('button', { name: 'Note: withdrawn' }).click();
  await expect(order).toHaveCount(0);

  // The line is the person's: by a drag, by the figures of a tape, and every step back.
  const [repair] = await get<{ id: string; version: number }[]>(`/vehicles/${car}/repairs`);
  const lineNow = () => get<{ own: boolean; line: { laid: [number, number][] } }>(`/repairs/${repair!.id}/cut`);
  await page.goto(`${house.url}/vehicles/${car}/repairs/${repair!.id}/cut`);
  const length = page.locator('.figure').first();
  const found = await length.textContent();
  await page.getByRole('button', { name: 'Move the line' }).click();
  const corner = page.getByRole('button', { name: /^Corner 2:/ });
  const box = (await corner.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 90, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(length).not.toHaveText(found!);
  await expect.poll(async () => (await lineNow()).own).toBe(true);
  await expect(page.locator('table.both')).toContainText('Yours');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(length).toHaveText(found!);
  await page.getByLabel(/along the edge at|distance of/).fill('15');
  await page.getByRole('button', { name: 'Find the line again' }).click();
  await expect.poll(async () => (await lineNow()).own).toBe(false);

  // It has grown after the cut: the decision opens again by itself.
  await put(`/vehicles/${car}/zones/${damage.id}`, { ...zone, ring: square(300, 30, 200, 60), version: 1 });
  await page.reload();
  await expect(page.getByText(/found 120 cm², decided on 45\.0 cm²/)).toBeVisible();
  await page.getByRole('link', { name: 'Decide again', exact: true }).click();
  await expect(page.getByText(/Found 120 cm², decided on 45\.0 cm²/)).toBeVisible();
  await page.getByLabel('You decide again. Why now?').fill('Still one patch, a longer one');
  await page.getByRole('button', { name: /^Decide again: let in a patch/ }).click();
  await expect(page).toHaveURL(/\/cut$/);
  await expect(page.getByText(/Decided: let in a patch/)).toBeVisible();
  await page.getByRole('link', { name: 'Change the decision' }).click();
  await page.getByText('Decided otherwise before (2)').click();
  await expect(page.getByText(/fit a whole panel – It looked bad from below/)).toBeVisible();

  // Taken back with a reason, and it can stand again.
  await page.getByRole('button', { name: 'Leave it as it is decided' }).click();
  await page.getByRole('button', { name: 'Take it back …' }).click();
  await page.getByLabel('Why is it taken back?').fill('The car is sold');
  await page.getByRole('button', { name: 'Take the decision back' }).click();
  await page.getByText('Taken back (1)').click();
  await page.getByRole('button', { name: 'Let it stand again' }).click();
  await expect(page.getByRole('button', { name: 'Decide again' })).toBeVisible();
});

test('two holes and an opening are drawn by their size, decided, and cut along their rims', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Accessories');
  const { get } = await api(page, house);
  await page.goto(`${house.url}/vehicles/${car}/panels/wing-l`);
  const draw = async (shape: string, figures: readonly string[], what: string) => {
    const opener = page.getByText(/^One by its size/);
    const middle = page.getByLabel(/Middle, from the left/);
    if (!(await middle.isVisible())) await opener.click();
    await page.getByRole('radio', { name: shape }).check();
    for (const [i, label] of [/Middle, from the left/, /Middle, from below/, /Diameter|Width/, /Height/].entries())
      if (figures[i]) await page.getByLabel(label).fill(figures[i]);
    await page.getByRole('button', { name: 'Draw it' }).click();
    await page.getByRole('radio', { name: what }).check();
    await page.getByRole('button', { name: 'Save the zone' }).click();
    await expect(page.getByRole('button', { name: new RegExp(`^${what}, `) }).last()).toBeVisible();
  };
  await draw('Round', ['900', '550', '20'], 'Hole to close');
  await draw('Round', ['250', '560', '20'], 'Hole to close');
  await draw('Rectangle', ['450', '580', '60', '30'], 'Opening to make');

  await page.goto(`${house.url}/vehicles/${car}/panels/wing-l/verdict`);
  const opening = page.getByRole('checkbox', { name: /Opening to make/ });
  await expect(opening).not.toBeChecked();
  await opening.check();
  await expect(page.getByText(/is decided by itself/)).toBeVisible();
  await opening.uncheck();
  await page.getByRole('radio', { name: /Let in a patch/ }).check();
  await page.getByLabel('You decide. Why?').fill('No mirror stood there');
  await page.getByRole('button', { name: /^Decide: let in a patch/ }).click();
  // One repair for each hole, each with its own line.
  await expect(page).toHaveURL(/\/cut$/);
  await expect(page.getByRole('combobox', { name: 'Which repair' })).toBeVisible();
  const repairs = await get<{ choice: string; areaNow: number }[]>(`/vehicles/${car}/repairs`);
  expect(repairs.map(({ choice }) => choice)).toEqual(['patch', 'patch']);

  await page.goto(`${house.url}/vehicles/${car}/panels/wing-l/verdict`);
  await expect(page.getByText(/there is one way to do it/)).toBeVisible();
  await page.getByLabel('You decide. Why?').fill('For the lamp');
  await page.getByRole('button', { name: /^Decide: make the opening/ }).click();
  await expect(page).toHaveURL(/\/cut$/);
  await expect(page.getByText(/^to cut in/)).toBeVisible();
  await expect(page.getByText(/turn its edge/)).toBeVisible();
});
