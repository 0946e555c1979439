/** What later versions added to the shape of a part, for rows and files that an earlier version wrote. A published
 *  upgrade never changes. */
type Loose = Record<string, unknown>;
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

/** A list of parts or of snapshots with every part upgraded; anything else is left for the validation to name. */
export function upgradeParts(rows: unknown, upgrade: PartUpgrade): unknown {
  if (!Array.isArray(rows)) return rows;
  return rows.map((row: unknown) => {
    if (typeof row !== 'object' || row === null) return row;
    const record = row as Loose;
    return 'parts' in record ? { ...record, parts: upgradeParts(record['parts'], upgrade) } : upgrade(record);
  });
}
