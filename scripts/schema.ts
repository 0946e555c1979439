/** npm run schema: writes the JSON Schema of the backup file, formatted like everything else. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { format, resolveConfig } from 'prettier';
import { backupJsonSchema } from '../src/formats/backupJsonSchema.ts';

const path = join(import.meta.dirname, '..', 'docs', 'backup.schema.json');
const config = (await resolveConfig(path)) ?? {};
writeFileSync(path, await format(JSON.stringify(backupJsonSchema()), { ...config, filepath: path }));
