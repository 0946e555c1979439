/** Reads a backup file away from the page. */
import '../core/records/zodSetup.ts';
import { expose } from 'comlink';
import { readBackup } from '../formats/readBackup.ts';
import type { Task } from './client.ts';

export type ReadBackup = Task<Blob, ReturnType<typeof readBackup>>;

/** Automatic copies are compressed; their first two bytes say so (RFC 1952). */
async function textOf(file: Blob): Promise<string> {
  const [first, second] = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  if (first !== 0x1f || second !== 0x8b) return file.text();
  return new Response(file.stream().pipeThrough(new DecompressionStream('gzip'))).text();
}

const run: ReadBackup['run'] = async (file, onProgress) => {
  onProgress({ doing: 'reading', share: 0 });
  const text = await textOf(file);
  onProgress({ doing: 'checking', share: 0 });
  return readBackup(text, (share) => onProgress({ doing: 'checking', share }));
};
expose({ run });
