/** Keeps what was derived from an object for as long as the object lives, so that the same object gives the same result
 *  and the work is done once. Null and undefined are results like others. */

export function oncePer<K extends object, T>(derive: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, { value: T }>();
  return (of) => {
    const found = known.get(of);
    if (found) return found.value;
    const value = derive(of);
    known.set(of, { value });
    return value;
  };
}

/** The same for each key of an object. */
export function oncePerKey<K extends object, Key, T>(derive: (of: K, key: Key) => T): (of: K, key: Key) => T {
  const keysOf = oncePer((): Map<Key, { value: T }> => new Map());
  return (of, key) => {
    const known = keysOf(of);
    const found = known.get(key);
    if (found) return found.value;
    const value = derive(of, key);
    known.set(key, { value });
    return value;
  };
}

/** The same for the key asked last: for keys that run on, as time does. */
export function latestPer<K extends object, Key, T>(derive: (of: K, key: Key) => T): (of: K, key: Key) => T {
  const latest = new WeakMap<K, { key: Key; value: T }>();
  return (of, key) => {
    const found = latest.get(of);
    if (found?.key === key) return found.value;
    const value = derive(of, key);
    latest.set(of, { key, value });
    return value;
  };
}
