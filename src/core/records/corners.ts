/** How a frame's stars are told by eye. */

export const PLACES = ['topLeft', 'topRight', 'bottomLeft', 'bottomRight', 'centre'] as const;
/** `level` lies, `upright` stands, `rising` leans like a slash, `falling` like a backslash, as the frame is displayed. */
export const STICKS = ['round', 'level', 'upright', 'rising', 'falling'] as const;
/** Of a second frame a little past focus: did the sticks turn by a quarter? */
export const PAST_FOCUS = ['same', 'turned', 'notTried'] as const;
