/** What the surroundings say: every setting is read here, checked, and nowhere else. */
import { delimiter, resolve } from 'node:path';
import Joi from 'joi';
import { ProblemError } from './problem-error';

export interface Settings {
  readonly databaseUrl: string;
  /** Where bytes are kept. */
  readonly storeFolder: string;
  /** Where ZIPs are unpacked. */
  readonly sitesFolder: string;
  /** Everything that Ibidem keeps for itself. */
  readonly ownFolder: string;
  /** Folders below which sites may be connected. */
  readonly siteRoots: readonly string[];
  /** Secret that signs sessions. */
  readonly secret: string;
  /** Address of the application. */
  readonly appUrl: string;
  /** Whether the sign-in page offers the demo's sign-ins. */
  readonly isDemo: boolean;
  /** Whether heads are looked for in pictures that arrive. */
  readonly looksForHeads: boolean;
  /** Which jobs this worker takes: those that a person waits for, those that go on behind them, or all. */
  readonly jobs: 'all' | 'awaited' | 'background';
}

const SETTINGS = {
  DATABASE_URL: Joi.string()
    .uri({ scheme: ['postgres', 'postgresql'] })
    .required(),
  IBIDEM_VAR: Joi.string().default('var'),
  IBIDEM_SECRET: Joi.string().min(32).required(),
  IBIDEM_URL: Joi.string()
    .uri({ scheme: ['http', 'https'] })
    .default('http://127.0.0.1:4180'),
  IBIDEM_SITE_ROOTS: Joi.string().allow('').default(''),
  IBIDEM_DEMO: Joi.string().valid('0', '1').default('0'),
  IBIDEM_HEADS: Joi.string().valid('0', '1').default('1'),
  IBIDEM_JOBS: Joi.string().valid('all', 'awaited', 'background').default('all'),
};
const SCHEMA = Joi.object(SETTINGS).unknown();
const NAMES = Object.keys(SETTINGS);

/** The demo's site, and the roots that are named, separated as in `PATH`. */
function rootsOf(said: unknown, folder: string): string[] {
  const named = String(said)
    .split(delimiter)
    .filter((root) => root !== '')
    .map((root) => resolve(root));
  return [...named, resolve(folder, 'demo-site')];
}

let known: { readonly said: string; readonly settings: Settings } | undefined;

/** The settings, as the surroundings say them now; @throws ProblemError `SETTINGS` that names what is missing. */
export function settings(): Settings {
  const said = NAMES.map((name) => process.env[name]).join('\n');
  if (known?.said !== said) known = { said, settings: readSettings() };
  return known.settings;
}

function readSettings(): Settings {
  const { value, error } = SCHEMA.validate(process.env);
  if (error) {
    throw new ProblemError({
      code: 'SETTINGS',
      what: 'Ibidem can’t start.',
      why: `A setting is missing or wrong: ${error.message}.`,
      remedy: 'Start it by bin/demo, or set what the README lists.',
    });
  }
  const folder = resolve(String(value.IBIDEM_VAR));
  return {
    databaseUrl: String(value.DATABASE_URL),
    storeFolder: resolve(folder, 'store'),
    sitesFolder: resolve(folder, 'sites'),
    ownFolder: folder,
    siteRoots: rootsOf(value.IBIDEM_SITE_ROOTS, folder),
    secret: String(value.IBIDEM_SECRET),
    appUrl: String(value.IBIDEM_URL),
    isDemo: value.IBIDEM_DEMO === '1',
    looksForHeads: value.IBIDEM_HEADS === '1',
    jobs: value.IBIDEM_JOBS as Settings['jobs'],
  };
}
