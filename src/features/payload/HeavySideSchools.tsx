import type { HeavySide } from '../../core/mount/heavySide.ts';
import type { Payload } from '../../core/rig/payloadOfRig.ts';
import { useShared } from '../../session/session.ts';
import {
  clampWords,
  furtherOutWords,
  moreWeightWords,
  preferWords,
  SCHOOL_NAMES,
  SCHOOLS_TITLE,
} from '../../text/payloadWords.ts';

type Props = { heavy: HeavySide; prefer: Payload['prefer']; nameOf: (partId: string) => string };

function Way({ name, words }: { name: string; words: string }) {
  return (
    <div>
      <p>
        <strong>{name}</strong>
      </p>
      <p>{words}</p>
    </div>
  );
}

/** Both schools side by side, each with total load and inertia. */
export function HeavySideSchools({ heavy, prefer, nameOf }: Props) {
  const { format } = useShared();
  return (
    <div className="section">
      <h2>{SCHOOLS_TITLE}</h2>
      <div className="two-ways">
        <Way name={SCHOOL_NAMES.weightCloseIn} words={moreWeightWords(heavy.moreWeight, nameOf, format)} />
        <Way name={SCHOOL_NAMES.longerLever} words={furtherOutWords(heavy.furtherOut, format)} />
        {heavy.clamp && <Way name={SCHOOL_NAMES.clamp} words={clampWords(heavy.clamp, format)} />}
      </div>
      <p className="soft">{preferWords(prefer)}</p>
    </div>
  );
}
