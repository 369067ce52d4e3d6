import { mayEdit } from '@/core/edition/edition-state';
import { ownersOf } from '@/app/_data/errata/owners';
import { checkedSoFar, type CheckedSoFar } from '@/app/_data/errata/checked-so-far';
import { ERRATA_FILTERS, listErrata, type ErrataFilter, type ErrataGroup } from '@/app/_data/errata/errata';
import { errataChoice } from '@/app/_data/errata/errata-choice';
import { hrefWith, type SiteScreenProps } from '@/app/_data/query';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { ruleText } from '@/core/errata/all-rules';
import { isRefitted } from '@/core/errata/remedy';
import { isOnWords, mayBeProposed, type RuleText } from '@/core/errata/rule';
import { buttonClass } from '@/ui/button';
import { ChooseAll, Choosing } from '@/ui/choosing';
import { Chip } from '@/ui/chip';
import { Choices } from '@/ui/choices';
import { Empty } from '@/ui/empty';
import { FoldOut } from '@/ui/fold-out';
import { count, numberText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Pager } from '@/ui/pager';
import { ErrataBar, type ChoosableErratum } from './errata-bar';
import { ErratumLine } from './erratum-line';

export const metadata = { title: 'Errata' };

const FILTER_NAME: Readonly<Record<ErrataFilter, string>> = {
  all: 'All',
  must: 'Must',
  should: 'Should',
  note: 'Note',
  stet: 'Let stand',
};

export default async function ErrataPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const { query, rule, asked } = await errataChoice(searchParams);
  const { filter, owner, sheet } = query;
  const [{ rows, counts, rules, groups, sheets }, far] = await Promise.all([
    listErrata(site.id, query),
    checkedSoFar(site.id),
  ]);
  const maySettle = mayEdit(role);
  const root = `/s/${site.slug}/errata`;
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet">
      <h1 className="sr-only">Errata</h1>
      <div className="flex flex-wrap items-center gap-2 border-b border-line px-5 py-2.5">
        <Choices
          names={ERRATA_FILTERS}
          labels={FILTER_NAME}
          chosen={filter}
          counts={counts}
          hrefOf={(name) => hrefWith(root, { ...asked, show: name === 'all' ? null : name, rule: null })}
        />
        <RuleChoice root={root} asked={asked} rules={rules} chosen={rule} />
        <OwnerChoice root={root} asked={asked} owners={await ownersOf(site.id)} chosen={owner} />
        {maySettle &&
        filter !== 'stet' &&
        rules.some((one) => mayBeProposed(one.rule) && (!rule || rule.id === one.rule)) ? (
          <div className="ml-auto flex flex-wrap gap-2">
            <Link href={hrefWith(`${root}/proposals`, asked)} className={buttonClass()}>
              Proposed texts
            </Link>
            <Link href={hrefWith(`/s/${site.slug}/text-desk`, asked)} className={buttonClass('main')}>
              Settle the words
            </Link>
          </div>
        ) : null}
      </div>
      {!rule && rules.length > FEW_RULES ? <MostOfAll root={root} asked={asked} rules={rules} /> : null}
      {rule ? (
        <p className="max-w-[90ch] px-5 pt-3 text-ink-2">
          {rule.why} <strong className="font-semibold text-ink">{rule.remedy}</strong>
          {rule.standard ? ` (${rule.standard})` : ''}
        </p>
      ) : null}
      {rows.length === 0 ? (
        <NothingHere filter={filter} far={far} />
      ) : (
        <Choosing items={maySettle ? rows : []}>
          {maySettle ? (
            <div className="flex flex-wrap items-center gap-x-4 border-b border-line-2 px-5 py-1.5 text-sm text-ink-2">
              <ChooseAll />
              <span>
                {count(groups, 'piece', 'pieces')} of work, the gravest first, and of those what most readers
                meet. Each is one picture and what is wrong with it, wherever it stands.
              </span>
            </div>
          ) : null}
          <ul>
            {rows.map((row) => (
              <ErratumLine
                key={row.id}
                slug={site.slug}
                row={row}
                title={ruleText(row.rule)?.title ?? row.rule}
                remedy={rule ? '' : (ruleText(row.rule)?.remedy ?? '')}
                maySettle={maySettle}
                isCounted={site.reachFrom !== null}
              />
            ))}
          </ul>
          {maySettle ? (
            <ErrataBar slug={site.slug} errata={choosable(rows)} isStet={filter === 'stet'} />
          ) : null}
        </Choosing>
      )}
      <Pager sheet={sheet} sheets={sheets} hrefOf={(to) => hrefWith(root, { ...asked, sheet: to })} />
    </main>
  );
}

