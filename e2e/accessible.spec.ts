import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, signIn, test, type House } from './house.ts';

/* Nothing that axe finds, of any weight, on any page, by day and by night. */
async function demoPaths(page: Page, house: House): Promise<Record<string, string>> {
  const vehicles = (await (await page.request.get(`${house.url}/api/vehicles`)).json()) as {
    id: string;
    nickname: string;
  }[];
  const car = vehicles.find((vehicle) => vehicle.nickname === 'Marigold')!.id;
  const repairs = (await (await page.request.get(`${house.url}/api/vehicles/${car}/repairs`)).json()) as {
    id: string;
    choice: string;
  }[];
  const photos = (await (await page.request.get(`${house.url}/api/vehicles/${car}/photos`)).json()) as { id: string }[];
  const patch = repairs.find((repair) => repair.choice === 'patch')!.id;
  return {
    Garage: '/',
    Board: `/vehicles/${car}`,
    Survey: `/vehicles/${car}/panels/sill-l`,
    Outline: `/vehicles/${car}/panels/sill-l/outline`,
    'On this car': `/vehicles/${car}/panels/sill-l/facts`,
    'Walk-round': `/vehicles/${car}/walk`,
    Pictures: `/vehicles/${car}/photos`,
    Picture: `/vehicles/${car}/photos/${photos[0]!.id}`,
    Learnt: '/learnt',
    Verdict: `/vehicles/${car}/panels/floor-front-l/verdict`,
    'Verdict, again': `/vehicles/${car}/panels/quarter-l/verdict?repair=${patch}`,
    Cut: `/vehicles/${car}/repairs/${patch}/cut`,
    Joints: `/vehicles/${car}/repairs/${patch}/joints`,
    Pattern: `/vehicles/${car}/repairs/${patch}/pattern`,
    Sheets: '/stock',
    'The weeks ahead': '/weeks',
    Practice: '/practice?car=5',
    'Way in': `/vehicles/${car}/repairs/${patch}/way`,
    Fit: `/vehicles/${car}/repairs/${patch}/fit`,
    Weld: `/vehicles/${car}/repairs/${patch}/weld`,
    'Heat of the plan': `/vehicles/${car}/repairs/${patch}/weld/heat`,
    Dress: `/vehicles/${car}/repairs/${patch}/dress`,
    Bench: `/vehicles/${car}/repairs/${patch}/bench`,
    Hold: `/vehicles/${car}/hold`,
    'Hold, corners': `/vehicles/${car}/hold?figure=corners`,
    'Hold, braces': `/vehicles/${car}/hold?tab=braces`,
    'Hold, gaps': `/vehicles/${car}/hold?tab=gaps`,
    Close: `/vehicles/${car}/close`,
    Record: `/vehicles/${car}/record`,
    'Record, timeline': `/vehicles/${car}/record?tab=timeline`,
    'Record, shared': `/vehicles/${car}/record?tab=share`,
    Job: `/vehicles/${car}/job`,
    Plan: `/vehicles/${car}/plan`,
    'Whole car': `/vehicles/${car}/whole`,
    Orders: '/orders',
    'Bench book': '/book',
    'Bench book, a page': '/book/pattern',
    'Bench book, by figures': '/book/figures/plan.schedule',
    House: '/house',
    Nowhere: '/nothing',
  };
}

for (const scheme of ['light', 'dark'] as const) {
  test(`every page is accessible, ${scheme}`, async ({ browser, house }) => {
    // Some twenty pages and tabs, each looked through whole.
    test.setTimeout(600_000);
    const context = await browser.newContext({ colorScheme: scheme });
    const page = await context.newPage();
    await page.goto(`${house.url}/sign-in`);
    await expect(page.getByRole('button', { name: 'Sign in to the demo' })).toBeVisible();
    await findings(page, 'Sign in');
    await signIn(page, house);
    for (const [name, path] of Object.entries(await demoPaths(page, house))) {
      await page.goto(house.url + path);
      await expect(page.getByText(/^Fetching/)).toHaveCount(0);
      await expect(page.getByRole('heading').first()).toBeVisible();
      await findings(page, name);
    }
    await page.goto(house.url + (await demoPaths(page, house))['Survey']!);
    for (const tab of ['Pits', 'Unseen', 'Section', 'Pictures']) {
      await page.getByRole('radio', { name: tab }).check();
      await expect(page.getByText(/^(Fetching|One moment)/)).toHaveCount(0);
      await findings(page, `Survey, ${tab}`);
    }
    for (const tool of ['By gauge', 'Note a find', 'Draw a zone']) {
      await page.getByRole('button', { name: tool }).click();
      await findings(page, `Survey, ${tool}`);
    }
    const paths = await demoPaths(page, house);
    await page.goto(house.url + paths['Cut']!);
    await page.getByRole('button', { name: 'Move the line' }).click();
    await findings(page, 'Cut, the line in the hand');
    await page.goto(house.url + paths['Joints']!);
    for (const joint of [0, 1]) {
      await page.locator('.pick').nth(joint).click();
      await findings(page, `Joints, the one numbered ${joint + 1}`);
    }
    await context.close();
  });
}

async function findings(page: Page, name: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  expect(
    violations.map(
      (violation) =>
        `${name}: ${violation.id} – ${violation.nodes
          .map((node) => node.html.slice(0, 140))
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([]);
}
