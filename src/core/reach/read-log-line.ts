/**
 * Reads lines of web servers' access logs: the Common and Combined Log Formats, and the W3C extended format
 * (https://www.w3.org/TR/WD-logfile), whose fields a comment line names.
 */

/** One request that a reader's browser made for something that was there. */
interface LogLine {
  /** As asked for: `/news/?p=2`. */
  readonly target: string;
  /** ms since 1970. */
  readonly at: number;
}

export interface LogReader {
  /** The view a line tells of; `null` for comments, other requests, programs, and what can't be read. */
  read(line: string): LogLine | null;
  /** How many lines were neither views, nor other requests, nor comments. */
  unread(): number;
}

const COMMON =
  /^\S+ \S+ .*?\[(\d{2})\/([A-Z][a-z]{2})\/(\d{4}):(\d{2}):(\d{2}):(\d{2}) ([+-]\d{4})\] "([A-Z]+) (\S+)[^"]*" (\d{3}) \S+(?: "(?:[^"\\]|\\.)*" "((?:[^"\\]|\\.)*)")?/;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
/** Programs that say so. Those that do not are counted as readers. */
const PROGRAM =
  /bot\b|bot\/|crawl|spider|slurp|survey|preview|monitor|curl|wget|python|java\/|http-?client|headless|libwww|okhttp|ibidem/i;
/** Longer lines are attacks, not requests of readers; they would only cost time. */
const MAX_LINE = 8192;

export function logReader(): LogReader {
  let fields: readonly string[] | null = null;
  let unread = 0;
  return {
    unread: () => unread,
    read(line) {
      if (line === '') return null;
      if (line.startsWith('#')) {
        if (line.startsWith('#Fields:')) fields = line.slice(8).trim().split(/\s+/);
        return null;
      }
      const request = line.length > MAX_LINE ? null : fields ? extended(line, fields) : common(line);
      if (!request) {
        unread++;
        return null;
      }
      const isView = request.method === 'GET' && (request.status === 200 || request.status === 304);
      return isView && !PROGRAM.test(request.agent) ? { target: request.target, at: request.at } : null;
    },
  };
}

interface LoggedRequest extends LogLine {
  readonly method: string;
  readonly status: number;
  readonly agent: string;
}

function common(line: string): LoggedRequest | null {
  const match = COMMON.exec(line);
  if (!match) return null;
  const [
    ,
    day,
    month = '',
    year,
    hour,
    minute,
    second,
    zone = '+0000',
    method = '',
    target = '',
    status,
    agent = '',
  ] = match;
  const shift = (Number(zone.slice(1, 3)) * 60 + Number(zone.slice(3))) * (zone.startsWith('-') ? -1 : 1);
  const at =
    Date.UTC(Number(year), MONTHS.indexOf(month), Number(day), Number(hour), Number(minute), Number(second)) -
    shift * 60_000;
  return Number.isNaN(at) ? null : { method, target, status: Number(status), agent, at };
}

function extended(line: string, fields: readonly string[]): LoggedRequest | null {
  const values = line.split(/\s+/);
  if (values.length < fields.length) return null;
  const of = (name: string) => values[fields.indexOf(name)] ?? '-';
  const at = Date.parse(`${of('date')}T${of('time')}Z`);
  if (Number.isNaN(at)) return null;
  const query = of('cs-uri-query');
  return {
    method: of('cs-method'),
    target: of('cs-uri-stem') + (query === '-' ? '' : `?${query}`),
    status: Number(of('sc-status')),
    agent: of('cs(User-Agent)'),
    at,
  };
}
