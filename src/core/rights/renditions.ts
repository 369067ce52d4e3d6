/**
 * Which files are renditions of one picture, which of them is its master, and how each differs from it: what is recorded for
 * a master holds for all its renditions, and what was made otherwise of it is a modification.
 */
import type { Family } from '../picture/families';
import { WHOLE, type Rect } from '../picture/grey-plane';
import { resample } from '../picture/kernels/comparing';
import { judged, type Link, type Looks } from '../picture/judge';
import { compareDetail } from '../picture/detail';
import { modificationsOf, type Modification, type Version } from './modification';

/** A file of the site as its picture knows it. */
export interface Rendition {
  /** The address of the picture's master; names the picture. */
  readonly master: string;
  /** How it differs from the master. Looked at when it is asked for: most licences do not care. */
  readonly changes: () => readonly Modification[];
  /** Where it lies in the master, which is turned as it is; `null` where that is not known. */
  readonly frame: () => Rect | null;
  /** The addresses of all files of the picture. */
  readonly files: readonly string[];
}

/** What is asked about files to sort them. */
export interface RenditionSources {
  /** Addresses of the files with the same bytes, by their id. */
  readonly addressesOf: (id: string) => readonly string[];
  readonly sizeOf: (id: string) => { readonly widthPx: number; readonly heightPx: number };
  readonly looksOf: (id: string) => Looks;
  /** Whether a record names this very address. */
  readonly isNamed: (address: string) => boolean;
}

/** @returns by address, for every file of the families; its changes may be asked for as long as the sources answer */
export function renditionsOf(families: readonly Family[], sources: RenditionSources): Map<string, Rendition> {
  const renditions = new Map<string, Rendition>();
  for (const group of withTwins(families, sources)) {
    const [first, ...turned] = group;
    if (!first) continue;
    const master = masterOf(first, sources);
    const named = sources.addressesOf(master).find(sources.isNamed);
    const address = named ?? sources.addressesOf(master)[0] ?? master;
    const files = group.flatMap(({ members }) => members.flatMap(({ id }) => sources.addressesOf(id)));
    const add = (id: string, look: () => readonly Modification[], frame: () => Rect | null) => {
      let known: readonly Modification[] | null = null;
      const changes = () => (known ??= look());
      for (const path of sources.addressesOf(id))
        renditions.set(path, { master: address, changes, frame, files });
    };
    for (const member of first.members)
      add(
        member.id,
        () => changesOf(member, master, first, sources),
        () => frameOf(member, master, first),
      );
    for (const family of turned)
      for (const member of family.members)
        add(
          member.id,
          () => ['turned', ...changesOf(member, family.master, family, sources)],
          () => null,
        );
  }
  return renditions;
}

const versionOf = ({ sizeOf, looksOf }: RenditionSources, id: string): Version => ({
  ...looksOf(id),
  ...sizeOf(id),
});

/** Families that show the same, turned, as one group: the one that a record names, or the largest, first. */
function withTwins(families: readonly Family[], sources: RenditionSources): Family[][] {
  const byMaster = new Map(families.map((family) => [family.master, family]));
  const isDone = new Set<Family>();
  const groups: Family[][] = [];
  for (const family of families) {
    if (isDone.has(family)) continue;
    const group: Family[] = [];
    const open = [family];
    for (let next = open.pop(); next; next = open.pop()) {
      if (isDone.has(next)) continue;
      isDone.add(next);
      group.push(next);
      for (const { to } of next.twins) {
        const other = byMaster.get(to);
        if (other) open.push(other);
      }
    }
    const rank = (one: Family) =>
      one.members.some(({ id }) => sources.addressesOf(id).some(sources.isNamed)) ? 1 : 0;
    groups.push(
      group.sort((a, b) => rank(b) - rank(a) || areaOf(b.master, sources) - areaOf(a.master, sources)),
    );
  }
  return groups;
}

function areaOf(id: string, { sizeOf }: RenditionSources): number {
  const { widthPx, heightPx } = sizeOf(id);
  return widthPx * heightPx;
}

/** Share of the largest file's width from which another one may be what it was made from. */
const AS_LARGE = 0.97;
/** Share of a side that a picture takes within its border, at least. */
const LEAST_INSIDE = 0.6;
/** Standard deviation of brightness, of 255, below which what lies around a picture is a border. */
const EVEN = 7;

/**
 * The file that the others were made from. The largest, but where that one has a border or something laid over it that
 * another has not; of files of one size, that a record names, or after which the largest is named.
 */
function masterOf({ master, members }: Family, sources: RenditionSources): string {
  const isNamed = (id: string) => sources.addressesOf(id).some(sources.isNamed);
  if (isNamed(master)) return master;
  const width = sources.sizeOf(master).widthPx;
  const others = members.filter(({ id, link }) => id !== master && link !== null);
  const candidates = others.filter(({ id, link }) => {
    if (!link) return false;
    if (isWhole(link.own) && !isWhole(link.other))
      return (
        Math.min(link.other.width, link.other.height) >= LEAST_INSIDE &&
        isBorderAround(sources.looksOf(master), link.other)
      );
    return isWhole(link.own) && isWhole(link.other) && sources.sizeOf(id).widthPx >= AS_LARGE * width;
  });
  const named = candidates.find(({ id }) => isNamed(id));
  if (named) return named.id;
  const byName = namedAfter([master, ...candidates.map(({ id }) => id)], members, sources);
  if (byName !== null) return byName;
  const cleaner = candidates.find(({ id, link }) =>
    link && !isWhole(link.other) ? true : isMarkedBeside(sources.looksOf(master), sources.looksOf(id), link),
  );
  return cleaner?.id ?? master;
}

