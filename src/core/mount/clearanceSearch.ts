/** On the way from one hour angle to another, where the room of a tube is used up. */

/** `roomM`: as it is judged, used up at 0. `safeM`: so far it may move before anything can use up the room; below 0 where
 *  nothing says so. */
export type RoomAt = (haH: number) => { roomM: number; safeM: number };
export type Way = { fromH: number; toH: number };

/** A crossing is found to a minute, and then nearer. */
const STEP_H = 1 / 60;
const HALVINGS = 10;

/** The first hour angle on the way, on or back, at which there is no room any more: `fromH` when there is none there, null when
 *  there is all the way. Steps are as long as nothing can use up the room: no crossing is stepped over that lasts a minute.
 *  @param speedM no point moves faster, m per hour of right ascension. */
export function firstUsedUp(roomAt: RoomAt, speedM: number, { fromH, toH }: Way): number | null {
  const way = toH < fromH ? -1 : 1;
  let clearH: number | null = null;
  let haH = fromH;
  for (;;) {
    const { roomM, safeM } = roomAt(haH);
    if (roomM <= 0) return clearH === null ? haH : between(roomAt, clearH, haH);
    if (haH === toH) return null;
    clearH = haH;
    const stepH = Math.max(STEP_H, safeM / speedM);
    haH = Math.abs(toH - haH) <= stepH ? toH : haH + way * stepH;
  }
}

/** The first one at which there is room, to a minute; null when there is nowhere on the way. */
export function firstWithRoom(roomAt: RoomAt, { fromH, toH }: Way): number | null {
  const way = toH < fromH ? -1 : 1;
  const steps = Math.floor(Math.abs(toH - fromH) / STEP_H);
  for (let i = 0; i <= steps; i += 1) {
    const haH = fromH + way * i * STEP_H;
    if (roomAt(haH).roomM > 0) return haH;
  }
  return null;
}

/** Where it ends between a clear hour angle and one that is not; on the clear side. */
function between(roomAt: RoomAt, clearH: number, overH: number): number {
  let [clear, over] = [clearH, overH];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (clear + over) / 2;
    if (roomAt(middle).roomM > 0) clear = middle;
    else over = middle;
  }
  return clear;
}
