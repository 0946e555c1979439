/** Terms of the field, each explained once. */
export type Term = { term: string; meaning: string };

export const GLOSSARY: readonly Term[] = [
  {
    term: 'Right ascension',
    meaning: 'The turn about the polar axis: east and west on the sky. The mount’s slow axis.',
  },
  { term: 'Declination', meaning: 'How far north or south of the sky’s equator. The mount’s second axis.' },
  { term: 'Polar axis', meaning: 'The axis that must point at the celestial pole.' },
  { term: 'Hour angle', meaning: 'Hours since an object crossed the meridian; negative before.' },
  { term: 'Meridian', meaning: 'The line from north through the zenith to south. Objects stand highest on it.' },
  {
    term: 'Meridian flip',
    meaning: 'Swinging the tube to the other side of the mount, so that it does not meet a leg.',
  },
  { term: 'Counterweight bar', meaning: 'The bar on which weights balance the tube’s side about the polar axis.' },
  { term: 'Saddle', meaning: 'The clamp that holds the tube’s plate.' },
  { term: 'Clutch', meaning: 'Holds an axis. Never push an axis while it is tight.' },
  { term: 'Sub', meaning: 'One exposure of many that are stacked: sub-exposure.' },
  { term: 'Seeing', meaning: 'How wide the air smears a star, in arcseconds.' },
  { term: 'Periodic error', meaning: 'The drive’s swing in right ascension that repeats with each turn of the worm.' },
  { term: 'Polar error', meaning: 'The angle between polar axis and pole.' },
  {
    term: 'Field rotation',
    meaning: 'Stars turning about the guide star during a sub, when the axis misses the pole.',
  },
  { term: 'Back focus', meaning: 'The distance from a corrector to the sensor at which corners are sharp.' },
  { term: 'Length over width', meaning: 'How long a star image is against its width: 1.00 is a perfect disc.' },
];
