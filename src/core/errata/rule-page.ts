import type { Example, Rule } from './rule';

const LEVEL = {
  read: 'read in the source',
  measured: 'measured or computed',
  guessed: 'weighed from several clues',
} as const;

/** The documentation of a rule as a Markdown page: what, why for a reader, standard, what to do, examples. */
export function rulePage(rule: Rule): string {
  const { id, title, why, remedy, standard, degree, level, examples } = rule;
  const spoken = examples.filter(({ evidence }) => evidence !== null);
  const silent = examples.filter(({ evidence }) => evidence === null);
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
    ...spoken.map(exampleText),
    '## It is silent',
    ...silent.map(exampleText),
  ].join('\n\n')}\n`;
}

function exampleText({
  html,
  evidence,
  title,
  language,
  files = {},
  before,
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
export function rulesIndex(rules: readonly Rule[]): string {
  const rows = rules.map(({ id, degree, title }) => `| [${id}](${fileOf(id)}) | ${degree} | ${title} |`);
  return `# Rules\n\nWritten from the rules themselves by \`npm run rules\`. How often each is right: [measured](measured.md).\n\n| rule | degree | what is wrong |\n| --- | --- | --- |\n${rows.join('\n')}\n`;
}

/** Name of the page of a rule. */
export const fileOf = (id: string): string => `${id.replace('/', '-')}.md`;
