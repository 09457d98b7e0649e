/**
 * Remembers what was computed for a pair of objects, for as long as both live. The objects are the shapes of parts and
 * openings, which are never changed once made.
 */
export function pairCache<A extends object, B extends object, Value>(
  compute: (a: A, b: B) => Value,
): (a: A, b: B) => Value {
  const known = new WeakMap<A, WeakMap<B, { readonly value: Value }>>();
  return (a, b) => {
    let ofA = known.get(a);
    if (!ofA) {
      ofA = new WeakMap();
      known.set(a, ofA);
    }
    let entry = ofA.get(b);
    if (!entry) {
      entry = { value: compute(a, b) };
      ofA.set(b, entry);
    }
    return entry.value;
  };
}
