'use client';

import { useState } from 'react';
import { mailDraft, type Letter } from '@/core/rights/letter';
import { Button, buttonClass } from '@/ui/button';
import { Field } from '@/ui/field';

/** A letter to be changed, printed, saved or sent by the reader's own mail program. */
export function LetterDraft({ letter, fileName }: { letter: Letter; fileName: string }) {
  const [to, setTo] = useState('');
  const [body, setBody] = useState(letter.body);
  const [said, setSaid] = useState('');
  const saved = `data:text/plain;charset=utf-8,${encodeURIComponent(`${letter.subject}\n\n${body}\n`)}`;
  const copy = async () => {
    await navigator.clipboard.writeText(body).then(
      () => setSaid('Copied.'),
      () => setSaid('Your browser does not let it be copied: mark the text and copy it yourself.'),
    );
  };
  return (
    <div className="mt-2 grid grid-cols-[minmax(0,1fr)_260px] gap-5 pb-6 max-md:grid-cols-1">
      <textarea
        aria-label="The letter"
        value={body}
        onChange={(event) => setBody(event.target.value)}
        rows={22}
        className="w-full rounded-sm border border-ink-3 bg-sheet p-3 font-serif"
      />
      <div className="space-y-3">
        <Field
          name="to"
          label="Their mail address"
          type="email"
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
        <p>
          <a href={mailDraft({ ...letter, body }, to)} className={buttonClass()}>
            Open as a mail
          </a>
        </p>
        <p>
          <a
            href={saved}
            download={`letter-${fileName.replace(/\.\w+$/u, '')}.txt`}
            className={buttonClass('quiet')}
          >
            Save as text
          </a>
        </p>
        <p>
          <Button weight="quiet" onClick={copy}>
            Copy
          </Button>{' '}
          <span role="status" className="text-sm text-ink-2">
            {said}
          </span>
        </p>
      </div>
    </div>
  );
}
