/** Words of parts from a spreadsheet: what is wrong, where, and what to do. */
import type { PartsCsvCode } from '../formats/partsCsv.ts';
import { clipped, schemaWords } from './schemaWords.ts';

type Figures = Record<string, number | string>;

export const PARTS_CSV_CODES = [
  'emptyFile',
  'noName',
  'unknownUnit',
  'unknownKind',
  'badNumber',
  'badValue',
  'broken',
] as const satisfies readonly PartsCsvCode[];

const KEPT = 'Nothing was added; what is here is unchanged.';
const at = (f: Figures): string => `Row ${String(f['row'])} (${clipped(f['name'])}), column ${clipped(f['column'])}`;

const WORDS: Record<PartsCsvCode, (f: Figures) => string> = {
  emptyFile: () => `The file is empty. ${KEPT} It needs a header and one row a part.`,
  noName: (f) => `Row ${String(f['row'])} has no name. ${KEPT} Fill the column “name”.`,
  unknownUnit: (f) =>
    `The column “${clipped(f['column'])}” has a unit that is not known. ${KEPT} Use kg, g, lb or oz for masses; m, cm, mm, in or ft for lengths.`,
  unknownKind: (f) =>
    `Row ${String(f['row'])} has the kind “${clipped(f['kind'])}”. ${KEPT} The column “kind” takes: ${String(f['kinds'])}.`,
  badNumber: (f) => `${at(f)}: a number is wanted. ${KEPT} Correct it in the file.`,
  badValue: (f) => `${at(f)}: ${schemaWords(String(f['what']))} ${KEPT} Correct it in the file.`,
  broken: (f) => `Row ${String(f['row'])} cannot be read: ${clipped(f['what'])}. ${KEPT} Save the table again as CSV.`,
};

export function partsCsvWords(code: PartsCsvCode, figures: Figures): string {
  return WORDS[code](figures);
}

/** What a file would add. */
export function partsCsvPreview(fresh: number, here: number, foreign: readonly string[]): string {
  const adds = fresh === 0 ? 'Nothing new in this file.' : `Adds ${fresh} ${fresh === 1 ? 'part' : 'parts'}.`;
  const same = here === 0 ? '' : ` ${here} ${here === 1 ? 'is' : 'are'} here already and left alone.`;
  const kept =
    foreign.length === 0
      ? ''
      : ` Columns that parts do not have go into the notes: ${foreign.map(clipped).join(', ')}.`;
  return adds + same + kept;
}
