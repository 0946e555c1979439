/** What was taken back. */
import { READING_NAMES } from './readingNames.ts';

export type ChangeWord = 'created' | 'edited' | 'deleted' | 'recorded' | 'retracted' | 'setting' | 'whole';

/** A kind of reading within a sentence. */
function lowered(name: string): string {
  const known = Object.entries(READING_NAMES).find(([kind]) => kind === name);
  return known ? known[1].toLowerCase() : name;
}

const SENTENCES: Record<ChangeWord, (name: string) => string> = {
  created: (name) => `Undone: ${name} is gone again.`,
  edited: (name) => `Undone: ${name} is as before.`,
  deleted: (name) => `Undone: ${name} is back.`,
  recorded: (name) => `Undone: the ${name} is taken back. It stays in the history as retracted.`,
  retracted: (name) => `Undone: the ${name} stands again.`,
  whole: (name) => `Undone: ${name}. Everything is as before it.`,
  setting: (name) => `Undone: ${name} is set as before.`,
};

export function changeWords(label: ChangeWord, name: string): string {
  return SENTENCES[label](label === 'recorded' || label === 'retracted' ? lowered(name) : name);
}
