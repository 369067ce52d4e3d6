import type { NarrowingChoices, PictureNarrowing } from '@/app/_data/pictures/picture-narrowing';
import { hrefWith } from '@/app/_data/query';
import { PICTURE_KINDS } from '@/core/dating/shelf-life';
import { Button } from '@/ui/button';
import { KIND_NAME } from '@/ui/date-words';
import { FoldOut } from '@/ui/fold-out';
import { Link } from '@/ui/link';

interface NarrowFormProps {
  /** Address of the list without parameters, and those that hold now. */
  root: string;
  now: Readonly<Record<string, string | number | null>>;
  narrowing: PictureNarrowing;
  choices: NarrowingChoices;
}

const LABEL = 'block text-sm text-ink-2';
const CONTROL = 'mt-0.5 w-full rounded-sm border border-ink-3 bg-sheet px-2 py-1.5';

/** By what else the list can be narrowed: a form of its own, whose answers stand in the address. */
export function NarrowForm({ root, now, narrowing, choices }: NarrowFormProps) {
  const kept = Object.entries(now).filter(([name, value]) => value !== null && !(name in narrowing));
  return (
    <FoldOut
      label="Narrow"
      name="Narrow the list"
      isChosen={Object.values(narrowing).some((value) => value !== null)}
    >
      <form action={root} className="grid gap-2.5">
        {kept.map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={String(value)} />
        ))}
        <label className={LABEL}>
          What it shows
          <select name="kind" defaultValue={narrowing.kind ?? ''} className={CONTROL}>
            <option value="">Anything</option>
            {PICTURE_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KIND_NAME[kind]}
              </option>
            ))}
            <option value="unknown">Not known</option>
          </select>
        </label>
        <Choice
          name="subject"
          label="Who or what is on it"
          any="Anybody and anything"
          value={narrowing.subject}
          options={choices.subjects.map(({ id, name }) => [String(id), name])}
        />
        <Choice
          name="owner"
          label="Who answers for it"
          any="Anybody"
          value={narrowing.owner}
          options={[
            ...choices.owners.map(({ id, name }): [string, string] => [id, name]),
            ['none', 'Nobody'],
          ]}
        />
        <Choice
          name="folder"
          label="Folder"
          any="Any folder"
          value={narrowing.folder}
          options={choices.folders.map(({ folder, files }) => [folder, `${folder} (${files})`])}
        />
        <div className="grid grid-cols-2 gap-2.5">
          <NumberField
            name="before"
            label="Taken before"
            unit="year"
            example="A year, such as 2019"
            digits="4"
            value={narrowing.before}
          />
          <NumberField
            name="below"
            label="Smaller than"
            unit="pixels"
            example="Pixels along the long side, such as 400"
            digits="1,5"
            value={narrowing.below}
          />
        </div>
        <label className="flex items-center gap-2">
          <input type="checkbox" name="credit" value="none" defaultChecked={narrowing.credit === 'none'} />
          No credit is written into it
        </label>
        <Button type="submit" weight="main">
          Narrow
        </Button>
      </form>
    </FoldOut>
  );
}

interface NumberFieldProps {
  name: string;
  label: string;
  unit: string;
  example: string;
  /** How many digits it has, as in a pattern. */
  digits: string;
  value: number | null;
}

function NumberField({ name, label, unit, example, digits, value }: NumberFieldProps) {
  return (
    <label className={LABEL}>
      {label}
      <input
        {...{ name, title: example, placeholder: unit }}
        inputMode="numeric"
        pattern={`\\d{${digits}}`}
        defaultValue={value ?? ''}
        className={CONTROL}
      />
    </label>
  );
}

interface ChoiceProps {
  name: string;
  label: string;
  any: string;
  value: string | number | null;
  options: readonly (readonly [string, string])[];
}

function Choice({ name, label, any, value, options }: ChoiceProps) {
  if (options.length === 0) return null;
  return (
    <label className={LABEL}>
      {label}
      <select name={name} defaultValue={value === null ? '' : String(value)} className={CONTROL}>
        <option value="">{any}</option>
        {options.map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the list is narrowed to, each with the way to let go of it. */
export function Narrowed({ root, now, narrowing, choices }: NarrowFormProps) {
  const { kind, subject, owner, folder, before, below, credit } = narrowing;
  const words: [keyof PictureNarrowing, string | null][] = [
    ['kind', kind && (kind === 'unknown' ? 'nothing tells what it shows' : KIND_NAME[kind])],
    ['subject', choices.subjects.find(({ id }) => id === subject)?.name ?? null],
    [
      'owner',
      owner &&
        (owner === 'none' ? 'nobody’s' : (choices.owners.find(({ id }) => id === owner)?.name ?? owner)),
    ],
    ['folder', folder && `in ${folder}`],
    ['before', before === null ? null : `taken before ${before}`],
    ['below', below === null ? null : `smaller than ${below} px`],
    ['credit', credit && 'no credit in the file'],
  ];
  const held = words.filter(([name]) => narrowing[name] !== null);
  if (held.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-2 border-b border-line-2 bg-sheet px-5 py-2">
      {held.map(([name, text]) => (
        <Link
          key={name}
          href={hrefWith(root, { ...now, [name]: null })}
          className="rounded-sm border border-green bg-tint px-2 py-0.5 text-green"
          title="Let go of this"
        >
          {text ?? String(narrowing[name])} <span aria-hidden>×</span>
          <span className="sr-only">, let go</span>
        </Link>
      ))}
    </p>
  );
}
