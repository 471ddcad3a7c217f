import { readFileSync } from 'node:fs';
import { expect, test, type House } from './house.ts';
import type { Page } from '@playwright/test';

/* The Bench book as a person would use it: without an account, with one, by mouse and by touch. */
async function open(page: Page, house: House, key: string): Promise<void> {
  await page.goto(`${house.url}/book/${key}`);
  await expect(page.locator('.answer .figure')).toBeVisible();
}
const figure = (page: Page) => page.locator('.answer .figure');

test('a page is found by what one wants to do, answers at once, keeps its values, and its link reproduces it', async ({
  page,
  house,
  browser,
}) => {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('link', { name: 'The Bench book' }).click();
  await page.getByPlaceholder(/What do you want to do/).fill('roll');
  await page.getByRole('link', { name: /Spring-back/ }).click();
  // The trade's own figure: 1.2 mm rolled to 127 mm opens to about 203 mm.
  await expect(figure(page)).toHaveText('127 mm');
  await page.getByRole('radio', { name: 'the radius it is rolled to' }).check();
  await page.getByRole('textbox', { name: 'Radius' }).fill('5"');
  await expect(figure(page)).toHaveText('203 mm');
  await expect(page.getByText(/By Gardiner 1957/)).toBeVisible();
  await expect(page.getByRole('img', { name: /as rolled and as it stays/ })).toBeVisible();
  await expect(page).toHaveURL(/radius=5/);
  const link = page.url();
  // Kept on this device.
  await page.goto(`${house.url}/book/springback`);
  await expect(page.getByRole('textbox', { name: 'Radius' })).toHaveValue('5"');
  await expect(figure(page)).toHaveText('203 mm');
  // Reproduced on another one.
  const other = await (await browser.newContext()).newPage();
  await other.goto(link);
  await expect(figure(other)).toHaveText('203 mm');
  await other.context().close();
});

