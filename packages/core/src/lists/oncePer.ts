/** What `make` makes of an object, made when it is first asked for, and kept as long as the object is. */
export function oncePer<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const made = new WeakMap<K, { readonly value: V }>();
  return (key) => {
    let known = made.get(key);
    if (!known) made.set(key, (known = { value: make(key) }));
    return known.value;
  };
}
