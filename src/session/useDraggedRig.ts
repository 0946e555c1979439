/** A rig while a piece of it is dragged: everything is reckoned with the piece where the finger is, and
 *  written once, when it is let go. */
import { useMemo, useRef, useState } from 'react';
import type { Part } from '../core/records/part.ts';
import type { Placed, Rig } from '../core/records/rig.ts';
import { updateHead } from '../storage/heads.ts';
import { movedWords } from '../text/payloadWords.ts';
import type { RailDrag } from '../ui/instruments/RailDrawing.tsx';
import { useShared } from './session.ts';
import { useWrite } from './useWrite.ts';

export type PlaceKey = 'fromRaAxisM' | 'alongTubeM' | 'sidewaysM';
type Draft = { ids: ReadonlySet<string>; key: PlaceKey; byM: number };

const NOTHING: ReadonlySet<string> = new Set();

/** Who puts a piece somewhere has said where it is. */
export const placedByHand = (p: Placed): Placed => (p.placeBasis === 'assumed' ? { ...p, placeBasis: 'measured' } : p);

function withDraft(rig: Rig, { ids, key, byM }: Draft): Rig {
  const placed = rig.placed.map((p) =>
    ids.has(p.placedId) ? { ...placedByHand(p), [key]: Number((p[key] + byM).toFixed(4)) } : p,
  );
  return { ...rig, placed };
}

/** The stored rig with what was written here and has not come round yet, and the way to write on top of it. Writes go one
 *  after the other, each from the revision that the one before it makes. */
type Shown = { rig: Rig; parts: readonly Part[] };

export function useWrittenRig({ rig: stored, parts }: Shown) {
  const { format } = useShared();
  const writeOnce = useWrite();
  const [ahead, setAhead] = useState<Rig | null>(null);
  const queue = useRef<Promise<void>>(Promise.resolve());
  const base = ahead && ahead.rev > stored.rev ? ahead : stored;
  const write = (placed: Placed[], movedId: string | undefined, key: PlaceKey): void => {
    const moved = placed.find((p) => p.placedId === movedId);
    setAhead({ ...base, placed, rev: base.rev + 1 });
    queue.current = queue.current.then(async () => {
      const name = parts.find((p) => p.id === moved?.partId)?.name ?? 'The piece';
      const { id, rev: baseRev } = base;
      const written = await writeOnce(
        ['place', id, baseRev, placed],
        (w) => updateHead(w, 'rigs', id, { placed }, { baseRev }),
        movedWords(name, Math.abs(moved?.[key] ?? 0), format),
      );
      if (!written.ok) setAhead(null);
    });
  };
  return { base, write };
}

export function useDraggedRig(shown: Shown) {
  const { base, write } = useWrittenRig(shown);
  const [draft, setDraft] = useState<Draft | null>(null);
  const rig = useMemo(() => (draft ? withDraft(base, draft) : base), [base, draft]);
  const drag =
    (key: PlaceKey) =>
    ({ ids, byM }: RailDrag): void =>
      setDraft({ ids: new Set(ids), key, byM });
  const drop =
    (key: PlaceKey) =>
    ({ ids, byM }: RailDrag): void => {
      setDraft(null);
      if (byM !== 0) write(withDraft(base, { ids: new Set(ids), key, byM }).placed, ids[0], key);
    };
  const place = (placedId: string, at: Pick<Placed, PlaceKey>): void => {
    const placed = base.placed.map((p) => (p.placedId === placedId ? { ...placedByHand(p), ...at } : p));
    write(placed, placedId, 'fromRaAxisM');
  };
  /** What is held on the rail of that distance. */
  const held = (key: PlaceKey): ReadonlySet<string> => (draft?.key === key ? draft.ids : NOTHING);
  return { rig, held, drag, drop, place };
}
