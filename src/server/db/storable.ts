/** A replacer for `JSON.stringify`: PostgreSQL's text holds neither NUL nor half a surrogate pair; both become U+FFFD. */
export function storable(_key: string, value: unknown): unknown {
  return typeof value === 'string' ? value.toWellFormed().replaceAll('\0', '\ufffd') : value;
}
