/** Words of where logs come from by themselves: a watched folder, the stand-in mount. */
import type { FolderNow } from '../frames/folder.ts';
import type { Difficulty, MountTruth, StandInMount } from '../standins/mountStream.ts';
import type { Format } from './format.ts';

export const FOLDER = {
  title: 'A folder that is watched',
  pick: 'Watch a folder',
  other: 'Watch another folder',
  askAgain: 'Look into it again',
  follow: 'Follow',
  leave: 'Leave',
  empty: 'Nothing lies in it yet. A file is listed as soon as its size rests.',
} as const;

export function folderWords(now: FolderNow): string {
  switch (now.at) {
    case 'there':
      return `The folder ${now.name} is watched. Follow a log: it is read again as it grows.`;
    case 'gone':
      return `The folder ${now.name} is gone. What was read stays; it goes on when the folder is back.`;
    case 'shut':
      return `The folder ${now.name} may not be looked into. What was read stays; it goes on when this machine lets the server read it.`;
    case 'silent':
      return `The local server that watches ${now.name} does not answer. What was read stays; it goes on when the server is back.`;
    case 'askAgain':
      return `This browser wants to be asked before it looks into ${now.name} again.`;
  }
}

export const followWords = (name: string): string => `${name} is followed: it is read again as it grows.`;
export const lostWords = (name: string): string =>
  `${name} is not in the folder any more. What was read stays; follow another file, or put it back.`;
export const unreadWords = (name: string): string =>
  `${name} could not be fetched. What was read stays; it is tried again when the file changes. Follow it once more to try now.`;
export const sizeWords = (sizeBytes: number, f: Format): string => `${f.number(sizeBytes / 1000, 1)} kB`;

export const DIFFICULTY_NAMES: Record<Difficulty, string> = {
  easy: 'easy: nothing guides',
  usual: 'usual: guided, dithered, now and then a star is lost',
  hard: 'hard: a guider that corrects too much, gears with play, many stars lost',
};

export const STAND_IN = {
  title: 'No log at hand: the stand-in mount',
  about: 'It does not exist, and hides what its drive does. Watch it log, say what it does, then look at the truth.',
  seed: 'Number of the mount',
  seedHint: 'The same number is the same mount.',
  difficulty: 'How hard',
  start: 'Watch it log',
  stop: 'Stop',
  show: 'Show the truth',
  hide: 'Hide the truth',
} as const;

export const standInWords = ({ seed }: StandInMount, running: boolean): string =>
  running
    ? `Mount ${seed} logs; what it tells is drawn as it comes.`
    : `Mount ${seed} has logged. The last of it is shown.`;

/** What the stand-in hid. */
export function truthFigures(truth: MountTruth, f: Format): { name: string; value: string }[] {
  return [
    { name: 'Period', value: f.quantity(truth.periodS, 'seconds', 2) },
    ...truth.harmonics.map(({ k, amplitudeArcsec }) => ({
      name: k === 1 ? 'Once a turn' : `${k} times a turn`,
      value: f.quantity(amplitudeArcsec, 'arcsec', 1),
    })),
    { name: 'Drift in right ascension', value: f.quantity(truth.raPerMin, 'driftRate') },
    { name: 'Drift in declination', value: f.quantity(truth.decPerMin, 'driftRate') },
    { name: 'Air, each time', value: f.quantity(truth.seeingArcsec, 'arcsec') },
    {
      name: 'Guiding',
      value:
        truth.aggressiveness === null
          ? 'none'
          : `takes back ${f.quantity(truth.aggressiveness, 'percent')} of each error`,
    },
    { name: 'Backlash in declination', value: f.quantity(truth.backlashArcsec, 'arcsec', 1) },
  ];
}
