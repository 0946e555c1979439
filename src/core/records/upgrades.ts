/** What later versions changed in the shape of parts and readings, for rows and files that an earlier version wrote. A
 *  published upgrade never changes. */
import { isObject, type Loose } from './loose.ts';

export type PartUpgrade = (part: Loose) => Loose;

/** Tubes and correctors may state the circle they light. */
export const withImageCircle: PartUpgrade = (part) =>
  part['kind'] === 'tube' || part['kind'] === 'corrector' ? { imageCircleMm: null, ...part } : part;

/** Plates state their dovetail, mounts what their saddle grips, electric devices what they are for. */
export const withUse: PartUpgrade = (part) => {
  switch (part['kind']) {
    case 'plate':
      return { dovetail: null, ...part };
    case 'mount':
      return { saddle: null, ...part };
    case 'load':
      return { use: 'other', ...part };
    default:
      return part;
  }
};

/** Usual marks of an engraving, in its own units: smallest and numbered ones. */
const USUAL_MARKS: Record<string, readonly [number, number]> = { '12h': [0.25, 1], '24h': [0.5, 2], deg: [5, 30] };

/** A finder's engraving states its marks, several rings, the stars it marks, and what it shows. */
export const withEngraving: PartUpgrade = (part) => {
  const finder = part['finder'];
  if (part['kind'] !== 'mount' || typeof finder !== 'object' || finder === null || 'rings' in finder) return part;
  const { ringArcmin, ringYear, ...rest } = finder as Loose;
  const [tickEvery, numberEvery] = USUAL_MARKS[String(rest['numbering'])] ?? [null, null];
  const rings = typeof ringArcmin === 'number' ? [{ arcmin: ringArcmin, year: ringYear ?? null }] : [];
  const seen = { patternHips: [], patternYear: null, fieldDeg: 7, faintestMag: 8 };
  return { ...part, finder: { ...rest, tickEvery, numberEvery, rings, ...seen } };
};

/** Sigma Octantis stood 65' from the pole in 2008; the demo's tracker said 2020. What a user entered stays. */
export const withTrueDemoRing: PartUpgrade = (part) => {
  const finder = part['finder'];
  if (part['id'] !== 'demo-wagtail-mount' || typeof finder !== 'object' || finder === null) return part;
  const ring = JSON.stringify((finder as Loose)['rings']);
  if (ring !== JSON.stringify([{ arcmin: 65, year: 2020 }])) return part;
  return { ...part, finder: { ...finder, rings: [{ arcmin: 65, year: 2008 }] } };
};

/** The demo's column ended so high that no tube of its length cleared it. What a user entered stays. */
export const withRoomyDemo: PartUpgrade = (part) => {
  const geometry = part['geometry'];
  if (part['id'] === 'demo-heron-tripod' && part['columnRadiusM'] === 0.09) return { ...part, columnRadiusM: 0.06 };
  if (part['id'] !== 'demo-heron-mount' || typeof geometry !== 'object' || geometry === null) return part;
  if ((geometry as Loose)['columnTopDropM'] !== 0.15) return part;
  return { ...part, geometry: { ...geometry, columnTopDropM: 0.26 } };
};

/** Parts whose lengths the clearance is reckoned from. */
const WITH_LENGTHS: ReadonlySet<unknown> = new Set(['mount', 'support', 'tube', 'camera', 'bar']);

const DEMO_TUBES: Record<string, string> = {
  'demo-heron-tube': 'refractor',
  'demo-wagtail-lens': 'lens',
  'demo-plover-tube': 'newtonian',
};
const DEMO_MEASURED: ReadonlySet<unknown> = new Set(
  ['mount', 'tripod', 'tube', 'camera', 'bar'].map((name) => `demo-heron-${name}`),
);
const DEMO_BODIES: Record<string, string> = {
  'demo-heron-camera': 'telescope',
  'demo-wagtail-camera': 'lensMount',
  'demo-plover-camera': 'lensMount',
};

