/** npm run schema: writes the JSON Schema of the backup file, formatted like everything else. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'oxfmt';
import { backupJsonSchema } from '../src/formats/backupJsonSchema.ts';

const path = join(import.meta.dirname, '..', 'docs', 'backup.schema.json');
const { code } = await format(path, JSON.stringify(backupJsonSchema()), { printWidth: 120 });
writeFileSync(path, code);
