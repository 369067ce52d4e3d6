/** The W3C's alt decision tree (https://www.w3.org/WAI/tutorials/images/decision-tree/), as far as markup tells. */
import { onceFor } from './once-for';
import type { PlacementToCheck } from './page-to-check';

/**
 * `functional`: what a press on it does must be said. `decorative`: the markup takes it out. `complex`: it holds data
 * that a few words can't carry. `informative`: what it shows must be said.
 */
export type AltBranch = 'functional' | 'decorative' | 'complex' | 'informative';

const COMPLEX =
  /(?<!\p{L})(?:charts?|graphs?|diagrams?|maps?|floor ?plans?|plan of|timetables?|flow ?charts?|infographics?|diagramm|karte|stundenplan|lageplan|carte|plan|graphique|horaires?|mapa|gr[áa]fico|plano|horario)(?!\p{L})/iu;

/** Which branch a place takes. */
export const altBranch: (placement: PlacementToCheck) => AltBranch = onceFor((placement) => {
  const { decorative, alt, caption, raw } = placement;
  if (isAllOfControl(placement)) return 'functional';
  if (decorative) return 'decorative';
  return COMPLEX.test(`${alt ?? ''} ${caption ?? ''} ${raw.split('/').at(-1) ?? ''}`.replace(/[-_]/gu, ' '))
    ? 'complex'
    : 'informative';
});

type Written = Pick<PlacementToCheck, 'kind' | 'raw'>;

/** Whether its words are written in an alt attribute; else in a label. */
export const takesAlt = ({ kind, raw }: Written): boolean =>
  kind !== 'object' && (kind !== 'drawn' || raw.toLowerCase() === 'img');

/** Whether a place may say that it is decoration: a button and a link may not, and a role of a picture says that it is none. */
export const mayBeDecoration = (place: Written): boolean =>
  takesAlt(place) && place.kind !== 'input' && place.kind !== 'area';

/** Whether the picture is all that a link or button has: its words are the name of what a press does. */
export const isAllOfControl = ({
  kind,
  link,
  context,
}: Pick<PlacementToCheck, 'kind' | 'link' | 'context'>): boolean =>
  kind === 'input' || isOnlyContent(link) || context.button === '';

/** Whether the picture is all that its link has. */
export function isOnlyContent(link: PlacementToCheck['link']): boolean {
  return link !== null && link.text.trim() === '';
}
