import { mayEdit } from '@/core/edition/edition-state';
import { listProposals } from '@/app/_data/errata/proposals';
import { errataChoice } from '@/app/_data/errata/errata-choice';
import { hrefWith, type SiteScreenProps } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { RULES } from '@/core/errata/all-rules';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { WayBack } from '@/ui/way-back';
import { ProposalList } from './proposal-list';

export const metadata = { title: 'Proposed texts' };

export default async function ProposalsPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const { query, rule, asked } = await errataChoice(searchParams);
  const proposals = mayEdit(role) ? await listProposals(site, query) : [];
  const back = hrefWith(`/s/${site.slug}/errata`, asked);
  const places = proposals.reduce((sum, { ids }) => sum + ids.length, 0);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <div className="px-5 py-4">
        <WayBack href={back} to="Errata">
          Proposed texts
        </WayBack>
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
      {mayEdit(role) ? (
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
