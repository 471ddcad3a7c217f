import { randomUUID } from 'node:crypto';
import { api, expect, rollIn, signIn, test } from './house.ts';

/* What lies over and beside a sheet, and a piece that goes in parted: both follow into all that comes after. */
test('glass beside a cut is named until it is out, and a piece that goes in parted is tried on at its seam', async ({
  page,
  house,
}) => {
  await signIn(page, house);
  const car = await rollIn(page, 'Beside and parted');
  const { post } = await api(page, house);
  const decide = async (panel: string, ring: number[][], choice: string) => {
    const zone = { id: randomUUID(), panel, layer: 'outer', class: 'through', evidence: 'opened', ring };
    await post(`/vehicles/${car}/zones`, { ...zone, holes: [], note: '', overruled: '' });
    const id = randomUUID();
    await post(`/vehicles/${car}/repairs`, { id, zoneIds: [zone.id], choice, reason: 'Through' });
    return id;
  };
  const box = (u: number, v: number, w: number, h: number) => [
    [u, v],
    [u + w, v],
    [u + w, v + h],
    [u, v + h],
  ];
  const card = page.getByRole('complementary', { name: 'Card' });

  await test.step('the cut under the window names the glass; once it is out, it does not', async () => {
    const skin = await decide('door-skin-l', box(520, 589, 120, 40), 'patch');
    await page.goto(`${house.url}/vehicles/${car}/repairs/${skin}/cut`);
    await expect(card.getByText(/beside what heat and sparks spoil \(window glass and its channel\)/)).toBeVisible();
    await card.getByRole('link', { name: 'Say so' }).click();
    await page.getByRole('checkbox', { name: /window glass and its channel/ }).click();
    await expect(page.getByText('Not as the plan has it.')).toBeVisible();
    await page.goto(`${house.url}/vehicles/${car}/repairs/${skin}/cut`);
    await expect(card.getByText('Where does the saw go?')).toBeVisible();
    await expect(card.getByText(/window glass/)).toHaveCount(0);
  });

  await test.step('a floor that goes in by halves has the seam among its joints; 5 mm between them are a strip', async () => {
    const floor = await decide('boot-floor', box(100, 100, 850, 650), 'make');
    const at = `${house.url}/vehicles/${car}/repairs/${floor}`;
    await page.goto(`${at}/way`);
    await card.getByLabel('How deep the piece is').fill('70');
    // Pressed at once: the field is kept first, the line after it.
    await card.getByRole('button', { name: /the middle: 550 mm/ }).click();
    await card.getByRole('button', { name: 'Measure the first opening' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Which way').fill('Boot opening');
    await dialog.getByLabel('Opening, one side, mm').fill('960');
    await dialog.getByLabel('Opening, other side, mm').fill('480');
    await dialog.getByLabel('Space behind the opening, mm').fill('600');
    await dialog.getByRole('button', { name: 'Keep this way' }).click();
    await expect(card.getByText(/In 2 sections/)).toBeVisible();
    await card.getByRole('button', { name: 'Take this way' }).click();
    await expect(card.getByText('It goes in: Boot opening.')).toBeVisible();
    await page.goto(`${at}/joints`);
    await expect(card.getByText(/Parting seam.*between the sections at A/).first()).toBeVisible();
    await page.goto(`${at}/fit`);
    await card.getByRole('button', { name: /^Read trial fit/ }).click();
    const gaps = card.getByLabel('Gap', { exact: true });
    const places = await gaps.count();
    for (let i = places - 3; i < places; i++) await gaps.nth(i).fill('5');
    await card.getByRole('button', { name: 'What does it need?' }).click();
    await expect(
      card.getByText(/between the sections at A: let in a strip\. It stands 4\.\d mm too wide/),
    ).toBeVisible();
  });
});