test('wrong values are refused at their field in words, and nothing typed is lost', async ({ page, house }) => {
  await open(page, house, 'bend');
  await expect(figure(page)).toHaveText('62.77 mm flat');
  await page.getByLabel(/Bend, out of flat/).fill('ninety');
  await expect(page.getByText('must be a number in °')).toBeVisible();
  await page.getByLabel(/Bend, out of flat/).fill('200');
  await expect(page.getByText(/[Aa]ngle is 200 °; it must be at most 179/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Sheet' }).fill('-1');
  await expect(page.getByRole('textbox', { name: 'Sheet' })).toHaveValue('-1');
  await page.getByRole('textbox', { name: 'Sheet' }).fill('18 ga');
  await page.getByLabel(/Bend, out of flat/).fill('90');
  await expect(figure(page)).toHaveText('62.44 mm flat');
});

test('shop work on eight pages', async ({ page, house }) => {
  await open(page, house, 'length');
  await page.getByLabel('As written').fill('2\' 3 1/2"');
  await expect(figure(page)).toHaveText('698.5 millimetres');

  await open(page, house, 'flange');
  await page.getByRole('radio', { name: 'must stretch (rim of a hole)' }).check();
  await expect(page.getByText(/Slit only/)).toBeVisible();

  await open(page, house, 'cone');
  await page.getByLabel('Radius at the other').fill('0');
  await page.getByLabel('Height along the axis').fill('160');
  // 3-4-5: slant 200, opens to 216 degrees.
  await expect(figure(page)).toHaveText('0 mm → 200 mm');
  await expect(page.getByText('over 216°')).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Outline 1:1 as SVG' }).click();
  expect((await saved).suggestedFilename()).toBe('cone-1to1.svg');
  await page.getByLabel('File of the outline').selectOption('PDF on A4 sheets');
  const paper = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Outline 1:1 as PDF on A4 sheets' }).click();
  expect(
    readFileSync((await (await paper).path())!)
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');

  await open(page, house, 'tapes');
  await expect(figure(page)).toHaveText('B–D is off');
  await page
    .getByLabel('Tapes', { exact: true })
    .fill(
      'A B 1000.4\nB C 800.2\nC D 999.7\nD A 799.8\nA C 1280.9\nB D 1281.0\nA E 640.2\nB E 640.5\nC E 640.4\nD E 640.1',
    );
  await expect(page.getByText('All tapes fit together')).toBeVisible();
  await page.getByLabel('Tapes', { exact: true }).fill('A B 1000.4\nB C');
  await expect(page.getByText(/“B C” needs a name and lengths/)).toBeVisible();

  await open(page, house, 'opening');
  await page.getByLabel('Opening, wide').fill('300');
  await page.getByLabel('Opening, high').fill('300');
  await expect(figure(page)).toHaveText('it does not pass');

  await open(page, house, 'plugs');
  await page.getByRole('textbox', { name: 'Sheet' }).fill('2 mm');
  await expect(figure(page)).toHaveText('10 holes of 8 mm');

  await open(page, house, 'settings');
  await page.getByRole('radio', { name: 'TIG' }).check();
  await expect(page.getByText('argon, 7 l/min')).toBeVisible();
  await expect(page.getByText(/Fuel tank and lines out/)).toBeVisible();

  await open(page, house, 'landed');
  await expect(figure(page)).toHaveText('€270.00');
  await page.getByLabel('Tax, %').fill('0');
  await expect(figure(page)).toHaveText('€225.00');
});

test('an answer is used in a car: it stands in its notes and leads back', async ({ page, house }) => {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  await open(page, house, 'crown');
  await page.getByLabel(/Height of the crown/).fill('15');
  await expect(figure(page)).toHaveText(/R 3007/);
  await page.getByRole('button', { name: 'Use in a car' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Into its notes' }).first().click();
  await dialog.getByRole('combobox').selectOption({ label: 'Sill, left' });
  await dialog.getByRole('button', { name: 'Note it' }).click();
  await page.getByRole('link', { name: /To its Board/ }).click();
  await expect(page.getByText(/Sill, left: Crown: R 3007/)).toBeVisible();
  await page.getByRole('link', { name: 'how' }).click();
  await expect(page.getByLabel(/Height of the crown/)).toHaveValue('15 mm');
});

test('an answer goes on in the station that it belongs to', async ({ page, house }) => {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  const dialog = page.getByRole('dialog');
  const use = async (way: string) => {
    await page.getByRole('button', { name: 'Use in a car' }).click();
    await dialog.getByRole('button', { name: way }).first().click();
  };
  // Four corners into a measurement of the car.
  await open(page, house, 'corners');
  await page.getByLabel('Diagonal A–C').fill('1492');
  await expect(page.getByText(/stands .* over to the B–C side/)).toBeVisible();
  await use('Into Hold');
  await dialog.getByRole('link', { name: /Go on in Hold/ }).click();
  await page.getByLabel('Which opening').fill('Floor behind the seats');
  await expect(page.getByLabel('A–C, mm')).toHaveValue('1492 mm');
  await page.getByRole('button', { name: 'Is it square?' }).click();
  await expect(page.getByText(/stands .* over to the B–C side/)).toBeVisible();
  await expect(page.getByLabel('Opening', { exact: true })).toHaveValue('Floor behind the seats');
  // The settings of a welder into a repair.
  await open(page, house, 'settings');
  await page.getByRole('radio', { name: 'TIG' }).check();
  await page.getByLabel('The other sheet').fill('1.5');
  await use('Into Weld');
  await dialog.getByRole('listitem').getByRole('link').last().click();
  await expect(page.getByRole('heading', { name: 'Weld', exact: true })).toBeVisible();
  const anew = page.getByRole('button', { name: /Lay it out anew|Lay the rest out anew/ });
  if (await anew.isVisible()) await anew.click();
  await expect(page.getByRole('radio', { name: 'TIG' })).toBeChecked();
  // Gaps along a joint into a trial fit.
  await open(page, house, 'wedge');
  await page.getByLabel('Gaps along the joint').fill('4\n2.5');
  await use('Into Fit');
  await dialog.getByRole('listitem').getByRole('link').first().click();
  await expect(page.getByText('The gaps come from the Bench book')).toBeVisible();
  await expect(page.getByLabel('Gap', { exact: true }).first()).toHaveValue('4 mm');
});

test('an answer becomes a step of the job', async ({ page, house }) => {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  await open(page, house, 'bend');
  await page.getByRole('button', { name: 'Use in a car' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Step of its job' }).first().click();
  await expect(dialog.getByLabel(/What is to be done on/)).toHaveValue(/^Bend: .* flat/);
  await dialog.getByLabel('Hours').fill('a while');
  await dialog.getByRole('button', { name: 'Make it a step' }).click();
  await expect(dialog.getByText('Hours must be a number; enter digits only.')).toBeVisible();
  await dialog.getByLabel('Hours').fill('0.5');
  await dialog.getByLabel(/What is to be done on/).fill('Bend the strip for the arch');
  await dialog.getByRole('button', { name: 'Make it a step' }).click();
  await dialog.getByRole('link', { name: /To its job/ }).click();
  await expect(page.getByText('Bend the strip for the arch').first()).toBeVisible();
});

test('a landed price is handed to the verdict of a panel', async ({ page, house }) => {
  await page.goto(`${house.url}/sign-in`);
  await page.getByRole('button', { name: 'Sign in to the demo' }).click();
  await expect(page.getByRole('heading', { name: 'Which car, and what next?' })).toBeVisible();
  await open(page, house, 'landed');
  await page.getByLabel('Prices before tax').fill('77.50');
  await page.getByLabel('Carriage').fill('9');
  await expect(figure(page)).toHaveText('€103.80');
  await page.getByRole('button', { name: 'Use in a car' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Price of a panel' }).first().click();
  await dialog.getByRole('combobox').selectOption({ label: 'Sill, left' });
  await dialog.getByLabel('Delivery, days').fill('soon');
  await dialog.getByRole('button', { name: 'Give it this price' }).click();
  await expect(dialog.getByText('Maker is missing; fill it in.')).toBeVisible();
  await expect(dialog.getByText('Delivery must be a number; enter digits only.')).toBeVisible();
  await dialog.getByLabel('Maker').fill('Quillfeather Panels');
  await dialog.getByLabel('Delivery, days').fill('6');
  await dialog.getByRole('button', { name: 'Give it this price' }).click();
  await dialog.getByRole('link', { name: /To its verdict/ }).click();
  await expect(page.getByRole('heading', { name: 'Verdict' })).toBeVisible();
});

test('by touch on a phone: pieces are laid on a sheet, a door is shimmed, filler is judged', async ({
  browser,
  house,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await page.goto(`${house.url}/book`);
  await page.getByPlaceholder(/What do you want to do/).fill('waste');
  await page.getByRole('link', { name: /Pieces on one sheet/ }).tap();
  await expect(figure(page)).toBeVisible();
  await page.getByRole('textbox', { name: 'Pieces', exact: true }).fill('480 × 160 × 2');
  await expect(page.getByText('2 pieces', { exact: true })).toBeVisible();
  await page.getByRole('radio', { name: 'keep the rolling direction' }).tap();
  await expect(figure(page)).toHaveText('166 mm');
  await page.goto(`${house.url}/book/shims`);
  await expect(figure(page)).toHaveText(/mm/);
  await page.goto(`${house.url}/book/filler`);
  await page.getByRole('radio', { name: /was over its range/ }).tap();
  await expect(figure(page)).toHaveText(/more than/);
  await context.close();
});

test('a long calculation shows how far it is, leaves the page free, and can be stopped', async ({ page, house }) => {
  await page.goto(`${house.url}/book/figures/weld.field`);
  const given = page.getByLabel('Input, JSON');
  await expect(page.getByLabel('start, row 1', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'As JSON' }).click();
  await expect(given).toHaveValue(/stitches/);
  const stitches = Array.from({ length: 100 }, (_, i) => ({
    start: [100, 150],
    end: [113, 150],
    at: i * 9,
    duration: 2,
    energy: 900,
  }));
  const long = { width: 900, height: 600, cell: 1.5, thickness: 0.9, stitches, probes: [[106, 160]], times: [900] };
  await given.fill(JSON.stringify(long));
  await page.getByRole('button', { name: 'Compute', exact: true }).click();
  const bar = page.getByRole('progressbar', { name: 'Computing' });
  await expect(bar).toBeVisible();
  await expect(bar).toHaveAttribute('aria-valuenow', /[1-9]/);
  // The page is free while the worker computes: a click is answered, and the bar still stands.
  await page.getByRole('button', { name: 'The worked example' }).click();
  await expect(page.getByLabel(/^Side of a cell/)).toHaveValue('2');
  await expect(bar).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  // A new worker takes the next question.
  await page.getByRole('button', { name: 'Compute again' }).click();
  await expect(page.getByText(/Answer, in \d+ ms/)).toBeVisible();
  await expect(page.getByLabel('Answer').getByText('mean of the sheet at each time')).toBeVisible();
  await page.getByRole('button', { name: 'As JSON' }).click();
  await given.fill('{"width": 1}');
  await page.getByRole('button', { name: 'Compute', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText(/Height is required/);
});

test('a plan is typed as a table, pasted out of a spreadsheet, and told as one', async ({ page, house }) => {
  await page.goto(`${house.url}/book/figures/plan.schedule`);
  await expect(page.getByLabel('Name, row 4')).toHaveValue('weld');
  // What comes out of a spreadsheet: tabs between cells, one row on a line, with the headings of the table.
  await page.getByLabel('Name, row 1').evaluate((cell) => {
    const pasted = new DataTransfer();
    pasted.setData('text/plain', 'name\twork\tunits of each resource\ncut\t3\thand 1\nweld\tlong\thand 2');
    cell.dispatchEvent(new ClipboardEvent('paste', { clipboardData: pasted, bubbles: true, cancelable: true }));
  });
  await expect(page.getByText('2 rows taken.')).toBeVisible();
  await page.getByRole('button', { name: 'Compute', exact: true }).click();
  await expect(page.getByRole('alert')).toHaveText(/“long” is no number/);
  await page.getByLabel('Work, row 2').fill('5');
  await page.getByLabel(/waits for, row 2/).fill('cut, FS, 24');
  await page.getByRole('button', { name: 'Compute', exact: true }).click();
  // Three hours, a day in between, five hours.
  await expect(page.getByLabel('Answer').getByText('32 h', { exact: true }).first()).toBeVisible();
});
