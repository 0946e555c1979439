import { useContext, type ReactNode } from 'react';
import type { Said as SaidText } from '../text/said.ts';
import { BenchNote } from './benchNote.ts';
import { Boundary } from './Boundary.tsx';
import { Said } from './Said.tsx';
import { PageTitle } from './PageTitle.tsx';

type Props = {
  title: string;
  tabs?: ReactNode;
  sentence: SaidText;
  reason: string;
  /** The drawing; its own boundary keeps the sentence on the page when it fails. */
  instrument?: ReactNode;
  instrumentName: string;
  children?: ReactNode;
};

/** Every bench: what to do now, why, the instrument, then actions and figures. */
export function BenchLayout({ title, tabs, sentence, reason, instrument, instrumentName, children }: Props) {
  return (
    <>
      <div className="bench-head">
        <PageTitle>{title}</PageTitle>
        {tabs}
      </div>
      {useContext(BenchNote)}
      <p className="sentence" aria-live="polite">
        <Said said={sentence} />
      </p>
      <p className="reason">{reason}</p>
      {instrument !== undefined && <Boundary what={instrumentName}>{instrument}</Boundary>}
      {children}
    </>
  );
}
