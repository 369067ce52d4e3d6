/**
 * Puts files together that are one picture. Files that show the very same frame make a group; a group that is cut from
 * another, has a border or something laid over it joins that one's family. Every file is held against the family's own
 * picture, never against a neighbour alone, so that two pictures are not chained together by what lies between them.
 */
import type { Searchable } from './candidate-index';
import { isSameShape, linksTo, linkThrough } from './compare';
import { placedAnew, type Correction, type FamilyFile, type FamilyState, type Twin } from './family-state';
import type { Fingerprint } from './fingerprint';
import {
  mayJoin,
  explained,
  explainsBetter,
  turned,
  witness,
  compared,
  weight,
  area,
  byStanding,
  pairKey,
  type GroupLink,
  type Group,
  type GroupTwin,
  type DoubtfulPair,
  type Settled,
} from './family-groups';
import { WHOLE } from './grey-plane';
import { GroupIndex } from './group-index';
import { agreeExactly, type Link } from './judge';
import { mayLie, isTurned, turnedHash, TURNS, type Quarters } from './turned';

interface Member {
  readonly id: string;
  readonly isMaster: boolean;
  /** How it lies in the master; of the master itself the whole. `null` where only a person put it there. */
  readonly link: Link | null;
}

export interface Family {
  /** The file that stands for all of them: the largest of the widest frame. */
  readonly master: string;
  readonly members: readonly Member[];
  readonly twins: readonly Twin[];
}

/**
 * Candidates that are looked at. Of the many look-alikes that a screen in eight languages has, those come first that
 * stand in several files: a cutting is to be held against the pictures, not against cuttings of all the others.
 */
const MOST = 12;
const FOUND = 40;
/** Share of what speaks for the likeliest candidate that makes another about as likely. */
const ABOUT_AS_LIKELY = 0.5;
/** A file that is linked to so many groups stands among look-alikes, and may not have met its own. */
const CROWD = 3;

const SELF: Link = { kind: 'same', isMirrored: false, own: WHOLE, other: WHOLE, score: 1, isClose: true };

export class FamilyBuilder {
  private readonly index: GroupIndex;
  /** Of a builder that went on from another one: its groups of several files that are fresh. */
  private late = new GroupIndex(0);
  private readonly groups: Group[] = [];
  private readonly groupOf = new Map<string, Group>();
  /** Groups that were opened, or got a second file, by this builder. */
  private readonly fresh = new Set<Group>();
  /** Links of each group seen from its own side, as they stood when lonely files were asked for. */
  private readonly inbound = new Map<Group, { to: Group; link: Link }[]>();
  /** Pairs of files, each standing for its group, that this builder found to show different things. */
  private readonly refused = new Set<string>();
  private readonly apart = new Map<string, Pick<Correction, 'a' | 'b'>>();
  private readonly together: Correction[] = [];

  /**
   * @param load gives the fingerprint of a file by its id; it may be asked for the same one again
   * @param corrections what persons said; it holds whatever files look like
   * @param expected about how many files will come
   */
  constructor(
    private readonly load: (id: string) => Fingerprint,
    corrections: readonly Correction[] = [],
    expected = 1000,
  ) {
    this.index = new GroupIndex(expected);
    for (const correction of corrections) {
      if (correction.kind === 'together') this.together.push(correction);
      else this.apart.set(pairKey(correction.a, correction.b), { a: correction.a, b: correction.b });
    }
  }