/** Of several files the one after which most others are named: copies are called like what they were made from, and more. */
function namedAfter(
  ids: readonly string[],
  members: Family['members'],
  { addressesOf }: RenditionSources,
): string | null {
  const stems = members.map(({ id }) => stemOf(addressesOf(id)[0] ?? ''));
  const followers = (id: string) => {
    const own = stemOf(addressesOf(id)[0] ?? '');
    return own === '' ? 0 : stems.filter((stem) => stem.length > own.length && stem.startsWith(own)).length;
  };
  const ranked = ids.map((id) => ({ id, count: followers(id) })).sort((a, b) => b.count - a.count);
  const [first] = ranked;
  return first && first.count > 0 ? first.id : null;
}

const stemOf = (address: string): string =>
  address
    .replace(/^.*\//su, '')
    .replace(/\.\w+$/u, '')
    .toLowerCase();
const isWhole = ({ width, height }: Rect): boolean => width > 0.985 && height > 0.985;

/** Whether all that lies around a part of a picture is one even tone. */
function isBorderAround({ plane }: Looks, { left, top, width, height }: Rect): boolean {
  const strips: Rect[] = [
    { left: 0, top: 0, width: 1, height: top },
    { left: 0, top: top + height, width: 1, height: 1 - top - height },
    { left: 0, top: 0, width: left, height: 1 },
    { left: left + width, top: 0, width: 1 - left - width, height: 1 },
  ];
  const wide = strips.filter((strip) => strip.width > 0.008 && strip.height > 0.008);
  return (
    wide.length > 0 &&
    wide.every((strip) => {
      // What touches the picture itself is left out: its edge runs in.
      const inner = inset(strip);
      const cells = resample(plane, inner, [12, 12]);
      const mean = cells.reduce((sum, value) => sum + value, 0) / cells.length;
      const square = cells.reduce((sum, value) => sum + (value - mean) ** 2, 0) / cells.length;
      return Math.sqrt(square) <= EVEN;
    })
  );
}

function inset(strip: Rect): Rect {
  const isLying = strip.width > strip.height;
  const part = 0.6;
  if (isLying) {
    const top = strip.top === 0 ? 0 : strip.top + strip.height * (1 - part);
    return { ...strip, top, height: strip.height * part };
  }
  const left = strip.left === 0 ? 0 : strip.left + strip.width * (1 - part);
  return { ...strip, left, width: strip.width * part };
}

/** Tiles of structure that the one has and the other lacks, as a share, from which something was laid over it. */
const LAID_OVER = 0.02;
const SAMPLES = 192;

/** Whether the first has something laid over it that the second lacks. */
function isMarkedBeside(first: Looks, second: Looks, link: Link | null): boolean {
  if (!link || link.kind !== 'over' || link.isMirrored) return false;
  const { width, height } = first.plane;
  const scale = Math.min(1, SAMPLES / Math.max(width, height));
  const size = [Math.max(8, Math.round(width * scale)), Math.max(8, Math.round(height * scale))] as const;
  const a = resample(first.plane, link.other, size);
  const b = resample(second.plane, link.own, size);
  const { onlyFirst, onlySecond } = compareDetail(a, b, size[0], size[1]);
  return onlyFirst > LAID_OVER && onlyFirst > 2 * onlySecond;
}

function changesOf(
  { id, link }: { readonly id: string; readonly link: Link | null },
  master: string,
  family: Family,
  sources: RenditionSources,
): Modification[] {
  if (id === master || !link) return [];
  if (master === family.master)
    return modificationsOf(versionOf(sources, id), versionOf(sources, master), link);
  const other = family.members.find((member) => member.id === master)?.link;
  if (!other) return [];
  const [own, original] = [versionOf(sources, id), versionOf(sources, master)];
  const through = linkBetween(link, other);
  if (!through) return [];
  const isWholeFrame = isWhole(through.own) && isWhole(through.other) && !through.isMirrored;
  const kind = isWholeFrame ? (judged(own, original, WHOLE, { isMirrored: false })?.kind ?? 'same') : 'same';
  return modificationsOf(own, original, { ...through, kind });
}

/** Where a file lies in the master, in shares of the master. */
function frameOf(
  { id, link }: { readonly id: string; readonly link: Link | null },
  master: string,
  family: Family,
): Rect | null {
  if (id === master) return WHOLE;
  if (!link) return null;
  if (master === family.master) return link.other;
  const other = family.members.find((member) => member.id === master)?.link;
  return other ? (linkBetween(link, other)?.other ?? null) : null;
}

/** How a picture lies in another one, both being known to lie in a third. */
function linkBetween(own: Link, other: Link): Omit<Link, 'kind'> | null {
  const common = intersection(own.other, other.other);
  if (!common) return null;
  return {
    own: mapped(common, own.other, own.own),
    other: mapped(common, other.other, other.own),
    isMirrored: own.isMirrored !== other.isMirrored,
    score: Math.min(own.score, other.score),
    isClose: own.isClose && other.isClose,
  };
}

function intersection(a: Rect, b: Rect): Rect | null {
  const left = Math.max(a.left, b.left);
  const top = Math.max(a.top, b.top);
  const width = Math.min(a.left + a.width, b.left + b.width) - left;
  const height = Math.min(a.top + a.height, b.top + b.height) - top;
  return width > 0 && height > 0 ? { left, top, width, height } : null;
}

function mapped(rect: Rect, from: Rect, to: Rect): Rect {
  const [across, down] = [to.width / from.width, to.height / from.height];
  return {
    left: to.left + (rect.left - from.left) * across,
    top: to.top + (rect.top - from.top) * down,
    width: rect.width * across,
    height: rect.height * down,
  };
}
