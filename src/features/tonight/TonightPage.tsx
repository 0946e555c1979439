/** The first answers: six lines about this night, each with its instrument in small and the way to its bench. */
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { tonight, type Tonight } from '../../core/night/advice/tonight.ts';
import { useNight, useShared } from '../../session/session.ts';
import { useNightAt } from '../../session/useTime.ts';
import { orderNote } from '../../text/stations.ts';
import { TONIGHT, tonightLines, type Line, type TonightLines } from '../../text/tonightWords.ts';
import { usePartName } from '../../session/usePartName.ts';
import { BenchLayout } from '../../ui/BenchLayout.tsx';
import {
  BarGlyph,
  CompassGlyph,
  DialGlyph,
  FindGlyph,
  KnobGlyph,
  LatitudeGlyph,
  MeridianGlyph,
  MoonGlyph,
  PlatformGlyph,
  SubGlyph,
  SunGlyph,
} from '../../ui/instruments/TonightGlyphs.tsx';

function Row({ line, children }: { line: Line | null; children: ReactNode }) {
  if (!line) return null;
  return (
    <li>
      <Link to={`../${line.to}`} relative="path">
        {children}
        <span>
          <span className="name">{line.name}</span>
          <strong className="figures">{line.value}</strong>
          <span className="soft">{line.rests}</span>
        </span>
      </Link>
    </li>
  );
}

type Rows = { answers: Tonight; lines: TonightLines };

/** What the axis is aimed by. */
function Axis({ answers, lines }: Rows) {
  return (
    <>
      <Row line={lines.light}>
        <SunGlyph isUp={answers.light.code === 'sunUp'} />
      </Row>
      <Row line={lines.bearing}>
        <CompassGlyph compassDeg={answers.bearing?.compassDeg ?? null} />
      </Row>
      <Row line={lines.latitude}>
        <LatitudeGlyph scaleDeg={answers.latitude?.scaleDeg ?? 0} />
      </Row>
      <Row line={lines.dial}>
        <DialGlyph viewAngleDeg={answers.dial?.viewAngleDeg ?? 0} />
      </Row>
    </>
  );
}

/** What is done with it then. */
function Use({ answers, lines }: Rows) {
  return (
    <>
      <Row line={lines.sub}>
        {answers.sub && <SubGlyph star={answers.sub.star} evenFwhmArcsec={answers.sub.evenFwhmArcsec} />}
      </Row>
      <Row line={lines.find}>
        <FindGlyph altDeg={answers.find?.altDeg ?? 0} />
      </Row>
      <Row line={lines.hand}>
        <KnobGlyph turnMin={answers.hand?.turnMin ?? null} />
      </Row>
      <Row line={lines.platform}>
        <PlatformGlyph />
      </Row>
      <Row line={lines.weight}>
        <BarGlyph share={answers.weight?.shareOfBar ?? 0} />
      </Row>
      <Row line={lines.moon}>
        <MoonGlyph litShare={answers.moon?.litShare ?? 0} />
      </Row>
      <Row line={lines.meridian}>
        <MeridianGlyph flips={answers.meridian?.flips ?? false} />
      </Row>
    </>
  );
}

export function TonightPage() {
  const night = useNight();
  const at = useNightAt();
  const { format } = useShared();
  const answers = tonight(night, at);
  const lines = tonightLines(answers, format, usePartName());
  return (
    <BenchLayout
      title={TONIGHT.title}
      sentence={TONIGHT.sentence}
      reason={TONIGHT.reason}
      instrumentName="The six lines"
    >
      <ol className="tonight">
        <Axis answers={answers} lines={lines} />
        <Use answers={answers} lines={lines} />
      </ol>
      <p className="soft narrow-only">{orderNote(night.run)}</p>
    </BenchLayout>
  );
}
