/** What a record says, apart from who wrote it when: two revisions with the same content count as the same. */
import { fingerprint } from '../core/fingerprint.ts';
import { canonicalJson } from '../formats/canonicalJson.ts';

const BOOKKEEPING = new Set(['rev', 'deviceId', 'createdAtUtc', 'updatedAtUtc', 'origin']);

/** The content's fields, without the bookkeeping of the head. */
export function contentFields(record: object): Record<string, unknown> {
  return Object.fromEntries(Object.entries(record).filter(([key]) => !BOOKKEEPING.has(key)));
}

export function contentOf(record: object): string {
  return canonicalJson(contentFields(record));
}

export function contentFingerprint(record: object): string {
  return fingerprint(contentOf(record));
}
