/** Runs before every unit test: an IndexedDB in memory, and a fixed zone. */
import 'fake-indexeddb/auto';

process.env['TZ'] = 'UTC';
Object.assign(globalThis, { self: globalThis });
