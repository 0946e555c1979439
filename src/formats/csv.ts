/** Records as comma-separated text: one row each, nested values in columns with dotted names, lists as JSON. */
import Papa from 'papaparse';

type Row = Record<string, string | number | boolean | null>;

function flatten(value: unknown, path: string, row: Row): void {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) {
    for (const [key, inner] of Object.entries(value)) flatten(inner, path === '' ? key : `${path}.${key}`, row);
  } else if (Array.isArray(value)) row[path] = JSON.stringify(value);
  else if (typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean') row[path] = value;
  else row[path] = null;
}

/** RFC 4180 text with a header. Columns in the order in which they first appear; a record without one leaves it empty.
 *  Text that a spreadsheet would run as a formula gets a leading apostrophe. */
export function toCsv(records: readonly object[]): string {
  const rows = records.map((record) => {
    const row: Row = {};
    flatten(record, '', row);
    return row;
  });
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row)))];
  return `${Papa.unparse({ fields: columns, data: rows.map((row) => columns.map((c) => row[c] ?? '')) }, { escapeFormulae: true })}\r\n`;
}
