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
  /** Drawn pictures have no lens and no grain. */
  readonly isDrawn?: boolean;
}
