'use server';

import Joi from 'joi';
import { headers } from 'next/headers';
import { redirect } from 'next/navigation';
import type { Problem } from '@/core/problem';
import { auth } from '@/server/accounts/auth';
import { databaseProblem } from '@/server/db/database';
import { ProblemError } from '@/server/problem-error';

const FORM = Joi.object<{ email: string; password: string }>({
  email: Joi.string().trim().email({ tlds: false }).required(),
  password: Joi.string().min(1).max(200).required(),
});

const REFUSED: Problem = {
  code: 'SIGN_IN_REFUSED',
  what: 'You are not signed in.',
  why: 'The mail address or the password is not right, or there were too many tries.',
  remedy: 'Check both and try again in a minute.',
};

/** Signs a person in; gives the problem where that fails. */
export async function signIn(_before: Problem | null, form: FormData): Promise<Problem | null> {
  const { value, error } = FORM.validate({ email: form.get('email'), password: form.get('password') });
  if (error) return { ...REFUSED, why: 'Both a mail address and a password are needed.' };
  try {
    await auth().api.signInEmail({ body: value, headers: await headers() });
  } catch (cause) {
    const known = databaseProblem(cause);
    return known instanceof ProblemError ? known.problem : REFUSED;
  }
  redirect('/');
}

/** Signs the person out. */
export async function signOut(): Promise<void> {
  await auth().api.signOut({ headers: await headers() });
  redirect('/sign-in');
}
