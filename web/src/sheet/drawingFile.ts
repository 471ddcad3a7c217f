/* A drawing of a page as a file of its own: with its colours, since no style sheet goes along. */

/** What gives a drawing its look; all else is shape. */
const LOOK = [
  ...['fill', 'fill-opacity', 'fill-rule', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-dasharray'],
  ...['stroke-linecap', 'stroke-linejoin', 'vector-effect', 'opacity', 'display', 'visibility', 'paint-order'],
  ...['font-family', 'font-size', 'font-weight', 'font-style', 'text-anchor', 'dominant-baseline'],
] as const;
const NS = 'http://www.w3.org/2000/svg';
/** px above the drawing, for its title. */
const HEAD = 44;

export interface Titled {
  title: string;
  /** Smaller, below it: of which day it is. */
  below: string;
}

/** The drawing with its look and a title, as the text of an SVG file. */
export function svgFile(drawing: SVGSVGElement, { title, below }: Titled): string {
  const [width, height] = [Number(drawing.getAttribute('width')), Number(drawing.getAttribute('height'))];
  const file = document.createElementNS(NS, 'svg');
  const total = height + HEAD;
  for (const [name, value] of Object.entries({ width, height: total, viewBox: `0 0 ${width} ${total}` }))
    file.setAttribute(name, String(value));
  const page = getComputedStyle(document.body);
  add(file, 'rect', { width, height: total, fill: page.getPropertyValue('--sheet').trim() || '#ffffff' });
  const ink = page.getPropertyValue('--ink').trim() || '#000000';
  const text = { x: 14, fill: ink, 'font-family': 'sans-serif' };
  add(file, 'text', { ...text, y: 20, 'font-size': 16, 'font-weight': 600 }, title);
  add(file, 'text', { ...text, y: 37, 'font-size': 12 }, below);
  const body = add(file, 'g', { transform: `translate(0 ${HEAD})` });
  for (const child of drawing.children) body.append(looked(child));
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(file)}`;
}

function add(to: Element, name: string, attributes: Record<string, string | number>, text = ''): Element {
  const made = document.createElementNS(NS, name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, String(value));
  if (text) made.textContent = text;
  to.append(made);
  return made;
}

/** A copy of an element with all that it holds, its look written on it. */
function looked(element: Element): Element {
  const copy = element.cloneNode(false) as Element;
  const style = getComputedStyle(element);
  const look = LOOK.flatMap((name) => {
    const value = style.getPropertyValue(name);
    return value ? [`${name}:${value}`] : [];
  });
  copy.removeAttribute('class');
  copy.setAttribute('style', look.join(';'));
  for (const child of element.childNodes) copy.append(child instanceof Element ? looked(child) : child.cloneNode());
  return copy;
}

/** The same as pixels, twice as many as on the screen. @throws Error where the browser cannot draw it */
export async function pngFile(svg: string, pixels = 2): Promise<Blob> {
  const picture = new Image();
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    picture.src = address;
    await picture.decode();
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: picture.width * pixels, height: picture.height * pixels });
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise<Blob>((done, fail) =>
      canvas.toBlob((blob) => (blob ? done(blob) : fail(new Error('This browser cannot make a picture of it.')))),
    );
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** Gives a file to the person. */
export function handOver(file: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  // The browser has taken it by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
