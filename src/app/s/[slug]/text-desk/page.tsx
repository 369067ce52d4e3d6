import Link from 'next/link';
import { ERRATA_FILTERS } from '@/app/_data/errata';
import { hrefWith, listQuery, numbersIn, type SearchParams } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { deskItem } from '@/app/_data/text-desk-item';
import { deskQueue } from '@/app/_data/text-desk-queue';
import { ruleText, RULES } from '@/core/errata/all-rules';
import { isOnWords } from '@/core/errata/rule';
import { Empty } from '@/ui/empty';
import { TextDesk } from './text-desk';

export const metadata = { title: 'Text desk' };

export default async function TextDeskPage({
  params,
  searchParams,
}: {
  params: Promise<{ slug: string }>;
  searchParams: SearchParams;
}) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const { given, section } = await listQuery(searchParams);
  const filter = ERRATA_FILTERS.find((name) => name === given('show')) ?? 'all';
  const owner = given('owner')?.slice(0, 100) ?? null;
  const rule = ruleText(given('rule'));
  const pictures = numbersIn(given('pictures'));
  const entries = await deskQueue(site.id, {
    ...{ filter, section, owner, pictures },
    rule: rule?.id ?? null,
  });
  const back = hrefWith(`/s/${site.slug}/errata`, {
    ...{ section, owner, rule: rule?.id ?? null, show: filter === 'all' ? null : filter },
  });
  if (entries.length === 0 || (role !== 'maintainer' && role !== 'owner')) {
    const mayWrite = entries.length === 0;
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <h1 className="sr-only">Text desk</h1>
        <Empty head={mayWrite ? 'No words to settle' : 'You may look, and not write'}>
          {mayWrite
            ? 'Nothing that is asked for has words at fault. '
            : `Words are changed by a maintainer or an owner; you are signed in as ${role}. `}
          <Link href={back} className="font-semibold text-green">
            Back to the errata
          </Link>
        </Empty>
      </main>
    );
  }
  const start =
    entries.find(({ key }) => key === given('from')) ??
    entries.find(({ isGathered }) => !isGathered) ??
    entries[0];
  return (
    <TextDesk
      // Another choice of pictures is another sitting.
      key={JSON.stringify([filter, rule?.id, section, owner, pictures])}
      slug={site.slug}
      entries={entries}
      first={start ? await deskItem(site, start.key) : null}
      of={rule?.title ?? (pictures.length > 0 ? 'the pictures you chose' : 'words at fault')}
      back={back}
      rules={RULES.filter(({ id }) => isOnWords(id)).map(({ id, title, remedy }) => ({ id, title, remedy }))}
    />
  );
}
