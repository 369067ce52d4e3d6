/**
 * JSON for PostgreSQL, whose text holds neither NUL nor half a surrogate pair; both become U+FFFD. JSON writes them as
 * escapes, so that a text without those need not be gone through value by value.
 */
export function storableJson(value: unknown): string {
  const text = JSON.stringify(value);
  return /\\u(?:0000|d[89a-f])/iu.test(text) ? JSON.stringify(value, storable) : text;
}

function storable(_key: string, value: unknown): unknown {
  return typeof value === 'string' ? value.toWellFormed().replaceAll('\0', '\ufffd') : value;
}
