/** Credit lines within captions: who made a picture. */

/** The mark, and the name up to the end of the clause. */
export const CREDIT =
  /(?:©|\(c\)|(?<!\p{L})(?:photo(?:s|graph|graphie)?|picture|image|illustration|drawing|foto(?:s|grafie)?|bild|aufnahme|zeichnung|dessin|cliché|imagen|dibujo|fotografía)\s*(?:credit|by|von|par|de|por)?\s*:|(?<!\p{L})(?:photo(?:graph)?|picture|foto|bild)\s+(?:by|von|par|por)(?!\p{L}))\s*(?<name>(?:[^.;,|()\n]|(?<=\p{Lu})\.){0,80})/iu;

/** Other ways of saying it, within a sentence. */
const MADE_BY =
  /(?<!\p{L})(?:photographed|photo taken|taken|drawn|painted|fotografiert|aufgenommen|gezeichnet|photographiée?|prise|fotografiad[oa]|tomada|hecha)\s+(?:by|von|par|por)\s+(?<name>\p{Lu}[\p{L}’'-]+(?:\s+\p{Lu}[\p{L}’'-]+)+)/u;

/** Who is credited, each once; empty where a text credits nobody. */
export function creditedIn(text: string): string[] {
  const names = [CREDIT, MADE_BY].flatMap((pattern) => {
    const name = (pattern.exec(text)?.groups?.['name'] ?? '').replace(/^\s*(?:\d{4}\s*)+/u, '').trim();
    return /\p{L}/u.test(name) ? [name] : [];
  });
  return [...new Set(names)];
}

/** Whether a text is a credit and says nothing else. */
export function isOnlyCredit(text: string): boolean {
  const [found] = CREDIT.exec(text) ?? [];
  return found !== undefined && text.replace(found, '').replace(/[^\p{L}\p{N}]/gu, '') === '';
}
