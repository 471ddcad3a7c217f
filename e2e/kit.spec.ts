import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { build, preview, type PreviewServer } from 'vite';
import vue from '@vitejs/plugin-vue';

/* Every part of the kit: nothing that axe finds, of any weight, by day and by night; and all of it by keyboard alone. */
const root = resolve(import.meta.dirname, '../web/specimen');
let served: PreviewServer;
let folder: string;
let url: string;
test.beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'aspecta-kit-'));
  const common = { root, configFile: false as const, logLevel: 'silent' as const };
  await build({ ...common, plugins: [vue()], build: { outDir: folder, emptyOutDir: true } });
  served = await preview({ ...common, build: { outDir: folder }, preview: { host: '127.0.0.1', port: 4790 } });
  url = served.resolvedUrls!.local[0]!;
});
test.afterAll(async () => {
  await new Promise<void>((done) => served.httpServer.close(() => done()));
  rmSync(folder, { recursive: true, force: true });
});

async function findings(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations.map(
    ({ id, impact, nodes }) => `${id} (${impact}): ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
  );
}
const state = async (page: Page) =>
  JSON.parse((await page.getByTestId('state').textContent())!) as Record<string, unknown>;
/** Goes on with Tab until this has the focus, as somebody without a mouse would. */
async function tabTo(page: Page, label: RegExp): Promise<void> {
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab');
    const name = await page.evaluate(() => {
      const at = document.activeElement as HTMLInputElement | null;
      const labels = [...(at?.labels ?? [])].map((node) => node.textContent);
      const by = at?.getAttribute('aria-labelledby');
      return [
        at?.getAttribute('aria-label'),
        ...labels,
        by && document.getElementById(by)?.textContent,
        at?.textContent,
      ]
        .filter(Boolean)
        .join(' ');
    });
    if (label.test(name)) return;
  }
  throw new Error(`${label} is not reached with Tab.`);
}

for (const look of ['day', 'night'] as const)
  test(`has nothing that axe finds, by ${look}`, async ({ page }) => {
    await page.goto(`${url}#${look}`);
    await expect(page.getByRole('heading', { name: 'The kit' })).toBeVisible();
    expect(await findings(page)).toEqual([]);
    await page.getByText('More', { exact: true }).click();
    await page.getByRole('button', { name: 'Open the window' }).click();
    await expect(page.getByRole('dialog', { name: 'A window' })).toBeVisible();
    // What comes in with a movement is looked at when it stands.
    await page.waitForFunction(() => document.getAnimations().every((animation) => animation.playState !== 'running'));
    expect(await findings(page)).toEqual([]);
  });

test('is large enough for gloves', async ({ page }) => {
  await page.goto(url);
  await page.setViewportSize({ width: 390, height: 844 });
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('button, a, input, select, textarea, [role=checkbox], summary, label')].flatMap(
      (node) => {
        const area = node.closest('.n-input, .n-radio-button, .n-radio, .upload, .tabs label, .slider') ?? node;
        const box = area.getBoundingClientRect();
        // A label above a field, what is not shown, and a word within a sentence are no targets.
        const counts = !node.matches('.n-form-item-label, .visually-hidden, .press-area') && box.width > 0;
        return counts && box.height < 43.5 ? [`${node.outerHTML.slice(0, 120)}: ${box.height} px`] : [];
      },
    ),
  );
  expect(small).toEqual([]);
});

test('is worked by keyboard alone', async ({ page }) => {
  await page.goto(url);
  await expect(page.getByRole('heading', { name: 'The kit' })).toBeVisible();
  const press = (key: string) => page.keyboard.press(key);
  await tabTo(page, /^Name/);
  await page.keyboard.type('Sill');
  await press('Enter');
  await expect(page.getByTestId('said')).toHaveText('sent Sill');
  await tabTo(page, /Notes/);
  await page.keyboard.type('two lines');
  await tabTo(page, /Maker/);
  await press('ArrowUp');
  await tabTo(page, /I have read it/);
  await press('Space');
  await tabTo(page, /^Two/);
  await press('Space');
  await tabTo(page, /Millimetres/);
  await press('ArrowRight');
  await tabTo(page, /Patch/);
  await press('ArrowDown');
  await tabTo(page, /Send/);
  await tabTo(page, /^\s*Map/);
  await press('ArrowRight');
  await tabTo(page, /Place/);
  await press('ArrowRight');
  await tabTo(page, /More/);
  await press('Enter');
  await expect(page.getByText('What was hidden.')).toBeVisible();
  expect(await state(page)).toEqual({
    text: 'Sill',
    lines: 'two lines',
    maker: 'a',
    agreed: true,
    some: ['one', 'two'],
    chip: 'in',
    tab: 'pits',
    place: 15,
    option: 'whole',
  });
  await tabTo(page, /A file/);
  const choosing = page.waitForEvent('filechooser');
  await press('Enter');
  await (await choosing).setFiles({ name: 'readings.csv', mimeType: 'text/csv', buffer: Buffer.from('u,v\n') });
  await expect(page.getByTestId('said')).toHaveText('took readings.csv');
  await tabTo(page, /^Press$/);
  await press('Space');
  await expect(page.getByTestId('said')).toHaveText('pressed');
  await tabTo(page, /A whole area/);
  await press('Enter');
  await expect(page.getByTestId('said')).toHaveText('area');
  await tabTo(page, /Open the window/);
  await press('Enter');
  const dialog = page.getByRole('dialog', { name: 'A window' });
  await expect(dialog).toBeVisible();
  // The focus stays inside, however often one goes on.
  for (let i = 0; i < 5; i++) {
    await press('Tab');
    expect(await dialog.evaluate((node) => node.contains(document.activeElement))).toBe(true);
  }
  await press('Escape');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Open the window' })).toBeFocused();
});

test('shows every part that there is', async ({ page }) => {
  const parts = readdirSync(resolve(root, '../src/kit')).filter((name) => /^Kit.*\.vue$/.test(name));
  const { readFileSync } = await import('node:fs');
  const shown = readFileSync(join(root, 'Specimen.vue'), 'utf8');
  expect(parts.filter((name) => !shown.includes(`/kit/${name}'`))).toEqual([]);
  await page.goto(url);
});
