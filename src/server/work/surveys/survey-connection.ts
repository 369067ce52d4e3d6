/** A site as a survey reads it. */
import type { ReadableConnection, SiteListing } from '../../connections/connection';

export interface SurveyConnection extends ReadableConnection {
  /** `isWhole`: whether everything was listed, so that what is not there is gone. */
  list(): Promise<SiteListing & { readonly isWhole: boolean }>;
}

export interface SurveyWatch {
  readonly isStopped: () => boolean;
  readonly onProgress: (done: number, total: number) => void;
}
