/** Adds a value to those that are filed under a key. */
export function fileUnder<K, V>(filed: Map<K, V[]>, key: K, value: V): void {
  const there = filed.get(key);
  if (there) there.push(value);
  else filed.set(key, [value]);
}
