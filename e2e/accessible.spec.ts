import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, signIn, test, type House } from './house.ts';

/* No serious finding of axe on any page, by day and by night. */
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
  const patch = repairs.find((repair) => repair.choice === 'patch')!.id;
  return {
    Garage: '/',
    Board: `/vehicles/${car}`,
    Survey: `/vehicles/${car}/panels/sill-l`,
    Verdict: `/vehicles/${car}/panels/floor-front-l/verdict`,
    Cut: `/vehicles/${car}/repairs/${patch}/cut`,
    Weld: `/vehicles/${car}/repairs/${patch}/weld`,
    Bench: `/vehicles/${car}/repairs/${patch}/bench`,
    Orders: '/orders',
    House: '/house',
    Nowhere: '/nothing',
  };
}

for (const scheme of ['light', 'dark'] as const) {
  test(`every page is accessible, ${scheme}`, async ({ browser, house }) => {
    const context = await browser.newContext({ colorScheme: scheme });
    const page = await context.newPage();
    await page.goto(`${house.url}/sign-in`);
    await expect(page.getByRole('button', { name: 'Sign in to the demo' })).toBeVisible();
    await findings(page, 'Sign in');
    await signIn(page, house);
    for (const [name, path] of Object.entries(await demoPaths(page, house))) {
      await page.goto(house.url + path);
      await page.waitForLoadState('networkidle');
      await findings(page, name);
    }
    await context.close();
  });
}

async function findings(page: Page, name: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const serious = violations.filter((violation) => violation.impact === 'serious' || violation.impact === 'critical');
  expect(
    serious.map(
      (violation) =>
        `${name}: ${violation.id} – ${violation.nodes
          .map((node) => node.html.slice(0, 140))
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([]);
}
