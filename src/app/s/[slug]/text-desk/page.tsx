import { mayEdit } from '@/core/edition/edition-state';
import { errataChoice } from '@/app/_data/errata/errata-choice';
import { hrefWith, numbersIn, type SiteScreenProps } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { deskItem } from '@/app/_data/words/text-desk-item';
import { deskQueue } from '@/app/_data/words/text-desk-queue';
import { RULES } from '@/core/errata/all-rules';
import { isOnWords } from '@/core/errata/rule';
import { Empty } from '@/ui/empty';
import { Link } from '@/ui/link';
import { TextDesk } from './text-desk';

export const metadata = { title: 'Text desk' };

export default async function TextDeskPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const { given, query, rule, asked } = await errataChoice(searchParams);
  const pictures = numbersIn(given('pictures'));
  const entries = await deskQueue(site.id, { ...query, pictures });
  const back = hrefWith(`/s/${site.slug}/errata`, asked);
  if (entries.length === 0 || !mayEdit(role)) {
    const isDone = entries.length === 0;
    return (
      <main className="min-h-[calc(100vh-46px)] bg-sheet">
        <h1 className="sr-only">Text desk</h1>
        <Empty head={isDone ? 'No words to settle' : 'You may look, and not write'}>
          {isDone
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
      key={JSON.stringify([asked, pictures])}
      slug={site.slug}
      entries={entries}
      first={start ? await deskItem(site, start.key) : null}
      of={rule?.title ?? (pictures.length > 0 ? 'the pictures you chose' : 'words at fault')}
      back={back}
      rules={RULES.filter(({ id }) => isOnWords(id)).map(({ id, title, remedy }) => ({ id, title, remedy }))}
    />
  );
}
