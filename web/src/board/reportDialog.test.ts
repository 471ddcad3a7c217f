import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { handOver, pngFile } from '../sheet/drawingFile.ts';
import { button, openPage, signIn } from '../testing/fakeServer.ts';
import ReportDialog from './ReportDialog.vue';

vi.mock('../sheet/drawingFile.ts', async (original) => ({
  ...(await original<object>()),
  pngFile: vi.fn(),
  handOver: vi.fn(),
}));

const svg = () => {
  const drawing = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  for (const side of ['width', 'height']) drawing.setAttribute(side, '100');
  return drawing;
};
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  vi.mocked(handOver).mockClear();
});
const open = async (drawing: () => SVGSVGElement | null = svg) =>
  (await openPage(ReportDialog, { vehicle: 'v', name: 'Marigold, 1964', drawing })).page;
const given = () => vi.mocked(handOver).mock.calls.map(([file, name]) => [file.type, name]);

describe('the body as a drawing', () => {
  it('is handed over as SVG and as PNG, by the name of the car', async () => {
    vi.mocked(pngFile).mockResolvedValue(new Blob([], { type: 'image/png' }));
    const page = await open();
    for (const as of ['SVG', 'PNG']) {
      await button(page, as).trigger('click');
      await flushPromises();
    }
    expect(given()).toEqual([
      ['image/svg+xml', 'Marigold, 1964.svg'],
      ['image/png', 'Marigold, 1964.png'],
    ]);
  });
  it('says why where it cannot be made', async () => {
    const page = await open(() => null);
    await button(page, 'SVG').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('The drawing is not there yet');
    vi.mocked(pngFile).mockRejectedValue(new Error('This browser cannot make a picture of it.'));
    const other = await open();
    await button(other, 'PNG').trigger('click');
    await flushPromises();
    expect(other.text()).toContain('This browser cannot make a picture of it.');
    expect(given()).toEqual([]);
  });
});