  /**
   * Goes on from what a builder knew, without looking at its pictures again. Files that are no longer wanted are left
   * out, and so are those that a person has put apart from the rest of their group since, or no longer does: they are
   * placed anew.
   */
  restore(
    state: FamilyState,
    isWanted: (id: string) => boolean,
    landmarksOf: (id: string) => Searchable,
  ): void {
    const together = (state.apart ?? []).filter(({ a, b }) => !this.apart.has(pairKey(a, b)));
    const known = together.reduce(placedAnew, state);
    const groups = known.groups.flatMap(({ files, links, twins = [] }) => {
      const [first, ...others] = files.filter(({ id }) => isWanted(id));
      if (!first) return [];
      const kept = [first];
      for (const file of others)
        if (!kept.some(({ id }) => this.apart.has(pairKey(id, file.id)))) kept.push(file);
      const group: Group = { files: kept, links: [], twins: [] };
      return [{ group, links, twins }];
    });
    for (const { group } of groups) {
      const { id } = group.files[0] as FamilyFile;
      this.open(group, () => landmarksOf(id));
    }
    for (const { group, links, twins } of groups) {
      for (const { to, quarters } of twins) {
        const other = this.groupOf.get(to);
        if (other && other !== group) group.twins.push({ to: other, quarters });
      }
      for (const { to, link, witnesses = 0, isCertain = false } of links) {
        const other = this.groupOf.get(to);
        if (other && other !== group && !this.areApart(group, other))
          group.links.push({ to: other, link, witnesses, ...(isCertain ? { isCertain } : {}) });
      }
    }
  }

  /** What is known, to be restored by another builder. */
  state(): FamilyState {
    return {
      groups: this.groups.map(({ files, links, twins }) => ({
        files,
        ...(twins.length > 0
          ? { twins: twins.map(({ to, quarters }) => ({ to: (to.files[0] as FamilyFile).id, quarters })) }
          : {}),
        links: links.map(({ to, link, witnesses, isCertain }) => ({
          ...{ to: (to.files[0] as FamilyFile).id, link },
          ...(witnesses > 0 ? { witnesses } : {}),
          ...(isCertain ? { isCertain } : {}),
        })),
      })),
      ...(this.apart.size > 0 ? { apart: [...this.apart.values()] } : {}),
    };
  }

  /** Places a file; the largest should come first. One that is known already is passed over. */
  add(file: FamilyFile): void {
    if (this.groupOf.has(file.id)) return;
    const print = this.load(file.id);
    const others = this.likely(this.index, print, (to) =>
      to.files.every(({ id }) => !this.apart.has(pairKey(id, file.id))),
    );
    const links = this.linksOf(file.id, print, others);
    links.sort((a, b) => b.link.score - a.link.score);
    const [same, ...moreSame] = links.filter(({ link }) => link.kind === 'same' && !link.isMirrored);
    if (same && !links.some(({ link }) => explainsBetter(link, same.link))) {
      for (const { to, link } of moreSame) witness(same.to, to, link);
      // The largest stands for all of them.
      if (area(file) > area(same.to.files[0] as FamilyFile)) same.to.files.unshift(file);
      else same.to.files.push(file);
      if (same.to.files.length === 2) this.fresh.add(same.to);
      this.groupOf.set(file.id, same.to);
      return;
    }
    const group = { files: [file], links, twins: this.twinsOf(print) };
    this.fresh.add(group);
    this.open(group, () => print);
  }

  /** Links of a file to the groups that it is compared with; those that show something else are remembered. */
  private linksOf(id: string, print: Fingerprint, likely: ReturnType<FamilyBuilder['likely']>): GroupLink[] {
    const { links, others } = linksTo(print, likely);
    for (const { group } of others) this.refused.add(pairKey(id, (group.files[0] as FamilyFile).id));
    return links.map(({ to, link }) => ({ to: to.group, link, witnesses: 0 }));
  }

  /** The groups among some that a picture is to be compared with, of those that are wanted. */
  private likely(among: GroupIndex, print: Fingerprint, isWanted: (to: Group) => boolean) {
    const found = among.find(print, FOUND, isWanted);
    const least = ABOUT_AS_LIKELY * (found[0]?.candidate.worth ?? 0);
    const rank = (worth: number, { files }: Group) => (worth < least ? 2 : files.length > 1 ? 0 : 1);
    return found
      .sort((a, b) => rank(a.candidate.worth, a.group) - rank(b.candidate.worth, b.group))
      .slice(0, MOST)
      .map((one) => ({ ...one, print: this.printOf(one.group) }));
  }

