/** Ticks before the first sub, by their names in the record. */
export const FIRST_SUB_CHECKS = [
  'clutches',
  'rate',
  'cables',
  'caps',
  'parked',
  'hemisphere',
  'lensSwitches',
  'focusTaped',
  'darkFrames',
  'longExposure',
  'shutterLead',
  'cardSpace',
  'dew',
] as const;
export type FirstSubCheck = (typeof FIRST_SUB_CHECKS)[number];
