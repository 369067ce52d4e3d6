import { peopleKnown } from '@/app/_data/rights/people';
import { answersOfFiles, papersOfFile, recordOfFile, rightsInFile } from '@/app/_data/rights/rights';
import { mayEdit, type Role } from '@/core/edition/edition-state';
import type { Code } from '@/core/rights/may';
import { database } from '@/server/db/database';
import { marksOf } from '@/server/work/rights/people/mark-people';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { MarkPeople } from './mark-people';
import { MayItStand } from './may-it-stand';
import { RightsForm } from './rights-form';
import { WriteIntoFiles } from './write-into-files';

const UNKNOWN: ReadonlySet<Code> = new Set(['source-unknown', 'licence-unknown']);

interface RightsOfPictureProps {
  slug: string;
  siteId: number;
  /** All files of the picture. */
  paths: readonly string[];
  master: { readonly id: number; readonly path: string; readonly sha256: string | null };
  role: Role;
}

/** Whether a picture may stand in its places, where it comes from, and who is on it. */
export async function RightsOfPicture({ slug, siteId, paths, master, role }: RightsOfPictureProps) {
  const isMaintainer = role === 'maintainer';
  const [answers, recorded, embedded, marked, known, papers] = await Promise.all([
    answersOfFiles(siteId, paths),
    recordOfFile(siteId, master.path),
    rightsInFile(master.sha256),
    isMaintainer ? marksOf(database(), siteId, master.path) : [],
    isMaintainer ? peopleKnown(siteId) : [],
    mayEdit(role) ? papersOfFile(siteId, master.path) : 0,
  ]);
  return (
    <>
      <h2 id="rights" className="mt-6 scroll-mt-14 border-b border-line pb-1 text-lg font-semibold">
        May it stand here
      </h2>
      <MayItStand answers={answers} keepsReleases={isMaintainer} />
      {papers > 0 ? (
        <p className="mb-2">
          <Link href={`/s/${slug}/pictures/${master.id}/origin`} className="font-semibold text-green">
            {count(papers, 'paper')} kept with it
          </Link>
        </p>
      ) : null}
      {answers.length === 0 || answers.some(({ because }) => because.some((code) => UNKNOWN.has(code))) ? (
        <p className="mb-3">
          <Link href={`/s/${slug}/pictures/${master.id}/origin`} className="font-semibold text-green">
            Find out where it comes from
          </Link>
        </p>
      ) : null}
      {mayEdit(role) ? (
        <RightsForm
          slug={slug}
          siteId={siteId}
          file={master.path}
          embedded={embedded}
          said={recorded?.body ?? null}
          saidBy={recorded?.said_by ?? null}
        />
      ) : null}
      {mayEdit(role) && answers.length > 0 && master.sha256 ? (
        <WriteIntoFiles slug={slug} siteId={siteId} fileId={master.id} />
      ) : null}
      {isMaintainer && master.sha256 ? (
        <MarkPeople
          slug={slug}
          siteId={siteId}
          file={master.path}
          src={`/s/${slug}/image/${master.sha256}?whole`}
          marked={marked}
          known={known}
        />
      ) : null}
    </>
  );
}
