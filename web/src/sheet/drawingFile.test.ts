import { describe, expect, it } from 'vitest';
import { svgFile } from './drawingFile.ts';

function drawing(): SVGSVGElement {
  document.body.innerHTML =
    '<style>.panel { fill: rgb(10, 20, 30); stroke-width: 3px } .gone { display: none }</style>' +
    '<svg width="300" height="200"><g transform="translate(5 6)"><path class="panel" d="M0 0h9v9z"></path>' +
    '<text class="gone">hidden</text><text>Sill &amp; door</text></g></svg>';
  return document.querySelector('svg')!;
}

describe('a drawing as a file', () => {
  const text = () => svgFile(drawing(), { title: 'Marigold, 1964', below: 'as of 3 May <2026>' });
  it('can be read by itself: its look is written on it, its title above it', () => {
    const file = new DOMParser().parseFromString(text(), 'image/svg+xml');
    expect(file.querySelector('parsererror')).toBeNull();
    expect(file.documentElement.getAttribute('viewBox')).toBe('0 0 300 244');
    const words = [...file.querySelectorAll('text')].map((one) => one.textContent);
    expect(words).toEqual(['Marigold, 1964', 'as of 3 May <2026>', 'hidden', 'Sill & door']);
    const path = file.querySelector('path')!;
    expect(path.getAttribute('style')).toContain('fill:rgb(10, 20, 30)');
    expect(path.getAttribute('class')).toBeNull();
    expect(file.querySelectorAll('text')[2]!.getAttribute('style')).toContain('display:none');
    expect(path.parentElement!.getAttribute('transform')).toBe('translate(5 6)');
  });
  it('leaves the drawing on the page as it is', () => {
    const before = drawing().outerHTML;
    text();
    expect(drawing().outerHTML).toBe(before);
  });
});
