/** npm run schema: writes the JSON Schema of the backup file, generated from the schemas in code. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { backupJsonSchema } from '../src/formats/backupJsonSchema.ts';

const file = join(import.meta.dirname, '..', 'docs', 'backup.schema.json');
writeFileSync(file, `${JSON.stringify(backupJsonSchema(), null, 2)}\n`);
console.log('docs/backup.schema.json');
