/** Threads of the light path by one spelling each: diameter and pitch in mm, or a name where no metric thread is cut.
 *  Diameters and pitches as common on filters, correctors and cameras. */

/** From narrow to wide; of two pitches on one diameter the more usual one at a telescope stands first. */
export const THREADS = [
  'M28.5x0.6',
  'M42x0.75',
  'M42x1',
  'M48x0.75',
  'M54x0.75',
  'M56x1',
  'M63x1',
  'M68x1',
  'M72x1',
  'C 1 in x32',
  'Barrel 1.25 in',
  'Barrel 2 in',
  'Lens bayonet',
] as const;

/** Other ways to say one of the list. */
const ALSO: Readonly<Record<string, (typeof THREADS)[number]>> = {
  t2: 'M42x0.75',
  'c-mount': 'C 1 in x32',
  '1-32 un': 'C 1 in x32',
  '1.25"': 'Barrel 1.25 in',
  '2"': 'Barrel 2 in',
  bayonet: 'Lens bayonet',
};

const METRIC = /^m ?(\d+(?:[.,]\d+)?)(?: ?(?:x|×|\*) ?(\d+(?:[.,]\d+)?))?(?: ?mm)?$/;
const bare = (figure: string): string => String(Number(figure.replace(',', '.')));

function metric([, diameter = '', pitch]: RegExpMatchArray): string {
  const wide = `M${bare(diameter)}`;
  if (pitch !== undefined) return `${wide}x${bare(pitch)}`;
  return THREADS.find((t) => t.startsWith(`${wide}x`)) ?? wide;
}

/** The one spelling of a thread however it was typed: `m 48`, `M48 × 0,75` and `M48x0.750` are `M48x0.75`. A diameter alone is
 *  the usual pitch on it. What is in no list stays as it was typed, without spaces around it. */
export function threadOf(typed: string): string {
  const text = typed.trim().replaceAll(/\s+/g, ' ');
  const lower = text.toLowerCase();
  const found = METRIC.exec(lower);
  if (found) return metric(found);
  return ALSO[lower] ?? THREADS.find((t) => t.toLowerCase() === lower) ?? text;
}

/** Do they screw into one another, whatever the spelling? */
export const isSameThread = (one: string, other: string): boolean =>
  threadOf(one).toLowerCase() === threadOf(other).toLowerCase();
