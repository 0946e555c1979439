/** What carries a tube, in a few strokes: seen from the side, the pole to the right. The tube is filled, what turns it is
 *  drawn thick. */
import type { ReactNode } from 'react';
import type { Carrier } from '../../core/rig/dressing/carriers.ts';

const Legs = ({ top = 66 }: { top?: number }) => (
  <path d={`M70 ${top} L46 106 M70 ${top} L94 106 M70 ${top} V102`} strokeWidth="3" />
);
/** A tube about its middle. */
const Tube = ({
  x,
  y,
  turn,
  length = 62,
  width = 17,
}: Record<'x' | 'y' | 'turn', number> & { length?: number; width?: number }) => (
  <g transform={`translate(${x} ${y}) rotate(${turn})`}>
    <rect x={-length / 2} y={-width / 2} width={length} height={width} rx="3" fill="var(--tint)" strokeWidth="2" />
    <rect x={-length / 2 - 8} y={-width / 4} width="8" height={width / 2} fill="var(--tint)" strokeWidth="2" />
  </g>
);
const Camera = ({ x, y, turn }: Record<'x' | 'y' | 'turn', number>) => (
  <g transform={`translate(${x} ${y}) rotate(${turn})`}>
    <rect x="-12" y="-9" width="20" height="18" rx="3" fill="var(--tint)" strokeWidth="2" />
    <rect x="8" y="-6" width="18" height="12" rx="2" fill="var(--tint)" strokeWidth="2" />
  </g>
);

const GERMAN = (
  <>
    <Legs />
    <path d="M62 66 V58 M56 62 L84 40" strokeWidth="7" strokeLinecap="round" />
    <path d="M32 84 L88 22" strokeWidth="4" />
    <rect x="26" y="72" width="20" height="18" rx="2" transform="rotate(42 36 81)" fill="var(--line)" strokeWidth="2" />
    <Tube x={92} y={18} turn={-38} />
  </>
);

const FLOOR = (
  <>
    <path d="M44 104 h56" strokeWidth="5" strokeLinecap="round" />
    <path d="M50 100 h44 V66 h-8 M50 100 V66 h8" strokeWidth="4" />
    <Tube x={76} y={48} turn={-58} length={76} width={24} />
    <circle cx="72" cy="66" r="9" strokeWidth="4" fill="var(--line)" />
  </>
);

const PICTURES: Record<Carrier, ReactNode> = {
  trackerBallHead: (
    <>
      <Legs />
      <path d="M56 66 h28 M58 66 l26 -16" strokeWidth="3" />
      <rect x="60" y="40" width="30" height="18" rx="4" transform="rotate(-32 75 49)" strokeWidth="5" />
      <circle cx="74" cy="30" r="6" strokeWidth="3" />
      <Camera x={72} y={15} turn={-30} />
    </>
  ),
  trackerBracket: (
    <>
      <Legs />
      <path d="M56 66 h28 M58 66 l26 -16" strokeWidth="3" />
      <rect x="58" y="42" width="30" height="18" rx="4" transform="rotate(-32 73 51)" strokeWidth="5" />
      <path d="M48 62 L86 16" strokeWidth="4" />
      <rect
        x="36"
        y="60"
        width="16"
        height="14"
        rx="2"
        transform="rotate(40 44 67)"
        fill="var(--line)"
        strokeWidth="2"
      />
      <Camera x={90} y={14} turn={-40} />
    </>
  ),
  germanEquatorial: GERMAN,
  strainWave: (
    <>
      <Legs />
      <path d="M62 66 l14 -10" strokeWidth="9" strokeLinecap="round" />
      <path d="M78 54 l-2 -20" strokeWidth="11" strokeLinecap="round" />
      <Tube x={80} y={20} turn={-38} />
    </>
  ),
  forkOnWedge: (
    <>
      <Legs />
      <path d="M50 66 h40 L72 50 Z" strokeWidth="3" />
      <path d="M70 56 l8 -10 M64 44 L92 62 M64 44 L76 22 M92 62 L104 40" strokeWidth="5" strokeLinecap="round" />
      <Tube x={92} y={30} turn={-52} length={46} width={26} />
    </>
  ),
  byHand: (
    <>
      {GERMAN}
      <path d="M84 42 L100 56" strokeWidth="3" />
      <circle cx="103" cy="59" r="7" fill="var(--amber)" strokeWidth="2" />
    </>
  ),
  pushedAltAzimuth: (
    <>
      <Legs />
      <path d="M70 66 V38 M58 38 h24" strokeWidth="6" strokeLinecap="round" />
      <Tube x={72} y={24} turn={-24} />
      <path d="M104 12 l10 14 M114 26 l-1 -10 M114 26 l-9 -4" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  floorReflector: FLOOR,
  tiltingPlatform: (
    <>
      <g transform="rotate(-7 72 100) translate(0 -12)">{FLOOR}</g>
      <path d="M44 106 h60 M52 106 L58 96 M96 106 L92 90" strokeWidth="4" strokeLinecap="round" />
    </>
  ),
  altAzimuth: (
    <>
      <Legs />
      <path d="M70 66 V30" strokeWidth="8" strokeLinecap="round" />
      <Tube x={78} y={28} turn={-28} />
    </>
  ),
};

export function CarrierPicture({ carrier }: { carrier: Carrier }) {
  return (
    <svg className="carrier-picture" viewBox="20 -14 108 124" aria-hidden="true" fill="none" stroke="currentColor">
      {PICTURES[carrier]}
    </svg>
  );
}
