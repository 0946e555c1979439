/** A laptop with the demo for each test of a group, and a phone for those that ask for one. */
import type { OwlDatabase } from '../../src/storage/database.ts';
import type { Writer } from '../../src/storage/writer.ts';
import { demoDatabase, writerFor } from './database.ts';

export type Devices = {
  /** To be called in each group: hooks of a file itself would run for the tests of all files. */
  prepared: () => void;
  /** Another device, with a demo of its own. */
  phoneOf: () => Promise<Writer>;
};

/** @param use gets what was made before each test. */
export function devices(use: (db: OwlDatabase, laptop: Writer) => void): Devices {
  let made: OwlDatabase | null = null;
  let phone: Writer | null = null;
  const prepared = (): void => {
    beforeEach(async () => {
      made = await demoDatabase();
      use(made, writerFor(made, 'laptop', 'tab-a'));
    });
    afterEach(async () => {
      await phone?.db.delete();
      phone = null;
      await made?.delete();
    });
  };
  const phoneOf = async (): Promise<Writer> => {
    phone ??= writerFor(await demoDatabase(), 'phone');
    return phone;
  };
  return { prepared, phoneOf };
}
