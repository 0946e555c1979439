import type { ReactNode } from 'react';
import { useNight, useShared } from '../../../session/session.ts';
import { cornersReason, cornersSentence } from '../../../text/cornersWords.ts';
import { BenchLayout } from '../../../ui/BenchLayout.tsx';
import { CornersForm } from './CornersForm.tsx';
import { cornersSaying } from './cornersModel.ts';
import { DistancesTried } from './TriedChart.tsx';

/** Corners looked at by eye: what they say, what to change, and where the best distance lies. */
export function CornersTab({ tabs }: { tabs: ReactNode }) {
  const night = useNight();
  const { format } = useShared();
  const saying = cornersSaying(night);
  return (
    <BenchLayout
      title="Light path"
      tabs={tabs}
      sentence={cornersSentence(saying, format)}
      reason={cornersReason(saying, format)}
      instrumentName="The corners"
    >
      <CornersForm />
      <DistancesTried />
    </BenchLayout>
  );
}
