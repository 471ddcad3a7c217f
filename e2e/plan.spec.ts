import { randomUUID } from 'node:crypto';
import type { JobView } from '@aspecta/contract/job';
import type { PlanView } from '@aspecta/contract/plan';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* From a decision to the evening on which each of its steps is done, and to the day on which it is ready. */
const ring: [number, number][] = [
  [300, 30],
  [390, 30],
  [390, 80],
  [300, 80],
];
test('a decision becomes steps with reasons, a blocked one and one of one’s own among them, and a plan of evenings', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Planned');
  const { get, post } = await api(page, house);
  await page.goto(`${house.url}/vehicles/${car}/job`);
  await expect(page.getByText('There is no work yet.')).toBeVisible();
  const zone = { layer: 'outer', class: 'through', evidence: 'opened', holes: [], note: '', overruled: '' };
  const damage = { id: randomUUID(), panel: 'sill-l', ring };
  await post(`/vehicles/${car}/zones`, { ...zone, ...damage });
  await page.goto(`${house.url}/vehicles/${car}/job`);
  await page.getByRole('link', { name: 'Go there' }).click();
  await expect(page).toHaveURL(/panels\/sill-l\/verdict/);
  const repair = { id: randomUUID(), zoneIds: [damage.id], choice: 'patch', reason: 'One hole in a sound sill' };
  await post(`/vehicles/${car}/repairs`, repair);

  // A load-bearing panel: braced before it is cut; what it waits for is said.
  await page.goto(`${house.url}/vehicles/${car}/job?show=waits`);
  const open = page.locator(`[data-step="${repair.id} open"]`);
  await expect(open.getByText(/reference measurements come before the first cut/)).toBeVisible();
  await expect(
    page.locator(`[data-step="${repair.id} weld"]`).getByText(/shuts Outer sill cavity, left/),
  ).toBeVisible();
  await page.getByRole('radio', { name: /^Now/ }).check();
  const safe = page.locator('[data-step="car safe"]');
  await safe.getByRole('button', { name: 'Done' }).click();
  await expect(safe).toHaveCount(0);
  await page.getByRole('radio', { name: /^Done/ }).check();
  await expect(safe.getByText('Done', { exact: true })).toBeVisible();
  await safe.getByRole('button', { name: 'Take it back' }).click();
  await page.getByRole('radio', { name: /^Now/ }).check();

  // Blocked needs a reason; a step of one's own comes where it is put.
  const strip = page.locator(`[data-step="${repair.id} strip"]`);
  await strip.getByRole('button', { name: 'More …' }).click();
  await strip.getByRole('button', { name: 'It is blocked' }).click();
  await expect(strip.getByText(/fill it in|must/)).toBeVisible();
  await strip.getByLabel(/^Why it is blocked/).fill('The seats are still in');
  await strip.getByRole('button', { name: 'It is blocked' }).click();
  await expect(strip.getByText('The seats are still in')).toBeVisible();
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByLabel('What is to be done').fill('Seats out');
  await page.getByLabel('Hours', { exact: true }).fill('1.5');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: 'Seats out' })).toBeVisible();

  // What is blocked for good is in no plan, and all that waits for it neither.
  await page.getByRole('link', { name: 'When is it ready?' }).click();
  await expect(page.getByText(/Not planned: .*strip around the damage \(The seats are still in\)/)).toBeVisible();
  await page.goto(`${house.url}/vehicles/${car}/job`);
  await page.locator(`[data-step="${repair.id} strip"]`).getByRole('button', { name: 'Take it back' }).click();
  await page.getByRole('link', { name: 'When is it ready?' }).click();
  await expect(page.getByText(/ready as likely as not; nine times in ten by/)).toBeVisible();
  await expect(page.locator('.tonight').first()).toContainText('Next for');
  await expect(page.getByRole('heading', { name: 'What holds the end up' })).toBeVisible();
  await page.getByText('Day by day').click();
  await expect(page.getByText(/Sill, left: weld and join/).first()).toBeVisible();

  // A helper makes it no later; his hours are refused where they are none.
  const before = await get<{ finish: string }>(`/vehicles/${car}/plan`);
  await page.getByRole('button', { name: 'Add somebody' }).click();
  await page.getByLabel('Name').fill('Helper');
  await page.getByLabel('Sunday').fill('late');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/“late” is no stretch of hours/)).toBeVisible();
  await page.getByLabel('Sunday').fill('9-18');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/Su 9-18/)).toBeVisible();
  const after = await get<{ finish: string }>(`/vehicles/${car}/plan`);
  expect(Date.parse(after.finish)).toBeLessThanOrEqual(Date.parse(before.finish) + 3_600_000);

  // Another decision: what was said of its steps stays.
  await page.goto(`${house.url}/vehicles/${car}/job`);
  await safe.getByRole('button', { name: 'Done' }).click();
  await expect(safe).toHaveCount(0);
  const { put } = await api(page, house);
  await put(`/repairs/${repair.id}`, { choice: 'make', reason: 'It goes on behind', done: false, version: 1 });
  const job = await get<JobView>(`/vehicles/${car}/job`);
  expect(job.steps.find(({ id }) => id === 'car safe')!.state).toBe('done');
  expect(job.steps.find(({ title }) => title === 'Seats out')).toBeDefined();
});