/** Lengths have a basis of their own: of a part that was dressed from its class they are a guess, whoever weighed it since
 *  says so anew. The demo says what kind its tubes and cameras are, and that Heron was measured. */
export const withSizeBasis: PartUpgrade = (part) => {
  const { id, massBasis, kind } = part;
  const guessed = massBasis === 'assumed' && WITH_LENGTHS.has(kind);
  const sizeBasis = guessed ? 'assumed' : DEMO_MEASURED.has(id) ? 'measured' : null;
  return {
    ...(sizeBasis === null ? {} : { sizeBasis }),
    ...(String(id) in DEMO_TUBES ? { tubeKind: DEMO_TUBES[String(id)] } : {}),
    ...(String(id) in DEMO_BODIES ? { bodyKind: DEMO_BODIES[String(id)] } : {}),
    ...part,
  };
};

/** A list of parts or of snapshots with every part upgraded; anything else is left for the validation to name. */
export function upgradeParts(rows: unknown, upgrade: PartUpgrade): unknown {
  if (!Array.isArray(rows)) return rows;
  return rows.map((row: unknown) => {
    if (typeof row !== 'object' || row === null) return row;
    const record = row as Loose;
    return 'parts' in record ? { ...record, parts: upgradeParts(record['parts'], upgrade) } : upgrade(record);
  });
}

/** Ticks that were signals, by list and item: events since. */
const SIGNALS: Record<string, string> = {
  'polar/setByEye': 'setByEye',
  'polar/finalCheck': 'lastPoleCheck',
  'polar/plateMoved': 'plateMoved',
  'polar/driftGivenUp': 'driftGivenUp',
  'flip/begun': 'flipBegun',
  'level/scaleSet': 'scaleSet',
};

const valuesOf = (row: Loose): Loose => (isObject(row['values']) ? row['values'] : {});

function signalOf(row: unknown): string | undefined {
  if (!isObject(row) || row['kind'] !== 'check') return undefined;
  const { listId, itemId } = valuesOf(row);
  const key = `${String(listId)}/${String(itemId)}`;
  return Object.hasOwn(SIGNALS, key) ? SIGNALS[key] : undefined;
}

/** An error that an earlier version reckoned from timed stars stands beside the drift of the same moment: it is derived. */
function derivedErrors(rows: readonly unknown[]): ReadonlySet<unknown> {
  const momentOf = (row: Loose): string => `${String(row['nightId'])} ${String(row['takenAtUtc'])}`;
  const drifts = new Set(rows.filter((r): r is Loose => isObject(r) && r['kind'] === 'drift').map(momentOf));
  return new Set(
    rows.filter(
      (r) => isObject(r) && r['kind'] === 'polarError' && valuesOf(r)['method'] === 'drift' && drifts.has(momentOf(r)),
    ),
  );
}

/** Signals among the ticks become events, one that was unticked is taken back, and what was derived from other readings
 *  goes. Readings of one night or of many, in the order in which they were recorded. */
export function withEvents(rows: unknown): unknown {
  if (!Array.isArray(rows)) return rows;
  const derived = derivedErrors(rows);
  const standing = new Map<string, unknown>();
  return rows
    .filter((row: unknown) => !derived.has(row))
    .map((row: unknown) => {
      const what = signalOf(row);
      if (what === undefined || !isObject(row)) return row;
      const key = `${String(row['nightId'])} ${what}`;
      if (valuesOf(row)['done'] === true) {
        standing.set(key, row['id']);
        return { ...row, kind: 'event', values: { what } };
      }
      const readingId = standing.get(key);
      standing.delete(key);
      return readingId === undefined ? row : { ...row, kind: 'retract', values: { readingId } };
    });
}

/** Each id once, the first of it. */
export function withoutDoubles(rows: readonly unknown[], seen: Set<unknown> = new Set()): unknown[] {
  return rows.filter((row) => {
    if (!isObject(row)) return true;
    if (seen.has(row['id'])) return false;
    seen.add(row['id']);
    return true;
  });
}
