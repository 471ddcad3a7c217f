import { chromium, type Page } from '@playwright/test';

/* How the page feels with much on it: Chromium drives the built page on a server of its own. */
export interface Feel {
  /** ms from the tap on the car to all its panels drawn with their states. */
  board: number;
  panels: number;
  /** ms. Longest time between a wheel or drag and the frame that shows it, with 2,000 readings on the panel. */
  longest: number;
  /** ms that the worker took for the map of these readings. */
  map: number;
  /** ms from the tap on Pictures until a gallery of 500 is there. */
  gallery: number;
}

const READINGS = 2000;
const ON_CAR = 10_000;
const PICTURES = 500;

export async function measurePage(url: string): Promise<Feel> {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The bundler of this script wraps named functions; in the page that wrapper has to exist.
  await page.addInitScript('globalThis.__name = (f) => f');
  await page.goto(`${url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await page.waitForURL(`${url}/`);
  const car = await fill(page, url);
  const board = await timeBoard(page, url, car);
  await page.goto(`${url}/vehicles/${car}/panels/bonnet`);
  const told = page.getByText(/kriged from 2000 readings/);
  await told.waitFor({ timeout: 60_000 });
  const map = Number(/in (\d+) ms/.exec((await told.textContent())!)![1]);
  const longest = await zoomAbout(page);
  await page.goto(`${url}/vehicles/${car}`);
  const began = performance.now();
  await page.getByRole('link', { name: /^Pictures/ }).click();
  await page
    .locator('main li')
    .nth(PICTURES - 1)
    .waitFor({ state: 'attached' });
  const gallery = performance.now() - began;
  await browser.close();
  return { ...board, longest, map, gallery };
}

/** A car with 10,000 readings, 2,000 of them on its bonnet, and 500 pictures. */
async function fill(page: Page, url: string): Promise<string> {
  const door = (await (await page.request.get(`${url}/api/door`)).json()) as { session: { csrf: string } };
  const headers = { 'x-aspecta-csrf': door.session.csrf };
  const vehicle = { nickname: 'Much', year: 1960, planId: 'saloon', goal: 'show', climate: 'coast', notes: '' };
  const made = await page.request.post(`${url}/api/vehicles`, { headers, data: vehicle });
  const { id } = (await made.json()) as { id: string };
  const rows = [
    ['bonnet', READINGS],
    ['roof', READINGS],
    ['boot-floor', READINGS],
    ['floor-front-l', READINGS],
    ['floor-front-r', READINGS],
  ] as const;
  for (const [panel, count] of rows) {
    const lines = ['panel,layer,u_mm,v_mm,metal_mm'];
    for (let i = 0; i < count; i++) {
      const [u, v] = [250 + ((i * 379) % 500) + (i % 7) * 0.3, 150 + ((i * 211) % 250) + (i % 11) * 0.2];
      lines.push(
        `${panel},outer,${u.toFixed(1)},${v.toFixed(1)},${(0.86 - 0.4 * Math.exp(-((u - 500) ** 2) / 9000)).toFixed(3)}`,
      );
    }
    const answer = await page.request.post(`${url}/api/vehicles/${id}/readings/import?store=1`, {
      headers: { ...headers, 'content-type': 'text/csv' },
      data: lines.join('\n'),
    });
    const { stored, errors } = (await answer.json()) as { stored: boolean; errors: unknown[] };
    if (!stored) throw new Error(`The readings of ${panel} were not taken: ${JSON.stringify(errors?.[0])}`);
  }
  if (rows.length * READINGS !== ON_CAR) throw new Error('The car must have 10,000 readings.');
  const { default: sharp } = await import('sharp');
  for (let i = 0; i < PICTURES; i++) {
    const bytes = await sharp({
      create: {
        width: 320 + (i % 20),
        height: 240 + Math.floor(i / 20),
        channels: 3,
        background: { r: i % 256, g: 90, b: i >> 8 },
      },
    })
      .jpeg()
      .toBuffer();
    const told = new URLSearchParams({
      id: crypto.randomUUID(),
      takenAt: new Date(Date.now() - i * 60_000).toISOString(),
    });
    const sent = await page.request.post(`${url}/api/vehicles/${id}/photos?${told.toString()}`, {
      headers: { ...headers, 'content-type': 'application/octet-stream' },
      data: bytes,
    });
    if (!sent.ok()) throw new Error(`Picture ${i} was not taken: ${await sent.text()}`);
  }
  return id;
}

async function timeBoard(page: Page, url: string, car: string): Promise<{ board: number; panels: number }> {
  const times: number[] = [];
  let panels = 0;
  for (let i = 0; i < 3; i++) {
    await page.goto(url);
    const link = page.locator(`a[href="/vehicles/${car}"]`).first();
    await link.waitFor();
    const [took, count] = await link.evaluate(
      (element) =>
        new Promise<[number, number]>((done) => {
          const began = performance.now();
          (element as HTMLElement).click();
          const look = () => {
            const drawn = document.querySelectorAll('[data-panel]').length;
            if (drawn > 0) requestAnimationFrame(() => done([performance.now() - began, drawn]));
            else requestAnimationFrame(look);
          };
          look();
        }),
    );
    times.push(took);
    panels = count;
  }
  return { board: times.sort((a, b) => a - b)[1]!, panels };
}

/** Zooms and pans as a hand would and returns the longest wait for a frame, ms. */
async function zoomAbout(page: Page): Promise<number> {
  await page.evaluate(() => {
    const state = { worst: 0, last: performance.now() };
    (window as unknown as { frames: typeof state }).frames = state;
    const beat = () => {
      const now = performance.now();
      state.worst = Math.max(state.worst, now - state.last);
      state.last = now;
      requestAnimationFrame(beat);
    };
    requestAnimationFrame(beat);
  });
  const frame = (await page.locator('section.sheet svg').first().boundingBox())!;
  const [x, y] = [frame.x + frame.width / 2, frame.y + frame.height / 2];
  await page.mouse.move(x, y);
  await page.evaluate(() => ((window as unknown as { frames: { worst: number } }).frames.worst = 0));
  for (let i = 0; i < 30; i++) await page.mouse.wheel(0, i < 15 ? -120 : 120);
  await page.mouse.down();
  for (let i = 0; i < 20; i++) await page.mouse.move(x + i * 8, y + i * 4);
  await page.mouse.up();
  return page.evaluate(() => (window as unknown as { frames: { worst: number } }).frames.worst);
}
