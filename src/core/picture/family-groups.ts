/** Groups of files that show the very same frame: how two are linked, when they are one picture, which stands for both. */
import type { FamilyFile } from './family-state';
import type { Link } from './judge';
import type { Quarters } from './turned';

export interface GroupLink {
  readonly to: Group;
  readonly link: Link;
  /** Files of the one group that also show the very same as the other. */
  witnesses: number;
  /** Files of both agree pixel by pixel: they are one picture, whatever their largest look like. */
  isCertain?: boolean;
}

export interface Group {
  readonly files: FamilyFile[];
  readonly links: GroupLink[];
  readonly twins: GroupTwin[];
}

export interface GroupTwin {
  readonly to: Group;
  readonly quarters: Quarters;
}

/**
 * Share of the smaller group's files that must show the very same as both groups to join them: few of them may be worn
 * enough to look like either.
 */
const WITNESSES = 0.5;
/** A lone file must be so much larger than a group of several to be the picture of a family. */
const LONE = 1.5;

/** Two groups that may be one picture. */
export interface DoubtfulPair {
  readonly own: Group;
  readonly link: GroupLink;
}

export interface Settled {
  readonly root: Group;
  readonly link: Link | null;
}

/**
 * Two groups that each stand in several files are two pictures that look alike, unless one is plainly cut from the
 * other: what is laid over a picture is laid over one file of it.
 */
export function mayJoin(group: Group, { to, link, witnesses }: GroupLink): boolean {
  const fewest = Math.min(group.files.length, to.files.length);
  if (fewest === 1 || (witnesses > 1 && witnesses >= WITNESSES * (fewest - 1))) return true;
  return link.kind !== 'over' && link.isClose;
}

/** How well a link explains a picture: of one that shows a part of it only, the rest stays unexplained. */
export const explained = ({ score, own }: Link): number => score * own.width * own.height;

/**
 * Whether a picture is far likelier cut from another than the very same as a third: the cutting of a drawing by night may
 * pass for that of the same by day, but is the drawing by night to the last line.
 */
export const explainsBetter = (part: Link, same: Link): boolean =>
  part.kind === 'part' && !part.isMirrored && explained(part) >= same.score + BETTER;

const BETTER = 0.04;

/** The same link seen from the other side. */
export const turned = (link: Link): Link => ({ ...link, own: link.other, other: link.own });

/** A file of the one group shows the very same as the other group, too. */
export function witness(one: Group, other: Group, link: Link): void {
  const known = one.links.find(({ to }) => to === other) ?? other.links.find(({ to }) => to === one);
  if (known) known.witnesses++;
  // What one file of a group looks like is not what the group does.
  else one.links.push({ to: other, link: { ...link, isClose: false }, witnesses: 1 });
}

/**
 * Which of two groups stands for both: the weightier one; where they weigh about the same, that of more files: a border
 * or a mark makes one file of a picture larger, or other, than all the rest.
 */
export function byStanding(a: Group, b: Group): number {
  const [one, other] = [weight(a), weight(b)];
  if (Math.max(one, other) > ABOUT_AS_LARGE * Math.min(one, other)) return other - one;
  return b.files.length - a.files.length || other - one;
}

const ABOUT_AS_LARGE = 1.3;

/** A few files of a group, of all its sizes. */
export function compared({ files }: Group): FamilyFile[] {
  const bySize = files.toSorted((a, b) => area(b) - area(a));
  const step = Math.max(1, bySize.length / COMPARED);
  return Array.from(
    { length: Math.min(COMPARED, bySize.length) },
    (_, n) => bySize[Math.floor(n * step)] as FamilyFile,
  );
}

const COMPARED = 5;

export function weight({ files }: Group): number {
  return area(files[0] as FamilyFile) * (files.length > 1 ? LONE : 1);
}

export const area = ({ widthPx, heightPx }: FamilyFile) => widthPx * heightPx;

export const pairKey = (a: string, b: string) => (a < b ? `${a} ${b}` : `${b} ${a}`);
