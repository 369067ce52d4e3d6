'use client';

import { useRouter } from 'next/navigation';
import type { Outcome } from '@/app/_data/act';
import { PICTURE_KINDS, type PictureKind } from '@/core/dating/shelf-life';
import { Button, buttonClass } from '@/ui/button';
import { KIND_NAME } from '@/ui/date-words';
import { FootBar } from '@/ui/foot-bar';
import { count } from '@/ui/format';
import { settle, show, sort, teach, type Undo } from './actions';
import { useChosen } from '@/ui/choosing';
import { Link } from '@/ui/link';
import { DeedTold, useDeed } from './use-deed';

interface NamedSubject {
  readonly id: number;
  readonly name: string;
}

/** A picture of the list that can be chosen. */
export interface ChoosablePicture {
  /** Number of the picture. */
  readonly id: number;
  /** Number of the file that stands for it, and its hash. */
  readonly fileId: number;
  readonly sha256: string;
}

interface BulkBarProps {
  slug: string;
  pictures: readonly ChoosablePicture[];
  subjects: readonly NamedSubject[];
}

const SELECT = 'max-w-[132px] rounded-sm border border-ink-3 bg-sheet px-2 py-1.5';

function KindChoice({ isBusy, onChoose }: { isBusy: boolean; onChoose: (kind: PictureKind) => void }) {
  return (
    <select
      aria-label="What they show"
      className={SELECT}
      value=""
      disabled={isBusy}
      onChange={(event) => onChoose(event.target.value as PictureKind)}
    >
      <option value="">They show a …</option>
      {PICTURE_KINDS.map((kind) => (
        <option key={kind} value={kind}>
          {KIND_NAME[kind]}
        </option>
      ))}
    </select>
  );
}

interface SubjectChoiceProps {
  subjects: readonly NamedSubject[];
  isBusy: boolean;
  onChoose: (subject: NamedSubject) => void;
  onNew: () => void;
}

function SubjectChoice({ subjects, isBusy, onChoose, onNew }: SubjectChoiceProps) {
  return (
    <select
      aria-label="Who or what is on them"
      className={SELECT}
      value=""
      disabled={isBusy}
      onChange={(event) => {
        const subject = subjects.find(({ id }) => String(id) === event.target.value);
        if (subject) onChoose(subject);
        else onNew();
      }}
    >
      <option value="">On them is …</option>
      {subjects.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
      <option value="new">Somebody or something new …</option>
    </select>
  );
}

/** What can be said of all chosen pictures at once; it stands at the foot of the window while any is chosen. */
export function BulkBar({ slug, pictures, subjects }: BulkBarProps) {
  const { chosen, chooseAll } = useChosen();
  const router = useRouter();
  const deed = useDeed(slug);
  const { isBusy } = deed;
  const those = pictures.filter(({ id }) => chosen.has(id));
  const ids = those.map(({ id }) => id);
  const [first, ...others] = those;
  const many = count(ids.length, 'picture');
  const say = (text: string, said: () => Promise<Outcome<Undo>>) =>
    deed.say(text, said, () => chooseAll(false));
  const join = () =>
    say(`${many} become one, as soon as the worker has sorted them.`, () =>
      sort(
        slug,
        'together',
        first?.sha256 ?? '',
        others.map(({ sha256 }) => sha256),
      ),
    );
  if (ids.length === 0 && !deed.isTold) return null;
  return (
    <FootBar label="Chosen pictures">
      {ids.length > 0 ? (
        <>
          <strong className="mr-1">{many} chosen</strong>
          <KindChoice
            isBusy={isBusy}
            onChoose={(kind) =>
              say(`${many}: ${KIND_NAME[kind].toLowerCase()}.`, () => settle(slug, ids, kind))
            }
          />
          <SubjectChoice
            subjects={subjects}
            isBusy={isBusy}
            onChoose={(subject) => say(`${many}: ${subject.name}.`, () => show(slug, ids, subject.id, true))}
            onNew={() => router.push(`/s/${slug}/subjects?for=${ids.join(',')}`)}
          />
          <Button
            weight="quiet"
            disabled={isBusy}
            onClick={() => say(`${many}: leftovers.`, () => teach(slug, ids, 'placeholder'))}
          >
            Leftovers
          </Button>
          <Button
            weight="quiet"
            disabled={isBusy}
            onClick={() => say(`${many}: no leftovers.`, () => teach(slug, ids, 'not a placeholder'))}
          >
            No leftovers
          </Button>
          <Link href={`/s/${slug}/pairs?pictures=${ids.join(',')}`} className={buttonClass('quiet')}>
            Pair
          </Link>
          <Link href={`/s/${slug}/pictures/titles?of=${ids.join(',')}`} className={buttonClass('quiet')}>
            Titles
          </Link>
          <Link href={`/s/${slug}/text-desk?pictures=${ids.join(',')}`} className={buttonClass('quiet')}>
            Words
          </Link>
          <Link href={`/s/${slug}/rights/many?pictures=${ids.join(',')}`} className={buttonClass('quiet')}>
            Rights
          </Link>
          {those.length === 2 ? (
            <Link
              href={`/s/${slug}/pictures/compare?one=${those[0]?.fileId}&other=${those[1]?.fileId}`}
              className={buttonClass('quiet')}
            >
              Compare
            </Link>
          ) : null}
          {those.length > 1 ? (
            <Button weight="quiet" disabled={isBusy} onClick={join}>
              One picture
            </Button>
          ) : null}
          <button type="button" className="ml-auto text-green" onClick={() => chooseAll(false)}>
            Let go
          </button>
        </>
      ) : null}
      <DeedTold deed={deed} mayClose={ids.length === 0} />
    </FootBar>
  );
}
