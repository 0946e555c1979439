/** Every main view with its heading. Neighbours have different headings, so that the next one is known to have come. */
import { HERON, WAGTAIL } from './support.ts';

export type View = readonly [path: string, heading: string];

/** Views with an instrument. */
export const BENCHES: readonly View[] = [
  [`${HERON}/light-path`, 'Light path'],
  [`${WAGTAIL}/payload`, 'Payload'],
  [`${HERON}/meridian`, 'Meridian'],
  [`${HERON}/payload?tab=footing`, 'Payload'],
  [`${WAGTAIL}/level`, 'Level and bearing'],
  [`${HERON}/balance`, 'Balance'],
  [`${HERON}/payload?tab=power`, 'Payload'],
  [`${HERON}/balance?tab=dec`, 'Balance'],
  [`${HERON}/level?tab=level`, 'Level and bearing'],
  [`${HERON}/polar`, 'Polar alignment'],
  [`${HERON}/tonight`, 'Tonight'],
  [`${HERON}/level?tab=latitude`, 'Level and bearing'],
  [`${WAGTAIL}/polar`, 'Polar alignment'],
  [`${HERON}/pointing`, 'Focus and pointing'],
  [`${HERON}/polar?tab=error`, 'Polar alignment'],
  [`${HERON}/balance?tab=sideways`, 'Balance'],
  [`${WAGTAIL}/polar?tab=find`, 'Polar alignment'],
  [`${HERON}/level?tab=shadow`, 'Level and bearing'],
  [`${HERON}/polar?tab=drift`, 'Polar alignment'],
  [`${WAGTAIL}/tracking`, 'Tracking'],
  [`${HERON}/polar?tab=halfturn`, 'Polar alignment'],
  [`${HERON}/watch`, 'Watch'],
  ['/n/demo-night-3/logbook', 'Logbook'],
];

const VIEWS: readonly View[] = [
  ...BENCHES,
  [`${HERON}/pointing?tab=sheet`, 'Focus and pointing'],
  [`${HERON}/tracking?tab=checks`, 'Tracking'],
  [`${WAGTAIL}/balance?tab=order`, 'Balance'],
  [`${HERON}/tracking?tab=play`, 'Tracking'],
  [`${HERON}/tracking?tab=flexure`, 'Tracking'],
  [`${HERON}/payload?tab=packing`, 'Payload'],
  [`${HERON}/card`, 'Tue 24 Nov 2026, Heron'],
  [`${HERON}/tracking?tab=log`, 'Tracking'],
  [`${HERON}/balance?tab=pieces`, 'Balance'],
  [`${HERON}/payload?tab=choice`, 'Payload'],
  ['/data', 'Data in and out'],
  ['/kit/parts', 'Parts box'],
  ['/kit/parts/demo-heron-mount', 'Mid-size belt-driven German mount'],
  ['/kit/rigs/demo-heron', 'Heron'],
  ['/sites/demo-estrela', 'Serra da Estrela'],
  ['/start', 'Your own night'],
  ['/choose', 'Choose a mount'],
  ['/help', 'Help'],
  ['/start?screen=carries', 'Your own night'],
  ['/no/such/page', 'Nothing here'],
  ['/start?screen=looks', 'Your own night'],
];

/** Runs that go through all views share the work; neighbours keep different headings. */
const MIDDLE = Math.ceil(VIEWS.length / 2);
export const HALVES: readonly (readonly View[])[] = [VIEWS.slice(0, MIDDLE), VIEWS.slice(MIDDLE)];
