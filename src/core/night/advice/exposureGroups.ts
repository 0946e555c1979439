/** The subs as they are keyed into an intervalometer: groups of equal ones, with what stands between them. */
import type { NightStatic } from '../nightStatic.ts';
import type { MountSide } from '../plan/plan.ts';

export type ExposureGroup = {
  target: string;
  startMs: number;
  endMs: number;
  count: number;
  subS: number;
  /** From one sub's end to the next one's start. */
  gapS: number;
  side: MountSide;
};

/** Subs that follow each other by more than this beyond the pause are two groups: what a dither takes is no break. */
const SLACK_MS = 30_000;

/** In order of time; broken by flips, refocus breaks and targets. */
export function exposureGroups({ legs }: Pick<NightStatic, 'legs'>): ExposureGroup[] {
  return legs.flatMap(({ plan, entry, target }) => {
    const groups: ExposureGroup[] = [];
    if (!plan || !entry || !target) return groups;
    for (const { startMs, endMs, side } of plan.subs) {
      const last = groups.at(-1);
      if (last && last.side === side && startMs - last.endMs <= entry.gapS * 1000 + SLACK_MS) {
        last.count += 1;
        last.endMs = endMs;
      } else {
        groups.push({ target: target.name, startMs, endMs, count: 1, subS: entry.subS, gapS: entry.gapS, side });
      }
    }
    return groups;
  });
}

/** Two bytes a pixel, as raw frames are kept. */
const BYTES_PER_PIXEL = 2;
const BYTES_PER_GB = 1e9;

/** What so many frames take on a card, GB: 240 of 26 megapixels are 12.5. */
export const cardGb = (frames: number, camera: { widthPx: number; heightPx: number }): number =>
  (frames * camera.widthPx * camera.heightPx * BYTES_PER_PIXEL) / BYTES_PER_GB;
