/** Takes pictures out of a JSON text: the member that names one, or the object that is nothing but the picture. */
import { findNodeAtOffset, parseTree, type Node } from 'jsonc-parser';
import type { Span } from '../source/span';

const PICTURE_TYPES = new Set(['ImageObject']);
/** Lists whose objects are pictures, by JSON-LD's and the web app manifest's names. */
const PICTURE_MEMBERS = new Set([
  'image', 'thumbnail', 'logo', 'photo', 'photos', 'primaryImageOfPage', 'screenshot', 'icons', 'screenshots', 'splash_screens',
]); // oxfmt-ignore

/**
 * The spans to cut, each with one of its commas; a list or an object that would be left with nothing goes too, but the
 * outermost never.
 *
 * @param spots where the addresses stand, between their quotes
 */
export function cutsInJson(text: string, spots: readonly Span[]): Span[] {
  const root = parseTree(text, [], { allowTrailingComma: true });
  if (!root) return [];
  const gone = new Set<Node>();
  for (const { start } of spots) {
    const node = findNodeAtOffset(root, start, true);
    if (node?.type === 'string') gone.add(wholePicture(node));
  }
  rise(gone);
  return spansOf(text, gone);
}

/** The property or list entry that a picture's address is written for. */
function wholePicture(address: Node): Node {
  const member = memberOf(address);
  const object = member.type === 'property' ? member.parent : null;
  if (!object || !isPicture(object)) return member;
  return memberOf(object);
}

/** A value as its container holds it: its property, or the value itself in a list. */
const memberOf = (value: Node): Node => (value.parent?.type === 'property' ? value.parent : value);

function isPicture(object: Node): boolean {
  const type = object.children?.find(({ children }) => children?.[0]?.value === '@type')?.children?.[1]
    ?.value;
  if (typeof type === 'string') return PICTURE_TYPES.has(type);
  const holder = object.parent?.type === 'array' ? object.parent.parent : object.parent;
  return holder?.type === 'property' && PICTURE_MEMBERS.has(String(holder.children?.[0]?.value));
}

function rise(gone: Set<Node>): void {
  const open = [...gone];
  for (const node of open) {
    const container = node.parent;
    if (!container || !container.parent) continue;
    if (!(container.children ?? []).every((child) => gone.has(child))) continue;
    const member = memberOf(container);
    gone.add(member);
    open.push(member);
  }
}

function spansOf(text: string, gone: ReadonlySet<Node>): Span[] {
  const spans: Span[] = [];
  const containers = new Set([...gone].flatMap(({ parent }) => (parent ? [parent] : [])));
  for (const container of containers) {
    if (isWithin(container, gone)) continue;
    const members = container.children ?? [];
    const isFirstLeft = members.findIndex((member) => !gone.has(member));
    for (const [i, member] of members.entries()) {
      if (!gone.has(member)) continue;
      const end = member.offset + member.length;
      const before = members[i - 1];
      const after = members[i + 1];
      // Before the first that stays, the comma behind goes along; after it, the one before.
      if (isFirstLeft > i) spans.push({ start: member.offset, end: after ? after.offset : end });
      else if (before) spans.push({ start: before.offset + before.length, end });
      else spans.push({ start: member.offset, end });
    }
    if (isFirstLeft < 0) spans.splice(0, spans.length, ...emptied(text, container, spans));
  }
  return spans;
}

/** The outermost container, left with nothing between its brackets. */
function emptied(text: string, { offset, length }: Node, spans: readonly Span[]): Span[] {
  const inside = { start: offset + 1, end: offset + length - 1 };
  const others = spans.filter(({ start, end }) => end <= inside.start || start >= inside.end);
  return text.slice(inside.start, inside.end) === '' ? others : [...others, inside];
}

function isWithin(node: Node, gone: ReadonlySet<Node>): boolean {
  for (let at: Node | undefined = node; at; at = at.parent) if (gone.has(at)) return true;
  return false;
}
