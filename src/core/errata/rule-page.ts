import type { Example, FileExample, FileRule, Rule, RuleText } from './rule';

const LEVEL = {
  read: 'read in the source',
  measured: 'measured or computed',
  guessed: 'weighed from several clues',
} as const;

/** The documentation of a rule as a Markdown page: what, why for a reader, standard, what to do, examples. */
export function rulePage(rule: Rule | FileRule): string {
  const { id, title, why, remedy, standard, degree, level, examples } = rule;
  const all: readonly (Example | FileExample)[] = examples;
  const spoken = all.filter(({ evidence }) => evidence !== null);
  const silent = all.filter(({ evidence }) => evidence === null);
  return `${[
    `# ${id}`,
    `**${title}.** ${why}`,
    `What to do: ${remedy}`,
    [
      `- Degree: ${degree}`,
      `- Evidence: ${LEVEL[level]}`,
      ...(standard ? [`- Standard: ${standard}`] : []),
    ].join('\n'),
    '## It speaks',
    ...spoken.map(textOf),
    '## It is silent',
    ...silent.map(textOf),
  ].join('\n\n')}\n`;
}

function textOf(example: Example | FileExample): string {
  if ('html' in example) return exampleText(example);
  const { file, evidence } = example;
  const { path, ...known } = file;
  return [
    `A file \`${path}\`: ${JSON.stringify(known)}`,
    ...(evidence === null ? [] : ['', `> ${evidence}`]),
  ].join('\n');
}

function exampleText({
  html,
  evidence,
  title,
  language,
  files = {},
  before,
  rights,
  people,
  today,
}: Example): string {
  const known = Object.entries(files).map(([path, facts]) => `\`${path}\`: ${JSON.stringify(facts)}`);
  const given = [
    ...(title ? [`the page’s title is “${title}”`] : []),
    ...(language ? [`the page’s language is \`${language}\``] : []),
    ...(today ? [`today is ${today}`] : []),
    ...(before
      ? [
          `until survey ${before.survey} \`${before.path}\` stood there, with ${JSON.stringify({ alt: before.alt, caption: before.caption })}`,
        ]
      : []),
    ...(rights ? [`what was answered of its rights is ${JSON.stringify(rights)}`] : []),
    ...(people ? [`people known on the site: ${people.join(', ')}`] : []),
    ...(known.length > 0 ? [`known of the files: ${known.join('; ')}`] : []),
  ];
  return [
    '```html',
    html,
    '```',
    ...(given.length > 0 ? ['', `Where ${given.join(', and ')}.`] : []),
    ...(evidence === null ? [] : ['', `> ${evidence}`]),
  ].join('\n');
}

/** The list of all rules, each with the way to its page. */
export function rulesIndex(rules: readonly RuleText[]): string {
  const rows = rules.map(({ id, degree, title }) => `| [${id}](${fileOf(id)}) | ${degree} | ${title} |`);
  return `# Rules\n\nWritten from the rules themselves by \`npm run rules\`. How often each is right: [measured](measured.md).\n\n| rule | degree | what is wrong |\n| --- | --- | --- |\n${rows.join('\n')}\n`;
}

/** Name of the page of a rule. */
export const fileOf = (id: string): string => `${id.replace('/', '-')}.md`;
