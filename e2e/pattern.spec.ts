import { randomUUID } from 'node:crypto';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* From what one car is in truth to a piece of sheet: an edge said again, a pattern with its flange, a sheet of the rack, and back. */
test('an edge is said again, the pattern follows, and its blank is cut from the rack and is not', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Cut from flat');
  const { post } = await api(page, house);
  const low = [
    [200, 0],
    [420, 0],
    [420, 90],
    [200, 90],
  ];
  const zone = { id: randomUUID(), panel: 'sill-l', layer: 'outer', class: 'through', evidence: 'opened', ring: low };
  await post(`/vehicles/${car}/zones`, { ...zone, holes: [], note: '', overruled: '' });
  const repair = randomUUID();
  await post(`/vehicles/${car}/repairs`, {
    id: repair,
    zoneIds: [zone.id],
    choice: 'patch',
    reason: 'Low and through',
  });

  await test.step('the lower edge of this car is bolted', async () => {
    await page.goto(`${house.url}/vehicles/${car}/panels/sill-l/facts`);
    await page.getByRole('button', { name: /lower edge: spot-welded flange/ }).click();
    await page.getByLabel('What it is').selectOption('bolt');
    await page.getByLabel('From one to the next, mm').fill('120');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('Not as the plan has it.')).toBeVisible();
    await expect(page.getByRole('button', { name: /lower edge: bolted, every 120 mm.*on this car/ })).toBeVisible();
  });

  await test.step('its pattern has that edge as a flange, which is made wider', async () => {
    await page.goto(`${house.url}/vehicles/${car}/repairs/${repair}/pattern`);
    const edge = page.getByRole('button', { name: /lower edge: 20 mm turned in by 90°/ });
    await edge.click();
    await page.getByLabel('How wide, outside, mm').fill('0.3');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText(/this bend alone takes/)).toBeVisible();
    await page.getByLabel('How wide, outside, mm').fill('28');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('button', { name: /lower edge: 28 mm turned in by 90°/ })).toBeVisible();
    const file = page.waitForEvent('download');
    await page.getByRole('link', { name: 'DXF', exact: true }).click();
    expect((await file).suggestedFilename()).toBe('pattern-sill-l.dxf');
    await page.getByRole('link', { name: /Choose the sheet that it is cut from/ }).click();
  });

  await test.step('it lies on a sheet of the rack, is cut, and is taken back', async () => {
    await page.getByRole('button', { name: 'Put a sheet into the rack' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('What it is called, or where it stands').fill('By the shears');
    await dialog.getByLabel('Thickness, mm').fill('thick');
    await dialog.getByLabel('Width, mm').fill('700');
    await dialog.getByLabel('Length, mm').fill('500');
    await dialog.getByRole('button', { name: 'Keep' }).click();
    await expect(dialog.getByText(/Thickness/).last()).toBeVisible();
    await dialog.getByLabel('Thickness, mm').fill('1.2');
    await dialog.getByRole('button', { name: 'Keep' }).click();
    await expect(dialog).toHaveCount(0);
    // Patterns of other cars wait as well, of the demo and of other tests; only this one is laid out.
    for (const one of await page.getByRole('checkbox', { name: /×/ }).all())
      if (!(await one.textContent())!.includes('Cut from flat')) await one.uncheck();
    await page.getByRole('button', { name: 'Lay it out on the sheets' }).click();
    await expect(page.getByRole('img', { name: /1 Sill, left/ })).toBeVisible();
    await page.getByRole('button', { name: 'It is cut so' }).click();
    await expect(page.getByRole('heading', { name: 'Cut out' })).toBeVisible();
    await page.getByRole('button', { name: 'It was not cut' }).click();
    await expect(page.getByRole('heading', { name: 'Cut out' })).toHaveCount(0);
  });
});
