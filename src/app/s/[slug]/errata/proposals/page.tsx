import Link from 'next/link';
import { ERRATA_FILTERS } from '@/app/_data/errata';
import { listProposals } from '@/app/_data/proposals';
import { hrefWith, listQuery, type SearchParams } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { ruleText, RULES } from '@/core/errata/all-rules';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { ProposalList } from './proposal-list';

export const metadata = { title: 'Proposed texts' };

export default async function ProposalsPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: SearchParams;
}) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const mayWrite = role === 'maintainer' || role === 'owner';
  const { given, section } = await listQuery(searchParams);
  const filter = ERRATA_FILTERS.find((name) => name === given('show')) ?? 'all';
  const owner = given('owner')?.slice(0, 100) ?? null;
  const rule = ruleText(given('rule'));
  const proposals = mayWrite
    ? await listProposals(site, { filter, section, owner, rule: rule?.id ?? null })
    : [];
  const back = hrefWith(`/s/${site.slug}/errata`, {
    ...{ section, owner, rule: rule?.id ?? null, show: filter === 'all' ? null : filter },
  });
  const places = proposals.reduce((sum, { ids }) => sum + ids.length, 0);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="px-5 py-4">
        <p className="text-sm text-ink-2">
          <Link href={back} className="text-green">
            Errata
          </Link>{' '}
          / Proposed texts
        </p>
        <h1 className="mt-1 text-xl font-semibold">
          {places === 0 ? 'Proposed texts' : `${count(places, 'place')} that can be put right at once`}
        </h1>
        <p className="mt-1 max-w-[75ch] text-ink-2">
          {rule ? `${rule.title}. ` : ''}Each text is taken from the rule, from the page that a link leads to,
          from the same picture elsewhere, or from the file. Read each one, change it where it is not right,
          and leave out what you would rather write yourself. What you keep goes into the edition; nothing is
          live before that is published.
        </p>
      </div>
      {mayWrite ? (
        <ProposalList
          key={back}
          slug={site.slug}
          proposals={proposals}
          titles={Object.fromEntries(RULES.map(({ id, title }) => [id, title]))}
        />
      ) : (
        <Empty head="You may look, and not write">
          Words are changed by a maintainer or an owner; you are signed in as {role}.
        </Empty>
      )}
    </main>
  );
}
