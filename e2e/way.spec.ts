import { randomUUID } from 'node:crypto';
import type { DressView } from '@aspecta/contract/dress';
import { api, expect, inInches, rollIn, signIn, test } from './house.ts';

/* A pan that has to go through an opening, in inches; the same on the other side; the welds read with a straight edge. */
const ring = [
  [200, 100],
  [420, 100],
  [420, 300],
  [200, 300],
];

test('a piece goes in by the way that costs least, the other side follows, and its welds are dressed level', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Through the opening');
  const { get, post } = await api(page, house);
  const zone = { id: randomUUID(), panel: 'quarter-l', layer: 'outer', class: 'through', evidence: 'opened', ring };
  await post(`/vehicles/${car}/zones`, { ...zone, holes: [], note: '', overruled: '' });
  const repair = randomUUID();
  await post(`/vehicles/${car}/repairs`, { id: repair, zoneIds: [zone.id], choice: 'patch', reason: 'One hole' });
  const at = `${house.url}/vehicles/${car}/repairs/${repair}`;
  await inInches(page, house, async () => {
    await test.step('two ways in are weighed, and one is taken', async () => {
      await page.goto(`${at}/joints`);
      await page.getByRole('link', { name: /Does it go through its opening/ }).click();
      const way = async (name: string, a: string, b: string) => {
        await page.getByRole('button', { name: /Measure the first opening|Another way/ }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Which way').fill(name);
        await dialog.getByLabel('Opening, one side, inches').fill(a);
        await dialog.getByLabel('Opening, other side, inches').fill(b);
        return dialog;
      };
      const tight = await way('Through the lamp hole', '6', '5 1/2');
      await tight.getByRole('button', { name: 'Keep this way' }).click();
      await expect(page.getByText('By none of these ways does it go in.')).toBeVisible();
      const open = await way('Boot trim out', '40', '20');
      await open.getByRole('button', { name: 'Something comes off for it' }).click();
      await open.getByLabel('What', { exact: true }).fill('Boot trim');
      await open.getByLabel('Hours to take it off').fill('0.5');
      await open.getByLabel('Hours to put it back').fill('1');
      await open.getByRole('button', { name: 'Keep this way' }).click();
      const card = page.locator('[data-route="Boot trim out"]');
      await expect(card).toContainText('1.5 h off and on');
      await expect(page.locator('main')).not.toContainText(/\d mm\b/);
      await card.getByRole('button', { name: 'Take this way' }).click();
      await expect(page.getByText('It goes in: Boot trim out.')).toBeVisible();
      await page.getByRole('link', { name: /See what has to be done/ }).click();
      await page.goto(`${house.url}/vehicles/${car}/job?show=all`);
      await expect(page.getByRole('heading', { name: /take off Boot trim/ })).toBeVisible();
      await expect(page.getByRole('heading', { name: /put back Boot trim/ })).toBeVisible();
    });

    await test.step('the other side is decided the same way', async () => {
      await page.goto(`${at}/joints`);
      await page.getByRole('button', { name: 'Same on the other side' }).click();
      const dialog = page.getByRole('dialog');
      await dialog.getByRole('button', { name: /^Map the same damage on Rear quarter, right/ }).click();
      await expect(dialog).toContainText('look at that side before anything is cut');
      await dialog.getByRole('button', { name: 'Look at its joints' }).click();
      await expect(page.getByRole('link', { name: 'Rear quarter, right' })).toBeVisible();
    });

    await test.step('a straight edge finds what is low, and later that it is level', async () => {
      await page.goto(`${at}/dress`);
      const { places } = await get<DressView>(`/repairs/${repair}/dress`);
      const read = async (inches: string) => {
        await page.getByRole('button', { name: /^Lay a straight edge|^Read it again/ }).click();
        for (let i = 0; i < places.length; i++) await page.getByLabel(new RegExp(`^${i + 1}: `)).fill(inches);
        await page.getByRole('button', { name: 'Keep these readings' }).click();
      };
      await read('-1/8');
      await expect(page.getByText('Not level yet.')).toBeVisible();
      await expect(page.getByText(/Stretch the weld/)).toBeVisible();
      await read('-1/32');
      await expect(page.getByText('Level enough for good work.')).toBeVisible();
      await expect(page.getByText(/g to mix|to mix, about half/)).toBeVisible();
      await expect(page.locator('main')).not.toContainText(/\d mm\b/);
    });
  });
});
