/** Writes that may take records away on purpose: how much the device holds is remembered anew after them, so that they are
 *  not taken for a loss. */
import { useCallback } from 'react';
import { rememberHeld } from '../storage/held.ts';
import { heldNow } from '../storage/heldNow.ts';
import type { Writer } from '../storage/writer.ts';
import { useSession } from './session.ts';
import { useWrite, type Write } from './useWrite.ts';

export async function rememberNow({ db }: Writer): Promise<void> {
  rememberHeld(await heldNow(db), localStorage);
}

export function useWholeWrite(): Write {
  const { writer } = useSession();
  const write = useWrite();
  return useCallback(
    async (what, work, said) => {
      const written = await write(what, work, said);
      if (written.ok) await rememberNow(writer);
      return written;
    },
    [write, writer],
  );
}