  /** Groups that show the same as a picture that was turned. */
  private twinsOf(print: Fingerprint): GroupTwin[] {
    if (!mayLie(print)) return [];
    return TURNS.flatMap((quarters) => {
      const near = this.index.findWhole(turnedHash(print.hash, quarters)).slice(0, MOST);
      return near.filter((to) => isTurned(print, this.printOf(to), quarters)).map((to) => ({ to, quarters }));
    });
  }

  /**
   * Files that are linked to no group of several once all are placed: they came before it, or know it only by way of
   * another; and those that stand among look-alikes. To be looked at again, one by one.
   */
  lonely(): string[] {
    const isKnown = new Set<Group>();
    this.inbound.clear();
    for (const group of this.groups) {
      for (const { to, link } of group.links) {
        this.inbound.set(to, [...(this.inbound.get(to) ?? []), { to: group, link: turned(link) }]);
        if (to.files.length > 1) isKnown.add(group);
        if (group.files.length > 1) isKnown.add(to);
      }
    }
    const late = this.groups.filter((group) => group.files.length > 1 && this.fresh.has(group));
    this.late = new GroupIndex(late.length);
    for (const group of late) this.late.add(group, () => this.printOf(group));
    const isInCrowd = (group: Group) => this.neighbours(group).length >= CROWD;
    const alone = this.groups.filter(
      (group) => group.files.length === 1 && (!isKnown.has(group) || isInCrowd(group)),
    );
    return alone.map(({ files }) => (files[0] as FamilyFile).id);
  }

  /** Holds a lonely file against the groups that stand in several files. */
  lookAgain(id: string): void {
    const group = this.groupOf.get(id);
    if (!group) return;
    // Of a group that was looked at before it is only asked what came since. Where that is much, the best of all are asked.
    const isAskedOfAll = this.fresh.has(group) || this.late.size > MOST;
    if (!isAskedOfAll && this.late.size === 0) return;
    const isWorth = (to: Group) =>
      to !== group &&
      to.files.length > 1 &&
      (this.fresh.has(group) || this.fresh.has(to)) &&
      !this.areApart(group, to);
    const isMet = new Set(this.neighbours(group).map(({ to }) => to));
    const print = this.load(id);
    const others = this.likely(
      isAskedOfAll ? this.index : this.late,
      print,
      (to) => isWorth(to) && !isMet.has(to) && !this.refused.has(pairKey(id, (to.files[0] as FamilyFile).id)),
    );
    group.links.push(...this.linksOf(id, print, others));
    if (group.links.some(({ to }) => to.files.length > 1)) return;
    for (const near of this.neighbours(group)) {
      for (const far of this.neighbours(near.to)) {
        if (!isWorth(far.to) || group.links.some(({ to }) => to === far.to)) continue;
        const link = linkThrough(print, this.printOf(far.to), near.link, far.link);
        if (link) group.links.push({ to: far.to, link, witnesses: 0 });
      }
    }
  }

  /**
   * Pairs of groups that each stand in several files and are linked, but not so that their largest files make them one:
   * to be held against each other file by file.
   */
  doubtful(): DoubtfulPair[] {
    const pairs: DoubtfulPair[] = [];
    for (const own of this.groups) {
      for (const link of own.links) {
        const isFresh = this.fresh.has(own) || this.fresh.has(link.to);
        const isOpen = !link.link.isMirrored && !link.isCertain && !mayJoin(own, link);
        if (isFresh && isOpen && !this.areApart(own, link.to)) pairs.push({ own, link });
      }
    }
    return pairs;
  }

  /** Looks whether files of two groups agree pixel by pixel: no two pictures have such files, so that they are one. */
  compareAcross({ own, link }: DoubtfulPair): void {
    const [ones, others] = [compared(own), compared(link.to)];
    const agree = ones.some((a) => {
      const print = this.load(a.id);
      return others.some((b) => {
        const other = this.load(b.id);
        return isSameShape(print.plane, other.plane) && agreeExactly(print, other);
      });
    });
    if (agree) link.isCertain = true;
  }

  private printOf({ files }: Group): Fingerprint {
    return this.load((files[0] as FamilyFile).id);
  }