const choosable = (rows: readonly ErrataGroup[]): ChoosableErratum[] =>
  rows.map(({ id, ids, rule, fixes, picture_id: pictureId }) => ({
    ...{ id, ids, fixes, pictureId, isOnWords: isOnWords(rule), isRefitted: isRefitted(rule) },
  }));

/** Why a list is empty; never that nothing is wrong while pages are still to be checked. */
function NothingHere({ filter, far }: { filter: ErrataFilter; far: CheckedSoFar }) {
  if (filter === 'stet')
    return (
      <Empty head="Nothing is let stand">
        What you let stand with a reason is listed here, so that it can be looked at again.
      </Empty>
    );
  if (far.isReading)
    return (
      <Empty head="The site was not read whole yet">
        What is wrong appears here as soon as all of it was read.
      </Empty>
    );
  if (far.checked < far.pages)
    return (
      <Empty head={`Checked ${numberText(far.checked)} of ${count(far.pages, 'page')} so far`}>
        {far.checked > 0 ? 'Nothing is wrong on those. ' : null}What is found appears here as it comes.
      </Empty>
    );
  if (far.looking)
    return (
      <Empty head="Nothing is wrong with words and addresses">
        The pictures are still being looked at; what is found appears here as it comes.
      </Empty>
    );
  return <Empty head="Nothing is wrong here">All {count(far.pages, 'page')} are checked.</Empty>;
}

interface OwnerChoiceProps {
  root: string;
  asked: Readonly<Record<string, string | null>>;
  owners: readonly { readonly id: string; readonly name: string }[];
  chosen: string | null;
}

/** Whose pages: people who own a section, and those that nobody owns. */
function OwnerChoice({ root, asked, owners, chosen }: OwnerChoiceProps) {
  if (owners.length === 0) return null;
  const all = [{ id: null, name: 'Any owner' }, ...owners, { id: 'none', name: 'Nobody’s pages' }];
  return (
    <FoldOut
      label={all.find(({ id }) => id === chosen)?.name ?? 'Any owner'}
      name="Choose an owner"
      isChosen={chosen !== null}
    >
      <ul>
        {all.map(({ id, name }) => (
          <li key={name}>
            <Link href={hrefWith(root, { ...asked, owner: id })} className={choiceLine(id === chosen)}>
              {name}
            </Link>
          </li>
        ))}
      </ul>
    </FoldOut>
  );
}

const choiceLine = (isHere: boolean) =>
  `flex justify-between gap-4 border-l-[3px] px-2 py-1 ${isHere ? 'border-green bg-tint font-semibold' : 'border-transparent'}`;

interface RuleChoiceProps {
  root: string;
  asked: Readonly<Record<string, string | null>>;
  rules: readonly { readonly rule: string; readonly count: number }[];
  chosen: RuleText | null;
}

/** So many rules need no summing up. */
const FEW_RULES = 3;
const TOLD_RULES = 3;

/** In one line what is wrong here for the most part: of a thousand rows nobody would see it. */
function MostOfAll({ root, asked, rules }: Omit<RuleChoiceProps, 'chosen'>) {
  return (
    <p className="flex flex-wrap items-center gap-1.5 border-b border-line-2 px-5 py-2">
      <span className="mr-1 text-sm text-ink-2">Gravest first</span>
      {rules.slice(0, TOLD_RULES).map(({ rule, count: found }) => (
        <Chip
          key={rule}
          href={hrefWith(root, { ...asked, rule })}
          isChosen={false}
          label={ruleText(rule)?.title ?? rule}
          count={found}
        />
      ))}
      {rules.length > TOLD_RULES ? (
        <span className="text-sm text-ink-2">
          and {count(rules.length - TOLD_RULES, 'more sort', 'more sorts')}
        </span>
      ) : null}
    </p>
  );
}

/** The rules that found something, the gravest first. */
function RuleChoice({ root, asked, rules, chosen }: RuleChoiceProps) {
  if (rules.length === 0) return null;
  return (
    <FoldOut label={chosen?.title ?? 'Any rule'} name="Choose a rule" isChosen={chosen !== null}>
      <ul>
        <li>
          <Link href={hrefWith(root, { ...asked, rule: null })} className={choiceLine(chosen === null)}>
            Any rule
          </Link>
        </li>
        {rules.map(({ rule, count }) => (
          <li key={rule}>
            <Link href={hrefWith(root, { ...asked, rule })} className={choiceLine(rule === chosen?.id)}>
              {ruleText(rule)?.title ?? rule}
              <span className="font-normal text-ink-2">{numberText(count)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </FoldOut>
  );
}
