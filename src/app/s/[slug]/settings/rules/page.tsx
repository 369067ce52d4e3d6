import { sectionsOf } from '@/app/_data/frame';
import { hrefWith, listQuery, type SiteScreenProps } from '@/app/_data/query';
import { ruleLevelsOf } from '@/app/_data/errata/rule-levels';
import { requireActor } from '@/app/_data/session';
import { siteBySlug } from '@/app/_data/site';
import { ALL_RULES } from '@/core/errata/all-rules';
import { Chip } from '@/ui/chip';
import { placeText } from '@/ui/format';
import { WayBack } from '@/ui/way-back';
import { RuleLine } from './rule-line';

export const metadata = { title: 'Rules' };

const GROUPS = [
  ['alt', 'Alt texts'],
  ['caption', 'Captions'],
  ['rights', 'Rights'],
  ['fresh', 'Age'],
  ['file', 'Files'],
] as const;

export default async function RulesPage({ params, searchParams }: SiteScreenProps) {
  const site = await siteBySlug((await params).slug);
  const { role } = await requireActor();
  const { section: given } = await listQuery(searchParams);
  const sections = await sectionsOf(site.id);
  const section = sections.some((one) => one.section === given) ? (given ?? '') : '';
  const { levels, counts } = await ruleLevelsOf(site.id, section);
  const root = `/s/${site.slug}/settings/rules`;
  const own = (rule: string, where: string) =>
    levels.find((one) => one.rule === rule && one.section === where);
  return (
    <main className="min-h-[calc(100vh-46px)] bg-sheet px-5 py-4">
      <WayBack href={`/s/${site.slug}/settings`} to="Settings">
        Rules
      </WayBack>
      <h1 className="mt-1 text-xl font-semibold">What the rules count</h1>
      <p className="mt-1 max-w-[75ch] text-ink-2">
        Must hinders readers or breaks a standard, should misleads or ages, a note is worth knowing. Where a
        rule counts otherwise on your site, or in one section, say so with the reason. A single erratum is
        better let stand.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <Chip href={root} isChosen={section === ''} label="The whole site" />
        {sections
          .filter((one) => one.section !== '')
          .map((one) => (
            <Chip
              key={one.section}
              href={hrefWith(root, { section: one.section })}
              isChosen={section === one.section}
              label={one.name ?? placeText(one.section)}
              count={levels.filter((level) => level.section === one.section).length || undefined}
            />
          ))}
      </div>
      {GROUPS.map(([group, name]) => (
        <section key={group} aria-labelledby={group} className="mt-5">
          <h2 id={group} className="font-semibold">
            {name}
          </h2>
          <ul className="max-w-[980px]">
            {ALL_RULES.filter(({ id }) => id.startsWith(`${group}/`)).map(
              ({ id, title, why, degree, standard }) => (
                <RuleLine
                  key={`${section} ${id}`}
                  slug={site.slug}
                  section={section}
                  rule={{ id, title, why, standard: standard ?? null }}
                  usual={(section === '' ? null : own(id, '')?.level) ?? degree}
                  set={own(id, section) ?? null}
                  errata={counts.get(id) ?? 0}
                  mayChange={role === 'maintainer'}
                />
              ),
            )}
          </ul>
        </section>
      ))}
    </main>
  );
}
