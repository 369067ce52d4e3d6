import { expect, it } from 'vitest';
import { answersIn } from '../small-site.fixture';
import { CREDIT_CASES, hallOf } from './credits.cases';
import { withCredit } from './with-credit';

it.each(CREDIT_CASES.map((one) => [one.name, one] as const))(
  '%s',
  (_, { html, found, fields, records = [] }) => {
    const files = typeof html === 'string' ? { 'page.html': `<title>Page</title><body>${html}` } : html;
    const answers = answersIn(files, [hallOf(fields), ...records], 20000);
    const asked = answers.filter(
      ({ placement }) =>
        placement.page === 'page.html' && placement.kind !== 'link' && placement.raw.endsWith('img/hall.jpg'),
    );
    expect(asked).toHaveLength(1);
    expect(asked[0]?.credit.found).toBe(found);
    expect(asked[0]?.answer.because.includes('credit-missing')).toBe(found === false);
  },
);

it.each(
  CREDIT_CASES.flatMap((one) =>
    one.found === false && typeof one.html === 'string' ? [[one.name, one] as const] : [],
  ),
)('a caption that the credit was written into carries it: %s', (_, { html, fields, records = [] }) => {
  const [missing] = answersIn(
    { 'page.html': `<body>${html as string}` },
    [hallOf(fields), ...records],
    20000,
  ).flatMap(({ credit }) => (credit.needed && credit.wanted !== null ? [credit.wanted] : []));
  if (missing === undefined) return;
  for (const before of [null, 'The hall by day.', 'Photo: Ann Lee']) {
    const after = `<figure><img src="img/hall.jpg" alt=""><figcaption>${withCredit(before, missing)}</figcaption></figure>`;
    const [answer] = answersIn({ 'page.html': `<body>${after}` }, [hallOf(fields), ...records], 20000);
    expect(answer?.credit.found).toBe(true);
  }
});
