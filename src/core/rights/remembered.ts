/** What a function makes of a thing, made once for as long as the thing is kept. */
export function remembered<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const made = new WeakMap<K, { readonly value: V }>();
  return (of) => {
    let known = made.get(of);
    if (!known) made.set(of, (known = { value: make(of) }));
    return known.value;
  };
}
