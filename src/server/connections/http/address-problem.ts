/** What can go wrong at an address, in words. */
import { ProblemError } from '../../problem-error';

const REMEDIES = {
  ADDRESS_SLOW: 'Try again when the server is less busy.',
  ADDRESS_UNREACHED: 'See whether the address opens in a browser, and try again.',
  ADDRESS_UNKNOWN: 'Look at how the host’s name is written.',
  ADDRESS_TLS: 'Ask whoever runs the server to renew or mend its certificate.',
  ADDRESS_REDIRECT: 'Mend the redirect on the server.',
  ADDRESS_LARGE: 'Pages of this size are not read; put large files behind links.',
  ADDRESS_BROKEN: 'Ask whoever runs the server to look into it.',
} as const;

export type AddressProblemCode = keyof typeof REMEDIES;

const couldNot = (url: string) => `${url} could not be read.`;

export function addressProblem(code: AddressProblemCode, url: string, why: string): ProblemError {
  return new ProblemError({ code, what: couldNot(url), why, remedy: REMEDIES[code] });
}

/** @param maxBytes how much may be read */
export function tooLarge(url: string, maxBytes: number): ProblemError {
  return addressProblem('ADDRESS_LARGE', url, `It is larger than ${Math.round(maxBytes / 1024 ** 2)} MB.`);
}

/** What an answer other than the wanted one comes to. */
export function statusProblem(url: string, status: number): ProblemError {
  const [, why, remedy] = STATUSES.find(([matches]) => matches(status)) as (typeof STATUSES)[number];
  const problem = { code: 'ADDRESS_STATUS', what: couldNot(url), why: `${why} (${status}).`, remedy };
  return new ProblemError(problem, { cause: { status } });
}

const STATUSES: readonly (readonly [(status: number) => boolean, string, string])[] = [
  [
    (status) => status === 404 || status === 410,
    'The server has nothing there',
    'Mend or take out what leads there.',
  ],
  [
    (status) => status === 401 || status === 403,
    'The server does not show it to everybody',
    'Let the server show it, or connect the site by its folder.',
  ],
  [(status) => status === 429, 'The server says it is asked too often', 'Try again later.'],
  [
    (status) => status >= 500,
    'The server failed',
    'Try again later; if it fails again, tell whoever runs the server.',
  ],
  [() => true, 'The server answered', 'See what the address shows in a browser.'],
];

/** Whether an error says that there is nothing at an address: not found, or gone for good. Whatever else failed may be there. */
export function isGone(error: unknown): boolean {
  const { status } = ((error as Error).cause ?? {}) as { status?: number };
  return status === 404 || status === 410;
}

/** What the codes of failed connections mean to whoever reads them. */
const IN_WORDS: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'Nothing answers there (ECONNREFUSED).',
  ECONNRESET: 'The connection was closed before the answer was whole (ECONNRESET).',
  UND_ERR_SOCKET: 'The connection was closed before the answer was whole.',
  UND_ERR_HEADERS_OVERFLOW: 'Its headers are too long.',
  UND_ERR_RES_CONTENT_LENGTH_MISMATCH: 'Its answer is longer or shorter than it says.',
};

/** What a failed connection comes to. */
export function problemOfFailure(error: unknown, url: string): ProblemError {
  const known = findProblem(error);
  if (known) return known;
  const { code, message } = deepest(error);
  if (/^(?:ENOTFOUND|EAI_AGAIN|EAI_\w+|ENODATA)$/.test(code)) {
    return addressProblem('ADDRESS_UNKNOWN', url, `No server is known by that name (${code}).`);
  }
  if (/CERT|TLS|SSL|SELF_SIGNED|UNABLE_TO_VERIFY|ALTNAME/i.test(code)) {
    return addressProblem('ADDRESS_TLS', url, `Its certificate can’t be trusted (${message}).`);
  }
  if (/TIMEOUT|ETIMEDOUT/.test(code)) {
    return addressProblem('ADDRESS_SLOW', url, 'The server did not answer in time.');
  }
  if (/^HPE_/.test(code) || /HTTPParserError|Parse Error/.test(`${(error as Error).name} ${message}`))
    return addressProblem('ADDRESS_UNREACHED', url, `What it answers is no HTTP (${code || message}).`);
  return addressProblem(
    'ADDRESS_UNREACHED',
    url,
    IN_WORDS[code] ?? `The connection failed (${code || message}).`,
  );
}

function findProblem(error: unknown): ProblemError | null {
  for (let at = error; at instanceof Error; at = at.cause) if (at instanceof ProblemError) return at;
  return null;
}

function deepest(error: unknown): { code: string; message: string } {
  if (error instanceof AggregateError && error.errors.length > 0) return deepest(error.errors[0]);
  if (!(error instanceof Error)) return { code: '', message: String(error) };
  if (error.cause instanceof Error) return deepest(error.cause);
  const { code } = error as { code?: unknown };
  return { code: typeof code === 'string' ? code : '', message: error.message };
}
