import { expect, test } from '@playwright/test';
import { writeFileSync } from 'node:fs';
import { historyFile } from '../../scripts/trials/history.ts';
import { walkHistory } from '../../scripts/trials/historyWalk.ts';

test('three hundred nights: brought in, put away, listed, found, opened, and learned from as from whole ones', async ({
  page,
  baseURL,
}, info) => {
  const file = info.outputPath('history.json');
  writeFileSync(file, historyFile(300));
  expect(await walkHistory({ page, base: baseURL ?? '', nights: 300, file })).toEqual([]);
});
