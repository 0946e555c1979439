/** Every topic that `compute` answers, by the name of its case file. */
import { join } from 'node:path';
import { clearance } from './clearance.ts';
import { backfocus } from './backfocus.ts';
import { balance } from './balance.ts';
import { knobs } from './knobs.ts';
import { level } from './level.ts';
import { logs } from './logs.ts';
import { budget, dial } from './mechanics.ts';
import { optics } from './optics.ts';
import { power, tripod } from './payload.ts';
import { altaz, fieldRotation, magnetic, moonlightTopic, nights, polarError, poleStars, transits } from './sky.ts';
import { isObject, type Adapter, type Answer, type Json, type JsonObject } from './types.ts';

export const topics: Record<string, Adapter> = {
  'pole-stars': poleStars,
  altaz,
  transits,
  nights,
  magnetic,
  'field-rotation': fieldRotation,
  'polar-error': polarError,
  dial,
  balance,
  level,
  knobs,
  tripod,
  clearance,
  power,
  budget,
  optics,
  moonlight: moonlightTopic,
  backfocus,
  logs,
};

function answer(adapter: Adapter, one: Json | undefined, folder: string): JsonObject {
  if (!isObject(one) || !isObject(one['in'])) return { error: 'a case needs an object "in"' };
  const echoed: JsonObject = {};
  for (const key of ['id', 'kind']) if (one[key] !== undefined) echoed[key] = one[key];
  let found: Answer;
  try {
    const files = Array.isArray(one['files']) ? one['files'] : [];
    found = adapter(
      one['in'],
      files.filter((f) => typeof f === 'string').map((f) => join(folder, f)),
    );
  } catch (error) {
    found = { error: error instanceof Error ? error.message : String(error) };
  }
  return { ...echoed, ...found };
}

/** Answers every case of a file, whose cases name their own files relative to its folder; one bad case never stops the others. @throws Error for an unknown topic or a file
 *  without cases. */
export function computeTopic(topic: string, file: unknown, folder = '.'): JsonObject[] {
  const adapter = topics[topic];
  if (!adapter) throw new Error(`unknown topic ${topic}; topics: ${Object.keys(topics).join(', ')}`);
  if (!isObject(file) || !Array.isArray(file['cases'])) throw new Error('the input needs a list "cases"');
  return file['cases'].map((one) => answer(adapter, one, folder));
}
