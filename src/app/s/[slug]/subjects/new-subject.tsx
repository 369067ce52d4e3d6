'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Answer, type Told } from '@/ui/answer';
import { count } from '@/ui/format';
import { keepSubject, show } from '../pictures/actions';
import { SubjectForm } from './subject-form';

/** Names somebody or something, and says at once which pictures show it. */
export function NewSubject({ slug, ids }: { slug: string; ids: readonly number[] }) {
  const [told, setTold] = useState<Told>(null);
  const router = useRouter();
  return (
    <>
      <SubjectForm
        subject={null}
        label="Name it"
        onSave={async (input) => {
          const saved = await keepSubject(slug, input);
          if (!saved.ok) {
            setTold({ problem: saved.problem });
            return false;
          }
          const shown = ids.length === 0 ? null : await show(slug, ids, saved.value, true);
          if (shown && !shown.ok) {
            setTold({ problem: shown.problem });
            return false;
          }
          setTold({
            said: `${input.name} is named${ids.length > 0 ? `, and ${count(ids.length, 'picture shows', 'pictures show')} it` : ''}.`,
          });
          // The pictures in the address are done with.
          if (ids.length > 0) router.replace(`/s/${slug}/subjects`);
          return true;
        }}
      />
      <Answer told={told} />
    </>
  );
}
