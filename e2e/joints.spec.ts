import type { JointsView } from '@aspecta/contract/repair';
import { api, clickOn, demoRepair, expect, rollIn, signIn, test } from './house.ts';

/* What comes after the decision: the joints of a panel, what was found and is cured, what was ordered and is not wanted any more. */
test('a panel is drilled out by its map, spot by spot and joint by joint', async ({ page, house }) => {
  await signIn(page, house);
  const { car, repair } = await demoRepair(page, house, 'whole');
  const view = async () =>
    (await (await page.request.get(`${house.url}/api/repairs/${repair}/joints`)).json()) as JointsView;
  const before = await view();
  await page.goto(`${house.url}/vehicles/${car}/repairs/${repair}/joints`);
  await expect(page.getByText(`24 of ${before.fasteners.length} opened or loose`)).toBeVisible();
  await expect(page.getByText(/3 sheets: they part in an order/).first()).toBeVisible();
  // One that nothing is said of: tapped, it is opened; tapped again, it is not.
  const { at, id } = before.fasteners.find(({ state, n }) => state === 'holds' && n % 5 === 0)!;
  await clickOn(page, at[0], at[1]);
  await expect(page.getByText(`25 of ${before.fasteners.length} opened or loose`)).toBeVisible();
  expect((await view()).fasteners.find((fastener) => fastener.id === id)!.state).toBe('opened');
  await page.getByRole('radio', { name: 'Loose already' }).check();
  await clickOn(page, at[0], at[1]);
  await expect.poll(async () => (await view()).fasteners.find((fastener) => fastener.id === id)!.state).toBe('loose');
  await page.getByRole('button', { name: 'All opened' }).first().click();
  await expect
    .poll(async () => (await view()).fasteners.filter(({ joint, state }) => joint === 0 && state === 'holds').length)
    .toBe(0);
  await page.getByText('How the hours add up').click();
  await expect(page.getByText('Drill out spot welds')).toBeVisible();
});

test('a whole panel is welded in by one plan of all its joints, a round at a time', async ({ page, house }) => {
  await signIn(page, house);
  const { car, repair } = await demoRepair(page, house, 'whole');
  // One wall of its hollow is bare in the demo: no plug would be taken.
  const { get, put } = await api(page, house);
  await put(`/vehicles/${car}/close/overruled`, { repair, reason: 'coated, and not noted' });
  await page.goto(`${house.url}/vehicles/${car}/repairs/${repair}/weld`);
  await page.getByRole('radio', { name: 'Screws through both sheets' }).check();
  await page.getByText('Thickness, pitch, stitches, holes').click();
  await page.getByLabel(/^Holes for plugs/).fill('no idea');
  await page.getByRole('button', { name: 'Lay out every weld', exact: true }).click();
  await expect(page.getByText(/Holes for plugs.* must be a number/)).toBeVisible();
  await page.getByLabel(/^Holes for plugs/).fill('8');
  await page.getByRole('button', { name: 'Lay out every weld', exact: true }).click();
  await expect(page.getByText(/\d+ plugs, \d+ screw holes on \d+ joints/)).toBeVisible();
  const plugs = Number(/(\d+) plugs/.exec((await page.getByText(/\d+ plugs/).textContent())!)![1]);
  // To a plug, and leave it out: the rest is planned around it.
  const slider = page.getByRole('slider', { name: 'Step' });
  await slider.focus();
  for (let n = 0; n < 5; n++) await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/Plug through a 8 mm hole .* from the .* end of the joint/)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('1 weld is left out')).toBeVisible();
  await expect(page.getByText(`${plugs - 1} plugs`)).toBeVisible();
  await page.getByRole('button', { name: 'Begin at the bench', exact: true }).click();
  await page.getByLabel(/I have read these/).check();
  await page.getByRole('button', { name: 'To the bench' }).click();
  for (let n = 1; n <= 2; n++) {
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText(new RegExp(`^${n} of \\d+$`))).toBeVisible();
  }
  const round = page.getByRole('button', { name: /^All \d+ plugs$/ });
  const all = Number(/\d+/.exec((await round.textContent())!)![0]);
  await round.click();
  await expect(page.getByText(new RegExp(`^${2 + all} of \\d+$`))).toBeVisible();
  // It is stored, not only ticked on this device.
  await expect.poll(async () => (await get<{ done: unknown[] }>(`/repairs/${repair}/weld`)).done.length).toBe(2 + all);
});

test('the heat of a weld plan is played, asked at a place, and copper and a pause are tried', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const { car, repair } = await demoRepair(page, house, 'patch');
  await page.goto(`${house.url}/vehicles/${car}/repairs/${repair}/weld`);
  await page.getByRole('link', { name: 'See the heat, place by place' }).click();
  const time = page.getByRole('slider', { name: 'Time' });
  await expect(time).toBeVisible();
  await time.fill('120');
  await expect(page.getByText('at the warmest place')).toBeVisible();
  // It plays, and stops where it is told to.
  await page.getByRole('button', { name: 'Play the heat' }).click();
  await expect.poll(async () => Number(await time.inputValue())).toBeGreaterThan(125);
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await clickOn(page, 200, 120);
  await expect(page.getByText('How warm these places are')).toBeVisible();
  await page.getByText('Copper behind every joint').click();
  await expect(page.getByText(/With copper/)).toBeVisible();
  await time.fill('60');
  await page.getByLabel(/^Pause before/).fill('3');
  await page.getByRole('button', { name: 'Try this pause' }).click();
  await expect(page.getByText(/With copper and a pause/)).toBeVisible();
  await page.getByRole('button', { name: 'As it is laid out again' }).click();
  await expect(page.getByText(/With copper/)).toBeHidden();
});

test('a find is cured with how, opened again, removed and brought back', async ({ page, house }) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Cured');
  await page.goto(`${house.url}/vehicles/${car}/panels/roof`);
  await page.getByRole('button', { name: 'Note a find' }).click();
  await clickOn(page, 600, 500);
  await page.getByRole('button', { name: 'Small blisters' }).click();
  await expect(page.getByText('Noted.')).toBeVisible();
  await page.getByRole('button', { name: 'Note a find' }).click();
  await page.getByRole('button', { name: 'It is cured' }).click();
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText(/fill it in/)).toBeVisible();
  await page.getByLabel('How was it cured?').fill('Cut out, new metal');
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByText(/^Cured .*Cut out, new metal/)).toBeVisible();
  await page.getByRole('button', { name: 'Open again' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByRole('button', { name: 'It is cured' })).toBeVisible();
});

test('a line of the order book is changed, withdrawn with a reason, and a slip is taken back', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  await page.goto(`${house.url}/orders?show=all`);
  const line = page.locator('[data-order="front-valance"]');
  await line.getByRole('button', { name: 'Change' }).click();
  await page.getByLabel('Note').fill('Ask whether it is drilled');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(line.getByText('Ask whether it is drilled')).toBeVisible();
  await line.getByRole('button', { name: 'Withdraw', exact: true }).click();
  await line.getByLabel('Why').fill('The old one can be saved');
  await line.getByRole('button', { name: 'Note: withdrawn' }).click();
  await expect(line.getByText('Withdrawn', { exact: true }).first()).toBeVisible();
  await line.getByText('History').click();
  await expect(line.getByText(/withdrawn, .*: The old one can be saved/)).toBeVisible();
  await line.getByRole('button', { name: /Take “withdrawn” back/ }).click();
  await expect(line.getByText('Ordered', { exact: true }).first()).toBeVisible();
});
