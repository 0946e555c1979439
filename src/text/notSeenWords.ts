/** A black, blurred or empty view in the polar finder: what to try, the likeliest first. */

export type NotSeenCase = 'black' | 'blurred' | 'empty';
export const NOT_SEEN_NAMES: Record<NotSeenCase, string> = {
  black: 'All black',
  blurred: 'Blurred',
  empty: 'No such star',
};

type Context = { throughAxis: boolean; tracker: boolean; south: boolean };

function blackSteps({ throughAxis, tracker }: Context): string[] {
  return [
    'Take off both caps: the one at the front of the axis is the one that is forgotten.',
    ...(throughAxis
      ? [
          'Turn declination a quarter turn: the bore through the axis opens. Home is gone then, and won back by its marks.',
        ]
      : []),
    ...(tracker ? ['Nothing mounted yet where the finder looks out: camera and ball head block it.'] : []),
    'Lamp of the finder down to its weakest, or off: it drowns faint stars.',
    'Wait a minute with your eye at it: bright light takes ten.',
  ];
}

const BLURRED: readonly string[] = [
  'First the eyepiece: turn its ring until the engraving is sharp, the sky does not matter.',
  'Then the objective, if it can be turned: half a turn back and forth until a star is a point.',
  'Breath and dew: warm it with your hand, do not wipe.',
];

function emptySteps({ south }: Context): string[] {
  return [
    'Look over the tube: does the axis point where the naked-eye view on Find the pole shows? A hand’s breadth off is out of the finder.',
    'Set the latitude scale again, then swing the azimuth slowly to both sides.',
    south
      ? 'Look for the four-star shape, not for one star: the lead is faint, and shows when nautical dusk ends.'
      : 'The star is the only bright one there: three fainter ones nearby make no shape with it.',
    'Turn on “Whole view” and compare what stands around it.',
  ];
}

export function notSeenSteps(which: NotSeenCase, context: Context): readonly string[] {
  switch (which) {
    case 'black':
      return blackSteps(context);
    case 'blurred':
      return BLURRED;
    case 'empty':
      return emptySteps(context);
  }
}
