/**
 * The JSON of a request's body, read no further than so many bytes; `null` where there is more, or it is no JSON, or a
 * text in it holds U+0000.
 */
export async function boundedJson(request: Request, maxBytes: number): Promise<unknown> {
  const reader = request.body?.getReader();
  if (!reader) return null;
  const chunks: Uint8Array[] = [];
  let length = 0;
  for (let next = await reader.read(); !next.done; next = await reader.read()) {
    length += next.value.length;
    if (length > maxBytes) {
      await reader.cancel();
      return null;
    }
    chunks.push(next.value);
  }
  const text = Buffer.concat(chunks).toString('utf8');
  if (/\0|\\u0000/u.test(text)) return null;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    // What is no JSON is answered as what it is: not what was asked for.
    return null;
  }
}
