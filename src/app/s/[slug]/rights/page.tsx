import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import {
  creditFormsOf,
  endingsOf,
  listRights,
  RIGHTS_A_SHEET,
  rightsSummary,
  VERDICTS,
  type RightsSummary,
} from '@/app/_data/rights/rights';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { mayEdit } from '@/core/edition/edition-state';
import type { Code, Verdict } from '@/core/rights/may';
import { Chip } from '@/ui/chip';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { dateText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import { ProblemText } from '@/ui/problem-text';
import { CODE_CHIP, CODES, VERDICT_NAME } from '@/ui/rights-words';
import { CreditForms } from './credit-form';
import { Endings } from './endings';
import { OnPages } from './on-pages';
import { RecordsForm } from './records-form';
import { RightsLine } from './rights-line';
import { UnknownLots } from './unknown-lots';

export const metadata = { title: 'Rights' };

/** Whether pictures may stand where they stand: what may not, what nobody can say yet, what ends when. */
export default async function RightsPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const actor = await requireActor();
  const { given, sheet } = await listQuery(searchParams);
  const [summary, endings, forms] = await Promise.all([
    rightsSummary(site.id),
    endingsOf(site.id),
    creditFormsOf(site.id),
  ]);
  const verdict = VERDICTS.find((one) => one === given('may')) ?? firstWithAny(summary);
  const code = CODES.find((one) => one === given('because')) ?? null;
  const root = `/s/${site.slug}/rights`;
  const isEmpty = Object.keys(summary.records).length === 0;
  return (
    <main className="grid min-h-[calc(100vh-46px)] grid-cols-[minmax(0,1fr)_292px] max-lg:grid-cols-1">
      <div className="bg-sheet">
        <div className="flex flex-wrap items-center gap-2 border-b border-line px-5 py-2.5">
          <h1 className="mr-2 text-lg font-semibold">Rights</h1>
          <span className="order-last ml-auto flex gap-4 font-semibold text-green">
            {isEmpty ? null : <Link href={`${root}/covers`}>Licences and holders</Link>}
            {actor.role === 'maintainer' ? <Link href={`${root}/people`}>People</Link> : null}
          </span>
          {isEmpty ? null : (
            <Choices
              names={VERDICTS}
              labels={VERDICT_NAME}
              chosen={verdict}
              counts={summary.pictures}
              hrefOf={(may) => hrefWith(root, { may })}
            />
          )}
        </div>
        {isEmpty ? (
          <Empty head="Nothing is recorded yet">
            Where a picture comes from, under which licence, and who on it agreed is what this is about. Bring
            in a file of records on the right, or record one picture on its own page; then every place is
            answered.
          </Empty>
        ) : (
          <Listed {...{ site, verdict, code, sheet, summary, root }} />
        )}
      </div>
      <aside
        aria-label="Records and endings"
        className="space-y-5 border-l border-line px-4 py-3.5 max-lg:border-l-0"
      >
        <Endings slug={site.slug} endings={endings} />
        {mayEdit(actor.role) ? <UnknownLots slug={site.slug} siteId={site.id} /> : null}
        <RecordsForm
          slug={site.slug}
          siteId={site.id}
          records={summary.records}
          mayBringIn={actor.role === 'maintainer'}
        />
        {mayEdit(actor.role) && !isEmpty ? <OnPages slug={site.slug} siteId={site.id} /> : null}
        {actor.role === 'maintainer' ? <CreditForms slug={site.slug} siteId={site.id} said={forms} /> : null}
      </aside>
    </main>
  );
}

const firstWithAny = ({ pictures }: RightsSummary): Verdict =>
  VERDICTS.find((one) => pictures[one] > 0) ?? 'no';

interface ListedProps {
  site: Awaited<ReturnType<typeof siteBySlug>>;
  verdict: Verdict;
  code: Code | null;
  sheet: number;
  summary: RightsSummary;
  root: string;
}

async function Listed({ site, verdict, code, sheet, summary, root }: ListedProps) {
  const rows = await listRights(site.id, { verdict, code, sheet });
  const counts = summary.codes[verdict];
  const reasons = CODES.filter((one) => (counts[one] ?? 0) > 0);
  const total = code === null ? summary.pictures[verdict] : (counts[code] ?? 0);
  return (
    <>
      {summary.isAnswering ? (
        <p role="status" className="border-b border-line-2 bg-tint px-5 py-1.5 text-sm">
          The worker is looking at the records; these are the answers before.{' '}
          <Link href={hrefWith(root, { may: verdict })} className="font-semibold text-green">
            Look again
          </Link>
        </p>
      ) : null}
      {summary.problem ? (
        <div className="border-b border-line-2 px-5 py-2">
          <ProblemText problem={summary.problem} />
          {summary.answeredAt ? (
            <p className="text-sm text-ink-2">These are the answers of {dateText(summary.answeredAt)}.</p>
          ) : null}
        </div>
      ) : null}
      {reasons.length > 1 ? (
        <p className="flex flex-wrap gap-1.5 border-b border-line-2 px-5 py-2 text-sm">
          {reasons.map((one) => (
            <Chip
              key={one}
              href={hrefWith(root, { may: verdict, because: one === code ? null : one })}
              isChosen={one === code}
              label={CODE_CHIP[one]}
              count={counts[one]}
            />
          ))}
        </p>
      ) : null}
      {rows.length === 0 ? (
        <Empty head={verdict === 'no' ? 'Nothing stands against any picture' : 'None'}>
          {verdict === 'unknown' ? 'Every picture is recorded.' : null}
        </Empty>
      ) : (
        <ul>
          {rows.map((row) => (
            <RightsLine
              key={`${row.id} ${row.path}`}
              slug={site.slug}
              row={row}
              isCounted={site.reachFrom !== null}
            />
          ))}
        </ul>
      )}
      <Pager
        sheet={sheet}
        sheets={Math.max(1, Math.ceil(total / RIGHTS_A_SHEET))}
        hrefOf={(to) => hrefWith(root, { may: verdict, because: code, sheet: to })}
      />
    </>
  );
}
