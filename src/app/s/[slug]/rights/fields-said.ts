import type { PictureSaid } from '@/server/work/rights/keep-records';

const text = (form: FormData, name: string) => String(form.get(name) ?? '').trim();

/** What the fields of `RightsFields` say. */
export function fieldsSaid(form: FormData): Omit<PictureSaid, 'file'> {
  const people = text(form, 'people');
  return {
    creator: text(form, 'creator')
      .split(';')
      .map((name) => name.trim())
      .filter((name) => name !== ''),
    ...{ holder: text(form, 'holder'), licence: text(form, 'licence'), source: text(form, 'source') },
    ...{ until: text(form, 'until'), people: people === 'none' || people === 'some' ? people : '' },
  };
}
