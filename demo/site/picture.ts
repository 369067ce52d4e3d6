/** One picture file of the demo site. */
export interface Picture {
  /** Path in the site; the ending tells the format. */
  readonly path: string;
  readonly scene: string;
  readonly width: number;
  readonly height: number;
  /** Camera date, `YYYY:MM:DD hh:mm:ss`, where there is one. */
  readonly taken?: string;
  /** When a paper picture was scanned, likewise. */
  readonly scanned?: string;
  /** The days, as in `2019-07-04`, between which it was really taken, where `taken` does not say it. */
  readonly shot?: readonly [string, string];
  /** What an agency wrote into it. */
  readonly description?: string;
  /** The notice of copyright that somebody left in it. */
  readonly copyright?: string;
  /** The day on which the file was last written, as in `2024-03-05`; that on which the site is drawn, where it is left out. */
  readonly written?: string;
  /** What its bytes are where its ending says something else. */
  readonly format?: 'jpeg';
  /** Its pixels lie on their side: a camera noted it in the file, or a program that made a copy left the note out. */
  readonly onItsSide?: 'noted' | 'not noted';
  /** Drawn pictures have no lens and no grain. */
  readonly isDrawn?: boolean;
}
