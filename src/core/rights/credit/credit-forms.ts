/** How an organisation writes its credit lines: a few common forms, and templates of its own. */
import { parseUrl } from '../../address/parse-url';
import { commonsName, type CommonsLicence } from '../licences';

/** Forms by their names, as records write them. */
export const CREDIT_FORMS = [
  'plain',
  'short',
  'title-author-source-licence',
  'author-title-site-medium',
] as const;
export type CreditFormName = (typeof CREDIT_FORMS)[number];

/** A form by its name, or a template with fields in braces. */
export type CreditForm = { readonly name: CreditFormName } | { readonly template: string };

/** What a credit line may say. */
export interface CreditFields {
  readonly title: string | null;
  readonly creators: readonly string[];
  readonly holder: string | null;
  readonly source: string | null;
  readonly licence: CommonsLicence | null;
  /** Address of the licence's deed. */
  readonly deed: string | null;
  /** Host of the organisation's own site. */
  readonly site: string | null;
  readonly isChanged: boolean;
}

/** A form as a record says it: by its name, else as a template. */
export const formOf = (said: string): CreditForm =>
  CREDIT_FORMS.includes(said as CreditFormName) ? { name: said as CreditFormName } : { template: said };

/**
 * The line in a form; what is not known leaves no gap behind.
 *
 * @returns one line without line breaks; empty where nothing of it is known
 */
export function creditLine(form: CreditForm, fields: CreditFields): string {
  return 'template' in form ? filled(form.template, fields) : FORMS[form.name](fields);
}

const people = ({ creators, holder }: CreditFields): string => creators.join(', ') || holder || '';
const quoted = ({ title }: CreditFields): string => (title ? `“${title}”` : '');
const licenceOf = ({ licence }: CreditFields): string => (licence ? commonsName(licence) : '');
const joined = (parts: readonly string[], between: string): string =>
  parts.filter((part) => part !== '').join(between);

const FORMS: Readonly<Record<CreditFormName, (fields: CreditFields) => string>> = {
  plain: (fields) => {
    const by = people(fields);
    return joined([`${quoted(fields) || 'Photo'}${by ? ` by ${by}` : ''}`, licenceOf(fields)], ', ');
  },
  short: (fields) => `Photo: ${joined([people(fields), licenceOf(fields)], ' / ')}`,
  'title-author-source-licence': (fields) => {
    const licence = joined([licenceOf(fields), fields.deed ? `(${fields.deed})` : ''], ' ');
    const by = people(fields);
    return joined([joined([quoted(fields), by ? `by ${by}` : ''], ' '), fields.source ?? '', licence, changed(fields)], ', '); // oxfmt-ignore
  },
  'author-title-site-medium': (fields) => {
    const head = joined([people(fields), joined([quoted(fields), '[photograph]'], ' ')], ': ');
    return `${joined([head, joined([siteOf(fields.source), fields.source ?? ''], ', '), licenceOf(fields)], '. ')}.`;
  },
};

const changed = ({ isChanged }: CreditFields): string => (isChanged ? 'changed' : '');

/** The host of an address, which is what people call a site. */
function siteOf(source: string | null): string {
  return source === null ? '' : (parseUrl(source)?.host.replace(/^www\./u, '') ?? '');
}

/** Fields that a template may name. */
const TEMPLATE_FIELDS = ['title', 'creator', 'holder', 'source', 'licence', 'deed', 'site'] as const;

/** Fills a template: `{title}` is a field, `[ … ]` a part that is left out where one of its fields is not known. */
function filled(template: string, fields: CreditFields): string {
  const values: Readonly<Record<string, string>> = {
    ...{
      title: fields.title ?? '',
      creator: people(fields),
      holder: fields.holder ?? '',
      source: fields.source ?? '',
    },
    ...{ licence: licenceOf(fields), deed: fields.deed ?? '', site: fields.site ?? '' },
  };
  const fill = (part: string) => part.replace(FIELD, (_, name: string) => values[name] ?? '');
  const isKnown = (part: string) =>
    [...part.matchAll(FIELD)].every(([, name = '']) => (values[name] ?? '') !== '');
  return fill(template.replace(/\[([^\][]*)\]/gu, (_, part: string) => (isKnown(part) ? part : '')))
    .replace(/\s+/gu, ' ')
    .trim();
}

const FIELD = /\{([a-z]+)\}/gu;

/** What is wrong with a template; `null` where nothing is. */
export function templateProblem(template: string): string | null {
  const unknown = [...template.matchAll(FIELD)].map(([, name = '']) => name).filter((name) => !TEMPLATE_FIELDS.includes(name as never)); // oxfmt-ignore
  if (unknown.length > 0) return `There is no field {${unknown[0]}}; there are ${TEMPLATE_FIELDS.map((name) => `{${name}}`).join(', ')}.`; // oxfmt-ignore
  if (!/\{(?:creator|holder)\}/u.test(template))
    return 'It names nobody: {creator} or {holder} has to be in it.';
  return null;
}
