import { randomUUID } from 'node:crypto';
import type { FitView } from '@aspecta/contract/fit';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* A piece is hung and taken off until it fits; what one side took, the other begins with. */
const square = (u: number, v: number, size: number) => [
  [u, v],
  [u + size, v],
  [u + size, v + size],
  [u, v + size],
];

test('a quarter is tried in three rounds until it fits, and the second side starts from them', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Three rounds');
  const { get, post } = await api(page, house);
  const zone = { layer: 'outer', class: 'through', evidence: 'opened', holes: [], note: '', overruled: '' };
  const decide = async (panel: string) => {
    const damage = { id: randomUUID(), panel, ring: square(300, 250, 120) };
    await post(`/vehicles/${car}/zones`, { ...zone, ...damage });
    const repair = { id: randomUUID(), zoneIds: [damage.id], choice: 'patch', reason: 'One hole in a sound quarter' };
    await post(`/vehicles/${car}/repairs`, repair);
    return repair.id;
  };
  const first = await decide('quarter-l');
  const { places, joints, wanted } = await get<FitView>(`/repairs/${first}/fit`);
  await page.goto(`${house.url}/vehicles/${car}/repairs/${first}/fit`);
  for (const [round, wide] of [3, 1.5, 0].entries()) {
    await page.getByRole('button', { name: `Read trial fit ${round + 1}` }).click();
    const gaps = page.getByLabel('Gap', { exact: true });
    for (const [i, { joint }] of places.entries())
      await gaps.nth(i).fill(String((joints[joint]!.open ? wanted : 0) + wide));
    await page.getByLabel('What was clamped, moved or trimmed').fill(`Round ${round + 1}`);
    await page.getByRole('button', { name: 'What does it need?' }).click();
    await expect(page.getByRole('heading', { name: new RegExp(`^Trial fit ${round + 1}:`) })).toBeVisible();
    await expect(page.getByText(wide > 0 ? 'It does not fit yet.' : 'It fits: it may be tacked.')).toBeVisible();
  }
  await expect(page.getByRole('link', { name: /Weld it in/ })).toBeVisible();
  const second = await decide('quarter-r');
  await page.goto(`${house.url}/vehicles/${car}/repairs/${second}/fit`);
  await expect(page.getByRole('heading', { name: 'The other side took 3' })).toBeVisible();
  await expect(page.getByText('3: it fitted – Round 3')).toBeVisible();
});

test('a sagging cab is lifted by the shims that are here, and not where its mount is rotten', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  await page.getByRole('button', { name: 'Roll a car in' }).click();
  await page.getByLabel('Nickname').fill('Sagging');
  await page.getByLabel('Year built').fill('1958');
  await page.getByRole('dialog').getByRole('combobox').first().selectOption('pickup');
  await page.getByRole('button', { name: 'Roll in', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Sagging, 1958' })).toBeVisible();
  const car = page.url().split('/').at(-1)!;
  const { post } = await api(page, house);
  await page.goto(`${house.url}/vehicles/${car}/hold?tab=gaps`);
  await page.getByLabel('What hangs there').selectOption({ label: 'Door opening on the cab mounts, left' });
  for (const [place, gap] of [
    ['rear edge, upper', '3'],
    ['rear edge, middle', '5'],
    ['rear edge, lower', '7'],
    ['lower edge, front', '4'],
    ['lower edge, rear', '4'],
  ] as const)
    await page.getByLabel(place).fill(gap);
  await page.getByLabel('Shims at hand, mm').fill('1, 2');
  await page.getByRole('button', { name: 'What does it need?' }).click();
  const rear = page.getByRole('listitem').filter({ hasText: 'Rear cab mount' });
  await expect(rear.getByText(/up by .* \(shims /)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Front cab mount' })).not.toContainText('up by');
  // What carries the mount is rusted through: it is rebuilt before anything is shimmed.
  const zone = { layer: 'outer', class: 'through', evidence: 'opened', holes: [], note: '', overruled: '' };
  await post(`/vehicles/${car}/zones`, { ...zone, id: randomUUID(), panel: 'cab-corner-l', ring: square(100, 60, 60) });
  await page.reload();
  await page.getByLabel('What hangs there').selectOption({ label: 'Door opening on the cab mounts, left' });
  await expect(rear.getByText(/rebuild what carries it first/)).toBeVisible();
});