test('a bar is dragged to a later day, the rest goes after it, and it is let go again', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Put off');
  const { get, post } = await api(page, house);
  const zone = { layer: 'outer', class: 'through', evidence: 'opened', holes: [], note: '', overruled: '' };
  const damage = { id: randomUUID(), panel: 'sill-l', ring };
  await post(`/vehicles/${car}/zones`, { ...zone, ...damage });
  const repair = { id: randomUUID(), zoneIds: [damage.id], choice: 'patch', reason: 'One hole in a sound sill' };
  await post(`/vehicles/${car}/repairs`, repair);
  const plan = () => get<PlanView>(`/vehicles/${car}/plan`);
  const before = await plan();
  await page.goto(`${house.url}/vehicles/${car}/plan`);
  const bars = page.locator('.drawing.movable');
  await expect(bars.locator('svg')).toBeVisible();
  await bars.evaluate((place: HTMLElement) => place.scrollIntoView({ block: 'start' }));
  // The hand looks for a bar that can be taken: there the pointer says so.
  const { x, y, width } = (await bars.boundingBox())!;
  const row = y + 82;
  let at = x + 120;
  const isTaken = () => bars.evaluate((place: HTMLElement) => place.style.cursor !== '');
  for (await page.mouse.move(at, row); !(await isTaken()) && at < x + width; at += 4) await page.mouse.move(at, row);
  await page.mouse.down();
  await page.mouse.move(x + width - 60, row, { steps: 5 });
  // While it is dragged the rest moves along, in the worker, and says what that does to the end.
  await expect(page.getByText(/All done then by .*later/)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText(/not before .*, as was said/)).toBeVisible();
  await expect.poll(async () => Date.parse((await plan()).finish!)).toBeGreaterThan(Date.parse(before.finish!));
  await page.getByRole('button', { name: /^Let it go/ }).click();
  await expect(page.getByText(/not before .*, as was said/)).toBeHidden();
  expect((await plan()).steps.some(({ said }) => said?.notBefore)).toBe(false);

  // The same over other spans, by person, and together with all other cars.
  await page.getByRole('radio', { name: 'By person' }).check();
  await page.getByRole('radio', { name: 'Months' }).check();
  await expect(bars.getByText('Dries, or is on its way').first()).toBeVisible();
  await page.goto(`${house.url}/`);
  await page.getByRole('link', { name: 'The weeks ahead, all cars' }).click();
  await expect(page.getByRole('rowheader', { name: 'Put off' })).toBeVisible();
});

test('tonight fits a phone held upright', async ({ browser, house }) => {
  const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await signIn(page, house);
  const cars = (await (await page.request.get(`${house.url}/api/vehicles`)).json()) as {
    id: string;
    nickname: string;
  }[];
  const car = cars.find(({ nickname }) => nickname === 'Marigold')!.id;
  for (const path of ['plan', 'job']) {
    await page.goto(`${house.url}/vehicles/${car}/${path}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText(/^Fetching/)).toHaveCount(0);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide, path).toBeLessThanOrEqual(390);
  }
});

test('an order waits for its pay day; what is left after each is told, and money can be left out again', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const { get, post, put } = await api(page, house);
  const told = await get<{ left: number; comes: object[]; version: number }>('/purse');
  const soon = new Date(Date.now() + 10 * 86_400_000).toISOString().slice(0, 10);
  await put('/purse', {
    there: 10_000,
    comes: [{ amount: 9000, first: soon, every: 'month' }],
    version: told.version,
  });
  // A part for 60.00 before tax, as the only thing that this car needs.
  const car = await rollIn(page, 'Paid');
  const part = { panel: '', item: 'Seam sealer', maker: 'Quillfeather Panels', price: 6000, quantity: 1, carriage: 0 };
  await post('/orders', { id: randomUUID(), vehicleId: car, ...part, due: null, note: '' });
  await page.goto(`${house.url}/vehicles/${car}/plan`);
  const section = page.locator('section', { has: page.getByRole('heading', { name: 'Money for parts' }) });
  await expect(section.getByText('€100.00 there now')).toBeVisible();
  const dayOf = async () => /(\w+ \d+ \w+): Seam sealer: order it/.exec(await section.innerText())?.[1];
  await expect.poll(dayOf).toBeTruthy();
  const before = await dayOf();
  await section.getByRole('button', { name: 'Change' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(/^There now/).fill('some');
  await dialog.getByRole('button', { name: 'Plan with it' }).click();
  await expect(dialog.getByText(/must be a number/)).toBeVisible();
  await dialog.getByLabel(/^There now/).fill('5');
  await dialog.getByRole('button', { name: 'Plan with it' }).click();
  await expect(section.getByText('€5.00 there now')).toBeVisible();
  await expect.poll(dayOf).not.toBe(before);
  await expect(section.getByText(/comes in/).first()).toBeVisible();
  // As it was, for whoever comes next.
  const { version } = await get<{ version: number }>('/purse');
  await put('/purse', { there: null, comes: told.comes, version });
  await page.reload();
  await expect(section.getByText('as if money were always there')).toBeVisible();
  await put('/purse', { there: told.left, comes: told.comes, version: version + 1 });
});
