/** A chart as a file of its own: colours and fonts written out, in the day light whatever light is on. */
import { saveFile } from '../saveFile.ts';

/** Runs with a look-up of the day light's tokens. */
function withDayTokens<T>(work: (tokenOf: (name: string) => string) => T): T {
  const probe = document.createElement('div');
  probe.dataset['light'] = 'day';
  document.body.append(probe);
  const style = getComputedStyle(probe);
  const result = work((name) => style.getPropertyValue(name).trim());
  probe.remove();
  return result;
}

/** A sheet under the drawing: a style of its own would be refused by the page's policy, and not every program reads it. */
function ground({ viewBox, namespaceURI, ownerDocument }: SVGSVGElement, colour: string): Element {
  const { x, y, width, height } = viewBox.baseVal;
  const sheet = ownerDocument.createElementNS(namespaceURI, 'rect');
  for (const [name, value] of Object.entries({ x, y, width, height, fill: colour }))
    sheet.setAttribute(name, String(value));
  return sheet;
}

/** The drawing's own text, readable by other programs. */
export function standaloneSvg(svg: SVGSVGElement, tokenOf: (name: string) => string): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const { width, height } = svg.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  copy.setAttribute('font-family', 'sans-serif');
  copy.prepend(ground(copy, tokenOf('--sheet')));
  copy.querySelectorAll('.mono-axis').forEach((text) => text.setAttribute('font-size', '12'));
  return new XMLSerializer()
    .serializeToString(copy)
    .replaceAll(/var\((--[a-z-]+)\)/g, (_whole, name: string) => tokenOf(name));
}

async function toPng(svgText: string, width: number, height: number): Promise<Blob | null> {
  const image = new Image();
  const address = URL.createObjectURL(new Blob([svgText], { type: 'image/svg+xml' }));
  image.src = address;
  await image.decode().finally(() => URL.revokeObjectURL(address));
  const scale = 2;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width * scale, height * scale];
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}

/** False when the browser could not make the picture. */
export async function saveChart(svg: SVGSVGElement, fileName: string, kind: 'svg' | 'png'): Promise<boolean> {
  const text = withDayTokens((tokenOf) => standaloneSvg(svg, tokenOf));
  if (kind === 'svg') {
    saveFile(`${fileName}.svg`, new Blob([text], { type: 'image/svg+xml' }));
    return true;
  }
  const { width, height } = svg.viewBox.baseVal;
  const png = await toPng(text, width, height).catch(() => null);
  if (png) saveFile(`${fileName}.png`, png);
  return png !== null;
}
