/** The ways of a bench, by what the night's rig has. */
export type Tab<K extends string> = { key: K; name: string };
export type Tabs<K extends string> = readonly [Tab<K>, ...Tab<K>[]];
