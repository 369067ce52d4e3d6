/** How Ibidem reaches a site's files, wherever they live. A new way in is a file beside this one. */
import type { SiteAddressing } from '@/core/address/resolve-address';

/** One file of a site as its listing shows it. */
export interface SiteFile {
  /** Relative to the site's root, with `/` between segments. */
  readonly path: string;
  readonly sizeBytes: number;
  /** Last change in ms since 1970, or `null` where the connection can't tell. */
  readonly modifiedMs: number | null;
  /** Changes whenever the file does, whoever changes it and whatever they do to its date; not every connection has one. */
  readonly mark?: string;
  /** Path of the file itself, where this is a second address of it, through a link. */
  readonly sameAs?: string;
  /** For a site read by its address: where the file came from, and the charset the server named. */
  readonly url?: string;
  readonly httpCharset?: string | null;
  /** For a page of such a site: whether the server called it XML. */
  readonly isXml?: boolean;
  /** What the server said it is; elsewhere the name tells. */
  readonly role?: FileRole;
  /** Why it could not be had just now, though it may well be there: what was known of it before stands. */
  readonly problem?: string;
}

/** Something at the site that was not read, and why. */
export interface SkippedEntry {
  readonly path: string;
  readonly reason: string;
}

/** A link of the disk that stays inside the site. */
export interface SiteLink {
  readonly path: string;
  /** Path of the file or folder that it stands for. */
  readonly leadsTo: string;
}

export interface SiteListing {
  readonly files: readonly SiteFile[];
  readonly skipped: readonly SkippedEntry[];
  /** Absent where a connection knows no links. */
  readonly links?: readonly SiteLink[];
}

export interface ReadableConnection {
  /** How the site's own addresses are told from others, where that is not as among files. */
  readonly site?: SiteAddressing;
  list(): Promise<SiteListing>;
  /** The bytes of a file; rejects with a `ProblemError` where it can't be had. */
  read(path: string): Promise<Uint8Array>;
  /**
   * Looks for files that no listing shows, as those of a live site that only its pages name. Files that are not there
   * are left out.
   */
  find?(paths: readonly string[]): Promise<readonly SiteFile[]>;
  /** The hash of a file whose bytes need not be read for it. */
  hashOf?(path: string): string | undefined;
  /** The path of the file itself that a path stands for: another one where a link leads to it. */
  sourceOf?(path: string): Promise<string>;
  close(): Promise<void>;
}

export interface WritableConnection extends ReadableConnection {
  /** Replaces or adds a file at one stroke: readers see the old bytes or the new ones, never a part. */
  write(path: string, bytes: Uint8Array): Promise<void>;
  /** Takes a file away; it is no error when it is gone already. */
  remove(path: string): Promise<void>;
  /**
   * What a file would lose by being written anew, each as the rest of the sentence “once written, it …”: an owner that
   * this process may not give, a hard link.
   */
  losesByWriting?(path: string): Promise<readonly string[]>;
  /** Takes away what earlier writes left unfinished, and tells which; to be called while nothing else writes. */
  tidy?(): Promise<readonly string[]>;
}

/** What a file of a site is, where its name does not tell. */
export type FileRole = 'page' | 'sheet' | 'manifest' | 'file';
