/** What of the parts box may stand between a rig's corrector and its camera, and the train that a stack makes. */
import type { BoxPiece, JointEnd } from '../optics/stack/joints.ts';
import type { FitInput, Stack } from '../optics/stack/fitStack.ts';
import { endsOf } from '../optics/stack/joints.ts';
import type { Part, PartOf } from '../records/part.ts';
import { isThreadGuessed } from './lightBasis.ts';
import type { LightPath } from './lightPathOfRig.ts';

const MOST_SHIMS_MM = 1;
const MOST_PIECES = 12;
/** About a second in a worker. */
const MOST_STEPS = 8_000_000;

/** What stays in a rig whatever is fitted: its wheel, guider, rotator, tilt plate. */
const STAYING: ReadonlySet<Part['kind']> = new Set(['wheel', 'guider', 'rotator', 'tiltPlate']);
const isThere = (p: Part): boolean => p.deletedAtUtc === null && !p.archived && p.count > 0;

export type RigFit = {
  input: FitInput;
  toleranceMm: number;
  /** Pieces of the box that are not tried: a wheel, guider, rotator or tilt plate that this rig does not carry. */
  leftOut: string[];
};

/** Spacers of the whole box; of the pieces with a use of their own those that stand in the train, and these must stay. */
function boxOf(parts: readonly Part[], train: ReadonlySet<string>): BoxPiece[] {
  return parts.filter(isThere).flatMap((p): BoxPiece[] => {
    if (!('lengthMm' in p) || !('front' in p)) return [];
    const stays = STAYING.has(p.kind);
    if (stays && !train.has(p.id)) return [];
    const { id, lengthMm, front, rear } = p;
    return [{ id, lengthMm, front, rear, count: stays ? 1 : p.count, required: stays }];
  });
}

/** How long a guessed thread is says nothing: the bench counts no gap before it either. */
const frontOf = (camera: PartOf<'camera'>): JointEnd =>
  isThreadGuessed(camera, camera.front) ? { ...camera.front, lengthMm: null } : camera.front;

/** Null without a corrector or a camera. */
export function boxFit(
  { corrector, spacing }: Pick<LightPath, 'corrector' | 'spacing'>,
  camera: PartOf<'camera'> | null,
  parts: readonly Part[],
  train: readonly string[],
): RigFit | null {
  if (!corrector || !camera || !spacing) return null;
  const shims = parts
    .filter(isThere)
    .flatMap((p) => (p.kind === 'shim' ? [{ thicknessMm: p.thicknessMm, count: p.count }] : []));
  return {
    toleranceMm: spacing.toleranceMm,
    leftOut: parts.filter((p) => isThere(p) && STAYING.has(p.kind) && !train.includes(p.id)).map((p) => p.id),
    input: {
      neededMm: spacing.neededMm - camera.depthMm,
      ends: endsOf(corrector.rear, frontOf(camera)),
      box: boxOf(parts, new Set(train)),
      shims,
      mostShimsMm: MOST_SHIMS_MM,
      mostPieces: MOST_PIECES,
      mostSteps: MOST_STEPS,
    },
  };
}

/** The train with a stack behind its last corrector: what stood before stays, filters stay behind the wheel, else before the
 *  camera; shims come last. */
export function trainWithStack(train: readonly string[], parts: readonly Part[], stack: Stack): string[] {
  const kindOf = (id: string): Part['kind'] | undefined => parts.find((p) => p.id === id)?.kind;
  const at = train.findLastIndex((id) => kindOf(id) === 'corrector');
  const [before, behind] = [train.slice(0, at + 1), train.slice(at + 1)];
  const filters = behind.filter((id) => kindOf(id) === 'filter');
  const camera = behind.filter((id) => kindOf(id) === 'camera');
  const wheelAt = stack.ids.findIndex((id) => kindOf(id) === 'wheel');
  const split = wheelAt === -1 ? stack.ids.length : wheelAt + 1;
  const shims = shimIds(parts, stack.shimsMm);
  return [...before, ...stack.ids.slice(0, split), ...filters, ...stack.ids.slice(split), ...shims, ...camera];
}

/** One part's id for each shim of a stack. */
function shimIds(parts: readonly Part[], shimsMm: readonly number[]): string[] {
  const left = parts
    .filter(isThere)
    .flatMap((p) => (p.kind === 'shim' ? [{ id: p.id, mm: p.thicknessMm, count: p.count }] : []));
  return shimsMm.flatMap((mm) => {
    const one = left.find((s) => s.mm === mm && s.count > 0);
    if (!one) return [];
    one.count -= 1;
    return [one.id];
  });
}
