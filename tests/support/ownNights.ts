/** Nights as somebody new makes them, for tests. */
export { derived, made, NORTH as PORTUGAL, SOUTH } from '../../scripts/trials/ownWorld.ts';
export { TRIAL_NOW as NOW } from '../../scripts/trials/demoWorld.ts';
