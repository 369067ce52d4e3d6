/** Finds groups of files by what the picture that stands for each looks like. */
import { CandidateIndex, type Candidate, type Searchable } from './candidate-index';
import type { DctHash } from './dct-hash';
import type { Group } from './family-groups';
import type { Fingerprint } from './fingerprint';

export class GroupIndex {
  private index: CandidateIndex | null = null;
  private readonly groups: Group[] = [];
  /** Looks of the last groups, which no search has asked for yet. */
  private waiting: (() => Searchable)[] = [];

  /** @param expected about how many groups will come */
  constructor(private readonly expected: number) {}

  get size(): number {
    return this.groups.length;
  }

  /** @param looks gives what a group looks like; asked for where something is searched, once */
  add(group: Group, looks: () => Searchable): void {
    this.groups.push(group);
    this.waiting.push(looks);
  }

  /** Of the groups that are wanted those that may show the same as a picture, the likeliest first. */
  find(
    print: Fingerprint,
    most: number,
    isWanted: (group: Group) => boolean,
  ): { readonly candidate: Candidate; readonly group: Group }[] {
    const found = this.made().find(print, most, (picture) => isWanted(this.groups[picture] as Group));
    return found.map((candidate) => ({ candidate, group: this.groups[candidate.picture] as Group }));
  }

  /** Groups whose whole picture has nearly that hash. */
  findWhole(hash: DctHash): Group[] {
    return this.made()
      .findWhole(hash)
      .map((picture) => this.groups[picture] as Group);
  }

  private made(): CandidateIndex {
    this.index ??= new CandidateIndex(this.expected);
    for (const looks of this.waiting) this.index.add(looks());
    this.waiting = [];
    return this.index;
  }
}
