/**
 * An address as the URL standard reads it (https://url.spec.whatwg.org/#concept-url-parser); `null` where it is none.
 *
 * `URL.canParse` is not asked: once it is compiled, Node 20 hands it texts of Latin letters as if they were UTF-8, and it says
 * no to `http://müller.example/`.
 *
 * @param base what it is read against; without one only an absolute address is one
 */
export function parseUrl(address: string, base?: string | URL): URL | null {
  try {
    return new URL(address, base);
  } catch {
    return null;
  }
}
