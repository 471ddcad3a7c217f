import type { Page } from '@playwright/test';
import { expect, inInches, signIn, test } from './house.ts';

/* A shop that reads inches, mil and °F: nothing else is left on any page of a car, nor in what is opened there. */
const FOREIGN = /(?:\d|,) ?(?:mm|cm|dm|m)[²³]?(?![\w/])|µm|°C|kg\/m|l\/min|kJ\/mm/g;

/** What stays: the choice itself, how another unit is written on purpose, and what people have written. */
const MEANT = [/Temperatures are read in/, /or with a mark: 0\.82 mm/, /flanges straight/];

async function foreign(page: Page): Promise<string[]> {
  for (const summary of await page.locator('main summary').all())
    await summary.click({ timeout: 2000 }).catch(() => {});
  const text = await page.evaluate(() => {
    const labels = [...document.querySelectorAll('main [aria-label], main [placeholder], main [title]')].map((node) =>
      ['aria-label', 'placeholder', 'title'].map((name) => node.getAttribute(name) ?? '').join(' '),
    );
    const values = [...document.querySelectorAll<HTMLInputElement>('main input')].map((input) => input.value);
    const drawn = [...document.querySelectorAll('main svg text')].map((node) => node.textContent);
    return [document.querySelector('main')!.innerText, ...labels, ...values, ...drawn].join('\n');
  });
  return [...text.matchAll(FOREIGN)]
    .map(({ index }) => text.slice(Math.max(0, index - 60), index + 30).replace(/\s+/g, ' '))
    .filter((place) => !MEANT.some((form) => form.test(place)));
}

test('an inch shop reads inches, mil and °F on every page of a car', async ({ page, house }) => {
  test.setTimeout(300_000);
  await signIn(page, house);
  await inInches(page, house, async () => {
    const cars = (await (await page.request.get(`${house.url}/api/vehicles`)).json()) as {
      id: string;
      nickname: string;
    }[];
    const car = `/vehicles/${cars.find(({ nickname }) => nickname === 'Marigold')!.id}`;
    const repairs = (await (await page.request.get(`${house.url}/api${car}/repairs`)).json()) as {
      id: string;
      choice: string;
    }[];
    const patch = `${car}/repairs/${repairs.find(({ choice }) => choice === 'patch')!.id}`;
    const photos = (await (await page.request.get(`${house.url}/api${car}/photos`)).json()) as { id: string }[];
    const found: Record<string, string[]> = {};
    const look = async (name: string) => {
      await expect(page.locator('main')).toBeVisible();
      await expect(page.getByText(/^(Fetching|One moment|Weighing|Mapping)/)).toHaveCount(0);
      const left = await foreign(page);
      if (left.length > 0) found[name] = left;
    };
    for (const path of [
      '/',
      car,
      `${car}/walk`,
      `${car}/photos`,
      `${car}/photos/${photos[0]!.id}`,
      `${car}/panels/roof/outline`,
      `${car}/panels/sill-l/facts`,
      `${car}/panels/floor-front-l/verdict`,
      `${patch}/cut`,
      `${patch}/joints`,
      `${patch}/weld`,
      `${patch}/weld/heat`,
      `${patch}/bench`,
      `${car}/hold?figure=under`,
      `${car}/hold?figure=other`,
      `${car}/hold?figure=corners`,
      `${car}/hold?tab=braces`,
      `${car}/hold?tab=gaps`,
      `${patch}/pattern`,
      '/stock',
      '/weeks',
      '/practice?car=5',
      `${patch}/way`,
      `${patch}/fit`,
      `${patch}/dress`,
      `${car}/close`,
      `${car}/record`,
      `${car}/record?tab=timeline`,
      `${car}/job?show=all`,
      `${car}/plan`,
      `${car}/whole`,
      '/orders',
      '/house',
      '/learnt',
    ]) {
      await page.goto(house.url + path);
      await look(path.replace(/[0-9a-f-]{36}/g, 'ID'));
    }
    await page.goto(`${house.url}${car}/panels/quarter-l/verdict?repair=${patch.split('/').at(-1)!}`);
    await look('a verdict, made again');
    await page.goto(`${house.url}${patch}/cut`);
    await page.getByRole('button', { name: 'Move the line' }).click();
    await look('a line in the hand');
    await page.goto(`${house.url}${patch}/joints`);
    for (const joint of await page.locator('.pick').all()) {
      await joint.click();
      await look(`a joint, ${(await joint.textContent())!}`);
    }
    for (const panel of ['sill-l', 'door-skin-l', 'boot-floor']) {
      await page.goto(`${house.url}${car}/panels/${panel}`);
      for (const tab of await page.getByRole('group', { name: 'What to look at' }).getByRole('radio').all()) {
        await tab.check();
        await look(`${panel}, ${(await tab.getAttribute('value'))!}`);
      }
      for (const tool of ['Take readings', 'By gauge', 'Note a find', 'Draw a zone']) {
        await page.getByRole('button', { name: tool }).click();
        await look(`${panel}, ${tool}`);
      }
    }
    // A refusal too.
    await page.goto(`${house.url}${car}/panels/roof`);
    await page.getByRole('button', { name: 'Take readings' }).click();
    await page
      .locator('section.sheet svg')
      .first()
      .click({ position: { x: 400, y: 300 } });
    await page.getByRole('radio', { name: /^Coating/ }).check();
    await page.getByLabel('Coating', { exact: true }).fill('900');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').first()).toContainText(/at most 787 mil/);
    await look('a refusal');
    expect(found).toEqual({});
  });
});

test('an inch shop reads inches, mil and °F in the Bench book', async ({ page, house }) => {
  test.setTimeout(300_000);
  await signIn(page, house);
  await inInches(page, house, async () => {
    await page.goto(`${house.url}/book`);
    await expect(page.getByRole('heading', { name: 'Bench book' })).toBeVisible();
    const links = page.locator('main a[href^="/book/"]');
    await expect(links.nth(20)).toBeVisible();
    const paths = await links.evaluateAll((all) => all.map((link) => link.getAttribute('href')!));
    const found: Record<string, string[]> = {};
    // Turning one unit into the other is what that page is for.
    for (const path of new Set(paths.filter((one) => one !== '/book/length'))) {
      await page.goto(house.url + path);
      await expect(page.locator('main h1, main h2').first()).toBeVisible();
      if (path.startsWith('/book/figures/')) {
        await page.getByRole('button', { name: 'Compute' }).click();
        await expect(page.getByRole('button', { name: 'Use in a car' })).toBeVisible({ timeout: 60_000 });
      }
      await expect(page.getByText(/^(Fetching|One moment)/)).toHaveCount(0);
      const left = await foreign(page);
      if (left.length > 0) found[path] = left;
    }
    expect(found).toEqual({});
  });
});
