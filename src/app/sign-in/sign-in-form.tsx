'use client';

import { startTransition, useActionState } from 'react';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import { signIn } from './actions';

interface OfferedPerson {
  readonly name: string;
  readonly email: string;
  readonly role: string;
}

interface SignInFormProps {
  /** The demo's people, one press each; none outside the demo. */
  offered: readonly OfferedPerson[];
  password: string;
}

export function SignInForm({ offered, password }: SignInFormProps) {
  const [problem, submit, isPending] = useActionState(signIn, null);
  return (
    <>
      <form
        onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
        className="mt-6 grid gap-4"
      >
        <Field label="Mail address" name="email" type="email" autoComplete="username" required />
        <Field label="Password" name="password" type="password" autoComplete="current-password" required />
        {problem ? <ProblemText problem={problem} /> : null}
        <div>
          <Button type="submit" weight="main" disabled={isPending}>
            {isPending ? 'Signing in …' : 'Sign in'}
          </Button>
        </div>
      </form>
      {offered.length > 0 ? (
        <section className="mt-8 border-t border-line pt-4" aria-labelledby="offered">
          <h2 id="offered" className="text-sm text-ink-2">
            This is the demo. Sign in as one of its made-up people:
          </h2>
          <ul className="mt-2">
            {offered.map(({ name, email, role }) => (
              <li key={email} className="border-b border-line-2 last:border-0">
                <form action={submit}>
                  <input type="hidden" name="email" value={email} />
                  <input type="hidden" name="password" value={password} />
                  <button
                    type="submit"
                    className="flex w-full justify-between py-2 text-left hover:bg-tint"
                    disabled={isPending}
                  >
                    <span className="font-semibold text-green">{name}</span>
                    <span className="text-ink-2">{role}</span>
                  </button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </>
  );
}