  /** The groups that one is linked to, from either side; mirrored ones are left out. */
  private neighbours(group: Group): { to: Group; link: Link }[] {
    return [...group.links, ...(this.inbound.get(group) ?? [])].filter(({ link }) => !link.isMirrored);
  }

  private open(group: Group, looks: () => Searchable): void {
    this.index.add(group, looks);
    this.groups.push(group);
    for (const { id } of group.files) this.groupOf.set(id, group);
  }

  private areApart(one: Group, other: Group): boolean {
    return one.files.some((a) => other.files.some((b) => this.apart.has(pairKey(a.id, b.id))));
  }

  /** The families as they stand, each with how its files lie in its master. */
  families(): Family[] {
    const roots = this.settle();
    const byRoot = new Map<Group, Member[]>();
    for (const group of this.groups) {
      const { root, link } = roots.get(group) as Settled;
      const members = byRoot.get(root) ?? [];
      byRoot.set(root, members);
      for (const file of group.files) {
        const isMaster = group === root && file === group.files[0];
        members.push({ id: file.id, isMaster, link: isMaster || group === root ? SELF : link });
      }
    }
    const twins = this.twinsOfRoots(roots);
    return [...byRoot].map(([root, members]) => ({
      master: (root.files[0] as FamilyFile).id,
      members,
      twins: twins.get(root) ?? [],
    }));
  }

  /** Of every family those that show the same turned, from both sides. */
  private twinsOfRoots(roots: ReadonlyMap<Group, Settled>): Map<Group, Twin[]> {
    const twins = new Map<Group, Twin[]>();
    const add = (from: Group, to: Group, quarters: Quarters) => {
      const id = (to.files[0] as FamilyFile).id;
      const known = twins.get(from) ?? [];
      if (!known.some((one) => one.to === id)) twins.set(from, [...known, { to: id, quarters }]);
    };
    for (const group of this.groups) {
      for (const { to, quarters } of group.twins) {
        const [own, other] = [group, to].map((one) => (roots.get(one) as Settled).root) as [Group, Group];
        if (own === other) continue;
        add(own, other, quarters);
        add(other, own, (4 - quarters) as Quarters);
      }
    }
    return twins;
  }

  /** For every group the one whose family it belongs to. */
  private settle(): Map<Group, Settled> {
    const links = new Map<Group, GroupLink[]>(this.groups.map((group) => [group, []]));
    for (const group of this.groups) {
      for (const { to, link, witnesses, isCertain = false } of group.links) {
        links.get(group)?.push({ to, link, witnesses, isCertain });
        links.get(to)?.push({ to: group, link: turned(link), witnesses, isCertain });
      }
    }
    const settled = new Map<Group, Settled>();
    for (const group of [...this.groups].sort(byStanding)) {
      const own = links.get(group) ?? [];
      // One that agrees with it pixel by pixel lies where that one lies.
      const certain = own.flatMap((one) => (one.isCertain ? (settled.get(one.to) ?? []) : []))[0];
      const best = own
        .filter((one) => settled.get(one.to)?.root === one.to && mayJoin(group, one))
        .sort((a, b) => explained(b.link) - explained(a.link))[0];
      settled.set(
        group,
        certain ?? (best ? { root: best.to, link: best.link } : { root: group, link: SELF }),
      );
    }
    for (const { a, b } of this.together) this.joinByHand(settled, a, b);
    return settled;
  }

  private joinByHand(settled: Map<Group, Settled>, a: string, b: string): void {
    const first = this.groupOf.get(a);
    const second = this.groupOf.get(b);
    if (!first || !second) return;
    const roots = [(settled.get(first) as Settled).root, (settled.get(second) as Settled).root] as const;
    if (roots[0] === roots[1]) return;
    const [keeps, goes] = weight(roots[0]) >= weight(roots[1]) ? roots : [roots[1], roots[0]];
    for (const [group, { root }] of settled)
      if (root === goes) settled.set(group, { root: keeps, link: null });
  }
}
