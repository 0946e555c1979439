/** Runs case files through `compute` and compares. */
import { readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { computeTopic, topics } from '../compute/topics.ts';
import { isObject, type Json, type JsonObject } from '../compute/types.ts';
import { asObject, Comparison, type Miss } from './checks.ts';
import { topicChecks } from './topicChecks.ts';

export type CaseResult = {
  index: number;
  status: 'same' | 'out' | 'not computed';
  checked: number;
  misses: Miss[];
  error?: string;
};
export type FileResult = { topic: string; file: string; known: boolean; cases: CaseResult[] };

function compareCase(
  topic: string,
  one: Json | undefined,
  answer: JsonObject,
  fileTolerance: JsonObject,
  index: number,
): CaseResult {
  const given = asObject(one);
  const { error } = answer;
  if (typeof error === 'string') {
    const status = error.endsWith('is not computed') ? 'not computed' : 'out';
    return { index, status, checked: 0, misses: [], error };
  }
  const known = asObject(given['out'] ?? given['truth']);
  if (known['refuse'] !== undefined) {
    const refused = typeof answer['refuse'] === 'string';
    const miss: Miss = { key: 'refuse', expected: known['refuse'], actual: answer['refuse'] ?? null, limit: 'exact' };
    return { index, status: refused ? 'same' : 'out', checked: 1, misses: refused ? [] : [miss] };
  }
  const c = new Comparison(known, asObject(answer['out']), {
    ...fileTolerance,
    ...asObject(given['tol']),
  });
  topicChecks[topic]?.(c, asObject(given['in']));
  // A case in which nothing was compared proves nothing and must not pass.
  return {
    index,
    status: c.misses.length > 0 || c.checked === 0 ? 'out' : 'same',
    checked: c.checked,
    misses: c.misses,
  };
}

/** Compares a whole file's content. */
export function compareFile(topic: string, file: string, content: unknown): FileResult {
  if (!topics[topic]) return { topic, file, known: false, cases: [] };
  const parsed = isObject(content) ? content : {};
  const answers = computeTopic(topic, parsed, dirname(file));
  const cases = Array.isArray(parsed['cases']) ? parsed['cases'] : [];
  const tolerance = asObject(parsed['tolerance']);
  return {
    topic,
    file,
    known: true,
    cases: answers.map((answer, i) => compareCase(topic, cases[i], answer, tolerance, i)),
  };
}

function jsonFiles(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return jsonFiles(path);
    return entry.name.endsWith('.json') ? [path] : [];
  });
}

export function topicOfFile(file: string): string {
  return basename(file) === 'truth.json' ? basename(dirname(file)) : basename(file, '.json');
}

/** Every case file under a folder, or only those of one topic. */
export function runVectors(folder: string, only?: string): FileResult[] {
  return jsonFiles(folder)
    .sort()
    .filter((file) => only === undefined || topicOfFile(file) === only)
    .map((file) => compareFile(topicOfFile(file), file, JSON.parse(readFileSync(file, 'utf8'))));
}
