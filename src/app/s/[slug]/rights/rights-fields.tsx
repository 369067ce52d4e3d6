import { Field } from '@/ui/field';

const LICENCES = ['own-work', 'public-domain', 'CC0-1.0', 'CC-BY-4.0', 'CC-BY-SA-4.0', 'CC-BY-NC-4.0', 'CC-BY-ND-4.0', 'CC-BY-NC-SA-4.0', 'CC-BY-NC-ND-4.0', 'CC-BY-3.0', 'CC-BY-SA-3.0']; // oxfmt-ignore

/** The fields in which is said where a picture comes from. @param before what stands in each from the beginning */
export function RightsFields({ before }: { before: (name: string) => string }) {
  return (
    <>
      <Field name="creator" label="Who made it; several apart by ;" defaultValue={before('creator')} />
      <Field name="holder" label="Whose it is" defaultValue={before('holder')} />
      <Field
        name="licence"
        label="Licence"
        list="licences"
        defaultValue={before('licence')}
        hint="An SPDX id, or one of your own as own:…"
      />
      <Field
        name="source"
        label="Where it was found"
        defaultValue={before('source')}
        hint="An address, or words"
      />
      <Field name="until" label="Last day it may be shown" type="date" defaultValue={before('until')} />
      <div>
        <label htmlFor="people" className="block text-sm text-ink-2">
          People on it
        </label>
        <select
          id="people"
          name="people"
          defaultValue={before('people')}
          className="mt-1 w-full rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5"
        >
          <option value="">not said</option>
          <option value="none">nobody can be recognised</option>
          <option value="some">somebody can be recognised</option>
        </select>
      </div>
      <datalist id="licences">
        {LICENCES.map((id) => (
          <option key={id} value={id} />
        ))}
      </datalist>
    </>
  );
}
